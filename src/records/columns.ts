import { customType } from "drizzle-orm/sqlite-core";
import { sql, type SQL } from "drizzle-orm";
import { isMomentText } from "@/core/calendar";
import { lineFor } from "@/core/issue";
import { entered, type Entered } from "@/core/quantity/parse";
import { boundsOf, FIELDS, withinField, type Field, type KindOfField } from "@/core/quantity/ranges";
import type { ActiveText, CardText } from "@/formats/card/card";
import { readCard } from "@/formats/card/read-card";
import { readAny, readJob } from "@/formats/job-file/read";
import type { SpreadFile } from "@/formats/job-file/spread";
import { isCleanOut } from "@/formats/clean-out";
import { isFacts } from "@/formats/facts";
import type { JobFile, OutcomeText } from "@/formats/job-file/types";
import { outcomeEntry } from "@/formats/job-file/versions";
import { isMeasured } from "@/formats/area/measured";
import type { MeasuredText } from "@/formats/area/types";
import { readAir, type AirText } from "@/formats/air-seen";
import { isIncident } from "@/formats/incidents";
import { isLook } from "@/formats/looks";
import { isPapers } from "@/formats/papers";
import { isPractice } from "@/formats/practice";
import { isHead, isSetup, readTip, type TipText } from "@/formats/rig-setup";
import { Unreadable } from "./aside";
import { SLACK } from "@/core/quantity/slack";

/**
 * Column types that validate on reading. What can't be understood is never a wrong number: it comes out as `Unreadable`,
 * which the readers of rows set aside (see aside.ts), so that one damaged row doesn't take the others with it.
 */
const column = <T>(read: (text: string) => T, write: (value: T) => string) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => "text",
    // A prepared query hands over what is missing, too.
    toDriver: (value) => (value === null ? (null as never) : write(value)),
    fromDriver: (text) => {
      try {
        return read(text);
      } catch (error) {
        return new Unreadable(error instanceof Error ? error.message : "unreadable", String(text)) as never;
      }
    },
  });

/** A moment, ISO 8601 in UTC. */
export const momentText = column<string>(
  (text) => {
    if (!isMomentText(text)) throw new RangeError("it is no moment");
    return text;
  },
  (moment) => moment,
);

/** A number of ours, worked out when the row was written: finite. */
export const figure = customType<{ data: number; driverData: number }>({
  dataType: () => "real",
  fromDriver: (number) =>
    Number.isFinite(number) ? number : (new Unreadable("a figure is no finite number", String(number)) as never),
});

/** A quantity as it was entered, kept as the job file writes it: 40 psi comes back as 40 psi. */
export const enteredText = <F extends Field>(field: F) =>
  column<Entered<KindOfField<F>>>(
    (text) => {
      const value = entered(text, FIELDS[field].kind as KindOfField<F>);
      const within = withinField(field, value, field);
      if (!within.ok) throw new RangeError(lineFor(within.issues[0]!));
      return value;
    },
    (value) => value.text,
  );

/**
 * Jobs read so far, by their text. A recorded job never changes, so one that was checked once need not be again; the
 * oldest are forgotten first.
 */
const checked = new Map<string, JobFile>();
const REMEMBERED = 1000;

function checkedJob(text: string): JobFile {
  const known = checked.get(text);
  if (known) return known;
  const read = readJob(JSON.parse(text));
  if (!read.ok) throw new Error(lineFor(read.issues[0]!));
  if (checked.size >= REMEMBERED) checked.delete(checked.keys().next().value!);
  checked.set(text, read.value.file);
  return read.value.file;
}

/** A whole job, or the part of one that a record is about, as its file. */
export const jobText = column<JobFile>(checkedJob, (job) => JSON.stringify(job));

/** A job of granules alone, as its file. */
export const spreadText = column<SpreadFile>(
  (text) => {
    const read = readAny(JSON.parse(text));
    if (!read.ok) throw new Error(lineFor(read.issues[0]!));
    return read.value.file;
  },
  (job) => JSON.stringify(job),
);

/** Cards read so far, by their text: reading one is dear, and every plan reads them. */
const cards = new Map<string, CardText>();

/** A label's card: read on the way out as it was on the way in. */
export const cardText = column<CardText>(
  (text) => {
    const known = cards.get(text);
    if (known) return known;
    const read = readCard(JSON.parse(text));
    if (!read.ok) throw new Error(lineFor(read.issues[0]!));
    if (cards.size >= REMEMBERED) cards.delete(cards.keys().next().value!);
    cards.set(text, read.value);
    return read.value;
  },
  (card) => JSON.stringify(card),
);

/** JSON that is read by the same check as when it came in. */
const jsonText = <T>(what: string, sound: (value: unknown) => value is T) =>
  column<T>(
    (text) => {
      const value: unknown = JSON.parse(text);
      if (!sound(value)) throw new Error(`it is no ${what}`);
      return value;
    },
    (value) => JSON.stringify(value),
  );
/** Measurements read so far, by their text: each is worked out again to be sure of it, and every page of sites reads them. */
const measurements = new Map<string, MeasuredText>();

/** How the area of a zone was measured. */
export const measuredText = column<MeasuredText>(
  (text) => {
    const known = measurements.get(text);
    if (known) return known;
    const value: unknown = JSON.parse(text);
    if (!isMeasured(value)) throw new Error("it is no measurement of a zone");
    if (measurements.size >= REMEMBERED) measurements.delete(measurements.keys().next().value!);
    measurements.set(text, value);
    return value;
  },
  (value) => JSON.stringify(value),
);
export const setupText = jsonText("set-up of a rig", isSetup);
export const tipText = jsonText("tip", (value): value is TipText => readTip(value).ok);
export const factsText = jsonText("list of facts", isFacts);
export const cleanOutText = jsonText("clean-out", isCleanOut);
export const incidentText = jsonText("incident", isIncident);
export const lookText = jsonText("look at a zone", isLook);
export const practiceText = jsonText("practice", isPractice);
export const airText = jsonText("weather", (value): value is AirText => readAir(value).ok);
export const papersText = jsonText("list of papers", isPapers);
export const outcomeText = column<readonly OutcomeText[]>(
  (text) => {
    const value: unknown = JSON.parse(text);
    if (!Array.isArray(value) || !value.every((one: Partial<OutcomeText> | null) => typeof one?.site === "string"))
      throw new Error("it is no outcome of a sheet");
    return value.map(outcomeEntry) as OutcomeText[];
  },
  (entries) => JSON.stringify(entries),
);
export const headText = jsonText("hose-end head", isHead);
export const textsText = jsonText(
  "list of texts",
  (value): value is readonly string[] => Array.isArray(value) && value.every((one) => typeof one === "string"),
);
export const activesText = jsonText(
  "list of actives",
  (value): value is readonly ActiveText[] =>
    Array.isArray(value) &&
    value.every((one: Partial<ActiveText> | null) => typeof one?.name === "string" && typeof one.content === "string"),
);

/** The CHECK that keeps a canonical number in its field's declared range. */
export function inRange(column: SQL | { name: string }, field: Field): SQL {
  const { least, most } = boundsOf(field);
  // A CHECK can't hold parameters; the bounds are our own constants.
  return sql`${column} is null or (${column} >= ${sql.raw(String(least * (1 - SLACK)))} and ${column} <= ${sql.raw(String(most * (1 + SLACK)))})`;
}
