import { check, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { sql } from "drizzle-orm";
import { GROUNDS } from "@/core/calibration/evidence";
import { PRACTICE_KINDS } from "@/formats/practice";
import { enteredText, practiceText } from "./columns";
import { createdAt, id, labels, people, rigs, sites } from "./schema";
import { applications } from "./schema-work";

/** The records of the season: days that were fixed, water that fell, packages that came, practice. Append-only, but for the calendar's. */

/**
 * What somebody moved in a year's plan: a round on a site to a day of its own (without a day it is laid out with all others
 * again), or, without a site, a round to so many days later than usual. The newest row counts; what was moved in one go has one
 * batch, so that it is undone in one go.
 */
export const plannedDays = sqliteTable(
  "planned_days",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    batch: text("batch").notNull(),
    siteId: text("site_id").references(() => sites.id),
    /** The name of a round of the program. */
    round: text("round").notNull(),
    year: integer("year").notNull(),
    /** ISO date; or a number of days, below zero where it is earlier. */
    day: text("day"),
    later: integer("later"),
    /** What stood before it. */
    was: text("was"),
    wasLater: integer("was_later"),
    at: text("at").notNull(),
  },
  (t) => [
    index("planned_days_of").on(t.year, t.siteId, t.round),
    index("planned_days_of_site").on(t.siteId),
    index("planned_days_of_batch").on(t.batch),
    check("planned_days_year", sql`${t.year} between 1990 and 2200`),
    check("planned_days_later", sql`${t.later} is null or ${t.later} between -60 and 60`),
  ],
);

/** A record that a person gave to a round of the program, or to none; the newest word on a record counts. Append-only. */
export const roundsGiven = sqliteTable(
  "rounds_given",
  {
    id: id(),
    recordId: text("record_id")
      .notNull()
      .references(() => applications.id),
    /** The id of the round; null where it was none of them. */
    round: text("round"),
    at: text("at").notNull(),
    /** Nobody said so: product, day and rate did, by the program as it stood. */
    inferred: integer("inferred", { mode: "boolean" }).notNull().default(false),
  },
  (t) => [index("rounds_given_of").on(t.recordId)],
);

export const WATERS_KIND = ["rain", "irrigation"] as const;

/** Water that was measured on a site: what fell, or what its irrigation gave. Append-only; a wrong one is struck by another row. */
export const waterings = sqliteTable(
  "waterings",
  {
    id: id(),
    siteId: text("site_id")
      .notNull()
      .references(() => sites.id),
    kind: text("kind", { enum: WATERS_KIND }).notNull(),
    /** When it ended, a moment. */
    at: text("at").notNull(),
    depth: enteredText("waterDepth")("depth").notNull(),
    /** The row that this one strikes. */
    strikes: text("strikes"),
    createdAt: createdAt(),
  },
  (t) => [index("waterings_of_site").on(t.siteId, t.at)],
);

/** Packages that came in, with their lot. */
export const deliveries = sqliteTable(
  "deliveries",
  {
    id: id(),
    labelId: text("label_id")
      .notNull()
      .references(() => labels.id),
    lot: text("lot").notNull(),
    /** What one package holds, as entered: a weight of a dry product, a volume of a liquid one. */
    content: text("content").notNull(),
    count: integer("count").notNull(),
    /** Of one package, in the firm's currency; null where nobody said it. */
    price: text("price"),
    /** ISO dates: when they came, when the first of them was opened, and until when it may be used. */
    came: text("came").notNull(),
    opened: text("opened"),
    useBy: text("use_by"),
    /** The row that this one puts in place of another; null of the first. */
    corrects: text("corrects"),
    createdAt: createdAt(),
  },
  (t) => [
    index("deliveries_of_label").on(t.labelId, t.came),
    index("deliveries_corrected").on(t.corrects),
    check("deliveries_count", sql`${t.count} between 0 and 10000`),
  ],
);

/** What people practised: paces, countdowns, swings, lessons. A wrong one is struck by another row. */
export const practices = sqliteTable(
  "practices",
  {
    id: id(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    rigId: text("rig_id").references(() => rigs.id),
    kind: text("kind", { enum: PRACTICE_KINDS }).notNull(),
    ground: text("ground", { enum: GROUNDS }),
    what: practiceText("what").notNull(),
    /** The row that this one strikes, and why. */
    strikes: text("strikes"),
    why: text("why"),
    createdAt: createdAt(),
  },
  (t) => [
    index("practices_of_person").on(t.personId, t.createdAt),
    index("practices_struck").on(t.strikes),
    index("practices_of_rig").on(t.rigId),
  ],
);

/** What a calendar was told last of each event: how often it changed, and whether it was called off. */
export const calendarEvents = sqliteTable("calendar_events", {
  uid: text("uid").primaryKey(),
  sequence: integer("sequence").notNull(),
  /** What it said, as JSON: for telling a change, and for calling it off. */
  said: text("said").notNull(),
  cancelled: integer("cancelled", { mode: "boolean" }).notNull(),
  /** When it was changed last, a moment. */
  at: text("at").notNull(),
});
