"use client";

import type { Ground } from "@/core/calibration/evidence";
import { largestFill } from "@/core/mixing/column";
import type { MixPlan } from "@/core/mixing/plan";
import type { JobFile } from "@/formats/job-file/types";
import { useSystem } from "../data/units";
import { Known } from "../parts/to-know";
import { siteLines } from "./site-lines";

interface SiteProps {
  readonly job: JobFile;
  readonly plan: MixPlan;
  /** What the pace of its calibration was timed on, where that was said. */
  readonly timedOn?: Ground | null | undefined;
}

/** Who or what must be minded on the sites of a mix, and what is known of their ground and water, before anything is poured. */
export function SiteCautions({ job, plan, timedOn }: SiteProps) {
  return siteLines(job, useSystem(), { timedOn, fill: largestFill(plan) }).map(({ says, ...line }) => (
    <Known key={says} {...line}>
      {says}
    </Known>
  ));
}
