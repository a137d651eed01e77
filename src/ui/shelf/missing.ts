import type { ShelfProduct } from "@/formats/entries";
import { atMost } from "@/core/quantity/slack";

/** Whether what is on hand is too little for the next two weeks, and for the rest of the year; of what nobody counted nothing is known. */
export const missingOf = ({ left, soon, all }: Pick<ShelfProduct, "left" | "soon" | "all">) => ({
  soon: left !== null && !atMost(soon, left),
  all: left !== null && !atMost(all, left),
});
