"use client";

import { Box } from "@chakra-ui/react";
import { allFillings } from "@/core/mixing/column";
import type { MixPlan } from "@/core/mixing/plan";
import { showChange } from "@/core/quantity/format";
import { read, type System } from "@/core/working/units";
import { groundText, paceTime } from "@/core/working/thousand";
import { times } from "@/core/quantity/arithmetic";
import { oneLess, type Planned } from "@/formats/job-file/assemble";
import type { Job } from "@/formats/job-file/read-checked";
import { Button } from "../parts/controls";
import { Notice } from "../parts/notices";
import type { Draft } from "./draft";
import type { MeasuringOf } from "./measures";

interface FewerProps {
  readonly planned: Planned & { readonly job: Job };
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly measured: MeasuringOf | undefined;
  readonly system: System;
}

/** Whole tanks where the rest is hardly one; equal loads where the kit can't measure a last one. */
export function FewerLoads({ planned, draft, change, measured, system }: FewerProps) {
  const { job, calibration, plan } = planned;
  const less = draft.purpose === "site" ? oneLess(job, calibration) : null;
  if (less && job.oneLess)
    return (
      <Notice state="act">
        {draft.oneLess === undefined &&
          `The last load would be ${showChange(1 - less.ratio).replace("+", "")} of the spray, within the ± of the calibration: nobody fills a tank for that. `}
        One load less: {less.loads === 1 ? "one full tank" : `${less.loads} full tanks`} for all of it. The mix is{" "}
        {showChange(1 / less.ratio - 1)} in strength, and is put down at {read(less.sprayVolume.value, "sprayVolume", system)}:{" "}
        {quicker(planned, less.ratio, system)}.{" "}
        <Button look="inline" onClick={() => change({ oneLess: false })}>
          Fill once more instead
        </Button>
      </Notice>
    );
  if (less)
    return (
      <Notice state="plain">
        The last load is only {showChange(1 - less.ratio).replace("+", "")} of the spray, less than the calibration is sure of.{" "}
        {less.loads === 1 ? "One full tank does it" : `${less.loads} full tanks do it`} if you walk a little quicker.
        <Box>
          <Button look="inline" onClick={() => change({ oneLess: true })}>
            One load less, the product for the whole area
          </Button>
        </Box>
      </Notice>
    );
  const last = lastNeeds(plan, measured);
  if (last && draft.loads === "full-then-part" && draft.purpose !== "day")
    return (
      <Notice state="act">
        The kit can&apos;t measure the last load ({last}). Equal loads are measured once, and larger.
        <Box>
          <Button look="inline" onClick={() => change({ loads: "equal" })}>
            Take equal loads
          </Button>
        </Box>
      </Notice>
    );
  return null;
}

/** How much quicker it is walked, or how much wider a pass is. */
function quicker({ calibration }: Planned, factor: number, system: System): string {
  const pace = calibration.timePer1000;
  const wider = calibration.swath ? `, or a pass of ${read(times(calibration.swath.value, 1 / factor), "length", system)}` : "";
  if (!pace) return `cover the ground ${showChange(1 / factor - 1)} quicker${wider}`;
  return `${groundText(system)} in ${paceTime(times(pace.value, factor), system)}, not ${paceTime(pace.value, system)}${wider}`;
}

/** What the kit lacks for the last load, where it can measure the full ones. */
function lastNeeds(plan: MixPlan, measured: MeasuringOf | undefined): string | undefined {
  const fillings = allFillings(plan);
  const [first, last] = [fillings[0], fillings.at(-1)];
  if (!measured || !first || !last || first === last) return undefined;
  return plan.products
    .map((_, i) => (measured(first, i)?.needs === undefined ? measured(last, i)?.needs : undefined))
    .find((needs) => needs !== undefined);
}
