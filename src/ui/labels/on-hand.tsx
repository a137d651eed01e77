"use client";

import { Box } from "@chakra-ui/react";
import { format } from "../data/dates";
import { quantity } from "@/core/quantity/quantity";
import { read, type System } from "@/core/working/units";
import type { LabelEntry, StockEntry } from "@/formats/entries";
import { useStock } from "../data/records";
import { wallClock } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { CountStock } from "../mix/count-stock";

/** What is left of a counted product, in words. */
export const leftWords = (dry: boolean, left: number, system: System): string =>
  dry ? read(quantity("mass", left, "g"), "mass", system) : read(quantity("volume", left, "mL"), "volume", system);

const words = ({ counted, countedAt, left }: StockEntry, dry: boolean, system: System) =>
  `${leftWords(dry, left, system)} on hand: ${counted} counted on ${format(wallClock(countedAt), "d MMM")}, less what went down since.`;

/** What is on hand of a product, and counting it. */
export function OnHand({ label }: { label: LabelEntry }) {
  const counted = useStock();
  const { system } = useInHand();
  const stock = counted.find((s) => s.labelId === label.id);
  return (
    <Box>
      {stock ? words(stock, label.card.form === "dry", system) : "Not counted yet."}{" "}
      <CountStock label={label} again={stock !== undefined} />
    </Box>
  );
}
