import { asc, eq } from "drizzle-orm";
import type { DoneFill, StopEvent } from "@/core/mixing/run-state";
import { parseField } from "@/core/quantity/ranges";
import { canonical } from "@/core/quantity/arithmetic";
import { readRows } from "./aside";
import type { Access } from "./access";
import { fills, stopEvents } from "./schema-work";

export interface NewStopEvent {
  readonly sheetId: string;
  readonly what: StopEvent["what"];
  readonly site: string;
  /** As entered: what the tank still held. */
  readonly left: string | null;
  /** As entered: the ground that was done. */
  readonly covered: string | null;
  readonly order: readonly string[] | null;
  readonly why?: string | null;
}

export function addStopEvent(db: Access, event: NewStopEvent, at: string): void {
  db.insert(stopEvents)
    .values({ ...event, at })
    .run();
}

/** What was told of the stops of a day, in order; what the tank held in mL. */
export function stopEventsOf(db: Access, sheetId: string): StopEvent[] {
  const rows = db.select().from(stopEvents).where(eq(stopEvents.sheetId, sheetId)).orderBy(asc(stopEvents.id)).all();
  const events = readRows("stop of a day", rows, ({ id, what, site, left, covered, order }) => ({
    id,
    what,
    site,
    left: left === null ? null : leftOf(left),
    covered,
    order,
  }));
  // What became of a day can't be told with a gap in it.
  if (events.length < rows.length) throw new Error("what was told of a stop of this day can't be read");
  return events;
}

function leftOf(text: string): number {
  const read = parseField("left", text, { zero: true });
  if (!read.ok) throw new Error(`a recorded rest can't be read: ${text}`);
  return canonical(read.value.value);
}

export function addFill(db: Access, sheetId: string, fill: DoneFill, done: boolean, at: string): void {
  db.insert(fills)
    .values({ sheetId, ...fill, done, at })
    .run();
}

/** The fills of a day that stand, in order: the last word on each number counts. */
export function fillsOf(db: Access, sheetId: string): DoneFill[] {
  const rows = db.select().from(fills).where(eq(fills.sheetId, sheetId)).orderBy(asc(fills.id)).all();
  const last = new Map(rows.map((row) => [row.number, row]));
  return [...last.values()]
    .filter((row) => row.done)
    .map(({ number, fillTo, adds, after }) => ({ number, fillTo, adds, after }))
    .sort((a, b) => a.number - b.number);
}
