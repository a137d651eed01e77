import type { BrokenEntry } from "@/formats/entries";

/**
 * A row that can't be read, an older program's or a damaged disk's, is set aside by itself, with its reason and its raw
 * text. Lists pass it over and tell of it; whoever asks for just that row is told why not.
 */

/** What stands where a column can't be read. It is never handed on: every query goes through {@link readRows} or {@link readRow}. */
export class Unreadable {
  constructor(
    readonly reason: string,
    readonly raw: string,
  ) {}
}

/** A row that was set aside. */
export interface SetAside {
  /** What it would be: "rig", "calibration". */
  readonly of: string;
  readonly id: string;
  /** What can still be read of it to tell it by. */
  readonly name: string;
  readonly reason: string;
  readonly raw: string;
  /** Of a record of the log: what can be told of it still. */
  readonly record?: BrokenRecord;
}

/**
 * What can be told of a record of the log that can't be read whole: on which ground it lies, and of which product, so that it counts
 * there and holds nothing elsewhere, and can be written anew.
 */
export interface BrokenRecord extends BrokenEntry {
  readonly sheetId: string | null;
  readonly spreadingId: string | null;
}

/** One record alone was asked for, and it can't be read. */
export class RecordUnreadable extends Error {
  constructor(readonly aside: SetAside) {
    super(`${aside.of} ${aside.name}: ${aside.reason}`);
  }
}

const RAW = 2000;

/** A part of a record can't be read, and so the whole: with the part's own raw text. */
export class PartUnreadable extends Error {
  constructor(
    reason: string,
    readonly raw: string,
  ) {
    super(reason);
  }
}

/** Rows of a record's parts, all of them. @throws PartUnreadable for the first that can't be read */
export function readParts<R extends object, T>(of: string, rows: readonly R[], make: (row: R) => T): T[] {
  const aside: SetAside[] = [];
  const parts = readRows(of, rows, make, aside);
  const first = aside[0];
  if (first) throw new PartUnreadable(`a ${of} of it can't be read (${first.name}): ${first.reason}`, first.raw);
  return parts;
}

function tell(of: string, row: object, reason: string, raw?: string): SetAside {
  const { id, name, sheetId } = row as { id?: unknown; name?: unknown; sheetId?: unknown };
  const known = String(id ?? sheetId ?? "");
  const plain = Object.fromEntries(
    Object.entries(row).map(([key, value]) => [
      key,
      value instanceof Unreadable ? value.raw : ((value as { text?: unknown } | null)?.text ?? value),
    ]),
  );
  return {
    of,
    id: known,
    name: typeof name === "string" ? name : known,
    reason,
    raw: (raw ?? JSON.stringify(plain)).slice(0, RAW),
  };
}

type Reading<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly aside: SetAside };

function read<R extends object, T>(of: string, row: R, make: (row: R) => T): Reading<T> {
  const broken = Object.entries(row).find(([, value]) => value instanceof Unreadable) as [string, Unreadable] | undefined;
  if (broken) return { ok: false, aside: tell(of, row, `${broken[0]}: ${broken[1].reason}`) };
  try {
    return { ok: true, value: make(row) };
  } catch (error) {
    if (error instanceof RecordUnreadable) return { ok: false, aside: error.aside };
    const raw = error instanceof PartUnreadable ? error.raw : undefined;
    return { ok: false, aside: tell(of, row, error instanceof Error ? error.message : "unreadable", raw) };
  }
}

/** Rows → values; those that can't be read are put into `aside`, where it is given. */
export function readRows<R extends object, T>(of: string, rows: readonly R[], make: (row: R) => T, aside?: SetAside[]): T[] {
  return rows.flatMap((row) => {
    const one = read(of, row, make);
    if (one.ok) return [one.value];
    aside?.push(one.aside);
    return [];
  });
}

/** One row → its value; undefined where there is none. @throws RecordUnreadable where it can't be read */
export function readRow<R extends object, T>(of: string, row: R | undefined, make: (row: R) => T): T | undefined {
  if (row === undefined) return undefined;
  const one = read(of, row, make);
  if (!one.ok) throw new RecordUnreadable(one.aside);
  return one.value;
}

/** As it is. */
export const asItIs = <R>(row: R): R => row;
