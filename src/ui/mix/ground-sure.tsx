"use client";

import { togetherRelative, type MeasuredBy } from "@/core/area/uncertainty";
import type { MixPlan } from "@/core/mixing/plan";
import { times } from "@/core/quantity/arithmetic";
import { entered } from "@/core/quantity/parse";
import { read, type System } from "@/core/working/units";
import type { SiteText } from "@/formats/job-file/types";
import { Known } from "../parts/to-know";
import { BY_WORDS, plusMinus } from "../sites/measured-words";

/** Under this nobody sees it in a tank (ours). */
const TOLD = 0.02;

interface SureProps {
  readonly plan: MixPlan;
  readonly sites: readonly SiteText[];
  readonly system: System;
}

/** How sure the ground of each site is, and what that is in the tank: so much may be left over, or lacking. */
export function GroundSure({ plan, sites, system }: SureProps) {
  return plan.sites.flatMap(({ name, spray }) => {
    const zones = (sites.find((site) => site.name === name)?.zones ?? []).map((zone) => ({
      area: entered(zone.area, "area").value,
      by: zone.measuredBy ?? null,
    }));
    const relative = togetherRelative(zones);
    if (relative === null || relative < TOLD) return [];
    const ways = [...new Set(zones.flatMap(({ by }): MeasuredBy[] => (by === null ? [] : [by])))].map((by) => BY_WORDS[by][0]);
    return [
      <Known key={name} rank="amounts" brief="how sure the area is" state="plain">
        The ground of {name} was measured {ways.join(" and ")}, {plusMinus(relative)}: up to{" "}
        {read(times(spray.value, relative), "volume", system)} of its {read(spray.value, "volume", system)} may be left, or
        lacking. The rate on the ground is the calibration&apos;s.
      </Known>,
    ];
  });
}
