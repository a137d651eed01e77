"use client";

import { issueAt, type Issue, type Result } from "@/core/issue";
import { entered } from "@/core/quantity/parse";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import type { Quantity } from "@/core/quantity/kinds";
import type { Field } from "@/core/quantity/ranges";
import { planningOf } from "@/formats/job-file/outcome";
import type { OutcomeText } from "@/formats/job-file/types";
import type { SheetPlan } from "@/formats/sheet-plan";
import { readTyped } from "@/formats/typed";

/** What is told of a load before it is read: nothing typed means that it went to plan. */
export interface LoadTold {
  readonly left: string;
  readonly covered: string;
  readonly time: string;
  /** What was left went over ground that was covered already. */
  readonly again: boolean;
  readonly againLeft: string;
  readonly againCovered: string;
  /** It was never sprayed. */
  readonly skipped: boolean;
  /** How much of each zone it did, by the zone's name; undefined where nobody says so. */
  readonly zones?: Readonly<Record<string, string>> | undefined;
}

export const TO_PLAN: LoadTold = {
  left: "",
  covered: "",
  time: "",
  again: false,
  againLeft: "",
  againCovered: "",
  skipped: false,
};

/** By site and load. */
export type LoadsTold = Readonly<Record<string, LoadTold>>;

/** A load as it was planned. */
export interface PlannedLoad {
  readonly key: string;
  readonly site: string;
  readonly load: number;
  readonly fillTo: Quantity<"volume">;
  readonly covers: Quantity<"area">;
  /** The names of the zones of its site. */
  readonly zones: readonly string[];
}

/** The loads of a sheet, also of a site that its label holds by now: they were poured. */
export function plannedLoads({ job, calibration, input, plan }: SheetPlan): PlannedLoad[] {
  return planningOf(job, { calibration, input, plan }).plan.sites.flatMap((site) =>
    site.loads.map(({ number, contents }) => ({
      key: `${site.name}.${number}`,
      site: site.name,
      load: number,
      fillTo: contents.fillTo.value,
      covers: contents.covers.value,
      zones: job.sites.find((one) => one.name === site.name)?.zones.map(({ name }, i) => name ?? `zone ${i + 1}`) ?? [],
    })),
  );
}

/** What was told, as the job file writes it; or what can't be read, each with its place on the screen: `Green.1.left`. */
export function entriesOf(loads: readonly PlannedLoad[], told: LoadsTold): Result<OutcomeText[]> {
  const issues: Issue[] = [];
  const text = (key: string, field: Field, typed: string, zero = false): string | undefined => {
    if (typed.trim() === "") return undefined;
    const read = readTyped(field, typed, { zero });
    if (read.ok) return read.value.text;
    issues.push(...read.issues.map((one) => issueAt(key, { ...one, path: "" })));
    return undefined;
  };
  const entries = loads.flatMap(({ key, site, load, covers }): OutcomeText[] => {
    const one = told[key] ?? TO_PLAN;
    if (one.skipped) return [];
    const on = Object.entries(one.zones ?? {}).flatMap(([zone, typed]) => {
      const area = text(`${key}.zones.${zone}`, "zoneArea", typed, true);
      return area === undefined ? [] : [[zone, area] as const];
    });
    const all = on.reduce((sum, [, area]) => sum + valueIn(entered(area, "area").value, "ft2"), 0);
    const planned = on.length > 0 ? all : valueIn(covers, "ft2");
    const covered = text(`${key}.covered`, "zoneArea", one.covered) ?? `${plainNumber(planned)} ft2`;
    const time = text(`${key}.time`, "loadTime", one.time);
    const first = {
      site,
      load,
      left: text(`${key}.left`, "left", one.left, true) ?? "0 gal",
      covered,
      ...(time && { time }),
      ...(on.length > 0 && { zones: Object.fromEntries(on) }),
    };
    if (!one.again) return [first];
    const left = text(`${key}.againLeft`, "left", one.againLeft, true) ?? "0 gal";
    return [
      first,
      { site, load, left, covered: text(`${key}.againCovered`, "zoneArea", one.againCovered) ?? covered, again: true },
    ];
  });
  return issues.length > 0 ? { ok: false, issues } : { ok: true, value: entries };
}
