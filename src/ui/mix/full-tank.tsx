"use client";

import { Box } from "@chakra-ui/react";
import type { FullTank, NotJudged } from "@/core/mixing/full-tank";
import type { Filling } from "@/core/mixing/column";
import { read, type System } from "@/core/working/units";
import { mixWarningText } from "@/core/words/mix-warnings";
import { reasonWords } from "@/core/words/reasons";
import { Note, SubHeading } from "../parts/controls";
import { Column } from "../parts/layout";
import { Notice } from "../parts/notices";
import { TankColumns } from "./tank-column";

const NEEDS_GROUND: Record<NotJudged, string> = {
  year: "the year's most",
  interval: "the days between",
  applications: "the number of applications",
  seeding: "waits for seed and sod",
};

/** "What goes into a tank?": a full one, before anybody says for which ground. */
export function FullTankBox({
  full: { plan, contents, notJudged },
  system,
  jar = false,
}: {
  full: FullTank;
  system: System;
  jar?: boolean;
}) {
  const one = jar ? "jar" : "tank";
  const filling: Filling | undefined = contents
    ? {
        key: "tank",
        number: 1,
        fillTo: contents.fillTo,
        adds: contents.fillTo,
        startsWith: null,
        covers: contents.covers,
        amounts: contents.amounts,
        sites: [],
      }
    : undefined;
  return (
    <Box as="section" aria-label={`A full ${one}`}>
      <SubHeading>A full {one}</SubHeading>
      <Column gap="10px" marginTop="8px">
        {contents && filling && (
          <>
            <Box textStyle="lead">
              {read(contents.fillTo.value, "volume", system)}, for {read(contents.covers.value, "area", system)}
            </Box>
            <TankColumns products={plan.products} fillings={[filling]} usable={contents.fillTo} system={system} />
          </>
        )}
        {plan.reasons.map((reason) => (
          <Notice key={reason.code} state="stop">
            Held: {reason.product}, {reasonWords(reason, system).fits ?? "its label doesn't allow it"}
          </Notice>
        ))}
        {plan.warnings.map((warning) => (
          <Notice key={mixWarningText(warning, system)} state="act">
            {mixWarningText(warning, system)}
          </Notice>
        ))}
        <Note>
          For no ground yet
          {notJudged.length > 0 && `: ${notJudged.map((what) => NEEDS_GROUND[what]).join(", ")} can't be judged`}. Name the site
          before you pour, for no more than it takes.
        </Note>
      </Column>
    </Box>
  );
}
