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
          text: `${own.name} on ${zone.name}: the label allows ${times(most)} ${kind === "calendar" ? `in ${date.slice(0, 4)}` : `in the 12 months to ${worst.end}`}, ${worst.count} ${worst.count === 1 ? "is" : "are"} on record.`,
          fits: `Wait for the next year of the label, or leave ${zone.name} out.`,
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
      const how = near.planned ? `an open mix sheet plans its active for ${near.date}` : `its active went down on ${near.date}`;
      held({
        code: "too-soon",
        text: `${own.name} on ${zone.name}: ${how}, the label wants ${wait} days between.`,
        fits: near.planned ? `Withdraw that sheet, or wait until ${earliest}.` : `Not before ${earliest}.`,
        most: none(own),
        earliest,
      });
    }
    const last = entries.filter((e) => e.date <= date).at(-1)?.date;
    if (row.intervalAtMost !== undefined && last !== undefined && daysFrom(last, date) > row.intervalAtMost)
      warnings.push({
        code: "second-half-late",
        text: `${own.name} on ${zone.name}: the label's time for the next one ended on ${daysLater(last, row.intervalAtMost)}, counted from ${last}.`,
      });
  }
}

const times = (n: number) => (n === 1 ? "one application" : `${n} applications`);

function holds(entry: PutDown, own: Counting, active: string): boolean {
  if (own.says.actives.length === 0 || !entry.active) return sameName(entry.of, own.name);
  return sameName(entry.active.name, active);
}

export function turfAndSeed({ own, zone, day, held, warnings }: Case): void {
  const { says, name } = own;
  if (says.turfs && says.turfs.length > 0) {
    const turf = zone.turf?.trim();
    if (!turf)
      warnings.push({
        code: "turf-unknown",
        text: `${name} is for ${says.turfs.join(", ")}; the turf of ${zone.name} isn't noted.`,
      });
    else if (!says.turfs.some((t) => sameName(t, turf)))
      held({
        code: "turf-not-allowed",
        text: `${name} is for ${says.turfs.join(", ")}; ${zone.name} is ${turf}.`,
        fits: `Take ${name} out of this mix, or leave ${zone.name} out.`,
        most: none(own),
      });
  }
  if (day.date === undefined) return;
  const { date } = day;
  const after = (done: string | undefined, wait: number | undefined, what: string) => {
    if (done === undefined || wait === undefined || done > date || daysFrom(done, date) >= wait) return;
    const earliest = daysLater(done, wait);
    held({
      code: "too-soon-after-seeding",
      text: `${name} on ${zone.name}: it was ${what} on ${done}, the label wants ${wait} days from then.`,
      fits: `Not before ${earliest}.`,
      most: none(own),
      earliest,
    });
  };
  after(zone.seeded, says.afterSeeding, "seeded");
  after(zone.sodded, says.afterSodding, "sodded");
  const before = (planned: string | undefined, wait: number | undefined, what: string) => {
    // Where the label gives no wait, what stays active in the soil is one.
    const days = Math.max(wait ?? 0, says.residual ?? 0);
    if (planned === undefined || days === 0 || planned < date || daysFrom(date, planned) >= days) return;
    held({
      code: "too-soon-before-seeding",
      text: `${name} on ${zone.name}: ${what} is planned for ${planned}, the label and its residual want ${days} days before that.`,
      fits: `Put ${what} off to ${daysLater(date, days)}, or leave ${name} out.`,
      most: none(own),
    });
  };
  before(zone.seeding, says.beforeSeeding, "seeding");
  before(zone.sodding, says.beforeSodding, "sodding");
}
