import { measuredOnce } from "@/core/calibration/calibrate";
import type { Result } from "@/core/log/results";
import type { ProgramText } from "@/formats/season/program";
import { ChakraProvider } from "@chakra-ui/react";
import { render } from "@testing-library/react";
import type { ReactElement } from "react";
import { SWRConfig } from "swr";
import type { CheckPoint } from "@/core/calibration/quick-check";
import type { Form } from "@/core/labels/label-rate";
import { canonical } from "@/core/quantity/arithmetic";
import type {
  AfterEntry,
  ApplicationEntry,
  AsideEntry,
  CalibrationEntry,
  CalibrationLook,
  CheckEntry,
  CountedEntry,
  FirmEntry,
  InForce,
  KitCheckEntry,
  LabelEntry,
  DueLook,
  LastMix,
  LoadsEntry,
  LotEntry,
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
  DueEntry,
  StandingEntry,
  StockEntry,
  TipEntry,
  TotalEntry,
  WeekEntry,
  YearEntry,
  YearOfSiteEntry,
} from "@/formats/entries";
import type { CardText } from "@/formats/card/card";
import { sliceAt, type Answer, type Cursor, type Page, type SliceName, type Slices } from "@/formats/slices";
import { checkDue, judge, thatCounts } from "@/formats/standing";
import { dayNow, setFirmZone } from "../data/clock";
import { system } from "../theme/system";

/** For tests: an element in the app's theme. */
export const show = (element: ReactElement) => render(<ChakraProvider value={system}>{element}</ChakraProvider>);

/** Records for a test: what the server would have, in as far as a test needs it. */
export interface TestRecords {
  readonly firm: FirmEntry;
  readonly aside: readonly AsideEntry[];
  readonly people: readonly PersonEntry[];
  readonly rigs: readonly RigEntry[];
  readonly tips: readonly TipEntry[];
  readonly labels: readonly LabelEntry[];
  readonly sites: readonly SiteEntry[];
  /** Newest first. */
  readonly calibrations: readonly CalibrationEntry[];
  readonly checks: readonly CheckEntry[];
  readonly loads: readonly LoadsEntry[];
  readonly totals: readonly TotalEntry[];
  readonly cleanOuts: readonly RinseEntry[];
  readonly kitChecks: readonly KitCheckEntry[];
  readonly openSheets: readonly SheetEntry[];
  readonly sheets: readonly Sheet[];
  readonly spreadings: readonly SpreadingEntry[];
  readonly stock: readonly StockEntry[];
  readonly counted: readonly CountedEntry[];
  readonly log: readonly ApplicationEntry[];
  readonly toLookAt: readonly DueLook[];
  readonly results: readonly Result[];
  readonly program: ProgramText;
  readonly due: DueEntry;
  readonly year: YearEntry;
  readonly yearOfSite: YearOfSiteEntry;
  readonly week: WeekEntry;
  readonly shelf: ShelfEntry;
  readonly recall: RecallEntry;
  readonly lots: readonly LotEntry[];
  readonly afterWork: readonly AfterEntry[];
  readonly practice: readonly PracticeEntry[];
  readonly lastMix: LastMix | null;
  readonly mixedBefore: boolean;
  /** The series of quick checks of what counts. */
  readonly points: readonly CheckPoint[];
}

const NOTHING: TestRecords = {
  firm: { zone: "UTC", settled: true, today: "1970-01-01", currency: "USD", rules: [], before: { soil: null, highs: [] } },
  aside: [],
  people: [],
  rigs: [],
  tips: [],
  labels: [],
  sites: [],
  calibrations: [],
  checks: [],
  loads: [],
  totals: [],
  cleanOuts: [],
  kitChecks: [],
  openSheets: [],
  sheets: [],
  spreadings: [],
  stock: [],
  counted: [],
  log: [],
  toLookAt: [],
  results: [],
  program: { rounds: [], soil: [] },
  due: { date: "2026-09-02", rounds: [], items: [], more: 0, unclear: [] },
  year: { date: "2026-09-02", sites: 0, rounds: [], perDay: null, undo: null },
  yearOfSite: { date: "2026-09-02", items: [], budgets: [], undo: null },
  week: {
    today: "2026-09-02",
    perDay: null,
    days: [31, 1, 2, 3, 4, 5, 6].map((day) => ({
      date: day === 31 ? "2026-08-31" : `2026-09-0${day}`,
      works: true,
      area: 0,
      items: [],
      more: 0,
      load: [],
    })),
    undo: null,
  },
  shelf: { today: "2026-09-02", soonUntil: "2026-09-16", products: [] },
  recall: { lot: "", known: false, surely: [], perhaps: [] },
  lots: [],
  afterWork: [],
  practice: [],
  lastMix: null,
  mixedBefore: false,
  points: [],
};

const page = <T,>(rows: readonly T[]): Page<T> => ({ rows, next: null });

const A_PAGE = 50;

/** Sites as the server searches and pages them. */
function sitesPage(
  sites: readonly SiteEntry[],
  { search = "", retired = false, after }: Slices["sites"]["query"],
): Page<SiteEntry> {
  const words = search.toLowerCase().split(" ").filter(Boolean);
  const fits = ({ site }: SiteEntry) =>
    words.every((word) =>
      site.name
        .toLowerCase()
        .split(" ")
        .some((own) => own.startsWith(word)),
    );
  const found = sites.filter((s) => s.retired === retired && fits(s) && (after === undefined || s.site.name > after[0]!));
  const rows = found.slice(0, A_PAGE);
  return { rows, next: found.length > A_PAGE ? [rows.at(-1)!.site.name] : null };
}

/** What a server with these records would answer. */
function answerOf(of: TestRecords, path: string): Answer<SliceName> | undefined {
  const at = sliceAt(path);
  if (!at) return undefined;
  const query = at.query as {
    id?: string;
    ids?: string[];
    rig?: string;
    person?: string;
    site?: string;
    search?: string;
    retired?: boolean;
    after?: Cursor;
  };
  const made = of.calibrations.filter((c) => c.rigId === query.rig && (!query.person || c.personId === query.person));
  const inForce = (rig: RigEntry | undefined, list: readonly CalibrationEntry[]): InForce | null => {
    if (!rig) return null;
    const checkOf = (c: CalibrationEntry) => of.checks.find((check) => check.calibrationId === c.id);
    const one = thatCounts(list.map((entry) => judge(rig.rig, entry, checkOf(entry), dayNow())));
    return one ? { entry: one.entry, check: one.check ?? null } : null;
  };
  const look = (): CalibrationLook | null => {
    const entry = of.calibrations.find((c) => c.id === query.id);
    const own = of.calibrations.filter((c) => c.rigId === entry?.rigId && c.personId === entry.personId);
    const rig = of.rigs.find((r) => r.id === entry?.rigId);
    return entry ? { entry, before: null, inForce: inForce(rig, own), tap: null } : null;
  };
  const standings = (): StandingEntry[] =>
    of.rigs.flatMap((rig) => {
      const own = of.calibrations.filter((c) => c.rigId === rig.id);
      return [...new Set(own.map((c) => c.personId))].flatMap((personId) => {
        const counts = inForce(
          rig,
          own.filter((c) => c.personId === personId),
        );
        if (!counts) return [];
        const one = judge(rig.rig, counts.entry, counts.check ?? undefined, dayNow());
        const { id: calibrationId, siteId, madeAt } = one.entry;
        const sprayVolume = canonical(one.made.sprayVolume.value);
        const { standing, unsure, estimate } = one;
        const relative = one.made.uncertainty?.relative ?? null;
        const due = checkDue(one, dayNow());
        return [
          {
            rigId: rig.id,
            personId,
            siteId,
            tap: of.sites.find((s) => s.id === siteId)?.site.name ?? null,
            calibrationId,
            madeAt,
            sprayVolume,
            relative,
            standing,
            unsure,
            estimate,
            once: measuredOnce(one.made),
            checkDue: due,
            leans: null,
          },
        ];
      });
    });
  const values: { readonly [S in SliceName]: () => Slices[S]["value"] } = {
    firm: () => of.firm,
    people: () => of.people,
    rigs: () => of.rigs,
    tips: () => of.tips,
    labels: () => of.labels,
    stock: () => of.stock,
    proofs: () => of.kitChecks.filter((c) => c.rigId === query.rig),
    sites: () => sitesPage(of.sites, query),
    sitesFound: () => sitesPage(of.sites, query),
    sitesById: () => of.sites.filter((s) => query.ids!.includes(s.id)),
    siteCalled: () => null,
    grounds: () => [],
    areasBefore: () => [],
    standings,
    inForce: () =>
      inForce(
        of.rigs.find((r) => r.id === query.rig),
        made,
      ),
    calibration: look,
    story: () => page(made),
    crew: () =>
      of.people.flatMap((person) => {
        const own = made.filter((c) => c.personId === person.id);
        const counts = inForce(
          of.rigs.find((r) => r.id === query.rig),
          own,
        );
        return counts ? [{ personId: person.id, ...counts, record: [...own].reverse() }] : [];
      }),
    loads: () => of.loads,
    totals: () => of.totals,
    cleanOuts: () => of.cleanOuts,
    series: () => ({ points: of.points, checks: of.checks }),
    openSheets: () => page(of.openSheets),
    sheet: () => of.sheets.find((s) => s.id === query.id)!,
    spreadings: () => of.spreadings,
    unaccounted: () => [],
    lastMix: () => of.lastMix,
    mixedBefore: () => of.mixedBefore,
    counted: () => of.counted,
    log: () => page(of.log),
    looks: () => page([]),
    incidents: () => page([]),
    toJudge: () => null,
    toLookAt: () => of.toLookAt,
    results: () => of.results,
    program: () => of.program,
    due: () => of.due,
    year: () => of.year,
    yearOfSite: () => of.yearOfSite,
    week: () => of.week,
    shelf: () => of.shelf,
    recall: () => of.recall,
    lots: () => of.lots,
    afterWork: () => of.afterWork,
    practice: () => of.practice,
  };
  return { value: values[at.slice](), aside: of.aside };
}

/** An element in the app's theme with records to read, which the server would have given. */
export function showWith(records: Partial<TestRecords>, element: ReactElement) {
  const of = { ...NOTHING, ...records };
  setFirmZone(of.firm.zone);
  const answers = new Map<string, Answer<SliceName> | undefined>();
  const fallback = new Proxy(
    {},
    {
      get: (_, key) => {
        const path = String(key);
        if (!answers.has(path)) answers.set(path, answerOf(of, path));
        return answers.get(path);
      },
    },
  );
  return show(
    <SWRConfig
      value={(parent) => ({ ...parent, provider: () => new Map(), fallback, revalidateOnMount: false, revalidateIfStale: false })}
    >
      {element}
    </SWRConfig>,
  );
}

export const RIG = {
  id: "rig-1",
  retired: false,
  rig: {
    name: "Blue backpack",
    kind: "backpack",
    tanks: [{ name: "main", usable: "4 gal", leastMix: "0.5 gal" }],
    outlets: { count: 1 },
    tip: { size: "025", pressure: "40 psi" },
  },
} as const;
export const PERSON = { id: "person-1", retired: false, name: "Odile Marsh" };

/** A calibration of 1 gal per 1,000 sq ft on record, made on a day. */
export const calibrationOn = (madeAt: string, more: object = {}) => ({
  id: `calibration-${madeAt}`,
  rigId: RIG.id,
  personId: PERSON.id,
  siteId: null,
  method: "area-catch" as const,
  lever: null,
  leverSetTo: null,
  follows: null,
  madeAt,
  ground: "turf" as const,
  rig: RIG.rig,
  calibration: {
    pace: { kind: "timed-area" as const, area: "250 ft2", times: ["61 s", "63 s", "62 s"] },
    flow: {
      kind: "timed-catch" as const,
      catches: [
        { volume: "32 fl oz", time: "62 s" },
        { volume: "32 fl oz", time: "62 s" },
      ],
    },
  },
  struck: [],
  ...more,
});

/** A label on the shelf that says no more than its rate. */
export const labelEntry = (id: string, name: string, form: Form, rate: string, more: Partial<CardText> = {}): LabelEntry => ({
  id,
  retired: false,
  card: { name, form, actives: [], gear: [], packages: [], rates: [{ rate }], limits: [], ...more },
});
