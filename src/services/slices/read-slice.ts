import { MADE_OF, sliceAt, type Answer, type Cursor, type LogAsked, type SliceName, type Slices } from "@/formats/slices";
import type { SetAside } from "@/records/aside";
import { type Records } from "@/records/database";
import { listLabels } from "@/records/labels";
import { practicesOf } from "@/records/practices";
import { listRigs } from "@/records/rigs";
import { mixedBefore } from "@/records/sheets";
import { areasOf, sitesById } from "@/records/sites";
import { listTips } from "@/records/tips";
import { countedOf } from "../counted";
import { stockNow } from "../save-stock";
import { afterWork } from "../after-work";
import { checkSeries, crew, inForce, loads, lookAt, standings, story } from "./calibrations";
import { logPage, logTotals } from "./log";
import { dueToday, programNow } from "../program";
import { lotsOf, recall, shelf } from "../shelf";
import { week, yearEntry, yearOfSite } from "./season";
import { incidents } from "./incidents";
import { looks, results, toJudge, toLookAt } from "./looks";
import { lastMix, openSheets, readSheet, unaccounted } from "./sheets";
import { cleanOuts, firm, grounds, people, proofs, siteCalled, sites, spreadings } from "./upkeep";

/** The one reader of each slice: what a room asks for, and no more. */
type Reader<S extends SliceName> = (db: Records, query: Slices[S]["query"], aside: SetAside[]) => Slices[S]["value"] | undefined;

const READERS: { readonly [S in SliceName]: Reader<S> } = {
  firm,
  people: (db, _query, aside) => people(db, aside),
  rigs: (db, _query, aside) => listRigs(db, aside),
  tips: (db, _query, aside) => listTips(db, aside),
  labels: (db, _query, aside) => listLabels(db, aside),
  stock: (db, _query, aside) => stockNow(db, aside),
  proofs,
  sites,
  sitesFound: sites,
  sitesById: (db, { ids }, aside) => sitesById(db, ids, aside),
  siteCalled,
  grounds,
  areasBefore: (db, { zone }) => areasOf(db, zone),
  standings: (db, _query, aside) => standings(db, aside),
  inForce,
  calibration: lookAt,
  story,
  crew,
  series: checkSeries,
  loads,
  openSheets,
  sheet: (db, { id }) => readSheet(db, id),
  spreadings: (db, _query, aside) => spreadings(db, aside),
  unaccounted: (db) => unaccounted(db),
  cleanOuts,
  lastMix,
  mixedBefore: (db, { labels }) => mixedBefore(db, labels),
  counted: (db, query, aside) => countedOf(db, query.sites, aside),
  totals: logTotals,
  log: logPage,
  looks,
  incidents,
  toJudge,
  toLookAt,
  results,
  program: (db, _query, aside) => programNow(db, aside),
  due: (db, _query, aside) => dueToday(db, aside),
  year: yearEntry,
  yearOfSite,
  week,
  shelf: (db, { next }, aside) => shelf(db, aside, next),
  recall,
  lots: (db, { labels }, aside) => lotsOf(db, labels, aside),
  afterWork: (db, _query, aside) => afterWork(db, aside),
  practice: (db, { person }, aside) => practicesOf(db, person, aside),
};

/** What a query must look like: each part with its kind; `?` where it may be left out. */
type Part = "text" | "text?" | "shape?" | "texts" | "yes?" | "cursor?" | "number" | "number?";
const ASKED: { readonly [S in SliceName]: Readonly<Record<string, Part>> } = {
  firm: {},
  people: {},
  rigs: {},
  tips: {},
  labels: {},
  stock: {},
  proofs: { rig: "text" },
  sites: { search: "text?", retired: "yes?", after: "cursor?" },
  sitesFound: {
    search: "text?",
    turf: "text?",
    rules: "text?",
    idleSince: "text?",
    least: "number?",
    most: "number?",
    after: "cursor?",
  },
  sitesById: { ids: "texts" },
  siteCalled: { name: "text" },
  grounds: { site: "text?", name: "text", areaM2: "number", called: "text?", gate: "text?", map: "shape?" },
  areasBefore: { zone: "text" },
  standings: {},
  inForce: { rig: "text", person: "text?", site: "text?" },
  calibration: { id: "text" },
  story: { rig: "text", person: "text?", site: "text?", after: "cursor?" },
  crew: { rig: "text" },
  series: { calibration: "text" },
  loads: { calibration: "text" },
  openSheets: { after: "cursor?" },
  sheet: { id: "text" },
  spreadings: {},
  unaccounted: {},
  cleanOuts: { rig: "text" },
  lastMix: { rig: "text", tank: "text", except: "text?" },
  mixedBefore: { labels: "texts" },
  counted: { sites: "texts" },
  totals: {
    site: "text?",
    label: "text?",
    person: "text?",
    active: "text?",
    restricted: "yes?",
    rig: "text?",
    from: "text",
    to: "text",
  },
  log: {
    site: "text?",
    label: "text?",
    person: "text?",
    active: "text?",
    restricted: "yes?",
    rig: "text?",
    from: "text?",
    to: "text?",
    after: "cursor?",
  },
  looks: { site: "text?", after: "cursor?" },
  incidents: { site: "text?", from: "text?", to: "text?", after: "cursor?" },
  toJudge: { record: "text" },
  toLookAt: {},
  results: {},
  program: {},
  due: {},
  year: { next: "yes?" },
  yearOfSite: { site: "text", next: "yes?" },
  week: { from: "text" },
  shelf: { next: "yes?" },
  recall: { label: "text", lot: "text" },
  lots: { labels: "texts" },
  afterWork: {},
  practice: { person: "text" },
};

/** More than any screen asks for at once. */
const MOST = 200;
const isText = (value: unknown): value is string => typeof value === "string" && value.length <= 200;
/** The coarse shape of a zone: 48 points of three dozen letters. */
const MOST_SHAPE = 4000;
const isTexts = (value: unknown): value is Cursor => Array.isArray(value) && value.length <= MOST && value.every(isText);

const FITS: { readonly [P in Part]: (value: unknown) => boolean } = {
  text: isText,
  "text?": (value) => value === undefined || isText(value),
  texts: isTexts,
  "shape?": (value) => value === undefined || (typeof value === "string" && value.length <= MOST_SHAPE),
  "yes?": (value) => value === undefined || value === true,
  "cursor?": (value) => value === undefined || isTexts(value),
  number: Number.isFinite,
  "number?": (value) => value === undefined || Number.isFinite(value),
};

function isAsked<S extends SliceName>(
  slice: S,
  query: Readonly<Record<string, unknown>>,
): query is Slices[S]["query"] & typeof query {
  const parts = ASKED[slice];
  return (
    Object.keys(query).every((key) => Object.hasOwn(parts, key)) &&
    Object.entries(parts).every(([key, part]) => FITS[part](query[key]))
  );
}

/** What is looked for in the log, from outside; undefined where it is something else. */
export const logAsked = (query: Readonly<Record<string, unknown>>): LogAsked | undefined =>
  isAsked("log", query) && query.after === undefined ? query : undefined;

/**
 * Reads what stands at an address.
 * @returns undefined where there is no such slice, the query is another's, or what it names isn't on record
 */
export function readSlice(db: Records, path: string): Answer<SliceName> | undefined {
  const at = sliceAt(path);
  if (!at || !isAsked(at.slice, at.query)) return undefined;
  const aside: SetAside[] = [];
  const value = (READERS[at.slice] as Reader<SliceName>)(db, at.query as never, aside);
  if (value === undefined) return undefined;
  return { value, aside: [...new Map(aside.map((one) => [`${one.of} ${one.id}`, one])).values()] };
}

/** The kinds of record that the answer at an address is made of; undefined where there is no such slice. */
export const kindsAt = (path: string) => {
  const at = sliceAt(path);
  return at && MADE_OF[at.slice];
};
