import { foldedName, sameName } from "@/core/names";
import type { ProgramText } from "@/formats/season/program";
import { zonesDown } from "@/records/applications";
import type { Access } from "@/records/database";
import { groundGroups, sitesOfZones } from "@/records/ground";
import type { SiteSeed } from "@/records/sites";

/** What of the program is done: a round is, on a site, when the last of the zones that it is for has had it. */

export interface DoneOnSite {
  /** Rounds that are done, with the day on which the last zone had them. */
  readonly done: readonly { readonly round: string; readonly date: string }[];
  /** Rounds that some zones have had and others haven't: which have, by their number on the site. */
  readonly some: ReadonlyMap<string, ReadonlySet<number>>;
}

const NOTHING: DoneOnSite = { done: [], some: new Map() };

/**
 * Of rounds with one product (the halves of a split) the first application of the year on a zone is the first of them there, the
 * next one the second. What went down on ground counts for every zone that is that ground now.
 */
export function doneBySite(
  db: Access,
  { rounds }: Pick<ProgramText, "rounds">,
  since: string,
  sites: readonly SiteSeed[],
): ReadonlyMap<string, DoneOnSite> {
  const found = new Map<string, DoneOnSite>();
  const daysOf = daysByZone(db, [...new Set(rounds.map(({ label }) => label))], since, sites);
  for (const site of sites) {
    const byRound = new Map<string, Map<number, string>>();
    site.seeds.forEach((zone, i) => {
      for (const [label, days] of daysOf) {
        const here = days.get(zone.zoneId);
        if (!here) continue;
        const own = rounds.filter((round) => round.label === label && isForZone(round, zone));
        [...here].sort().forEach((date, k) => {
          if (own[k]) byRound.set(own[k].name, (byRound.get(own[k].name) ?? new Map<number, string>()).set(i, date));
        });
      }
    });
    if (byRound.size === 0) continue;
    const done: { round: string; date: string }[] = [];
    const some = new Map<string, ReadonlySet<number>>();
    for (const round of rounds) {
      const had = byRound.get(round.name);
      if (!had) continue;
      const all = site.seeds.every((zone, i) => had.has(i) || !isForZone(round, zone));
      if (all) done.push({ round: round.name, date: [...had.values()].sort().at(-1)! });
      else some.set(round.name, new Set(had.keys()));
    }
    found.set(site.id, { done, some });
  }
  return found;
}

export const doneOn = (done: ReadonlyMap<string, DoneOnSite>, siteId: string): DoneOnSite => done.get(siteId) ?? NOTHING;

/** The names of the zones that a round is still to be done on, where others have had it. */
export const stillToDo = (
  site: SiteSeed,
  round: ProgramText["rounds"][number],
  some: DoneOnSite["some"] | undefined,
): { readonly id: string; readonly name: string }[] | undefined => {
  const had = some?.get(round.name);
  return (
    had && site.seeds.flatMap((zone, i) => (had.has(i) || !isForZone(round, zone) ? [] : [{ id: zone.zoneId, name: zone.zone }]))
  );
};

/** Whether a round is for a zone, by its turf. */
export const isForZone = ({ turf }: ProgramText["rounds"][number], zone: SiteSeed["seeds"][number]): boolean =>
  turf === undefined || (zone.turf !== null && sameName(zone.turf, turf));

/** By product: on which days it went down on each zone. */
function daysByZone(
  db: Access,
  labels: readonly string[],
  since: string,
  sites: readonly SiteSeed[],
): ReadonlyMap<string, ReadonlyMap<string, ReadonlySet<string>>> {
  const asked = new Set(sites.map(({ id }) => id));
  // Ground is asked about once, for all products; what lies on it may stand under another site.
  const groups = groundGroups(db, [...asked]);
  const down = labels.map((label) => ({
    label,
    rows: zonesDown(db, label, since).filter(({ siteId, zoneId }) => asked.has(siteId) || groups.has(zoneId)),
  }));
  const all = down.flatMap(({ rows }) => rows);
  if (all.length === 0) return new Map();
  const live = new Set(sites.flatMap(({ seeds }) => seeds.map(({ zoneId }) => zoneId)));
  const strange = [...new Set(all.map(({ zoneId }) => zoneId))].filter((zoneId) => !groups.has(zoneId) && !live.has(zoneId));
  const known = strange.length > 0 ? sitesOfZones(db, { siteIds: [], zoneIds: strange }) : undefined;
  // A record that knows its zone by name only means the zone of that name.
  const byName = new Set(strange.filter((zoneId) => !known?.has(zoneId)));
  const named = new Map(
    byName.size > 0
      ? sites.flatMap(({ id, seeds }) => seeds.map((zone) => [`${id}\n${foldedName(zone.zone)}`, zone.zoneId]))
      : [],
  );
  return new Map(
    down.map(({ label, rows }) => {
      const days = new Map<string, Set<string>>();
      for (const { siteId, zoneId, zone, date } of rows) {
        const here = byName.has(zoneId)
          ? [named.get(`${siteId}\n${foldedName(zone)}`) ?? zoneId]
          : (groups.get(zoneId) ?? [zoneId]);
        for (const one of here) days.set(one, (days.get(one) ?? new Set<string>()).add(date));
      }
      return [label, days];
    }),
  );
}
