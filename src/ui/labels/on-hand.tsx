"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { format } from "../data/dates";
import type { Form } from "@/core/labels/label-rate";
import type { System } from "@/core/working/units";
import type { LabelEntry, StockEntry } from "@/formats/entries";
import { useStock } from "../data/records";
import { wallClock } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { amountText } from "../shelf/amount-text";
import { CountStock } from "../mix/count-stock";

const words = ({ counted, countedAt, left }: StockEntry, form: Form, system: System) =>
  `${amountText(left, form, system)} on hand: ${counted} counted on ${format(wallClock(countedAt), "d MMM")}, with what came and without what went down since.`;

/** What is on hand of a product, and counting it. */
export function OnHand({ label }: { label: LabelEntry }) {
  const counted = useStock();
  const { system } = useInHand();
  const stock = counted.find((s) => s.labelId === label.id);
  return (
    <Box>
      {stock ? words(stock, label.card.form, system) : "Not counted yet."}{" "}
      <CountStock label={label} again={stock !== undefined} />{" "}
      <PageLink href={`/labels/shelf?product=${encodeURIComponent(label.id)}`}>Packages that came</PageLink>
    </Box>
  );
}
