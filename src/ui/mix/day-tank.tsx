"use client";

import { chakra } from "@chakra-ui/react";
import { useMemo } from "react";
import { readAmountOf } from "@/core/mixing/display";
import type { RunState } from "@/core/mixing/run-state";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { read, type System } from "@/core/working/units";
import { dayLedger, type DayLedger } from "@/formats/day-ledger";
import type { JobFile } from "@/formats/job-file/types";

const NOTHING = "nothing";

/** The rows of a day's tank: the mix, then each product of it, as filled, put down and still in it. */
export function tankRows({ filled, applied, inTank, products }: DayLedger, system: System): readonly (readonly string[])[] {
  const say = (mL: number) => (mL > 0 ? read(fromCanonical<"volume">(mL), "volume", system) : NOTHING);
  const amount = (text: string) => (Number.parseFloat(text) > 0 ? readAmountOf(text, system) : NOTHING);
  return [
    ["Mix", say(filled), say(applied), say(inTank)],
    ...products.map((one) => [one.name, ...[one.filled, one.applied, one.inTank].map(amount)]),
  ];
}

export const TANK_HEAD = ["In the tank, so far", "Filled", "Went down", "Still in it"] as const;

/** What the tank of a day took, put down and still holds, by product; nothing before the first fill. */
export function DayTank({ job, run, system }: { job: JobFile; run: RunState; system: System }) {
  const ledger = useMemo(() => dayLedger(job, run), [job, run]);
  if (!ledger) return null;
  return (
    <chakra.table
      width="100%"
      maxW="620px"
      aria-label="The tank of the day"
      css={{ borderCollapse: "collapse", "& th, & td": { textAlign: "left", padding: "4px 10px 4px 0" } }}
    >
      <thead>
        <tr>
          {TANK_HEAD.map((head) => (
            <chakra.th key={head} textStyle="small" color="soft" fontWeight="400">
              {head}
            </chakra.th>
          ))}
        </tr>
      </thead>
      <tbody>
        {tankRows(ledger, system).map(([name, ...amounts]) => (
          <chakra.tr key={name} borderTop="1px solid" borderColor="line">
            <td>{name}</td>
            {amounts.map((amount, i) => (
              <chakra.td key={i} fontFamily="reading" fontWeight={i === 2 ? "700" : "400"}>
                {amount}
              </chakra.td>
            ))}
          </chakra.tr>
        ))}
      </tbody>
    </chakra.table>
  );
}
