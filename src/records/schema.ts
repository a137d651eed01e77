import { check, index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { sql } from "drizzle-orm";
import { GROUNDS } from "@/core/calibration/evidence";
import { LEVERS } from "@/core/calibration/levers";
import { WATERS } from "@/formats/job-file/types";
import {
  cardText,
  enteredText,
  figure,
  momentText,
  headText,
  inRange,
  jobText,
  measuredText,
  papersText,
  setupText,
  textsText,
  tipText,
} from "./columns";
import { METHOD_IDS } from "@/core/calibration/method-ids";
import { RIG_KINDS } from "@/rig-kinds/rules";

/**
 * The records. What people keep up to date (people, rigs, labels, sites) may change and be retired; what happened
 * (calibrations, mix sheets, ticks) is append-only, held so by triggers, and a correction is a new row that names the
 * old one. Quantities stand as entered, with the canonical number beside them for the database's own CHECK.
 */
export const id = () => text("id").primaryKey();
export const createdAt = () => text("created_at").notNull();
/** Retired, not deleted: what was recorded with it must stay readable, and retiring can be undone. */
const retiredAt = () => text("retired_at");
/** Goes up with every change, by a trigger: the second of two editors is told, not written over. */
const revision = () => integer("revision").notNull().default(0);

export const people = sqliteTable(
  "people",
  {
    id: id(),
    name: text("name").notNull(),
    /** Certificates, covers, fits and their like, each with its end. */
    papers: papersText("papers"),
    /** How long one of their strides is, measured once. */
    stride: enteredText("stride")("stride"),
    createdAt: createdAt(),
    retiredAt: retiredAt(),
    revision: revision(),
  },
  (t) => [uniqueIndex("people_name").on(t.name)],
);

export const rigs = sqliteTable(
  "rigs",
  {
    id: id(),
    name: text("name").notNull(),
    kind: text("kind", { enum: RIG_KINDS }).notNull(),
    outlets: integer("outlets").notNull(),
    spacing: enteredText("spacing")("spacing"),
    spacingM: figure("spacing_m"),
    tipSize: text("tip_size"),
    pressure: enteredText("pressure")("pressure"),
    pressurePa: figure("pressure_pa"),
    /** Of a hose-end rig. */
    head: headText("head"),
    /** What else a calibration stands on, and the measuring kit. */
    setup: setupText("setup"),
    createdAt: createdAt(),
    retiredAt: retiredAt(),
    revision: revision(),
  },
  (t) => [
    uniqueIndex("rigs_name").on(t.name),
    check("rigs_outlets", sql`${t.outlets} between 1 and 500`),
    check("rigs_spacing", inRange(t.spacingM, "spacing")),
    check("rigs_pressure", inRange(t.pressurePa, "pressure")),
  ],
);

export const tanks = sqliteTable(
  "tanks",
  {
    id: integer("id").primaryKey(),
    rigId: text("rig_id")
      .notNull()
      .references(() => rigs.id, { onDelete: "cascade" }),
    position: integer("position").notNull(),
    name: text("name").notNull(),
    usable: enteredText("usable")("usable").notNull(),
    usableMl: figure("usable_ml").notNull(),
    leastMix: enteredText("leastMix")("least_mix"),
    leastMixMl: figure("least_mix_ml"),
  },
  (t) => [
    uniqueIndex("tanks_of_rig").on(t.rigId, t.position),
    check("tanks_usable", inRange(t.usableMl, "usable")),
    check("tanks_least_mix", inRange(t.leastMixMl, "leastMix")),
    check("tanks_least_under_usable", sql`${t.leastMixMl} is null or ${t.leastMixMl} <= ${t.usableMl}`),
  ],
);

/** Tips with their charts. */
export const tips = sqliteTable(
  "tips",
  {
    id: id(),
    name: text("name").notNull(),
    tip: tipText("tip").notNull(),
    createdAt: createdAt(),
    retiredAt: retiredAt(),
    revision: revision(),
  },
  (t) => [uniqueIndex("tips_name").on(t.name)],
);

/** A product's card, whole: what its label says. */
export const labels = sqliteTable(
  "labels",
  {
    id: id(),
    name: text("name").notNull(),
    card: cardText("card").notNull(),
    createdAt: createdAt(),
    retiredAt: retiredAt(),
    revision: revision(),
  },
  (t) => [uniqueIndex("labels_name").on(t.name)],
);

export const sites = sqliteTable(
  "sites",
  {
    id: id(),
    name: text("name").notNull(),
    /** Whose local rules hold here. */
    jurisdiction: text("jurisdiction"),
    /** A hydrant or a tap that a truck may be filled from. */
    water: integer("water", { mode: "boolean" }).notNull().default(false),
    /** Who or what must be minded here; how one gets in; what else is known. */
    minding: text("minding"),
    access: text("access"),
    notes: text("notes"),
    /** Since when the notes stand so, a moment. */
    noted: text("noted"),
    /** Who waters there, and how fast its hydrant or tap fills. */
    waters: text("waters", { enum: WATERS }),
    tapFlow: enteredText("tapFlow")("tap_flow"),
    /** Where one goes in and out, and where the tap or hydrant is. */
    gate: text("gate"),
    tap: text("tap"),
    createdAt: createdAt(),
    retiredAt: retiredAt(),
    revision: revision(),
  },
  (t) => [
    uniqueIndex("sites_name").on(t.name),
    index("sites_live")
      .on(t.name)
      .where(sql`${t.retiredAt} is null`),
    index("sites_retired")
      .on(t.name)
      .where(sql`${t.retiredAt} is not null`),
  ],
);

/** A zone keeps its id through every change of its name: what went down on it stays its own. */
export const zones = sqliteTable(
  "zones",
  {
    id: id(),
    siteId: text("site_id")
      .notNull()
      .references(() => sites.id, { onDelete: "cascade" }),
    position: integer("position").notNull(),
    name: text("name").notNull(),
    area: enteredText("zoneArea")("area").notNull(),
    areaM2: figure("area_m2").notNull(),
    turf: text("turf"),
    /** ISO dates. */
    seeded: text("seeded"),
    sodded: text("sodded"),
    seeding: text("seeding"),
    sodding: text("sodding"),
    /** How fast its irrigation waters; what its ground is like to walk on; how high it stands, since which mowing (ISO date). */
    irrigation: enteredText("irrigation")("irrigation"),
    lies: text("lies", { enum: GROUNDS }),
    height: enteredText("mowing")("height"),
    mowed: text("mowed"),
    /** How its area was measured; null where it was typed. */
    measured: measuredText("measured"),
    /** A zone is never deleted: what went down on it must stay known. */
    retiredAt: retiredAt(),
  },
  (t) => [
    index("zones_of_site").on(t.siteId, t.position),
    index("zones_retired")
      .on(t.retiredAt)
      .where(sql`${t.retiredAt} is not null`),
    check("zones_area", inRange(t.areaM2, "zoneArea")),
  ],
);

/** What a zone was taken for before it was measured again, and until when. A trigger writes it, whoever changes the zone. */
export const areasBefore = sqliteTable(
  "areas_before",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    zoneId: text("zone_id")
      .notNull()
      .references(() => zones.id),
    area: enteredText("zoneArea")("area").notNull(),
    measured: measuredText("measured"),
    until: text("until").notNull(),
  },
  (t) => [index("areas_before_of").on(t.zoneId)],
);

/**
 * Which ground a zone is that came to a site later: that of another zone, whose history it carries on, or, where nothing
 * stands beside it, ground of which nothing was on record before. Append-only.
 */
export const sameGround = sqliteTable(
  "same_ground",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    zoneId: text("zone_id")
      .notNull()
      .references(() => zones.id),
    asZoneId: text("as_zone_id").references(() => zones.id),
    at: text("at").notNull(),
    /** Why it is other ground than it seems, where it was asked about ground that is in use. */
    why: text("why"),
  },
  (t) => [index("same_ground_of").on(t.zoneId), index("same_ground_as").on(t.asZoneId)],
);

/**
 * Where zones that were measured on a map lie, and the gates of sites: the box around each, degrees. Triggers fill it, whoever writes
 * a zone or a site.
 */
export const groundBoxes = sqliteTable(
  "ground_boxes",
  {
    /** Of a zone, or of a site whose gate it is. */
    id: id(),
    siteId: text("site_id").notNull(),
    gate: integer("gate", { mode: "boolean" }).notNull(),
    south: real("south").notNull(),
    north: real("north").notNull(),
    west: real("west").notNull(),
    east: real("east").notNull(),
  },
  (t) => [index("ground_boxes_south").on(t.south, t.north, t.west, t.east)],
);

/** What the firm has settled for all its devices. */
export const settings = sqliteTable("settings", {
  key: text("key").primaryKey(),
  value: text("value").notNull(),
  at: text("at").notNull(),
});

/** Every name that a record ever had, folded: a file that knows it by an old one means it. Append-only. */
export const recordNames = sqliteTable(
  "record_names",
  {
    kind: text("kind").notNull(),
    recordId: text("record_id").notNull(),
    key: text("key").notNull(),
    name: text("name").notNull(),
    at: text("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.kind, t.key, t.recordId] }), index("record_names_of").on(t.kind, t.recordId)],
);

/** What people keep up to date, as it was before each change, whole, as JSON. Append-only. */
export const revisions = sqliteTable(
  "revisions",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    kind: text("kind").notNull(),
    recordId: text("record_id").notNull(),
    was: text("was").notNull(),
    at: text("at").notNull(),
  },
  (t) => [index("revisions_of").on(t.kind, t.recordId)],
);

/** What was asked to be kept under an id, as a digest: the same again is the same, anything else is a conflict. */
export const savedRequests = sqliteTable(
  "saved_requests",
  {
    kind: text("kind").notNull(),
    recordId: text("record_id").notNull(),
    digest: text("digest").notNull(),
    at: text("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.kind, t.recordId] })],
);

export const calibrations = sqliteTable(
  "calibrations",
  {
    id: id(),
    rigId: text("rig_id")
      .notNull()
      .references(() => rigs.id),
    personId: text("person_id").references(() => people.id),
    /** Whose tap fed a hose-end head. */
    siteId: text("site_id").references(() => sites.id),
    method: text("method", { enum: METHOD_IDS }),
    /** Which lever this calibration proves, and the calibration that it was pulled after: its story. */
    lever: text("lever", { enum: LEVERS }),
    leverSetTo: text("lever_set_to"),
    follows: text("follows"),
    /** When the readings were taken. */
    madeAt: momentText("made_at").notNull(),
    ground: text("ground", { enum: GROUNDS }),
    /** The rig as it was and the evidence as entered: what the result is worked out from, now and later. */
    job: jobText("job").notNull(),
    /** What the server worked out when it was saved, mL/m², and half its 95 % band as a part of it. */
    sprayVolume: figure("spray_volume").notNull(),
    relative: figure("relative"),
    /** The rules it was worked out by, with their versions: `["mean-time v1", …]`. */
    rules: textsText("rules").notNull(),
    /** A correction names what it corrects. */
    corrects: text("corrects"),
    createdAt: createdAt(),
  },
  (t) => [
    index("calibrations_of_rig").on(t.rigId, t.madeAt),
    index("calibrations_of_person").on(t.rigId, t.personId, t.madeAt),
    index("calibrations_of_tap").on(t.rigId, t.siteId, t.madeAt),
    index("calibrations_by").on(t.personId),
    index("calibrations_at").on(t.siteId),
    check("calibrations_spray_volume", inRange(t.sprayVolume, "sprayVolume")),
  ],
);

export const trials = sqliteTable(
  "trials",
  {
    id: integer("id").primaryKey(),
    calibrationId: text("calibration_id")
      .notNull()
      .references(() => calibrations.id),
    position: integer("position").notNull(),
    of: text("of", { enum: ["walk", "catch"] }).notNull(),
    time: enteredText("walkTime")("time").notNull(),
    volume: enteredText("catchVolume")("volume"),
    /** Why it was struck; null while it counts. */
    struck: text("struck"),
  },
  (t) => [uniqueIndex("trials_of_calibration").on(t.calibrationId, t.position)],
);

/** The weekly bucket test of the flow. */
export const quickChecks = sqliteTable(
  "quick_checks",
  {
    id: id(),
    rigId: text("rig_id")
      .notNull()
      .references(() => rigs.id),
    personId: text("person_id").references(() => people.id),
    /** The calibration whose flow it is held against. */
    calibrationId: text("calibration_id")
      .notNull()
      .references(() => calibrations.id),
    madeAt: momentText("made_at").notNull(),
    volume: enteredText("catchVolume")("volume").notNull(),
    time: enteredText("catchTime")("time").notNull(),
    /** Checked flow over the calibration's. */
    ratio: figure("ratio").notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    index("quick_checks_of_rig").on(t.rigId, t.personId, t.madeAt),
    index("quick_checks_of_calibration").on(t.calibrationId, t.madeAt),
    index("quick_checks_by").on(t.personId),
    check("quick_checks_ratio", sql`${t.ratio} > 0`),
  ],
);

/** Proofs of scales and vessels against something known. */
export const kitChecks = sqliteTable(
  "kit_checks",
  {
    id: id(),
    rigId: text("rig_id")
      .notNull()
      .references(() => rigs.id),
    of: text("of", { enum: ["scale", "vessel"] }).notNull(),
    tool: text("tool").notNull(),
    madeAt: momentText("made_at").notNull(),
    /** As entered: a weight on a scale, a volume in a vessel. */
    known: text("known").notNull(),
    shown: text("shown").notNull(),
    ratio: figure("ratio").notNull(),
    good: integer("good", { mode: "boolean" }).notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("kit_checks_of_tool").on(t.rigId, t.of, t.tool, t.madeAt)],
);
