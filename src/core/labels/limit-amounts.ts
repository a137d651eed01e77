import { yearBefore } from "../calendar";
import { sizeOf, type Active, type AreaRate } from "./active";
import { activesOf, besideAs, counted, daysOfEntry, downOn, entryAs, leftOf, ofYear, passes, type Counting } from "./budget";
import type { YearKind, ZoneFacts } from "./label";
import { perArea } from "./per-area";
import type { Case, DayOfPlan, ReasonValues } from "./reason";

/** The products of a mix that add to one's active, as so much of it. What can't be compared is told by `uncountable`. */
const beside = (own: Counting, others: readonly Counting[], active: Active): AreaRate[] =>
  others.flatMap((other) => besideAs(other, own, active) ?? []);

/** What is down or planned on the day of the plan: two sheets of one day are one application to the ground. */
const ofTheDay = ({ zone, day }: Pick<Case, "zone" | "day">) =>
  day.anyOrder && day.date !== undefined
    ? downOn(zone).filter((entry) => !entry.byProgram && daysOfEntry(entry).includes(day.date!))
    : [];

/**
 * Holds a plan where something holds the same active and can't be compared: leaving it out of the count could pass a
 * limit unseen.
 */
export function uncountable({ own, others, rows, zone, held }: Case): void {
  if (!rows.some((row) => row.perYear || row.perApplication)) return;
  for (const active of activesOf(own)) {
    const names = [
      ...others.filter((other) => besideAs(other, own, active) === null).map((other) => other.name),
      ...downOn(zone)
        .filter((entry) => entryAs(entry, own, active) === null)
        .map((entry) => entry.of),
    ];
    if (names.length > 0)
      return held({
        code: "uncountable",
        values: { other: names[0]!, active: active.name },
        most: null,
      });
  }
}

const sumOf = (amounts: readonly AreaRate[], dry: boolean): AreaRate | null =>
  amounts.length > 0 ? counted(amounts, dry) : null;

export function perApplication({ own, others, rows, zone, day, held, budgets }: Case): void {
  let worst: ReasonValues["over-application-limit"] | undefined;
  const over = (passed: Omit<ReasonValues["over-application-limit"], "planned">) => {
    if (worst && sizeOf(passed.left) >= sizeOf(worst.left)) return;
    worst = { planned: own.rate, ...passed };
  };
  const ofDay = ofTheDay({ zone, day });
  const top = own.says.range && perArea(own.says.range[1], `highest rate of ${own.name}`, day.sprayVolume);
  if (top && !passes(own.rate, top)) over({ by: "highest-rate", limit: top, left: top, also: null, today: null });
  for (const row of rows) {
    if (!row.perApplication) continue;
    const limit = perArea(row.perApplication, `most of ${own.name} at once`, day.sprayVolume);
    for (const active of activesOf(own)) {
      const mixed = beside(own, others, active);
      const down = ofDay.flatMap((entry) => entryAs(entry, own, active) ?? []);
      const more = [...mixed, ...down];
      const planned = counted([own.rate, ...more], own.dry);
      const left = leftOf(limit, more, own.dry);
      budgets.push({
        of: "application",
        zone: zone.name,
        product: own.name,
        active: active.name,
        limit,
        used: null,
        planned,
        left,
      });
      if (!passes(planned, limit))
        over({ by: "at-once", limit, left, also: mixed.length > 0 ? active.name : null, today: sumOf(down, own.dry) });
    }
  }
  if (worst) held({ code: "over-application-limit", values: worst, most: worst.left });
}

export function perYear({ own, others, rows, zone, day, held, budgets }: Case): void {
  let worst: ReasonValues["over-year-limit"] | undefined;
  for (const row of rows) {
    if (!row.perYear || day.date === undefined) continue;
    const kind = row.yearKind ?? "calendar";
    const limit = perArea(row.perYear, `most of ${own.name} in a year`, day.sprayVolume);
    for (const active of activesOf(own)) {
      const more = beside(own, others, active);
      let first = true;
      for (const end of yearsEnding(zone, day, kind)) {
        const entries = downOn(zone).filter((e) => ofYear(e, end, kind));
        const amounts = (planned: boolean) =>
          entries.filter((e) => (e.planned ?? false) === planned).flatMap((e) => entryAs(e, own, active) ?? []);
        const [down, open] = [amounts(false), amounts(true)];
        const before = [...down, ...open, ...more];
        const left = leftOf(limit, before, own.dry);
        const total = counted([...before, own.rate], own.dry);
        if (first)
          budgets.push({
            of: "year",
            zone: zone.name,
            product: own.name,
            active: active.name,
            limit,
            used: down.length > 0 ? counted(down, own.dry) : null,
            planned: counted([...open, ...more, own.rate], own.dry),
            left,
            yearKind: kind,
          });
        first = false;
        if (passes(total, limit)) continue;
        if (worst && sizeOf(worst.left) <= sizeOf(left)) continue;
        worst = {
          planned: own.rate,
          limit,
          year: { kind, end },
          active: active.name,
          before: before.length > 0 ? counted(before, own.dry) : null,
          left,
        };
      }
    }
  }
  if (worst) held({ code: "over-year-limit", values: worst, most: worst.left });
}

/** The ends of the years that hold the plan: its own date, and, of rolling years in any order, those of later entries. */
export function yearsEnding(zone: ZoneFacts, day: DayOfPlan, kind: YearKind): string[] {
  const date = day.date!;
  if (kind === "calendar" || !day.anyOrder) return [date];
  const later = downOn(zone)
    .flatMap(daysOfEntry)
    .filter((end) => end > date && yearBefore(end) < date);
  return [date, ...new Set(later)];
}
