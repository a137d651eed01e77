import type Database from "better-sqlite3";
import type { BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import type * as upkeep from "./schema";
import type * as season from "./schema-season";
import type * as work from "./schema-work";

/** The records, opened. */
export type Records = BetterSQLite3Database<typeof upkeep & typeof work & typeof season> & { $client: Database.Database };

/** Only a whole transaction, or the records themselves, may be handed to a query. */
export type Access = Records | Parameters<Parameters<Records["transaction"]>[0]>[0];
