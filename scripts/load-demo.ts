import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { lineFor, type Result } from "@/core/issue";
import { rateAt, rowName } from "@/formats/card/choice";
import { dayIn } from "@/formats/day";
import { personFormOf } from "@/formats/forms/person";
import { tipFormOf } from "@/formats/forms/tip-form-of";
import type { JobFile } from "@/formats/job-file/types";
import type { LookText } from "@/formats/looks";
import type { PaperText } from "@/formats/papers";
import type { TipText } from "@/formats/rig-setup";
import { closeRecords, records } from "@/records/database";
import { putSetting } from "@/records/settings";
import { importCards } from "@/services/import-cards";
import { importLog } from "@/services/import-log";
import { importJob } from "@/services/import-job";
import { put } from "@/services/keep-up";
import { readAll } from "@/services/read-all";
import { saveKitCheck, saveQuickCheck } from "@/services/save-check";
import { gearOf } from "@/formats/gear";
import { findSheet } from "@/records/sheets";
import { soilBetween } from "@/standins/soil";
import { saveNumbers } from "@/services/firm-numbers";
import { holdClock, machineZone } from "@/services/clock";
import { saveApplication } from "@/services/save-application";
import { saveProgram } from "@/services/program";
import { saveDelivery } from "@/services/shelf";
import { saveLook } from "@/services/save-look";
import { savePractice } from "@/services/save-practice";
import { saveSheet } from "@/services/save-sheet";
import { tickStep } from "@/services/tick-step";
import { yearNow } from "@/services/year";
import { zonesFor } from "@/core/season/year";

/**
 * Loads the demo through the same doors as anyone's data: job files through the import, mix sheets through the service.
 * All dates are moved by whole days so that the newest reading was taken yesterday: a season that ends today.
 */
const FOLDER = "demo";
type RecordedJob = JobFile & { readonly calibration: { readonly record: { readonly madeAt: string } } };
const DAY = 86_400_000;

function must<T>(result: Result<T>, what: string): T {
  if (!result.ok) throw new Error(`${what}:\n${result.issues.map(lineFor).join("\n")}`);
  return result.value;
}

const files = readdirSync(FOLDER, { recursive: true, encoding: "utf8" })
  .filter((f) => f.endsWith(".job.json"))
  .sort()
  .map((f) => ({
    name: f,
    job: JSON.parse(readFileSync(path.join(FOLDER, f), "utf8")) as RecordedJob,
  }));
const newest = Math.max(...files.map((f) => dayIn(f.job.calibration.record.madeAt, "UTC")));
const shift = (dayIn(new Date().toISOString(), "UTC") - 1 - newest) * DAY;
const madeAt = (job: RecordedJob, at: string): RecordedJob => ({
  ...job,
  calibration: { ...job.calibration, record: { ...job.calibration.record, madeAt: at } },
});
const inDays = (days: number) => new Date(Date.now() + days * DAY).toISOString().slice(0, 10);
const moved = (moment: string) => new Date(Date.parse(moment) + shift).toISOString();

interface More {
  readonly tips: readonly TipText[];
  readonly quickChecks: readonly { rig: string; person: string; madeAt: string; volume: string; time: string }[];
  readonly kitProofs: readonly { rig: string; of: string; tool: string; madeAt: string; known: string; shown: string }[];
}
const more = JSON.parse(readFileSync(path.join(FOLDER, "tips-and-checks.json"), "utf8")) as More;

const db = records();
putSetting(db, "time-zone", machineZone(), new Date().toISOString());
more.tips.forEach((tip, i) => must(put(db, "tips", { id: `demo-tip-00${i}`, form: tipFormOf(tip) }), tip.name));
must(importCards(db, readFileSync(path.join(FOLDER, "labels.json"), "utf8")), "labels.json");
for (const { name, job } of files)
  must(importJob(db, JSON.stringify(madeAt(job, moved(job.calibration.record.madeAt))), {}), name);

interface DemoSheet {
  readonly id: string;
  readonly sites: readonly string[];
  readonly rig: string;
  readonly person: string;
  readonly madeAt: string;
  readonly tank?: string;
  readonly run?: boolean;
  readonly loads: string;
  readonly products: readonly string[];
  readonly ticked: readonly string[];
}
const found = readAll(db);
const rigOf = (name: string) => found.rigs.find((r) => r.rig.name === name)!.id;
more.quickChecks.forEach((check, i) => {
  const personId = found.people.find((p) => p.name === check.person)!.id;
  const madeAt = moved(check.madeAt);
  // Each is held against the calibration that was the newest on its day.
  const against = found.calibrations.find((c) => c.rigId === rigOf(check.rig) && c.personId === personId && c.madeAt < madeAt)!;
  const { volume, time } = check;
  must(
    saveQuickCheck(db, { id: `demo-check-${i + 100}`, calibrationId: against.id, personId, madeAt, volume, time }),
    check.madeAt,
  );
});
more.kitProofs.forEach(({ rig, madeAt, ...proof }, i) =>
  must(saveKitCheck(db, { id: `demo-proof-${i + 100}`, rigId: rigOf(rig), madeAt: moved(madeAt), ...proof }), proof.tool),
);
must(
  saveNumbers(db, {
    emergency: "000 555 0100",
    poison: "000 555 0142, Ferry infirmary",
    vet: "000 555 0107",
    office: "000 555 0180",
  }),
  "numbers",
);
// Papers, of which one ends within sixty days.
const PAPERS: Record<string, readonly PaperText[]> = {
  "Odile Marsh": [
    { kind: "certificate", number: "FT-0871", where: "Ferry county", categories: "core, turf and ornamental", ends: inDays(410) },
    { kind: "respirator fit", ends: inDays(160) },
  ],
  "Bram Tolliver": [
    { kind: "certificate", number: "FT-1042", where: "Ferry county", categories: "core, turf and ornamental", ends: inDays(38) },
    { kind: "pesticide liability", number: "DEMO-77", ends: inDays(200) },
  ],
};
for (const [name, papers] of Object.entries(PAPERS)) {
  const { id } = readAll(db).people.find((person) => person.name === name)!;
  must(put(db, "people", { id, form: personFormOf({ name, papers }) }), `papers of ${name}`);
}
const log = readFileSync(path.join(FOLDER, "log.csv"), "utf8").replace(/^\d{4}-\d\d-\d\d/gm, (date) => moved(date).slice(0, 10));
must(importLog(db, log), "log.csv");
interface DemoLook {
  readonly kind: string;
  readonly site: string;
  readonly zone: string;
  /** Of an inspection: what is judged. */
  readonly product?: string;
  readonly date: string;
  readonly person: string;
  readonly says: LookText;
}
const logged = readAll(db);
(JSON.parse(readFileSync(path.join(FOLDER, "looks.json"), "utf8")) as DemoLook[]).forEach((look, i) => {
  const site = logged.sites.find((s) => s.site.name === look.site)!;
  const zoneId = site.site.zones.find((z) => z.name === look.zone)!.id;
  const recordId = logged.applications.find((a) => a.zoneId === zoneId && a.product === look.product)?.id;
  const personId = logged.people.find((p) => p.name === look.person)!.id;
  const at = recordId === undefined ? { siteId: site.id, zoneId } : { recordId };
  const { kind, date } = look;
  const { followUp } = look.says;
  const says = { ...look.says, ...(followUp && { followUp: moved(followUp).slice(0, 10) }) };
  must(saveLook(db, { id: `demo-look-0${i}`, kind, ...at, date: moved(date).slice(0, 10), personId, says }), look.site);
});
interface DemoEdge {
  readonly date?: string;
  /** So many days from today, within the year. */
  readonly inDays?: number;
  readonly soilFallsTo?: string;
}
interface DemoProgram {
  readonly rounds: readonly {
    readonly name: string;
    readonly product: string;
    readonly opens?: DemoEdge;
    readonly closes?: DemoEdge;
  }[];
  readonly work: object;
}
const program = JSON.parse(readFileSync(path.join(FOLDER, "program.json"), "utf8")) as DemoProgram;
const thisYear = inDays(0).slice(0, 4);
const edgeNow = ({ inDays: days, ...edge }: DemoEdge) => {
  if (days === undefined) return edge;
  const day = inDays(days);
  return { date: day.startsWith(thisYear) ? day.slice(5) : days < 0 ? "01-01" : "12-31" };
};
must(
  saveProgram(db, {
    rounds: program.rounds.map(({ product, opens, closes, ...round }) => ({
      ...round,
      label: logged.labels.find((one) => one.card.name === product)!.id,
      ...(opens && { opens: edgeNow(opens) }),
      ...(closes && { closes: edgeNow(closes) }),
    })),
    // This year runs nine days behind the last.
    soil: soilBetween(`${Number(thisYear) - 1}-01-01`, inDays(-1), (year) => (String(year) === thisYear ? 9 : 0)),
    work: program.work,
  }),
  "program.json",
);
/** What is laid out is done so many days afterwards, so that today has its work. */
const DONE_BY = 8;

/** Until then the firm did each round on the day that it was laid out for, one after another, as it would have come to them. */
function lookAfter(personId: string): void {
  const until = inDays(-DONE_BY);
  const ofToday = new Set(program.rounds.flatMap(({ name, opens }) => (opens?.inDays === undefined ? [] : [name])));
  holdClock(`${thisYear}-01-02T12:00:00.000Z`);
  for (let n = 0; ; n++) {
    const { year, asked, sites, program: kept } = yearNow(db);
    const [next] = year.items
      .filter(
        ({ state, on, round }) => state === "planned" && on !== null && on <= until && !ofToday.has(asked.rounds[round]!.name),
      )
      .sort((a, b) => a.on!.localeCompare(b.on!));
    if (!next) break;
    holdClock(`${next.on}T15:00:00.000Z`);
    const [site, round] = [asked.sites[next.site]!, asked.rounds[next.round]!];
    const { id: siteId, seeds } = sites[next.site]!;
    const { label: labelId, rate: amount } = kept.rounds[next.round]!;
    const zones = zonesFor(site, round);
    seeds.forEach(({ zoneId }, i) => {
      if (!zones.includes(site.zones[i]!)) return;
      const record = {
        id: `demo-round-${n}-${i}`,
        date: next.on,
        siteId,
        zoneId,
        labelId,
        amount,
        personId,
        note: "",
        corrects: null,
      };
      must(saveApplication(db, record), `${round.name} on ${site.name}`);
    });
  }
  holdClock(undefined);
}
lookAfter(logged.people.find((one) => one.name === "Odile Marsh")!.id);

interface DemoDelivery {
  readonly product: string;
  readonly lot: string;
  readonly content: string;
  readonly count: number;
  readonly price: string;
  /** So many days from today. */
  readonly inDays: number;
  readonly openedInDays?: number;
  readonly useByInDays?: number;
}
(JSON.parse(readFileSync(path.join(FOLDER, "shelf.json"), "utf8")) as DemoDelivery[]).forEach(
  ({ product, inDays: came, openedInDays: opened, useByInDays: useBy, ...rest }, i) => {
    const labelId = logged.labels.find((one) => one.card.name === product)!.id;
    const day = (from: number | undefined) => (from === undefined ? null : inDays(from));
    const dates = { came: inDays(came), opened: day(opened), useBy: day(useBy) };
    must(saveDelivery(db, { id: `demo-delivery-0${i}`, labelId, corrects: null, ...rest, ...dates }), "shelf.json");
  },
);
const sheets = JSON.parse(readFileSync(path.join(FOLDER, "sheets.json"), "utf8")) as DemoSheet[];
const book = readAll(db);
for (const sheet of sheets) {
  const rig = book.rigs.find((r) => r.rig.name === sheet.rig)!;
  const person = book.people.find((p) => p.name === sheet.person)!;
  const products = sheet.products
    .map((name) => book.labels.find((l) => l.card.name === name)!)
    .map((l) => {
      const choice = { row: 0, from: rowName(l.card, 0), point: "least" } as const;
      return { labelId: l.id, rate: rateAt(l.card, choice.row, choice.point, false), choice };
    });
  const request = {
    id: sheet.id,
    stops: sheet.sites.map((name) => ({ siteId: book.sites.find((s) => s.site.name === name)!.id })),
    rigId: rig.id,
    personId: person.id,
    calibrationId: book.calibrations.find((c) => c.rigId === rig.id && (c.personId === null || c.personId === person.id))!.id,
    dayId: null,
    tank: sheet.tank ?? "",
    loads: sheet.loads,
    run: sheet.run ?? false,
    overage: "",
    mixedFor: "",
    products,
  };
  // A sheet is made when the server says so: the clock is held at the moment of the demo's.
  holdClock(moved(sheet.madeAt));
  must(saveSheet(db, request), `sheet for ${sheet.sites.join(", ")}`);
  for (const step of [
    ...(sheet.ticked.length > 0 ? gearOf(findSheet(db, sheet.id)!.job.products!).map((g) => g.key) : []),
    ...sheet.ticked,
  ])
    must(tickStep(db, sheet.id, { step, done: true }), step);
}
// Some weeks of practice: one who holds a pace on turf, one who lost it.
const WALKS: readonly (readonly [person: string, daysAgo: number, times: readonly number[]])[] = [
  ["Odile Marsh", 40, [11.2, 10.6, 10.4]],
  ["Odile Marsh", 33, [10.2, 10.1, 10.3]],
  ["Odile Marsh", 19, [10.1, 9.9, 10.2]],
  ["Odile Marsh", 5, [10.1, 10.2, 10.0]],
  ["Bram Tolliver", 30, [9.8, 10.1, 10.0]],
  ["Bram Tolliver", 8, [9.1, 8.9, 9.3]],
];
for (const [i, [name, days, times]] of WALKS.entries()) {
  holdClock(`${inDays(-days)}T09:30:00.000Z`);
  const walks = times.map((time) => ({ time: `${time.toFixed(1)} s`, beat: false }));
  const what = { kind: "pace", course: "44 ft", wanted: "10 s", walks };
  const personId = book.people.find((p) => p.name === name)!.id;
  must(savePractice(db, { id: `demo-walks-${i}`, personId, ground: "turf", what }), `walks of ${name}`);
}
console.error(
  `Demo records: ${book.rigs.length} rigs, ${book.people.length} people, ${book.sites.length} sites, ${book.labels.length} labels, ${book.applications.length} applications, ${book.calibrations.length} calibrations.`,
);
closeRecords(db);
