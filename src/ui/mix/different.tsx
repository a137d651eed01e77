"use client";

import { Box } from "@chakra-ui/react";
import { useMemo } from "react";
import type { Sheet } from "@/formats/entries";
import { outcomeOfSheet } from "@/formats/job-file/outcome-of-sheet";
import type { OutcomeText } from "@/formats/job-file/types";
import type { SheetPlan } from "@/formats/sheet-plan";
import { useSystem } from "../data/units";
import { Button, Note } from "../parts/controls";
import { Column } from "../parts/layout";
import { OutcomePanel } from "./outcome-panel";
import type { Ended } from "./how-it-ended";
import { OneNumber } from "./one-number";
import { TellLoads } from "./tell-loads";
import { entriesOf, plannedLoads, TO_PLAN, type LoadsTold } from "./told-loads";

interface DifferentProps {
  readonly worked: SheetPlan;
  readonly ended: Ended;
  readonly told: LoadsTold;
  readonly set: (told: LoadsTold) => void;
  readonly onRecord: (outcome: readonly OutcomeText[]) => void;
}

/** Of what was typed in one number's place only what this end asks for: nothing that isn't in sight goes on record. */
const asAsked = (ended: Exclude<Ended, "each">, told: LoadsTold): LoadsTold =>
  Object.fromEntries(
    Object.entries(told).map(([key, { left, covered }]) => [
      key,
      { ...TO_PLAN, left: ended === "early" ? "" : left, covered: ended === "left" ? "" : covered },
    ]),
  );

/** What was different, in one number or load by load, and at once what that came to. */
export function Different({ worked, ended, told, set, onRecord }: DifferentProps) {
  const system = useSystem();
  const loads = useMemo(() => plannedLoads(worked), [worked]);
  const counted = useMemo(() => (ended === "each" ? told : asAsked(ended, told)), [ended, told]);
  const entries = entriesOf(loads, counted);
  const outcome = entries.ok && entries.value.length > 0 ? outcomeOfSheet(worked.job.file, entries.value) : undefined;
  // Until a number is typed there is nothing to show of how it ended.
  const said = ended === "each" || Object.values(counted).some((one) => one.left !== "" || one.covered !== "");
  const issues = outcome && !outcome.ok ? outcome.issues : [];
  return (
    <Column gap="16px" borderLeft="6px solid" borderColor="line" paddingLeft="14px">
      {ended === "each" ? (
        <TellLoads {...{ loads, told, set, system }} issues={issues} />
      ) : (
        <OneNumber {...{ ended, loads, told, set, system }} issues={issues} />
      )}
      {outcome?.ok && said && <OutcomePanel outcome={outcome.value} system={system} />}
      {entries.ok && entries.value.length === 0 && (
        <Note>No load was sprayed: void the sheet, with what became of what was poured.</Note>
      )}
      <Box>
        <Button
          look="act"
          minHeight="56px"
          disabled={!outcome?.ok || !said}
          onClick={() => entries.ok && onRecord(entries.value)}
        >
          Put on record as it was
        </Button>
      </Box>
    </Column>
  );
}

/** What the loads of a sheet on record really did, as it was told when it was closed. */
export function ToldOutcome({ sheet }: { sheet: Sheet }) {
  const system = useSystem();
  const outcome = useMemo(() => outcomeOfSheet(sheet.job, sheet.outcome), [sheet.job, sheet.outcome]);
  return outcome.ok ? <OutcomePanel outcome={outcome.value} system={system} day={sheet.run !== null} /> : null;
}
