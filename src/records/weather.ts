import { desc, eq } from "drizzle-orm";
import type { AirText } from "@/formats/air-seen";
import type { Access } from "./access";
import { asItIs, readRow } from "./aside";
import { weatherSeen } from "./schema-work";

/** What was seen of the weather before a mix went down. */

export interface NewWeather {
  readonly id: string;
  readonly sheetId: string;
  readonly at: string;
  readonly seen: AirText;
}

export const addWeather = (db: Access, weather: NewWeather, now: string): void =>
  void db
    .insert(weatherSeen)
    .values({ ...weather, createdAt: now })
    .run();

export const findWeather = (db: Access, id: string) =>
  db.select({ id: weatherSeen.id }).from(weatherSeen).where(eq(weatherSeen.id, id)).get();

/** What was seen last for a sheet. */
export const lastWeather = (db: Access, sheetId: string) =>
  readRow(
    "weather",
    db.select().from(weatherSeen).where(eq(weatherSeen.sheetId, sheetId)).orderBy(desc(weatherSeen.createdAt)).limit(1).get(),
    asItIs,
  );
