import { isDate } from "@/core/calendar";
import type { PutDown } from "@/core/labels/label";
import { parseRate } from "@/core/labels/rate";
import type { MixSite } from "@/core/mixing/plan";
import { parseQuantity } from "@/core/quantity/parse";
import { parseField } from "@/core/quantity/ranges";
import { given } from "@/core/working/rule";
import { isOverWhole } from "@/core/quantity/arithmetic";
import { Faults, maybe, value } from "./faults";
import { shown } from "./shown";
import type { AppliedText, JobFile, ZoneText } from "./types";

/** The sites of a job file with what is known of their zones. */
export function readSites(job: Pick<JobFile, "sites">, faults: Faults): MixSite[] {
  return (job.sites ?? []).map((site, i) => ({
    name: site.name,
    ...textOf(site.jurisdiction, "jurisdiction"),
    ...(site.waterSource?.fill === true && { water: true }),
    zones: site.zones.map((zone, j) => ({
      name: zone.name ?? `zone ${j + 1}`,
      area: value(zone.area, "area"),
      ...wholeOf(zone),
      ...textOf(zone.turf, "turf"),
      ...datesOf(zone, `sites[${i}].zones[${j}]`, faults),
      applied: (zone.applied ?? []).flatMap(
        (entry, k) => readApplied(entry, `sites[${i}].zones[${j}].applied[${k}]`, faults) ?? [],
      ),
    })),
  }));
}

const textOf = <K extends string>(text: unknown, key: K): Partial<Record<K, string>> =>
  typeof text === "string" && text.trim() !== "" ? ({ [key]: text.trim() } as Record<K, string>) : {};

/** How large the whole zone of a spot is. */
function wholeOf(zone: ZoneText) {
  const whole = zone.spot?.zoneArea === undefined ? undefined : parseField("zoneArea", zone.spot.zoneArea);
  return whole?.ok ? { whole: whole.value } : {};
}

function datesOf(zone: ZoneText, path: string, faults: Faults) {
  const dates: Record<string, string> = {};
  for (const key of ["seeded", "sodded", "seeding", "sodding"] as const) {
    const date = zone[`${key}On`];
    if (date === undefined) continue;
    if (typeof date === "string" && isDate(date)) dates[key] = date;
    else faults.add(`${path}.${key}On`, "bad-date", shown(date), `"2026-04-14"`);
  }
  return dates;
}

/** An entry of what went down: an amount for an area, of a product with one active in it. */
export function readApplied(entry: AppliedText, path: string, faults: Faults): PutDown | undefined {
  const { fraction, strength } = entry;
  if ((fraction === undefined) === (strength === undefined)) {
    const received = fraction === undefined ? "no content" : "fraction and strength together";
    faults.add(path, "contradiction", received, `give one: "fraction": "2 %", or of a liquid "strength": "4 lb/gal"`);
    return undefined;
  }
  const amount = faults.take(parseRate(entry.amount, undefined, { path: `${path}.amount` }));
  if (!amount) return undefined;
  if (amount.kind !== "rateByWeight" && amount.kind !== "rateByVolume") {
    faults.add(`${path}.amount`, "wrong-unit", entry.amount, "1.5 oz/1000 ft2");
    return undefined;
  }
  if (strength !== undefined && amount.kind === "rateByWeight") {
    faults.add(`${path}.strength`, "contradiction", `${strength} with an amount by weight`, `write "fraction": "2 %"`);
    return undefined;
  }
  const content = fraction !== undefined ? value(fraction, "share") : value(strength!, "activeStrength");
  if (content.kind === "share" && isOverWhole(content.value))
    faults.add(`${path}.fraction`, "out-of-range", fraction!, "at most 100 %");
  const dense = entry.specificGravity;
  const gravity = typeof dense === "string" && parseQuantity(dense, "gravity").ok ? maybe(dense, "gravity") : undefined;
  return {
    of: entry.of,
    active: { name: entry.active, content },
    ...(gravity && { gravity }),
    amount:
      amount.kind === "rateByWeight" ? given(amount, `${entry.of}, ${entry.date}`) : given(amount, `${entry.of}, ${entry.date}`),
    date: entry.date,
    ...(typeof entry.alsoOn === "string" && isDate(entry.alsoOn) && { alsoOn: entry.alsoOn }),
    ...(entry.activeUnknown === true && { unknown: true }),
    ...(entry.planned === true && { planned: true }),
    ...(entry.poured === true && { poured: true }),
  };
}
