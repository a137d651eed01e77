import { foldedName } from "../names";
import { raw } from "../quantity/kinds";
import { downOn, ofYear } from "./budget";
import type { ProductUse } from "../hose-end/suitability";
import { none, type Case } from "./reason";
import { atMost } from "../quantity/slack";

/** What kills or keeps off: a label of it has limits, whether they were noted or not. */
const PESTICIDES: readonly ProductUse[] = ["herbicide", "pre-emergent", "fungicide", "insecticide"];

/**
 * Holds a pesticide of which nobody noted the active where something unknown went down too: the two may be the same active
 * under two names, and then share one budget. Where only the other one is unknown, that is said. Looked at is the longest
 * window that a limit has: the calendar year and the 12 months before.
 */
export function activeNoted({ own, rows, zone, day, held, warnings }: Case): void {
  const { date } = day;
  if (date === undefined) return;
  const { use, actives } = own.says;
  const pesticide = use !== undefined ? PESTICIDES.includes(use) : rows.length > 0;
  if (!pesticide) return;
  const other = downOn(zone).find(
    (entry) =>
      entry.unknown === true &&
      foldedName(entry.of) !== foldedName(own.name) &&
      (ofYear(entry, date, "calendar") || ofYear(entry, date, "rolling")),
  );
  if (!other) return;
  const values = { other: other.of, on: other.planned ? null : other.date };
  if (actives.length === 0) return held({ code: "active-unknown", values, most: none(own) });
  warnings.push({ code: "active-not-noted", values: { ...values, product: own.name, zone: zone.name } });
}

/** Holds a spot that is larger than the zone it lies in: more than the zone can take would be mixed. */
export function spotInZone({ zone, held }: Case): void {
  const { area, whole } = zone;
  if (!area || !whole || atMost(raw(area.value), raw(whole.value))) return;
  held({ code: "spot-over-zone", values: { area, whole }, most: null });
}
