import { customType } from "drizzle-orm/sqlite-core";
import { sql, type SQL } from "drizzle-orm";
import { boundsOf, entered, FIELDS, type Entered, type Field, type KindOfField } from "@/core/contents";
import type { CardText } from "@/formats/card/card";
import { readCard } from "@/formats/card/read-card";
import { readJob } from "@/formats/job-file/read";
import type { JobFile } from "@/formats/job-file/types";
import { isHead, isSetup, readTip, type TipText } from "@/formats/rig-setup";

/** Column types that validate on reading: a record that can't be understood is an error here, never a wrong number. */

/** A quantity as it was entered, kept as the job file writes it: 40 psi comes back as 40 psi. */
export const enteredText = <F extends Field>(field: F) =>
  customType<{ data: Entered<KindOfField<F>>; driverData: string }>({
    dataType: () => "text",
    toDriver: (value) => value.text,
    fromDriver: (text) => entered(text, FIELDS[field].kind as KindOfField<F>),
  });

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
  if (!read.ok) throw new Error(`a recorded job can't be read: ${read.issues[0]!.path} ${read.issues[0]!.code}`);
  if (checked.size >= REMEMBERED) checked.delete(checked.keys().next().value!);
  checked.set(text, read.value.file);
  return read.value.file;
}

/** A whole job, or the part of one that a record is about, as its file. */
export const jobText = customType<{ data: JobFile; driverData: string }>({
  dataType: () => "text",
  toDriver: (job) => JSON.stringify(job),
  fromDriver: checkedJob,
});

/** A label's card: read on the way out as it was on the way in. */
export const cardText = customType<{ data: CardText; driverData: string }>({
  dataType: () => "text",
  toDriver: (card) => JSON.stringify(card),
  fromDriver: (text) => {
    const read = readCard(JSON.parse(text));
    if (!read.ok) throw new Error(`a recorded card can't be read: ${read.issues[0]!.path} ${read.issues[0]!.code}`);
    return read.value;
  },
});

/** A rig's set-up, a head, a tip's chart: each is read by the same check as when it came in. */
const jsonText = <T>(what: string, sound: (value: unknown) => value is T) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => "text",
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (text) => {
      const value: unknown = JSON.parse(text);
      if (!sound(value)) throw new Error(`a recorded ${what} can't be read`);
      return value;
    },
  });
export const setupText = jsonText("set-up", isSetup);
export const tipText = jsonText("tip", (value): value is TipText => readTip(value).ok);
export const headText = jsonText("head", isHead);

/** The CHECK that keeps a canonical number in its field's declared range. */
export function inRange(column: SQL | { name: string }, field: Field): SQL {
  const { least, most } = boundsOf(field);
  // A CHECK can't hold parameters; the bounds are our own constants.
  return sql`${column} is null or (${column} >= ${sql.raw(String(least * (1 - 1e-9)))} and ${column} <= ${sql.raw(String(most * (1 + 1e-9)))})`;
}
