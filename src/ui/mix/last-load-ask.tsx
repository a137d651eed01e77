"use client";

import { Box } from "@chakra-ui/react";
import { useMemo } from "react";
import { allFillings } from "@/core/mixing/column";
import { times } from "@/core/quantity/arithmetic";
import { showChange } from "@/core/quantity/format";
import { groundText, paceTime } from "@/core/working/thousand";
import { read, type System } from "@/core/working/units";
import { oneLess, type Planned } from "@/formats/job-file/assemble";
import type { Job } from "@/formats/job-file/read-checked";
import { Button } from "../parts/controls";
import { Column } from "../parts/layout";
import { Known } from "../parts/to-know";
import { lastLoadOf, lastLoadsOf, noLoadOf, type LastLoad } from "./last-load";
import type { MeasuringOf } from "./measures";

interface AskProps {
  readonly planned: Planned & { readonly job: Job };
  /** Of a spot, one load less is none of the ways: its volume is what somebody said. */
  readonly without?: LastLoad | undefined;
  /** Whether a person has said how; otherwise what is taken was taken for him. */
  readonly said: boolean;
  readonly choose: (way: LastLoad) => void;
  readonly measured?: ((plan: Planned["plan"]) => MeasuringOf) | undefined;
  readonly system: System;
}

const NAMES: Record<LastLoad, string> = { less: "One tank less", equal: "Even loads", fill: "Fill once more" };

/** A rest that is hardly a load: one question, with what each way does. */
export function LastLoadAsk({ planned, without, said, choose, measured, system }: AskProps) {
  const ways = useMemo(
    () => new Map([...lastLoadsOf(planned.job.file)].filter(([way]) => way !== without)),
    [planned.job.file, without],
  );
  const fill = ways.get("fill");
  const taken = lastLoadOf(planned.job);
  const filled = fill ?? planned;
  const no = taken === "fill" || fill ? noLoadOf(filled, measured?.(filled.plan)) : undefined;
  if (ways.size < 2 || (!no && !ways.has("less"))) return null;
  const less = ways.has("less") ? oneLess(filled.job, filled.calibration) : null;
  const rest = less
    ? `Only ${showChange(1 - less.ratio).replace("+", "")} of the spray ${taken === "fill" ? "is" : "would be"} over the full tanks`
    : `The last load ${taken === "fill" ? "is" : "would be"} only ${read(allFillings(filled.plan).at(-1)!.fillTo.value, "volume", system)}`;
  return (
    <Known
      rank={taken === "fill" ? "amounts" : "before"}
      brief={`last load: ${NAMES[taken].toLowerCase()}`}
      state={taken === "fill" ? "plain" : "act"}
    >
      {rest}
      {no?.why === "unsure" && ", within the ± of the calibration: nobody fills a tank for that"}
      {no?.why === "unmeasured" && `, and the kit can't measure it (${no.needs})`}.{" "}
      {taken !== "fill" && !said && `Taken for you: ${NAMES[taken].toLowerCase()}.`}
      <Column as="ul" gap="6px" marginTop="8px" listStyleType="none">
        {[...ways].map(([way, one]) => (
          <Box as="li" key={way}>
            {way === taken ? (
              <>
                <strong>✓ {NAMES[way]}</strong>: {doing(way, one, system)}
              </>
            ) : (
              <Button look="quiet" onClick={() => choose(way)} textAlign="left">
                {NAMES[way]}: {doing(way, one, system)}
              </Button>
            )}
          </Box>
        ))}
      </Column>
    </Known>
  );
}

/** A change that nobody walks, mixes or measures (ours). */
const UNSEEN = 0.005;

/** What a way does: how many loads of how much, and what becomes of strength and pace. */
function doing(way: LastLoad, { job, calibration, plan }: Planned & { readonly job: Job }, system: System): string {
  const volumes = allFillings(plan).map(({ fillTo }) => read(fillTo.value, "volume", system));
  const runs = [...new Set(volumes)].map((volume) => {
    const count = volumes.filter((one) => one === volume).length;
    return count === 1 ? volume : `${count} × ${volume}`;
  });
  const less = way === "less" ? oneLess(job, calibration) : null;
  if (!less) return runs.join(", then ");
  const stronger = 1 / less.ratio - 1;
  const strength = stronger < UNSEEN ? "as strong, within half a percent" : `${showChange(stronger)} in strength`;
  return `${runs.join(", then ")} for all of it. The mix is ${strength}, and is put down at ${read(less.sprayVolume.value, "sprayVolume", system)}: ${quicker(calibration, less.ratio, system)}`;
}

/** How much quicker it is walked, or how much wider a pass is. */
function quicker({ timePer1000: pace, swath }: Planned["calibration"], factor: number, system: System): string {
  const wider = swath ? `, or a pass of ${read(times(swath.value, 1 / factor), "length", system)}` : "";
  if (!pace && 1 / factor - 1 < UNSEEN) return "cover the ground as calibrated";
  if (!pace) return `cover the ground ${showChange(1 / factor - 1)} quicker${wider}`;
  const [quick, timed] = [paceTime(times(pace.value, factor), system), paceTime(pace.value, system)];
  if (quick === timed) return `walk as you were timed, ${groundText(system)} in ${timed}`;
  return `${groundText(system)} in ${quick}, not ${timed}${wider}`;
}
