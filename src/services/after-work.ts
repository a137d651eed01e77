import { daysLater } from "@/core/calendar";
import { bad, good, type Result } from "@/core/issue";
import { parseField } from "@/core/quantity/ranges";
import type { AfterEntry } from "@/formats/entries";
import { momentOf } from "@/formats/day";
import { downSince } from "@/records/applications";
import type { SetAside } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { groundGroups, sitesOfZones } from "@/records/ground";
import { findSite, sitesById } from "@/records/sites";
import { addWatering, findWatering, isStruck, wateringsSince } from "@/records/waterings";
import { WATERS_KIND } from "@/records/schema-season";
import { cardsNow } from "./cards-now";
import { firmZone, todayOf } from "./clock";
import { A_MOMENT, isId, isMoment, issue, nowText, shown } from "./input";
import { once } from "./once";

/** What the ground is owed after the work, and the water that was measured on it. */

/** Days for which something may be owed. */
const OWED = 10;

/** What went down in the last days and is owed something: each site's tank of a day by itself. */
export function afterWork(db: Access, aside?: SetAside[]): AfterEntry[] {
  const today = todayOf(db);
  const { zone } = firmZone(db);
  const rows = downSince(db, daysLater(today, -OWED), aside);
  const { cardsOf } = cardsNow(db);
  const groups = new Map<string, typeof rows>();
  const ground = groundNow(db, [...new Set(rows.map((row) => row.siteId))]);
  for (const row of rows) {
    const key = [ground.siteOf(row.siteId), row.date, row.sheetId ?? row.facts?.ended ?? ""].join("\n");
    groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  const owed = [...groups.values()].flatMap((group) => {
    const cards = [...new Set(group.map((row) => cardsOf(row)[0]).filter((card) => card !== undefined))];
    const asks = cards.some((card) => card.keepDry ?? card.waterLeast ?? card.waterWithin ?? card.reentry ?? card.mowAfter);
    return asks ? [{ group, cards }] : [];
  });
  const ids = [...new Set(owed.flatMap(({ group }) => group.flatMap(({ siteId }) => [siteId, ground.siteOf(siteId)])))];
  if (ids.length === 0) return [];
  const sites = new Map(sitesById(db, ids, aside).map((site) => [site.id, site.site]));
  const measured = wateringsSince(db, ids, new Date(momentOf(daysLater(today, -OWED - 1), "00:00", zone)).toISOString(), aside);
  return owed.map(({ group, cards }) => {
    const { date } = group[0]!;
    const siteId = ground.siteOf(group[0]!.siteId);
    const site = sites.get(siteId);
    const ended = group.map((row) => row.facts?.ended).filter((time) => time !== undefined);
    const at = (time: string) => new Date(momentOf(date, time, zone)).toISOString();
    const known = ended.length === group.length;
    const zones = new Set(group.flatMap((row) => ground.zonesOf(row.zoneId)));
    return {
      siteId,
      site: site?.name ?? "a site",
      date,
      earliest: known ? at([...ended].sort()[0]!) : at("00:00"),
      latest: known ? at([...ended].sort().at(-1)!) : at("23:59"),
      hourKnown: known,
      cards: cards.map(({ name, waterLeast, waterMost, waterWithin, keepDry, reentry, mowAfter }) => ({
        name,
        waterLeast,
        waterMost,
        waterWithin,
        keepDry,
        reentry,
        mowAfter,
      })),
      waters: measured
        .filter((one) => ground.siteOf(one.siteId) === siteId)
        .map((one) => ({ id: one.id, kind: one.kind, at: one.at, depth: one.depth.text })),
      waterer: site?.irrigatedBy ?? null,
      zones: (site?.zones ?? [])
        .filter((one) => zones.has(one.id))
        .map((one) => ({
          name: one.name,
          area: one.area,
          irrigation: typeof one.irrigationRate === "string" ? one.irrigationRate : null,
        })),
    };
  });
}

/** Which site has the ground of each of some sites now, and which zones are the ground of each of theirs: a site that became part of another is that one. */
function groundNow(db: Access, siteIds: readonly string[]) {
  const groups = groundGroups(db, siteIds);
  const gone = sitesById(db, siteIds).filter((site) => site.retired);
  const places = sitesOfZones(db, { siteIds: [], zoneIds: gone.length > 0 ? [...groups.keys()] : [] });
  const live = new Set(sitesById(db, [...new Set(places.values())]).flatMap((site) => (site.retired ? [] : [site.id])));
  const moved = new Map(
    gone.flatMap(({ id, site, former }) => {
      const own = [...site.zones.map((zone) => zone.id), ...former.map((zone) => zone.id)];
      const to = own.flatMap((zone) => groups.get(zone) ?? []).map((zone) => places.get(zone));
      const now = to.find((place) => place !== undefined && live.has(place));
      return now === undefined ? [] : [[id, now] as const];
    }),
  );
  return {
    siteOf: (siteId: string) => moved.get(siteId) ?? siteId,
    zonesOf: (zoneId: string) => groups.get(zoneId) ?? [zoneId],
  };
}

/** As many sites as get the same rain at once (ours). */
const MOST_SITES = 500;

/** Keeps water that was measured: `{ id, siteIds, kind: "rain" | "irrigation", at, depth }`. What is forecast is no measurement. */
export function saveWatering(db: Records, input: unknown): Result<{ id: string }> {
  const { id, siteIds, kind, at, depth } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || !Array.isArray(siteIds) || siteIds.length === 0 || siteIds.length > MOST_SITES || !siteIds.every(isId))
    return bad(issue("", "wrong-type", "something else", "on which sites, how much water, when"));
  if (!WATERS_KIND.includes(kind as "rain")) return bad(issue("kind", "not-a-choice", shown(kind), WATERS_KIND.join(", ")));
  if (!isMoment(at)) return bad(issue("at", "bad-date", shown(at), A_MOMENT));
  const read = parseField("waterDepth", inCentimetres(depth), { path: "depth" });
  if (!read.ok) return read;
  return whole(db, (tx): Result<{ id: string }> => {
    const strange = siteIds.filter((siteId) => !findSite(tx, siteId as string));
    if (strange.length > 0) return bad(issue("siteIds", "unknown-name", shown(strange[0]), "the sites on record"));
    const content = { siteIds, kind, at, depth: read.value.text };
    const add = (): Result<{ id: string }> => {
      siteIds.forEach((siteId, i) =>
        addWatering(
          tx,
          { id: `${id}.${i}`, siteId: siteId as string, kind: kind as "rain", at, depth: read.value, strikes: null },
          nowText(),
        ),
      );
      return good({ id });
    };
    return once(tx, "watering", id, content, findWatering(tx, `${id}.0`) !== undefined, () => ({ id }), add);
  });
}

/** Rain is read in millimetres, which no file of ours writes: they are kept as centimetres. */
function inCentimetres(depth: unknown): unknown {
  const found = typeof depth === "string" ? /^\s*(\d+(?:\.\d+)?)\s*mm\s*$/.exec(depth) : null;
  return found ? `${Number((Number(found[1]) / 10).toPrecision(12))} cm` : depth;
}

/** Strikes a measurement that was none: `{ id, strikes }`. */
export function strikeWatering(db: Records, input: unknown): Result<{ id: string }> {
  const { id, strikes } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || typeof strikes !== "string")
    return bad(issue("", "wrong-type", "something else", "which measurement was none"));
  return whole(db, (tx): Result<{ id: string }> => {
    const was = findWatering(tx, strikes);
    if (!was || was.strikes !== null) return bad(issue("strikes", "unknown-name", strikes, "the measurements on record"));
    const add = (): Result<{ id: string }> => {
      if (isStruck(tx, strikes)) return good({ id });
      addWatering(tx, { id, siteId: was.siteId, kind: was.kind, at: was.at, depth: was.depth, strikes }, nowText());
      return good({ id });
    };
    return once(tx, "watering", id, { strikes }, findWatering(tx, id) !== undefined, () => ({ id }), add);
  });
}
