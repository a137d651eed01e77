import type { Access } from "@/records/database";
import { addPlanned, CARRIED, plannedIn, type PlannedRow } from "@/records/plan";
import { todayOf } from "./clock";
import { nowText } from "./input";

/**
 * What was fixed for rounds, and how late they are, goes over to their new names. All of them at once: two may have changed names.
 * @param renamed by their old names; what it says of a name that no round had is left out
 */
export function carryRenamed(tx: Access, before: readonly string[], renamed: ReadonlyMap<string, string>, id: string): void {
  const moved = new Map([...renamed].filter(([was, name]) => was !== name && before.includes(was)));
  if (moved.size === 0) return;
  const now = Number(todayOf(tx).slice(0, 4));
  for (const year of [now, now + 1]) {
    const stood = plannedIn(tx, year).filter(({ round }) => moved.has(round) || [...moved.values()].includes(round));
    const of = (siteId: string | null, round: string) => stood.find((row) => row.siteId === siteId && row.round === round);
    const at = nowText();
    const rows = [...new Set(stood.map(({ siteId }) => siteId))].flatMap((siteId) => {
      const put = (round: string, from: (typeof stood)[number] | undefined): PlannedRow[] => {
        const was = of(siteId, round);
        const [day, later] = [from?.day ?? null, siteId === null ? (from?.later ?? 0) : null];
        if (day === (was?.day ?? null) && (later ?? 0) === (was?.later ?? 0)) return [];
        return [
          { batch: `${CARRIED}${id}`, siteId, round, year, day, was: was?.day ?? null, later, wasLater: was?.later ?? null, at },
        ];
      };
      const names = [...moved.values()];
      return [
        ...[...moved].flatMap(([was, name]) => put(name, of(siteId, was))),
        // A name that nobody has any more keeps nothing: a round that gets it later is another.
        ...[...moved.keys()].filter((was) => !names.includes(was)).flatMap((was) => put(was, undefined)),
      ];
    });
    addPlanned(tx, rows);
  }
}
