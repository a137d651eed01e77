import { yearBefore } from "../calendar";
import { sizeOf, type Active, type AreaRate } from "./active";
import { activesOf, besideAs, counted, daysOfEntry, downOn, entryAs, leftOf, ofYear, passes, type Counting } from "./budget";
import type { YearKind, ZoneFacts } from "./label";
import { perArea } from "./per-area";
import { rateText, type Case, type DayOfPlan } from "./reason";

/** The products of a mix that add to one's active, as so much of it. What can't be compared is told by `uncountable`. */
const beside = (own: Counting, others: readonly Counting[], active: Active): AreaRate[] =>
  others.flatMap((other) => besideAs(other, own, active) ?? []);

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
        text: `${own.name} on ${zone.name}: ${names[0]} holds ${active.name} too, and how much can't be told from its content by weight alone.`,
        fits: `Note the specific gravity of ${names[0]} (or of ${own.name}), or its active in a gallon.`,
        most: null,
      });
  }
}

export function perApplication({ own, others, rows, zone, day, held, budgets }: Case): void {
  let most: AreaRate | undefined;
  let says = "";
  const over = (left: AreaRate, text: string) => {
    if (most && sizeOf(left) >= sizeOf(most)) return;
    most = left;
    says = text;
  };
  const top = own.says.range && perArea(own.says.range[1], `highest rate of ${own.name}`, day.sprayVolume);
  if (top && !passes(own.rate, top)) over(top, `the label's highest rate is ${rateText(top)}`);
  for (const row of rows) {
    if (!row.perApplication) continue;
    const limit = perArea(row.perApplication, `most of ${own.name} at once`, day.sprayVolume);
    for (const active of activesOf(own)) {
      const more = beside(own, others, active);
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
      if (!passes(planned, limit)) {
        const also = more.length > 0 ? `, and another product of this mix holds ${active.name} too` : "";
        over(left, `the label allows ${rateText(limit)} at once${also}`);
      }
    }
  }
  if (most)
    held({
      code: "over-application-limit",
      text: `${own.name} on ${zone.name}: ${rateText(own.rate)} is planned, ${says}.`,
      fits: fitsWith(most, own),
      most,
    });
}

function fitsWith(most: AreaRate, own: Counting): string {
  return sizeOf(most) > 0
    ? `Lower the rate of ${own.name} to ${rateText(most)} or less.`
    : `No rate of ${own.name} fits here today. Take it out of this mix, or leave this zone out.`;
}

export function perYear({ own, others, rows, zone, day, held, budgets }: Case): void {
  let worst: { left: AreaRate; text: string } | undefined;
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
        const span = kind === "calendar" ? `in ${end.slice(0, 4)}` : `in the 12 months to ${end}`;
        const had = before.length > 0 ? ` ${rateText(counted(before, own.dry))} counts against it already.` : "";
        worst = {
          left,
          text: `${own.name} on ${zone.name}: ${rateText(own.rate)} is planned, the label allows ${rateText(limit)} of it ${span}, by its ${active.name}.${had}`,
        };
      }
    }
  }
  if (worst) held({ code: "over-year-limit", text: worst.text, fits: fitsWith(worst.left, own), most: worst.left });
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
