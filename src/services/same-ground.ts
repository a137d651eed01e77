import { addressOf, sameAddress } from "@/core/address";
import type { Position } from "@/core/area/geodesic";
import { boxOf, coarse, overlapShare, type Polygons } from "@/core/area/overlap";
import type { Issue } from "@/core/issue";
import { sameName } from "@/core/names";
import { entered } from "@/core/quantity/parse";
import { canonical } from "@/core/quantity/arithmetic";
import { placeOf } from "@/formats/area/place";
import { alikeAreas, readGround } from "@/formats/grounds";
import type { SiteText } from "@/formats/job-file/types";
import type { Access } from "@/records/database";
import {
  groundGroups,
  noteGround,
  retiredZones,
  zonesAround,
  zonesEverOf,
  zonesOfAddress,
  zonesOfGate,
  zonesOfRetiredSites,
  type FormerZone,
} from "@/records/ground";
import { isReason, issue } from "./input";

/** Ground keeps its history: a zone that is entered where there was ground before is asked which one it is. */

/** A zone that is to be kept, as far as it says which ground it is. */
export interface ZoneAsked {
  readonly name: string;
  readonly areaM2: number;
  /** Its ground on a map. */
  readonly polygons?: Polygons | undefined;
}

/**
 * The zones that a new one may be: those that its site has or had; of sites that are retired and zones that were taken out elsewhere,
 * those on which something went down, of the same name or of about the same area; and of sites in use those at the same address or
 * gate, and those on which its shape lies.
 */
export function groundBefore(db: Access, siteId: string, zone: ZoneAsked, known = groundKnown(db, siteId)): FormerZone[] {
  const gone = known.gone.filter(
    (z) => z.siteId !== siteId && (alikeAreas(z.areaM2, zone.areaM2) || sameName(`${z.site} ${z.name}`, zone.name)),
  );
  const all = [...known.here, ...gone, ...known.near, ...groundUnder(db, siteId, zone.polygons)];
  return [...new Map(all.map((one) => [one.id, one])).values()];
}

/** So much of the smaller of two pieces of ground may lie on the other: two walks along one fence differ by that. */
const BESIDE = 0.05;

/** The zones in use at other sites on which a shape lies. */
function groundUnder(db: Access, siteId: string, polygons: Polygons | undefined): FormerZone[] {
  const shape = polygons && coarse(polygons);
  const box = shape && boxOf(shape);
  if (!shape || !box) return [];
  return zonesAround(db, siteId, box)
    .filter(({ measured }) => measured?.map !== undefined && overlapShare(shape, measured.map.polygons) > BESIDE)
    .map(({ measured: _, ...zone }) => zone);
}

/** What a site says of where it is. */
export interface SiteAsked {
  readonly name?: string | undefined;
  readonly gate?: Position | undefined;
}

export const siteAsked = (site: SiteText): SiteAsked => ({ name: site.name, gate: placeOf(site.entrance) });

/** The zones that a site has or had, those that are gone elsewhere, and those at its place: looked up once for all zones of a site. */
export const groundKnown = (db: Access, siteId: string, site: SiteAsked = {}) => ({
  here: siteId === "" ? [] : zonesEverOf(db, siteId),
  gone: groundGone(db),
  near: groundNear(db, siteId, site),
});

/** Ground that somebody gave up. */
export const groundGone = (db: Access): FormerZone[] => [...zonesOfRetiredSites(db), ...retiredZones(db)];

/** Two gates are one within so many metres: a phone's place is no better. */
const ONE_GATE = 15;
/** A degree of latitude, m. */
const DEGREE = 111_320;

/** The zones in use of sites at the same address, or with the same gate. */
export function groundNear(db: Access, siteId: string, { name, gate }: SiteAsked): FormerZone[] {
  const address = name === undefined ? undefined : addressOf(name);
  const there = address
    ? zonesOfAddress(db, siteId, address.number, address.street).filter((zone) => sameAddress(zone.site, name!))
    : [];
  if (!gate) return there;
  const [lon, lat] = gate;
  const up = ONE_GATE / DEGREE;
  const across = up / Math.max(0.01, Math.cos((lat * Math.PI) / 180));
  return [...there, ...zonesOfGate(db, siteId, [lat - up, lat + up, lon - across, lon + across])];
}

/**
 * Keeps a site through `put` and settles which ground each of its new zones is, by the answer that stands under
 * `continues`: the ids of zones, with a comma between where it joins several, or "new". What is unanswered is asked. That it is
 * other ground than one in use needs a reason: "new: a fence stands between them".
 * @param before the site as it was, where it was: a zone that was drawn anew is asked as a new one is
 */
export function settleGround(
  db: Access,
  siteId: string,
  site: SiteText,
  put: () => { id: string; isNew: boolean }[],
  { now, before }: { readonly now: string; readonly before: SiteText | undefined },
): Issue[] {
  const moved = before === undefined || before.name !== site.name || before.entrance !== site.entrance;
  const known = groundKnown(db, siteId, moved ? siteAsked(site) : {});
  const kept = put();
  const groups = groundGroups(db, [siteId]);
  return kept.flatMap(({ id, isNew }, i) => {
    const zone = site.zones[i]!;
    const polygons = zone.measurement?.map?.polygons;
    const drawn = before?.zones.find((one) => one.id === id)?.measurement?.map?.polygons;
    // Nothing new is asked of a zone that is here as it was; of one that was drawn anew, what it comes to lie on by now.
    if (!isNew && canonicalText(drawn) === canonicalText(polygons)) return [];
    const name = zone.name ?? `zone ${i + 1}`;
    const areaM2 = canonical(entered(zone.area, "area").value);
    const under = isNew
      ? groundBefore(db, siteId, { name, areaM2, polygons }, known)
      : groundUnder(db, siteId, polygons).filter((one) => !groups.get(id)?.includes(one.id));
    if (under.length === 0) return [];
    const { other, why, named } = readGround(zone.continues);
    const path = `zones[${i}].ground`;
    const live = under.filter((one) => one.live);
    if (other && live.length > 0 && !isReason(why))
      return [issue(path, "reason-needed", `"${name}" and ${namesOf(live)} may be one ground`, "say why they are not")];
    if (other) noteGround(db, id, [], now, why?.trim() ?? null);
    else if (named.length > 0 && named.every((one) => under.some((known) => known.id === one))) noteGround(db, id, named, now);
    else return [issue(path, "same-ground", name, `${namesOf(under)} — say which, or that it is new ground`)];
    return [];
  });
}

const canonicalText = (polygons: Polygons | undefined): string => JSON.stringify(polygons ?? []);

const namesOf = (zones: readonly FormerZone[]): string => {
  const names = zones.slice(0, 6).map((zone) => `${zone.name} of ${zone.site}${zone.retired ? " (retired)" : ""}`);
  return `${names.join(", ")}${zones.length > 6 ? " …" : ""}`;
};
