import { daysFrom, daysLater } from "../calendar";
import { edgeOn, type Measured, type Round } from "./due";

/** When a round opens and closes this year. */
export interface YearWindow {
  /** ISO; null where it is always open; undefined where the soil hasn't said and no year before it is on record. */
  readonly opens: string | null | undefined;
  readonly closes: string | null;
  /** The opening is what the soil of earlier years lets expect, no day that was measured. */
  readonly expected: boolean;
}

/** What an opening by soil is expected on: the mean day of the years on record before it; undefined where there are none. */
export function expectedOn(round: Round, measured: Measured, year: string, as: "opens" | "closes"): string | undefined {
  const edge = round[as];
  if (!edge || edge.on === "date") return undefined;
  const years = [...new Set([...measured.means, ...measured.air].map(({ date }) => date.slice(0, 4)))].filter(
    (one) => one < year,
  );
  const days = years.flatMap((one) => {
    const on = edgeOn(edge, measured, one, as);
    return on === undefined ? [] : [daysFrom(`${one}-01-01`, on)];
  });
  if (days.length === 0) return undefined;
  return daysLater(`${year}-01-01`, Math.round(days.reduce((sum, day) => sum + day, 0) / days.length));
}

export function windowOf(round: Round & { readonly later?: number | undefined }, measured: Measured, date: string): YearWindow {
  const year = date.slice(0, 4);
  const later = round.later ?? 0;
  const at = (as: "opens" | "closes"): { readonly on: string | undefined; readonly expected: boolean } => {
    const was = edgeOn(round[as]!, measured, year, as);
    // What was measured has happened: no season moves it.
    if (was !== undefined && round[as]!.on !== "date") return { on: was, expected: false };
    const on = was ?? expectedOn(round, measured, year, as);
    if (on === undefined) return { on, expected: true };
    const moved = as === "opens" && on > date ? daysLater(on, later) : on;
    // An expected day that has gone by unmeasured is still to come.
    return was === undefined && moved <= date
      ? { on: daysLater(date, 1), expected: true }
      : { on: moved, expected: was === undefined };
  };
  const opens = round.opens ? at("opens") : { on: null, expected: false };
  return { opens: opens.on, closes: round.closes ? (at("closes").on ?? null) : null, expected: opens.expected };
}
