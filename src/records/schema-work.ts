import {
  blob,
  check,
  index,
  integer,
  primaryKey,
  sqliteTable,
  text,
  uniqueIndex,
  type AnySQLiteColumn,
} from "drizzle-orm/sqlite-core";
import { sql } from "drizzle-orm";
import { STOP_EVENTS } from "@/core/mixing/run-state";
import { SLIP_CODES } from "@/core/slips/slip";
import { INCIDENT_KINDS } from "@/formats/incidents";
import { LOOK_KINDS } from "@/formats/looks";
import {
  activesText,
  airText,
  cleanOutText,
  enteredText,
  figure,
  momentText,
  factsText,
  jobText,
  incidentText,
  lookText,
  outcomeText,
  spreadText,
  textsText,
} from "./columns";
import { calibrations, createdAt, id, labels, people, rigs, sites } from "./schema";

/** The records of the work itself: sheets and what became of them, what went down, what is on the shelf. Append-only. */
export const mixSheets = sqliteTable(
  "mix_sheets",
  {
    id: id(),
    madeAt: momentText("made_at").notNull(),
    /** The first of its sites; all of them stand in `sheet_sites`. */
    siteId: text("site_id")
      .notNull()
      .references(() => sites.id),
    rigId: text("rig_id")
      .notNull()
      .references(() => rigs.id),
    personId: text("person_id").references(() => people.id),
    calibrationId: text("calibration_id")
      .notNull()
      .references(() => calibrations.id),
    /** What the sheets of one day have in common: each tank of a truck has its own sheet. */
    dayId: text("day_id"),
    /** Everything the sheet is worked out from, as entered. */
    job: jobText("job").notNull(),
    rules: textsText("rules").notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    index("mix_sheets_of_day").on(t.dayId),
    // A key that others refer to is looked for in them at every change: without these, in all of them.
    index("mix_sheets_of_site").on(t.siteId),
    index("mix_sheets_of_rig").on(t.rigId),
    index("mix_sheets_by").on(t.personId),
    index("mix_sheets_of_calibration").on(t.calibrationId),
    index("mix_sheets_kept").on(t.createdAt),
  ],
);

/** The sites that a sheet is for. */
export const sheetSites = sqliteTable(
  "sheet_sites",
  {
    sheetId: text("sheet_id")
      .notNull()
      .references(() => mixSheets.id),
    siteId: text("site_id")
      .notNull()
      .references(() => sites.id),
  },
  (t) => [primaryKey({ columns: [t.sheetId, t.siteId] }), index("sheet_sites_of_site").on(t.siteId)],
);

/** What becomes of the stops of a day, in the order in which it was said. The last word on a stop counts. */
export const stopEvents = sqliteTable(
  "stop_events",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    sheetId: text("sheet_id")
      .notNull()
      .references(() => mixSheets.id),
    what: text("what", { enum: STOP_EVENTS }).notNull(),
    /** The site's name in the job; empty for a new order. */
    site: text("site").notNull(),
    /** What the tank still held after it, where somebody looked. */
    left: text("left"),
    /** The ground that was done there, where it wasn't what was planned. */
    covered: text("covered"),
    /** The names of the sites still to do, in their new order. */
    order: textsText("order"),
    /** Why more ground was covered than can be. */
    why: text("why"),
    at: text("at").notNull(),
  },
  (t) => [index("stop_events_of_sheet").on(t.sheetId)],
);

/** A tank that was filled in a day, with what it really held: a later change of the day changes nothing of it. */
export const fills = sqliteTable(
  "fills",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    sheetId: text("sheet_id")
      .notNull()
      .references(() => mixSheets.id),
    number: integer("number").notNull(),
    /** False where the fill was taken back. */
    done: integer("done", { mode: "boolean" }).notNull(),
    /** mL, as numbers: worked out, not entered. */
    fillTo: figure("fill_to").notNull(),
    adds: figure("adds").notNull(),
    /** The last event of the stops before it: which came first counts. */
    after: integer("after").notNull(),
    at: text("at").notNull(),
  },
  (t) => [index("fills_of_sheet").on(t.sheetId)],
);

/** A tank that was rinsed after a product, so that the next may go in. */
export const rinses = sqliteTable(
  "rinses",
  {
    id: id(),
    rigId: text("rig_id")
      .notNull()
      .references(() => rigs.id),
    tank: text("tank").notNull(),
    personId: text("person_id").references(() => people.id),
    rinsedAt: text("rinsed_at").notNull(),
    /** What was cleaned with how much water, and where that went. */
    facts: cleanOutText("facts"),
    createdAt: createdAt(),
  },
  (t) => [index("rinses_of_tank").on(t.rigId, t.tank, t.rinsedAt), index("rinses_by").on(t.personId)],
);

/** What was counted on the shelf. What goes down after it is taken off. */
export const stockCounts = sqliteTable(
  "stock_counts",
  {
    id: id(),
    labelId: text("label_id")
      .notNull()
      .references(() => labels.id),
    /** As entered: a weight of a dry product, a volume of a liquid one. */
    amount: text("amount").notNull(),
    countedAt: text("counted_at").notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("stock_counts_of_label").on(t.labelId, t.countedAt)],
);

/** Ticking off and taking back are both rows: the last one for a step is how it stands. */
export const ticks = sqliteTable(
  "ticks",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    sheetId: text("sheet_id")
      .notNull()
      .references(() => mixSheets.id),
    step: text("step").notNull(),
    done: integer("done", { mode: "boolean" }).notNull(),
    at: text("at").notNull(),
  },
  (t) => [index("ticks_of_sheet").on(t.sheetId), index("ticks_at").on(t.at)],
);

/** What was seen of the weather before the mix of a sheet goes down. */
export const weatherSeen = sqliteTable(
  "weather_seen",
  {
    id: id(),
    sheetId: text("sheet_id")
      .notNull()
      .references(() => mixSheets.id),
    /** When it was seen. */
    at: text("at").notNull(),
    seen: airText("seen").notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("weather_seen_of_sheet").on(t.sheetId, t.createdAt), index("weather_seen_kept").on(t.createdAt)],
);

/** A sheet that will not be poured: what it planned no longer counts. */
export const withdrawals = sqliteTable("withdrawals", {
  sheetId: text("sheet_id")
    .primaryKey()
    .references(() => mixSheets.id),
  /** Where something had been poured: what became of it. */
  became: text("became"),
  at: text("at").notNull(),
});

/** Of a restricted-use product, as it was then. */
export const RESTRICTED = sql`json_extract("facts", '$.restricted') = 'yes'`;

/** The id of the round of the program that it was mixed for. */
export const ROUND_THEN = sql<string | null>`json_extract("facts", '$.round')`;

/** The rig that it was put down with, by the name that it had. */
export const RIG_THEN = sql`json_extract("facts", '$.rig')`;

/**
 * What went down: a product on a zone on a day. The product and its actives stand as they were, so that a changed card
 * changes no record. The full log builds on these rows.
 */
export const applications = sqliteTable(
  "applications",
  {
    id: id(),
    date: text("date").notNull(),
    siteId: text("site_id")
      .notNull()
      .references(() => sites.id),
    /** The zone's id and name then; the zone itself may be gone. */
    zoneId: text("zone_id").notNull(),
    zone: text("zone").notNull(),
    area: enteredText("zoneArea")("area").notNull(),
    product: text("product").notNull(),
    labelId: text("label_id").references(() => labels.id),
    /** Product for an area, as a job file writes it, and what that comes to on the zone. */
    rate: text("rate").notNull(),
    total: text("total").notNull(),
    /** The two as numbers: g or mL a square metre, g or mL. Null only where an older text can't be read. */
    measured: text("measured", { enum: ["mass", "volume"] }),
    rateCanonical: figure("rate_canonical"),
    totalCanonical: figure("total_canonical"),
    actives: activesText("actives").notNull(),
    gravity: text("gravity"),
    personId: text("person_id").references(() => people.id),
    source: text("source", { enum: ["hand", "sheet", "file"] }).notNull(),
    sheetId: text("sheet_id").references(() => mixSheets.id),
    note: text("note"),
    /** Why it is on record for a day that its sheet doesn't speak for, or never went down. */
    why: text("why"),
    /** The sheet's own day, where the record was given an earlier one: it counts on both. */
    alsoOn: text("also_on"),
    /** A correction names what it corrects; a void one says that it never went down. */
    corrects: text("corrects"),
    isVoid: integer("void", { mode: "boolean" }).notNull(),
    /** What else is on record of it: registration, certificate, weather and their like, as they were then. */
    facts: factsText("facts"),
    createdAt: createdAt(),
    /** The ground that it went down on, as entered; the rate is that of this ground. Null only in rows of before it was kept. */
    covered: enteredText("zoneArea")("covered"),
    coveredM2: figure("covered_m2"),
    /** The granules that it comes from: their day binds its own, as a sheet's does. */
    spreadingId: text("spreading_id").references((): AnySQLiteColumn => spreadings.id),
  },
  (t) => [
    index("applications_of_site").on(t.siteId, t.date, t.createdAt, t.id),
    index("applications_by_day").on(t.date, t.createdAt, t.id),
    index("applications_of_label").on(t.labelId, t.date, t.createdAt, t.id),
    index("applications_since").on(t.labelId, t.createdAt),
    index("applications_of_sheet").on(t.sheetId),
    index("applications_by").on(t.personId, t.date, t.createdAt, t.id),
    index("applications_restricted").on(t.date, t.createdAt, t.id).where(RESTRICTED),
    index("applications_with_rig").on(RIG_THEN, t.date, t.createdAt, t.id),
    index("applications_without_number")
      .on(t.id)
      .where(sql`${t.totalCanonical} is null`),
    uniqueIndex("applications_corrected_once").on(t.corrects),
    check("applications_measured", sql`${t.measured} is null or ${t.measured} in ('mass', 'volume')`),
    check("applications_rate", sql`${t.rateCanonical} is null or ${t.rateCanonical} > 0`),
    check("applications_total", sql`${t.totalCanonical} is null or ${t.totalCanonical} > 0`),
    // What went down is its rate on the ground that it covered: a thousandth is what texts round off.
    check(
      "applications_balance",
      sql`${t.coveredM2} is null or abs(${t.totalCanonical} - ${t.rateCanonical} * ${t.coveredM2}) <= 0.001 * ${t.totalCanonical}`,
    ),
    index("applications_of_spreading").on(t.spreadingId),
    check("applications_date", sql`${t.date} glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]'`),
  ],
);

/**
 * What the loads of a sheet really did on a site: what was told, as entered, and what it came to. Append-only; told once, when
 * the sheet is put on record.
 */
export const outcomes = sqliteTable(
  "outcomes",
  {
    id: id(),
    sheetId: text("sheet_id")
      .notNull()
      .references(() => mixSheets.id),
    siteId: text("site_id")
      .notNull()
      .references(() => sites.id),
    entries: outcomeText("entries").notNull(),
    /** What the first passes came to, mL/m², over the calibrated one, and half its 95 % band as a part of it. */
    sprayVolume: figure("spray_volume").notNull(),
    ratio: figure("ratio").notNull(),
    relative: figure("relative").notNull(),
    /** Sprayed by the first passes, mL, and the ground that they did, m²: several are pooled by these. */
    sprayed: figure("sprayed").notNull(),
    covered: figure("covered").notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    uniqueIndex("outcomes_of_sheet").on(t.sheetId, t.siteId),
    index("outcomes_of_site").on(t.siteId),
    check("outcomes_spray_volume", sql`${t.sprayVolume} > 0 and ${t.sprayed} > 0 and ${t.covered} > 0`),
  ],
);

/**
 * The log as a chain: each record of it with the digest of itself and of all before it, in the order in which they came. Who
 * keeps the last digest can show later that nothing before it was altered.
 */
export const logChain = sqliteTable(
  "log_chain",
  {
    place: integer("place").primaryKey({ autoIncrement: true }),
    recordId: text("record_id")
      .notNull()
      .references(() => applications.id),
    digest: text("digest").notNull(),
    /** Which list of columns the digest is of: a record's is that of its day. */
    columns: integer("columns").notNull().default(1),
  },
  (t) => [uniqueIndex("log_chain_of").on(t.recordId)],
);

/**
 * Everything that happened as one chain: each row of each append-only table, in the order in which they came, with the digest of itself
 * and of all before it. Triggers write it, whichever way a row comes in. docs/chain.md says what a digest is of.
 */
export const evidence = sqliteTable(
  "evidence",
  {
    place: integer("place").primaryKey({ autoIncrement: true }),
    /** The table, and the row's key there. */
    kind: text("kind").notNull(),
    recordId: text("record_id").notNull(),
    digest: text("digest").notNull(),
    /** Which list of columns of its table the digest is of. */
    columns: integer("columns").notNull(),
    /** It was there before its kind was in the chain: taken in once, as it was found. */
    found: integer("found", { mode: "boolean" }).notNull().default(false),
  },
  (t) => [uniqueIndex("evidence_of").on(t.kind, t.recordId)],
);

/** What was done about the chain: that what was there was taken in, and that somebody went on past a break, with the reason. */
export const chainEvents = sqliteTable("chain_events", {
  id: integer("id").primaryKey({ autoIncrement: true }),
  what: text("what", { enum: ["adopted", "accepted"] }).notNull(),
  at: text("at").notNull(),
  why: text("why"),
  /** How the chain stood, as JSON. */
  state: text("state").notNull(),
});

/**
 * The chains of other installations whose records came in here as a file: each with its links, so that it can be shown later that those
 * rows are as they were there.
 */
export const chainsElsewhere = sqliteTable("chains_elsewhere", {
  /** Its head. */
  id: id(),
  rows: integer("rows").notNull(),
  /** What of its rows wasn't as it was when they came in, as JSON. */
  faults: text("faults").notNull(),
  /** Kind, key, digest, number of the list, found; of each place, as JSON. */
  links: text("links").notNull(),
  at: text("at").notNull(),
});

/** What went wrong, and who was told. Append-only; one that was told wrong is corrected by another. */
export const incidents = sqliteTable(
  "incidents",
  {
    id: id(),
    kind: text("kind", { enum: INCIDENT_KINDS }).notNull(),
    date: text("date").notNull(),
    siteId: text("site_id").references(() => sites.id),
    labelId: text("label_id").references(() => labels.id),
    personId: text("person_id").references(() => people.id),
    says: incidentText("says").notNull(),
    /** The incident that this one tells anew; null of the first. */
    corrects: text("corrects"),
    createdAt: createdAt(),
  },
  (t) => [index("incidents_by_day").on(t.date, t.createdAt, t.id)],
);

/**
 * Somebody looked at a zone: before anything goes down, or to judge what went down. Append-only; of several at what went down,
 * the last one counts.
 */
export const looks = sqliteTable(
  "looks",
  {
    id: id(),
    kind: text("kind", { enum: LOOK_KINDS }).notNull(),
    siteId: text("site_id")
      .notNull()
      .references(() => sites.id),
    /** The zone's id and name then. */
    zoneId: text("zone_id").notNull(),
    zone: text("zone").notNull(),
    /** Of an inspection: what is judged. */
    labelId: text("label_id").references(() => labels.id),
    recordId: text("record_id").references(() => applications.id),
    date: text("date").notNull(),
    personId: text("person_id").references(() => people.id),
    says: lookText("says").notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    index("looks_of_site").on(t.siteId, t.date, t.createdAt, t.id),
    index("looks_by_day").on(t.date, t.createdAt, t.id),
    index("looks_of_label").on(t.labelId),
    index("looks_of_record").on(t.recordId),
    index("looks_by").on(t.personId),
    check("looks_judge", sql`${t.kind} <> 'inspection' or ${t.recordId} is not null`),
    check("looks_date", sql`${t.date} glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]'`),
  ],
);

/** A photo of a look, made small by the device that took it. */
export const photos = sqliteTable(
  "photos",
  {
    id: id(),
    lookId: text("look_id")
      .notNull()
      .references(() => looks.id),
    bytes: blob("bytes", { mode: "buffer" }).notNull(),
    createdAt: createdAt(),
    /** It was made anew when it came: nothing but the picture is in it. What came before that was done is made anew when it is shown. */
    plain: integer("plain", { mode: "boolean" }).notNull().default(false),
  },
  (t) => [index("photos_of_look").on(t.lookId)],
);

/** A slip that was asked about and meant: kept with the record it belongs to. */
export const dismissals = sqliteTable(
  "dismissals",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    recordId: text("record_id").notNull(),
    field: text("field").notNull(),
    slip: text("slip", { enum: SLIP_CODES }).notNull(),
    typed: text("typed").notNull(),
    reason: text("reason").notNull(),
    at: text("at").notNull(),
  },
  (t) => [uniqueIndex("dismissals_once").on(t.recordId, t.field, t.slip, t.typed)],
);

/**
 * The ledger of a load: what was filled went down, is left in the tank, was disposed of, or is unaccounted for, in mL. The last row of
 * a load counts. Append-only.
 */
export const loadEnds = sqliteTable(
  "load_ends",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    sheetId: text("sheet_id")
      .notNull()
      .references(() => mixSheets.id),
    /** Whose the load is: the site's name and the load's number; of a day, the day's tank. */
    site: text("site").notNull(),
    load: integer("load").notNull(),
    filled: figure("filled").notNull(),
    applied: figure("applied").notNull(),
    left: figure("left").notNull(),
    disposed: figure("disposed").notNull(),
    unaccounted: figure("unaccounted").notNull(),
    /** Where what is left goes, how it was disposed of, why nobody knows. */
    says: text("says"),
    at: text("at").notNull(),
  },
  (t) => [
    index("load_ends_of_sheet").on(t.sheetId),
    index("load_ends_lost")
      .on(t.unaccounted, t.sheetId)
      .where(sql`${t.unaccounted} > 0`),
    check(
      "load_ends_balance",
      sql`abs(${t.filled} - ${t.applied} - ${t.left} - ${t.disposed} - ${t.unaccounted}) <= 0.001 * ${t.filled}`,
    ),
    check("load_ends_amounts", sql`${t.applied} >= 0 and ${t.left} >= 0 and ${t.disposed} >= 0 and ${t.unaccounted} >= 0`),
  ],
);

/** Granules that are to be spread dry: no rig, no calibration, no tank. Open until it is down or withdrawn. */
export const spreadings = sqliteTable(
  "spreadings",
  {
    id: id(),
    madeAt: momentText("made_at").notNull(),
    /** The day that it is planned for. */
    date: text("date").notNull(),
    personId: text("person_id").references(() => people.id),
    /** Everything it is worked out from, as entered. */
    job: spreadText("job").notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("spreadings_by").on(t.personId)],
);

/** Gear that was put on and bags that were opened, as with the steps of a sheet: the last row for a step is how it stands. */
export const spreadingTicks = sqliteTable(
  "spreading_ticks",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    spreadingId: text("spreading_id")
      .notNull()
      .references(() => spreadings.id),
    step: text("step").notNull(),
    done: integer("done", { mode: "boolean" }).notNull(),
    at: text("at").notNull(),
  },
  (t) => [index("spreading_ticks_of").on(t.spreadingId), index("spreading_ticks_at").on(t.at)],
);

/** What was seen of the weather before granules go down. */
export const spreadingWeather = sqliteTable(
  "spreading_weather",
  {
    id: id(),
    spreadingId: text("spreading_id")
      .notNull()
      .references(() => spreadings.id),
    /** When it was seen. */
    at: text("at").notNull(),
    seen: airText("seen").notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("spreading_weather_of").on(t.spreadingId, t.createdAt), index("spreading_weather_kept").on(t.createdAt)],
);

/** The sites that granules are for. */
export const spreadingSites = sqliteTable(
  "spreading_sites",
  {
    spreadingId: text("spreading_id")
      .notNull()
      .references(() => spreadings.id),
    siteId: text("site_id")
      .notNull()
      .references(() => sites.id),
  },
  (t) => [primaryKey({ columns: [t.spreadingId, t.siteId] }), index("spreading_sites_of_site").on(t.siteId)],
);

/** What became of a spreading. */
export const spreadingEnds = sqliteTable("spreading_ends", {
  spreadingId: text("spreading_id")
    .primaryKey()
    .references(() => spreadings.id),
  what: text("what", { enum: ["recorded", "withdrawn"] }).notNull(),
  at: text("at").notNull(),
});

/** A calibration that no longer counts, with its reason: what stood before stands again. */
export const calibrationWithdrawals = sqliteTable("calibration_withdrawals", {
  calibrationId: text("calibration_id")
    .primaryKey()
    .references(() => calibrations.id),
  why: text("why").notNull(),
  at: text("at").notNull(),
});

/*
 * What follows from the records is kept by triggers, so that it holds for every way in: a form, a file, a copy that is taken
 * over. None of it is exported, compared or taken over itself.
 */

/** How often each kind of record was changed: an answer made of a kind stands as long as its number does. */
export const sliceState = sqliteTable("slice_state", {
  kind: text("kind").primaryKey(),
  n: integer("n").notNull(),
});

/** Sheets and spreadings that are neither on record nor withdrawn. */
export const stillOpen = sqliteTable(
  "still_open",
  {
    kind: text("kind", { enum: ["sheet", "spreading"] }).notNull(),
    recordId: text("record_id").notNull(),
    madeAt: momentText("made_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.kind, t.recordId] }), index("still_open_by_date").on(t.kind, t.madeAt, t.recordId)],
);

/** The actives of each record of the log, by their names in small letters: what a search by active asks. */
export const recordActives = sqliteTable(
  "record_actives",
  {
    recordId: text("record_id").notNull(),
    active: text("active").notNull(),
  },
  (t) => [primaryKey({ columns: [t.active, t.recordId] })],
);

/** Into which tank a sheet is mixed. */
export const sheetTanks = sqliteTable(
  "sheet_tanks",
  {
    sheetId: text("sheet_id").primaryKey(),
    rigId: text("rig_id").notNull(),
    tank: text("tank").notNull(),
    madeAt: momentText("made_at").notNull(),
  },
  (t) => [index("sheet_tanks_of_rig").on(t.rigId, t.tank, t.madeAt)],
);

/** The products of a sheet, by their cards; of one from before cards had ids, by name. */
export const sheetProducts = sqliteTable(
  "sheet_products",
  {
    sheetId: text("sheet_id").notNull(),
    labelId: text("label_id").notNull(),
  },
  (t) => [primaryKey({ columns: [t.sheetId, t.labelId] }), index("sheet_products_of").on(t.labelId, t.sheetId)],
);
