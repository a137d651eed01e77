import type { Issue } from "@/core/issue";
import { sameName } from "@/core/names";
import { entered } from "@/core/quantity/parse";
import { canonical } from "@/core/quantity/arithmetic";
import { alikeAreas, groundsIn } from "@/formats/grounds";
import type { SiteText } from "@/formats/job-file/types";
import type { Access } from "@/records/database";
import { noteGround, retiredZones, zonesEverOf, zonesOfRetiredSites, type FormerZone } from "@/records/ground";
import { issue } from "./input";

/** Ground keeps its history: a zone that is entered where there was ground before is asked which one it is. */

/** The answer that a zone is ground of which nothing was on record before. */
export const NEW_GROUND = "new";

/**
 * The zones that a new one may be: those that its site has or had; and, of sites that are retired and zones that were taken
 * out elsewhere, those on which something went down, of the same name or of about the same area.
 */
export function groundBefore(
  db: Access,
  siteId: string,
  zone: { readonly name: string; readonly areaM2: number },
  known = groundKnown(db, siteId),
): FormerZone[] {
  const gone = known.gone.filter(
    (z) => z.siteId !== siteId && (alikeAreas(z.areaM2, zone.areaM2) || sameName(`${z.site} ${z.name}`, zone.name)),
  );
  return [...known.here, ...gone];
}

/** The zones that a site has or had, and those that are gone elsewhere: looked up once for all zones of a site. */
export const groundKnown = (db: Access, siteId: string) => ({
  here: siteId === "" ? [] : zonesEverOf(db, siteId),
  gone: [...zonesOfRetiredSites(db), ...retiredZones(db)],
});

/**
 * Keeps a site through `put` and settles which ground each of its new zones is, by the answer that stands under
 * `x-ground`: the ids of zones, with a comma between where it joins several, or "new". What is unanswered is asked.
 */
export function settleGround(
  db: Access,
  siteId: string,
  site: SiteText,
  put: () => { id: string; isNew: boolean }[],
  now: string,
): Issue[] {
  const known = groundKnown(db, siteId);
  const before = site.zones.map((zone, i) => {
    const areaM2 = canonical(entered(zone.area, "area").value);
    return groundBefore(db, siteId, { name: zone.name ?? `zone ${i + 1}`, areaM2 }, known);
  });
  const kept = put();
  return kept.flatMap(({ id, isNew }, i) => {
    const asked = before[i]!;
    if (!isNew || asked.length === 0) return [];
    const answer = site.zones[i]!["x-ground"];
    const named = groundsIn(answer);
    if (answer === NEW_GROUND) noteGround(db, id, [], now);
    else if (named.length > 0 && named.every((one) => asked.some((zone) => zone.id === one))) noteGround(db, id, named, now);
    else return [issue(`zones[${i}].ground`, "same-ground", site.zones[i]!.name ?? `zone ${i + 1}`, namesOf(asked))];
    return [];
  });
}

const namesOf = (zones: readonly FormerZone[]): string => {
  const names = zones.slice(0, 6).map((zone) => `${zone.name} of ${zone.site}${zone.retired ? " (retired)" : ""}`);
  return `${names.join(", ")}${zones.length > 6 ? " …" : ""} — say which, or that it is new ground`;
};
