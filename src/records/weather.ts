import { desc, eq, inArray, max, sql, type SQL } from "drizzle-orm";
import type { AirLook } from "@/formats/air-holds";
import type { AirText } from "@/formats/air-seen";
import type { Access } from "./access";
import { asItIs, readRow, readRows } from "./aside";
import { mixSheets, sheetSites, spreadingSites, spreadingTicks, spreadingWeather, ticks, weatherSeen } from "./schema-work";

/** What was seen of the weather before a mix, or granules, go down. */

export interface NewWeather {
  readonly id: string;
  readonly at: string;
  readonly seen: AirText;
}

/** What the weather was looked at for. */
export type WeatherFor = { readonly sheetId: string } | { readonly spreadingId: string };

export function addWeather(db: Access, of: WeatherFor, weather: NewWeather, now: string): void {
  if ("sheetId" in of)
    db.insert(weatherSeen)
      .values({ ...of, ...weather, createdAt: now })
      .run();
  else
    db.insert(spreadingWeather)
      .values({ ...of, ...weather, createdAt: now })
      .run();
}

export const findWeather = (db: Access, id: string) =>
  db.select({ id: weatherSeen.id }).from(weatherSeen).where(eq(weatherSeen.id, id)).get() ??
  db.select({ id: spreadingWeather.id }).from(spreadingWeather).where(eq(spreadingWeather.id, id)).get();

/** What was seen, as one of the two tables has it, newest first. */
const looksIn = (db: Access, table: typeof weatherSeen | typeof spreadingWeather, which: SQL) =>
  db
    .select({
      id: table.id,
      of: "sheetId" in table ? table.sheetId : table.spreadingId,
      at: table.at,
      keptAt: table.createdAt,
      seen: table.seen,
    })
    .from(table)
    .where(which)
    .orderBy(desc(table.createdAt), desc(sql`rowid`));

/** What was seen last for a sheet, or for granules. */
export function lastWeather(db: Access, of: WeatherFor) {
  const looks =
    "sheetId" in of
      ? looksIn(db, weatherSeen, eq(weatherSeen.sheetId, of.sheetId))
      : looksIn(db, spreadingWeather, eq(spreadingWeather.spreadingId, of.spreadingId));
  return readRow("weather", looks.limit(1).get(), asItIs);
}

/**
 * All that was ever seen of the weather at one piece of ground, whatever it was looked at for.
 * @param siteIds the site and those whose ground is one with it
 */
export function looksAt(db: Access, siteIds: readonly string[]): AirLook[] {
  const ids = [...siteIds];
  const sheets = db.select({ id: sheetSites.sheetId }).from(sheetSites).where(inArray(sheetSites.siteId, ids));
  const spreads = db.select({ id: spreadingSites.spreadingId }).from(spreadingSites).where(inArray(spreadingSites.siteId, ids));
  const rows = [
    ...looksIn(db, weatherSeen, inArray(weatherSeen.sheetId, sheets)).all(),
    ...looksIn(db, spreadingWeather, inArray(spreadingWeather.spreadingId, spreads)).all(),
  ];
  const plans = [...new Set(rows.map((row) => row.of))];
  const sitesOf = [
    ...db
      .select({ of: sheetSites.sheetId, site: sheetSites.siteId })
      .from(sheetSites)
      .where(inArray(sheetSites.sheetId, plans))
      .all(),
    ...db
      .select({ of: spreadingSites.spreadingId, site: spreadingSites.siteId })
      .from(spreadingSites)
      .where(inArray(spreadingSites.spreadingId, plans))
      .all(),
  ];
  const elsewhere = new Set(sitesOf.filter(({ site }) => !ids.includes(site)).map(({ of }) => of));
  return readRows("weather", rows, asItIs).flatMap(({ of, ...look }): AirLook[] => {
    const { site, metar } = look.seen;
    if (site === undefined) return [{ ...look, ...(elsewhere.has(of) && { somewhere: true }) }];
    if (ids.includes(site)) return [look];
    // A report is its station's, wherever somebody stood; the soil is the place's.
    const { soil: _, site: _at, ...report } = look.seen;
    return metar === undefined ? [] : [{ ...look, seen: report }];
  });
}

/** The newest moment that the server's clock gave a sheet, a tick or a look; undefined where nothing is on record yet. */
export function newestMoment(db: Access): string | undefined {
  const moments = [
    db
      .select({ at: max(ticks.at) })
      .from(ticks)
      .get(),
    db
      .select({ at: max(mixSheets.createdAt) })
      .from(mixSheets)
      .get(),
    db
      .select({ at: max(weatherSeen.createdAt) })
      .from(weatherSeen)
      .get(),
    db
      .select({ at: max(spreadingTicks.at) })
      .from(spreadingTicks)
      .get(),
    db
      .select({ at: max(spreadingWeather.createdAt) })
      .from(spreadingWeather)
      .get(),
  ].flatMap((row) => row?.at ?? []);
  return moments.sort().at(-1);
}
