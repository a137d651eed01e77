import type { LoadMode } from "@/core/contents";
import type { LabelEntry } from "@/formats/book";
import type { readRate } from "@/formats/forms/rate";

/** A mix in the making, kept in this browser until its sheet is saved. */
export interface Draft {
  readonly products: readonly { readonly labelId: string; readonly rate: string }[];
  readonly loads: LoadMode;
  readonly tank: string;
}
export const EMPTY_DRAFT: Draft = { products: [], loads: "full-then-part", tank: "" };

/** A product of the mix, with its label and its rate as read. */
export type Chosen = {
  readonly labelId: string;
  readonly rate: string;
  readonly label: LabelEntry;
  readonly read: ReturnType<typeof readRate>;
};
