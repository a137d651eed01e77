import type { GroundEntry } from "./entries";
/** What a file would bring in, before anything of it is kept: a person looks, and chooses item by item. */

/** How an item of a file stands to what is on record. */
export const ITEM_STATES = [
  /** Not on record: it is added. */
  "new",
  /** On record just so. */
  "same",
  /** On record otherwise: it is left, unless somebody takes it. */
  "differs",
  /** On record under another name by now: it is left. */
  "renamed",
  /** On record and retired: it is left, unless somebody brings it back. */
  "retired",
  /** A zone that its site doesn't have: it is left until somebody says which ground it is. */
  "new-zone",
] as const;
export type ItemState = (typeof ITEM_STATES)[number];

export type ItemKind = "rig" | "person" | "label" | "site" | "zone";

/** One place in which a file and the records differ. */
export interface Difference {
  readonly place: string;
  readonly here: string;
  readonly file: string;
}

export interface ImportItem {
  /** Names it in a person's choice. */
  readonly key: string;
  readonly kind: ItemKind;
  readonly name: string;
  readonly state: ItemState;
  /** What it is called on record, where that is another name. */
  readonly calledHere?: string;
  readonly differences: readonly Difference[];
  /** Of a zone: the ground that it may be, by id. */
  readonly grounds?: readonly GroundEntry[];
  /** What should be looked at before it is kept. */
  readonly notes?: readonly string[];
  /** It was taken by a person's choice. */
  readonly taken: boolean;
}

/** What a person chose, by the key of an item: "take", or of a zone its ground (an id, or "new"). */
export type Choices = Readonly<Record<string, string>>;

/** What an import brought in, or would. */
export interface Imported {
  readonly items: readonly ImportItem[];
  readonly calibrations: number;
  /** What went down, put on record. */
  readonly applications: number;
  /** What went down and was on record already. */
  readonly known: number;
  /** Whole rows, of a file of all records. */
  readonly rows: number;
  /** Of a look beforehand: every row that it would add or change. */
  readonly changes?: Changes;
  /** Of a table that another program wrote: how its columns are read. While something of them has to be said, nothing else is. */
  readonly columns?: ColumnsRead;
}

/** Something that a file does to what counts or to what is here, in words. */
export interface ChangeLine {
  /** "strikes", "corrects", "withdraws", "changes", "settles" … */
  readonly of: string;
  readonly table: string;
  readonly id: string;
  readonly words: string;
}

/** Rows of one kind that a file adds. */
export interface AddedRows {
  readonly table: string;
  /** What they are. */
  readonly of: string;
  readonly ids: readonly string[];
  /** The first of them, as a person knows them. */
  readonly names: readonly string[];
  /** How many there are, of a whole file that is not listed row by row: it takes the place of nothing. */
  readonly count?: number;
}

/** Everything that a file would do to the records, as it stands without anything chosen. */
export interface Changes {
  readonly first: readonly ChangeLine[];
  readonly added: readonly AddedRows[];
}

/** How the columns of a table are read. */
export interface ColumnsRead {
  /** `as`: which of ours each is, "" where it is passed over, null where it has to be said. `key`: names it in a choice. */
  readonly headings: readonly { readonly heading: string; readonly key: string; readonly as: string | null }[];
  /** What each can be. */
  readonly ours: readonly string[];
  /** The unit of areas that have none: null where it has to be said; left out where each has its own. */
  readonly unit?: string | null;
  readonly units: readonly string[];
}

export const columnsOpen = ({ headings, unit }: ColumnsRead): boolean => unit === null || headings.some(({ as }) => as === null);

export const NOTHING: Imported = { items: [], calibrations: 0, applications: 0, known: 0, rows: 0 };

/** Where two texts differ, place by place. Ids and history are no part of what is compared. */
export function differencesOf(here: unknown, file: unknown): Difference[] {
  const [a, b] = [flat(here), flat(file)];
  return [...new Set([...a.keys(), ...b.keys()])]
    .filter((place) => a.get(place) !== b.get(place))
    .map((place) => ({ place, here: a.get(place) ?? "–", file: b.get(place) ?? "–" }));
}

/** A key of a file as words: `seededOn` is seeded on. */
const inWords = (key: string) => key.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

const PASSED = new Set(["id", "applied", "continues"]);
/** So many differences are told of one item: whoever sees more sees another thing. */
export const MOST_DIFFERENCES = 40;

function flat(value: unknown, place = "", into = new Map<string, string>()): Map<string, string> {
  if (Array.isArray(value)) value.forEach((one, i) => flat(one, `${place.replace(/s$/, "")} ${i + 1}`, into));
  else if (typeof value === "object" && value !== null)
    for (const [key, one] of Object.entries(value)) {
      if (!PASSED.has(key)) flat(one, [place, inWords(key)].filter(Boolean).join(" "), into);
    }
  else if (value !== undefined && value !== "") into.set(place, String(value));
  return into;
}
