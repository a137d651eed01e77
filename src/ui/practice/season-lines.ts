import { localDate } from "@/formats/day";
import type { PracticeEntry } from "@/formats/entries";
import { seconds } from "@/formats/practice";

export interface SeasonLine {
  readonly gun: string;
  readonly days: readonly string[];
  /** Time taken over the time wanted, per cent, of all strips of a day's piece together. */
  readonly percent: readonly number[];
}

/** Countdowns of one rig over the season, each gun its own line, oldest first. */
export function seasonOf(entries: readonly PracticeEntry[], rigId: string, zone: string): SeasonLine[] {
  const guns = new Map<string, { days: string[]; percent: number[] }>();
  for (const { what, rigId: of, at } of [...entries].reverse()) {
    if (what.kind !== "countdown" || of !== rigId) continue;
    const line = guns.get(what.gun ?? "") ?? { days: [], percent: [] };
    guns.set(what.gun ?? "", line);
    const sum = (key: "took" | "wanted") => what.strips.reduce((all, strip) => all + seconds(strip[key]), 0);
    line.days.push(localDate(at, zone));
    line.percent.push((100 * sum("took")) / sum("wanted"));
  }
  return [...guns].map(([gun, line]) => ({ gun, ...line }));
}
