import { daysFrom, daysLater } from "../calendar";
import { sameName } from "../names";
import { activesOf, daysOfEntry, downOn, ofYear, type Counting } from "./budget";
import type { PutDown } from "./label";
import { yearsEnding } from "./limit-amounts";
import { none, type Case } from "./reason";

export function countAndInterval({ own, rows, zone, day, held, warnings }: Case): void {
  if (day.date === undefined) return;
  const { date } = day;
  const actives = activesOf(own);
  // Where a label names a time between, that holds it.
  if (!rows.some((row) => (row.intervalAtLeast ?? 0) > 0)) {
    const again = downOn(zone).filter(
      (e) => !e.byProgram && daysOfEntry(e).includes(date) && actives.some((active) => holds(e, own, active.name)),
    );
    const one = again.find(isDown) ?? again[0];
    if (one)
      warnings.push({
        code: "same-day",
        values: { product: own.name, zone: zone.name, other: one.of, amount: one.amount, on: date, down: isDown(one) },
      });
  }
  const entriesOf = (entries: readonly PutDown[], active: (typeof actives)[number]) =>
    entries.filter((e) => holds(e, own, active.name));
  for (const row of rows) {
    const most = row.applicationsPerYear;
    if (most !== undefined) {
      const kind = row.yearKind ?? "calendar";
      const counts = yearsEnding(zone, day, kind).map((end) => ({
        end,
        count: Math.max(
          ...actives.map(
            (a) =>
              entriesOf(
                downOn(zone).filter((e) => ofYear(e, end, kind)),
                a,
              ).length,
          ),
        ),
      }));
      const worst = counts.reduce((a, b) => (b.count > a.count ? b : a));
      if (worst.count + 1 > most)
        held({
          code: "over-count-limit",
          values: { most, year: { kind, end: kind === "calendar" ? date : worst.end }, count: worst.count },
          most: none(own),
        });
    }
    const wait = row.intervalAtLeast;
    const entries = actives
      .flatMap((a) => entriesOf(downOn(zone), a))
      .flatMap((e) => daysOfEntry(e).map((on) => ({ ...e, date: on })))
      .sort((a, b) => (a.date < b.date ? -1 : 1));
    const near = entries.filter((e) => (e.date <= date || day.anyOrder) && Math.abs(daysFrom(e.date, date)) < (wait ?? 0)).at(-1);
    if (wait !== undefined && near !== undefined) {
      const earliest = daysLater(near.date, wait);
      held({
        code: "too-soon",
        values: { on: near.date, planned: near.byProgram ? "program" : (near.planned ?? false), wait },
        most: none(own),
        earliest,
      });
    }
    const last = entries.filter((e) => e.date <= date).at(-1)?.date;
    if (row.intervalAtMost !== undefined && last !== undefined && daysFrom(last, date) > row.intervalAtMost)
      warnings.push({
        code: "second-half-late",
        values: { product: own.name, zone: zone.name, last, ended: daysLater(last, row.intervalAtMost) },
      });
  }
}

/** Something of it is on the ground, or in a tank. */
const isDown = ({ planned, poured }: PutDown) => !planned || poured === true;

/**
 * What went down may still work: some products are slow, and slower in cold (common practice). Before its label lets it be
 * judged, a repeat may be a needless one. What only stands on a sheet isn't down.
 */
export function stillWorking({ own, zone, day, warnings }: Case): void {
  const { date } = day;
  const days = own.says.visibleAfter;
  if (date === undefined || days === undefined) return;
  const last = activesOf(own)
    .flatMap((active) => downOn(zone).filter((entry) => holds(entry, own, active.name) && !entry.planned))
    .flatMap(daysOfEntry)
    .filter((on) => on <= date)
    .sort()
    .at(-1);
  if (last !== undefined && daysFrom(last, date) < days)
    warnings.push({
      code: "not-to-be-judged-yet",
      values: { product: own.name, zone: zone.name, on: last, from: daysLater(last, days) },
    });
}

function holds(entry: PutDown, own: Counting, active: string): boolean {
  if (own.says.actives.length === 0 || !entry.active) return sameName(entry.of, own.name);
  return sameName(entry.active.name, active);
}

export function turfAndSeed({ own, zone, day, held, warnings }: Case): void {
  const { says, name } = own;
  if (says.turfs && says.turfs.length > 0) {
    const turf = zone.turf?.trim();
    if (!turf) warnings.push({ code: "turf-unknown", values: { product: name, zone: zone.name, isFor: says.turfs } });
    else if (!says.turfs.some((t) => sameName(t, turf)))
      held({ code: "turf-not-allowed", values: { turfs: says.turfs, turf }, most: none(own) });
  }
  if (day.date === undefined) return;
  const { date } = day;
  const after = (done: string | undefined, wait: number | undefined, what: "seeded" | "sodded") => {
    if (done === undefined || wait === undefined || done > date || daysFrom(done, date) >= wait) return;
    held({ code: "too-soon-after-seeding", values: { what, done, wait }, most: none(own), earliest: daysLater(done, wait) });
  };
  after(zone.seeded, says.afterSeeding, "seeded");
  after(zone.sodded, says.afterSodding, "sodded");
  const before = (planned: string | undefined, wait: number | undefined, what: "seeding" | "sodding") => {
    // Where the label gives no wait, what stays active in the soil is one.
    const days = Math.max(wait ?? 0, says.residual ?? 0);
    if (planned === undefined || days === 0 || planned < date || daysFrom(date, planned) >= days) return;
    held({
      code: "too-soon-before-seeding",
      values: { what, planned, days, until: daysLater(date, days) },
      most: none(own),
    });
  };
  before(zone.seeding, says.beforeSeeding, "seeding");
  before(zone.sodding, says.beforeSodding, "sodding");
}
