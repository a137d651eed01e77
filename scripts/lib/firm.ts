import { entered } from "@/core/quantity/parse";
import { totalText } from "@/formats/card/choice";
import { readRate } from "@/formats/forms/rate";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { emptySession } from "@/formats/session";
import { addApplications, withdrawSheet, type NewApplication } from "@/records/applications";
import { whole, type Records } from "@/records/database";
import { putSetting } from "@/records/settings";
import { addSheet, findSheet } from "@/records/sheets";
import { holdClock, nowText } from "@/services/clock";
import { put, type KeptKind } from "@/services/keep-up";
import { saveCalibration } from "@/services/save-calibration";
import { saveQuickCheck } from "@/services/save-check";
import { saveProgram } from "@/services/program";
import { saveSheet } from "@/services/save-sheet";
import type { Result } from "@/core/issue";

/** A made-up firm, the same for the same size each time: to measure on. */
export interface FirmSize {
  readonly sites: number;
  readonly entries: number;
  readonly sheets: number;
  readonly people: number;
  readonly rigs: number;
}

/** A firm of many years, and one that has just begun. */
export const LARGE: FirmSize = { sites: 5000, entries: 50_000, sheets: 2000, people: 20, rigs: 30 };
export const SMALL: FirmSize = { sites: 20, entries: 100, sheets: 10, people: 3, rigs: 3 };

const ZONES = 3;
const YEARS = 5;
/** As many sheets are open at a time as a week leaves open. */
const OPEN = 12;

/** Numbers from 0 to 1, always the same ones (mulberry32). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const STREETS = ["Ferry", "Quay", "Harbour", "Slipway", "Chapel", "Rope", "Signal", "Lantern", "Tide", "Mooring"];
const KINDS = ["lawn", "green", "court", "terrace", "field", "yard", "bank", "garden"];
const LABELS = ["Quayrafen", "Mossferry", "Tollguard", "Tideline", "Anchorol", "Slipgrass", "Wherry", "Beaconex"];

/** The active of a made-up product, called after it. */
const activeOf = (product: string): string => product.toLowerCase().replace(/ .*/, "");

function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(JSON.stringify(result.issues));
  return result.value;
}

/** Fills empty records. @returns the ids that a measurement needs */
export function fillFirm(db: Records, size: FirmSize) {
  const random = seeded(20_261_126);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const pad = (n: number) => String(n).padStart(6, "0");
  const today = new Date();
  const daysAgo = (days: number) => new Date(today.getTime() - days * 86_400_000).toISOString();
  db.$client.pragma("synchronous = OFF");
  putSetting(db, "time-zone", "UTC", nowText());
  const keep = (kind: KeptKind, id: string, form: unknown) => must(put(db, kind, { id, form }));
  const many = (count: number, work: (i: number) => void) =>
    whole(db, () => {
      for (let i = 0; i < count; i++) work(i);
    });

  const labels = LABELS.map((name, i) => ({ id: `firm-label-${pad(i)}`, name: `${name} (demo label)`, dry: i % 2 === 0 }));
  for (const { id, name, dry } of labels)
    keep("labels", id, {
      name,
      form: dry ? "dry" : "liquid",
      actives: [{ name: activeOf(name), content: dry ? "25 %" : "2 lb/gal" }],
      rates: [{ rate: dry ? "0.2" : "0.4", to: dry ? "0.4" : "0.8" }],
      limits: [{ perYear: dry ? "3" : "6", yearKind: "calendar", intervalAtLeast: "14 days" }],
    });
  // Something without limits: as many sheets as are wanted can be planned of it.
  keep("labels", "firm-label-free", { name: "Water dye (demo label)", form: "dry", rates: [{ rate: "0.001" }] });
  many(size.people, (i) => keep("people", `firm-person-${pad(i)}`, { name: `Hand ${i + 1}` }));
  many(size.rigs, (i) =>
    keep("rigs", `firm-rig-${pad(i)}`, {
      ...rigFormOf(),
      name: `Backpack ${i + 1}`,
      tipSize: "025",
      pressure: "40",
      tanks: [{ name: "main", usable: "4", leastMix: "0.5 gal" }],
      vessels: [{ name: "jug", graduation: "1 fl oz", capacity: "64 fl oz" }],
      scales: [{ name: "scale", step: "0.01 oz", capacity: "20 oz" }],
    }),
  );
  const siteName = (i: number) => `${STREETS[i % 10]} ${KINDS[Math.floor(i / 10) % 8]} ${i + 1}`;
  many(size.sites, (i) =>
    keep("sites", `firm-site-${pad(i)}`, {
      name: siteName(i),
      zones: Array.from({ length: ZONES }, (_, z) => ({
        name: `zone ${z + 1}`,
        area: String(900 + Math.floor(random() * 9000)),
      })),
    }),
  );

  // Each rig is sprayed with by a few people, who calibrate it every other month.
  const hands = Array.from({ length: size.rigs }, (_, r) =>
    [0, 1].map((h) => ({ rigId: `firm-rig-${pad(r)}`, personId: `firm-person-${pad((r + h * 7) % size.people)}` })),
  ).flat();
  many(hands.length, (h) => {
    const { rigId, personId } = hands[h]!;
    for (let month = YEARS * 12 - 2; month >= 0; month -= 2) {
      const id = `firm-calibration-${pad(h)}-${pad(month)}`;
      const walks = [0, 1, 2].map(() => ({ time: `${(61 + random() * 2).toFixed(2)} s` }));
      const catches = [{ volume: "33", time: "62 s" }];
      const begun = emptySession(id, { rigId, personId, outlets: 1, method: "area-catch" });
      must(saveCalibration(db, { session: { ...begun, area: "250 ft2", walks, catches }, madeAt: daysAgo(month * 30 + 3) }));
      const check = { calibrationId: id, personId, volume: "33", time: "62 s", madeAt: daysAgo(month * 30 + 1) };
      must(saveQuickCheck(db, { id: `firm-check-${pad(h)}-${pad(month)}`, ...check }));
    }
  });

  const rates = new Map(
    labels.map(({ id, dry }) => [
      id,
      must(readRate(dry ? "0.05 oz/1000 ft2" : "0.1 fl oz/1000 ft2", dry ? "dry" : "liquid", "")),
    ]),
  );
  const areas = new Map<string, string>(
    (db.$client.prepare("select id, area from zones").all() as { id: string; area: string }[]).map((z) => [z.id, z.area]),
  );
  const entries = Array.from({ length: size.entries }, (_, i): NewApplication => {
    const site = Math.floor(random() * size.sites);
    const zone = Math.floor(random() * ZONES);
    const label = pick(labels);
    const rate = rates.get(label.id)!;
    const zoneId = `firm-site-${pad(site)}.${zone}`;
    const area = entered(areas.get(zoneId)!, "area");
    return {
      id: `firm-entry-${pad(i)}`,
      // None of the last weeks: there is room for a plan.
      date: daysAgo(20 + Math.floor((i / size.entries) * (YEARS * 365 - 20))).slice(0, 10),
      siteId: `firm-site-${pad(site)}`,
      zoneId,
      zone: `zone ${zone + 1}`,
      area,
      covered: area,
      product: label.name,
      labelId: label.id,
      rate: rate.text,
      total: totalText(rate, area.value),
      actives: [{ name: activeOf(label.name), content: label.dry ? "25 %" : "2 lb/gal" }],
      gravity: null,
      personId: `firm-person-${pad(i % size.people)}`,
      source: "file",
      sheetId: null,
      note: null,
      why: null,
      alsoOn: null,
      corrects: null,
      isVoid: false,
      // One product in eight is for restricted use.
      facts: {
        registration: `DEMO-${label.id.slice(-3)}`,
        turf: "ryegrass",
        started: "07:40",
        wind: "4 mph",
        ...(label === labels[0] && { restricted: "yes" as const, certificate: "FT-1042" }),
      },
    };
  });
  whole(db, (tx) => addApplications(tx, entries, daysAgo(19)));

  // A sheet of each hand is worked out; the rest are like them, for other sites.
  const mixed = (i: number, more: object = {}) => {
    const hand = hands[i % hands.length]!;
    return {
      id: `firm-sheet-${pad(i)}`,
      stops: [{ siteId: `firm-site-${pad((i * 37) % size.sites)}` }],
      ...hand,
      calibrationId: `firm-calibration-${pad(i % hands.length)}-${pad(0)}`,
      dayId: null,
      tank: "",
      loads: "full-then-part",
      run: false,
      overage: "",
      mixedFor: "",
      products: [{ labelId: labels[i % labels.length]!.id, rate: labels[i % labels.length]!.dry ? "0.2" : "0.4" }],
      ...more,
    };
  };
  const worked = Math.min(OPEN, size.sheets);
  for (let i = 0; i < worked; i++) must(saveSheet(db, mixed(i)));
  const models = Array.from({ length: worked }, (_, i) => findSheet(db, `firm-sheet-${pad(i)}`)!);
  many(size.sheets - worked, (k) => {
    const i = worked + k;
    const model = models[i % worked]!;
    const siteId = `firm-site-${pad((i * 37) % size.sites)}`;
    const at = daysAgo(5 + Math.floor((k / size.sheets) * YEARS * 365));
    const sites = [
      {
        id: siteId,
        name: siteName((i * 37) % size.sites),
        zones: Array.from({ length: ZONES }, (_, z) => ({
          name: `zone ${z + 1}`,
          id: `${siteId}.${z}`,
          area: areas.get(`${siteId}.${z}`)!,
        })),
      },
    ];
    addSheet(
      db,
      { ...model, id: `firm-sheet-${pad(i)}`, madeAt: at, siteId, job: { ...model.job, sites, date: at.slice(0, 10) } },
      [siteId],
      at,
    );
    withdrawSheet(db, `firm-sheet-${pad(i)}`, null, at);
  });
  holdClock(undefined);
  // Eight rounds a year, windows that overlap, as much a day as half a year of weekdays takes.
  const rounds = Array.from({ length: 8 }, (_, i) => {
    const { id: label, dry } = labels[i % 4]!;
    const month = (n: number) => String(n).padStart(2, "0");
    const rate = dry ? "0.2 oz/1000 ft2" : "0.4 fl oz/1000 ft2";
    return { name: `round ${i + 1}`, label, rate, opens: { date: `${month(i + 1)}-01` }, closes: { date: `${month(i + 5)}-28` } };
  });
  const perDay = `${Math.ceil((size.sites * ZONES * 5400 * 8) / 130)} ft2`;
  must(saveProgram(db, { rounds, soil: [], work: { perDay } }));
  db.$client.pragma("synchronous = FULL");
  return {
    hand: { rigId: hands[0]!.rigId, personId: hands[0]!.personId, siteId: `firm-site-${pad(size.sites - 1)}` },
    calibrationId: `firm-calibration-${pad(0)}-${pad(0)}`,
    labelId: labels[0]!.id,
    freeLabelId: "firm-label-free",
    sheetId: `firm-sheet-${pad(0)}`,
    siteName: siteName(size.sites - 1),
  };
}
export type Firm = ReturnType<typeof fillFirm>;
