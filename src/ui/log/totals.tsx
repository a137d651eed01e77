"use client";

import { Box } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { activeTotals, type ProductTotal } from "@/core/log/totals";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { entered } from "@/core/quantity/parse";
import { read } from "@/core/working/units";
import type { TotalEntry } from "@/formats/entries";
import type { LogAsked } from "@/formats/slices";
import { activesOf } from "@/formats/card/actives-of";
import { todayDate } from "../data/clock";
import { useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { Button, Note, Reading, SubHeading } from "../parts/controls";
import { Column } from "../parts/layout";

/** What went down in all of what is looked at: each product, and each active through all products that hold it. */
export function Totals({ asked }: { asked: LogAsked }) {
  const [shown, setShown] = useState(false);
  const today = todayDate();
  const days = { from: asked.from ?? `${today.slice(0, 4)}-01-01`, to: asked.to ?? today };
  if (!shown)
    return (
      <Box marginTop="10px">
        <Button look="quiet" onClick={() => setShown(true)}>
          Totals from {days.from} to {days.to}
        </Button>
      </Box>
    );
  return <Added asked={{ ...asked, ...days }} />;
}

function Added({ asked }: { asked: LogAsked & { from: string; to: string } }) {
  const system = useSystem();
  const rows = useSlice("totals", asked).value;
  const products = useMemo(() => (rows ?? []).map(totalOf), [rows]);
  if (!rows) return null;
  const actives = activeTotals(products);
  return (
    <Column as="section" aria-label="Totals" gap="8px" marginTop="14px">
      <SubHeading>
        In all, {asked.from} to {asked.to}
      </SubHeading>
      {rows.length === 0 && <Note>Nothing of this went down between these days.</Note>}
      {products.map(({ product, amount }, i) => (
        <Line key={product + i} name={product} about={`${rows[i]!.count} ${rows[i]!.count === 1 ? "record" : "records"}`}>
          {amount.of === "mass" ? read(amount.value, "mass", system) : read(amount.value, "volume", system)}
        </Line>
      ))}
      {actives.length > 0 && <Box textStyle="label">Of each active</Box>}
      {actives.map(({ active, amount, open }) => (
        <Line
          key={active}
          name={active}
          about={open.length > 0 ? `and what is in ${open.join(", ")}: its card lacks the specific gravity` : ""}
        >
          {read(amount, "mass", system)}
        </Line>
      ))}
    </Column>
  );
}

function Line({ name, about, children }: { name: string; about: string; children: string }) {
  return (
    <Box
      display="flex"
      gap="4px 14px"
      flexWrap="wrap"
      alignItems="baseline"
      borderBottom="1px solid"
      borderColor="line"
      paddingY="4px"
    >
      <Box flex="1 1 160px">{name}</Box>
      <Box textStyle="small" color="soft">
        {about}
      </Box>
      <Reading>{children}</Reading>
    </Box>
  );
}

const totalOf = ({ product, measured, total, actives, gravity }: TotalEntry): ProductTotal => ({
  product,
  amount:
    measured === "mass"
      ? { of: "mass", value: fromCanonical<"mass">(total) }
      : { of: "volume", value: fromCanonical<"volume">(total) },
  actives: activesOf(actives),
  ...(gravity !== null && { gravity: entered(gravity, "gravity") }),
});
