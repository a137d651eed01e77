import type { Result } from "@/core/log/results";
import type { ProgramText } from "./season/program";
import type {
  AfterEntry,
  ApplicationEntry,
  AreaBefore,
  AsideEntry,
  CalibrationEntry,
  CalibrationLook,
  CheckSeries,
  CountedEntry,
  FirmEntry,
  GroundEntry,
  InForce,
  KitCheckEntry,
  LabelEntry,
  DueEntry,
  DueLook,
  JudgedEntry,
  LastMix,
  LoadsEntry,
  LotEntry,
  IncidentEntry,
  LookEntry,
  MemberEntry,
  PersonEntry,
  PracticeEntry,
  RecallEntry,
  RigEntry,
  RinseEntry,
  Sheet,
  ShelfEntry,
  SheetEntry,
  SiteEntry,
  SpreadingEntry,
  StandingEntry,
  StockEntry,
  TipEntry,
  TotalEntry,
  WeekEntry,
  UnaccountedEntry,
  YearEntry,
  YearOfSiteEntry,
} from "./entries";

/**
 * What a screen can ask the records for: one slice for each thing that a room needs to know, never all of it. This table is
 * read at both ends: it says what is asked with, what comes back, and which kinds of record the answer is made of, so that
 * an answer is worked out again only when one of them changed.
 */

/** The kinds of record, as the database counts their changes. */
export const SLICE_KINDS = [
  "settings",
  "people",
  "rigs",
  "tips",
  "labels",
  "sites",
  "calibrations",
  "checks",
  "proofs",
  "sheets",
  "ticks",
  "log",
  "spreadings",
  "stock",
  "rinses",
  "looks",
  "plans",
  "water",
  "practice",
] as const;
export type SliceKind = (typeof SLICE_KINDS)[number];

/** A place in a list: the texts that the list is ordered by. */
export type Cursor = readonly string[];

/** A part of a list, and where the next part begins; null at the end. */
export interface Page<T> {
  readonly rows: readonly T[];
  readonly next: Cursor | null;
}

/** Which records of the log. Dates are ISO days, both of them in. */
export interface LogAsked {
  site?: string;
  label?: string;
  person?: string;
  active?: string;
  restricted?: boolean;
  /** A rig, by the name that it had then. */
  rig?: string;
  from?: string;
  to?: string;
}

/** Which incidents. Dates are ISO days, both of them in. */
export interface IncidentsAsked {
  site?: string;
  from?: string;
  to?: string;
  after?: Cursor;
}

/** Which sites: all of it holds together. */
export interface SitesAsked {
  /** The beginnings of words of the name. */
  search?: string;
  /** What grows on one of its zones, and whose local rules hold. */
  turf?: string;
  rules?: string;
  /** ISO day since which nothing went down there. */
  idleSince?: string;
  /** Its zones together are from so large to so large, m². */
  least?: number;
  most?: number;
}

/** By slice: what it is asked with, and what comes back. */
export interface Slices {
  firm: { query: object; value: FirmEntry };
  people: { query: object; value: readonly PersonEntry[] };
  rigs: { query: object; value: readonly RigEntry[] };
  tips: { query: object; value: readonly TipEntry[] };
  labels: { query: object; value: readonly LabelEntry[] };
  stock: { query: object; value: readonly StockEntry[] };
  /** The last proof of each tool of a rig. */
  proofs: { query: { rig: string }; value: readonly KitCheckEntry[] };
  /** Sites by name, searched by the beginnings of words. */
  sites: { query: { search?: string; retired?: boolean; after?: Cursor }; value: Page<SiteEntry> };
  /** The same, looked for by what grows there and what went down. */
  sitesFound: { query: SitesAsked & { after?: Cursor }; value: Page<SiteEntry> };
  /** Some sites by their ids, those that are retired too. */
  sitesById: { query: { ids: readonly string[] }; value: readonly SiteEntry[] };
  /** The site that is called so. */
  siteCalled: { query: { name: string }; value: SiteEntry | null };
  /** The ground that a zone of so many square metres may be. */
  /** `called`: the site's name; `gate`: its place; `map`: the polygons of the zone as JSON. */
  grounds: {
    query: { site?: string; name: string; areaM2: number; called?: string; gate?: string; map?: string };
    value: readonly GroundEntry[];
  };
  /** What a zone was taken for before it was measured again, newest first. */
  areasBefore: { query: { zone: string }; value: readonly AreaBefore[] };
  /** How every rig stands with whom it was calibrated with. */
  standings: { query: object; value: readonly StandingEntry[] };
  /** What counts of a rig with a person or a tap. */
  inForce: { query: { rig: string; person?: string; site?: string }; value: InForce | null };
  calibration: { query: { id: string }; value: CalibrationLook | null };
  /** What a rig has given, newest first. */
  story: { query: { rig: string; person?: string; site?: string; after?: Cursor }; value: Page<CalibrationEntry> };
  crew: { query: { rig: string }; value: readonly MemberEntry[] };
  series: { query: { calibration: string }; value: CheckSeries };
  /** What loads did that were mixed from a calibration, newest first. */
  loads: { query: { calibration: string }; value: readonly LoadsEntry[] };
  openSheets: { query: { after?: Cursor }; value: Page<SheetEntry> };
  sheet: { query: { id: string }; value: Sheet };
  spreadings: { query: object; value: readonly SpreadingEntry[] };
  /** What was poured and nobody can account for: it counts until it is known. */
  unaccounted: { query: object; value: readonly UnaccountedEntry[] };
  /** The newest clean-outs of a rig, newest first. */
  cleanOuts: { query: { rig: string }; value: readonly RinseEntry[] };
  lastMix: { query: { rig: string; tank: string; except?: string }; value: LastMix | null };
  /** Whether just these went into one tank before. */
  mixedBefore: { query: { labels: readonly string[] }; value: boolean };
  /** What counts against the limits of the zones of some sites. */
  counted: { query: { sites: readonly string[] }; value: readonly CountedEntry[] };
  /** What went down in all, between two days. */
  totals: { query: LogAsked & { from: string; to: string }; value: readonly TotalEntry[] };
  log: { query: LogAsked & { after?: Cursor }; value: Page<ApplicationEntry> };
  /** What was seen, newest first. */
  looks: { query: { site?: string; after?: Cursor }; value: Page<LookEntry> };
  /** What went wrong, newest first, each as it was told last. */
  incidents: { query: IncidentsAsked; value: Page<IncidentEntry> };
  toJudge: { query: { record: string }; value: JudgedEntry | null };
  /** What is to be looked at today, what has waited longest first. */
  toLookAt: { query: object; value: readonly DueLook[] };
  /** What works here, by what inspections found. */
  results: { query: object; value: readonly Result[] };
  /** The firm's program, and what of it is due. */
  program: { query: object; value: ProgramText };
  due: { query: object; value: DueEntry };
  /** The year laid out ahead: of all sites, of one, and a week of it by its days. */
  year: { query: { next?: boolean }; value: YearEntry };
  yearOfSite: { query: { site: string; next?: boolean }; value: YearOfSiteEntry };
  week: { query: { from: string }; value: WeekEntry };
  /** Of the rest of this year, or of all of the next. */
  shelf: { query: { next?: boolean }; value: ShelfEntry };
  recall: { query: { label: string; lot: string }; value: RecallEntry };
  /** The lots that came of some products. */
  lots: { query: { labels: readonly string[] }; value: readonly LotEntry[] };
  /** What the ground is owed after the work of the last days. */
  afterWork: { query: object; value: readonly AfterEntry[] };
  /** What a person practised, newest first. */
  practice: { query: { person: string }; value: readonly PracticeEntry[] };
}
export type SliceName = keyof Slices;

/** What decides which calibration counts, and how it stands today. */
const CALIBRATING = ["calibrations", "checks", "rigs", "tips", "settings"] as const;

/** What decides on which day work is laid out. */
const LAID_OUT = ["settings", "sites", "log", "labels", "plans"] as const;

/** The kinds of record that each slice is made of. */
export const MADE_OF: { readonly [S in SliceName]: readonly SliceKind[] } = {
  firm: ["settings"],
  people: ["people", "calibrations"],
  rigs: ["rigs", "tips"],
  tips: ["tips"],
  labels: ["labels"],
  stock: ["stock", "labels", "log"],
  proofs: ["proofs", "rigs"],
  sites: ["sites"],
  sitesFound: ["sites", "log"],
  sitesById: ["sites"],
  siteCalled: ["sites"],
  grounds: ["sites", "log"],
  areasBefore: ["sites"],
  standings: [...CALIBRATING, "sites", "log"],
  inForce: CALIBRATING,
  calibration: [...CALIBRATING, "sites"],
  story: ["calibrations"],
  crew: [...CALIBRATING, "people"],
  series: ["calibrations", "checks", "settings"],
  loads: ["log", "sites"],
  openSheets: ["sheets", "ticks", "log"],
  sheet: [...CALIBRATING, "people", "sites", "sheets", "ticks", "log", "labels", "spreadings"],
  spreadings: ["people", "sites", "sheets", "ticks", "log", "labels", "spreadings", "settings"],
  unaccounted: ["log", "sheets"],
  cleanOuts: ["rinses", "people"],
  lastMix: ["sheets", "ticks", "rinses"],
  mixedBefore: ["sheets", "ticks"],
  counted: ["log", "sheets", "ticks", "spreadings", "labels", "sites", "settings"],
  totals: ["log"],
  log: ["log", "sites", "people", "labels"],
  looks: ["looks", "log", "sites", "people", "labels"],
  incidents: ["looks", "sites", "people", "labels"],
  toJudge: ["looks", "log", "sites", "people", "labels"],
  toLookAt: ["looks", "log", "sites", "labels", "settings"],
  results: ["looks", "log", "people", "labels", "settings"],
  program: ["settings"],
  due: ["settings", "sites", "log"],
  year: LAID_OUT,
  yearOfSite: [...LAID_OUT, "stock"],
  week: LAID_OUT,
  shelf: [...LAID_OUT, "stock"],
  recall: ["labels", "log", "sites", "stock"],
  lots: ["settings", "stock"],
  afterWork: ["log", "labels", "sites", "water", "settings"],
  practice: ["practice"],
};

/** An answer: what was asked for, and the rows of it that can't be read. */
export interface Answer<S extends SliceName> {
  readonly value: Slices[S]["value"];
  readonly aside: readonly AsideEntry[];
}

const AT = "/api/read/";

/** Where a slice is asked for: the same query always under the same address. */
export function slicePath<S extends SliceName>(slice: S, query: Slices[S]["query"]): string {
  const entries = Object.entries(query)
    .filter(([, value]) => value !== undefined && value !== "" && value !== false)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `${AT}${slice}${entries.length > 0 ? `?q=${encodeURIComponent(JSON.stringify(Object.fromEntries(entries)))}` : ""}`;
}

const isSlice = (name: string): name is SliceName => Object.hasOwn(MADE_OF, name);

/** The slice that stands at an address, and what it is asked with; undefined where there is none. */
export function sliceAt(
  path: string,
): { readonly slice: SliceName; readonly query: Readonly<Record<string, unknown>> } | undefined {
  if (!path.startsWith(AT)) return undefined;
  const [name = "", search = ""] = path.slice(AT.length).split("?");
  if (!isSlice(name)) return undefined;
  const query = queryIn(new URLSearchParams(search).get("q"));
  return query && { slice: name, query };
}

/** What is asked with, from an address: nothing where it is left out; undefined where it is no object. */
export function queryIn(text: string | null): Readonly<Record<string, unknown>> | undefined {
  try {
    const query: unknown = text === null ? {} : JSON.parse(text);
    return typeof query === "object" && query !== null && !Array.isArray(query)
      ? (query as Readonly<Record<string, unknown>>)
      : undefined;
  } catch {
    return undefined;
  }
}
