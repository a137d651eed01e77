import fc from "fast-check";
import type { Result } from "@/core/issue";
import { endsOfSheet } from "@/records/load-ends";
import type { Records } from "@/records/database";
import { holdClock } from "../clock";
import { put, retire } from "../keep-up";
import { accountFor } from "../ledger";
import { mergeSites } from "../merge-sites";
import { recordSheet } from "../record-sheet";
import { saveApplication, voidApplication } from "../save-application";
import { saveCalibration } from "../save-calibration";
import { saveSheet } from "../save-sheet";
import { saveWeather } from "../save-weather";
import { recordSpread, saveSpread, tickSpread } from "../spread";
import { tickStep } from "../tick-step";
import { withdraw } from "../withdraw";
import { gearOn, ids, LABEL, must, RIG, session, sheet } from "./town";

/**
 * Random histories of one lawn, played through the doors beside a naive book that is kept by hand: what is planned, in a tank,
 * down or lost, each with its day and its rate. Whatever the doors answer, the book says whether a container that opened should
 * have.
 */

const GAL = 3785.411784;
const HOUR = 3_600_000;

/** A line of the book: what a sheet, granules or a record put on the lawn, as its rate, oz for 1,000 sq ft. */
interface Line {
  readonly id: string;
  rate: number;
  days: string[];
  is: "planned" | "poured" | "down" | "lost" | "gone";
  readonly kind: "sheet" | "spread" | "hand";
  /** The last record of it, and the calibration that it was mixed by. */
  record: string;
  readonly calibration: string;
  readonly area: number;
  readonly perThousand: number;
  /** The lawn that it was put on record for: another one, where that was merged into this. */
  readonly on: { readonly siteId: string; readonly zoneId: string };
}

export type Act =
  | { readonly what: "plan" | "book"; readonly rate: number; readonly again: boolean }
  | { readonly what: "open" | "close" | "withdraw" | "account" | "strike"; readonly n: number; readonly how: number }
  | { readonly what: "correct"; readonly n: number; readonly rate: number; readonly why: boolean }
  | { readonly what: "hand" | "merge"; readonly rate: number }
  | { readonly what: "card"; readonly once: number; readonly year: number }
  | { readonly what: "calibrate"; readonly ounces: number }
  | { readonly what: "look"; readonly mph: number }
  | { readonly what: "measure"; readonly area: number }
  | { readonly what: "retire"; readonly on: boolean }
  | { readonly what: "wait"; readonly hours: number };

const n = fc.nat(5);
const rate = fc.constantFrom(0.1, 0.2, 0.3, 0.4);
export const anAct: fc.Arbitrary<Act> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ what: fc.constantFrom("plan", "plan", "book"), rate, again: fc.boolean() }) },
  { weight: 6, arbitrary: fc.record({ what: fc.constant("open"), n, how: fc.nat(3) }) },
  { weight: 4, arbitrary: fc.record({ what: fc.constantFrom("close", "withdraw", "account", "strike"), n, how: fc.nat(3) }) },
  { weight: 2, arbitrary: fc.record({ what: fc.constant("correct"), n, rate, why: fc.boolean() }) },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("hand"), rate }) },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("merge"), rate: fc.constant(0.1) }) },
  {
    weight: 1,
    arbitrary: fc.record({
      what: fc.constant("card"),
      once: fc.constantFrom(0.3, 0.4, 0.5),
      year: fc.constantFrom(0.5, 0.8, 1.2),
    }),
  },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("calibrate"), ounces: fc.constantFrom(25, 33, 60) }) },
  { weight: 2, arbitrary: fc.record({ what: fc.constant("look"), mph: fc.constantFrom(3, 8, 12, 20) }) },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("measure"), area: fc.constantFrom(1000, 1000, 700) }) },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("retire"), on: fc.boolean() }) },
  { weight: 2, arbitrary: fc.record({ what: fc.constant("wait"), hours: fc.constantFrom(1, 5, 24, 24 * 40) }) },
) as fc.Arbitrary<Act>;

export interface Played {
  /** Containers that opened, and that were held. */
  opened: number;
  held: number;
  /** When it ended, milliseconds since 1970. */
  until: number;
}

/**
 * Plays one history on a lawn, with a rig and products of its own.
 * @param k its number, @param from when it begins: a clock that goes back is told, and releases nothing
 * @throws Error where the book says otherwise
 */
export function play(db: Records, k: number, acts: readonly Act[], from: number): Played {
  const own = String(k).padStart(8, "0");
  const [site, label, granule, rig] = [`site-h-${own}`, `label-h-${own}`, `label-g-${own}`, `rig-h-${own}`];
  const zone = `${site}.0`;
  let clock = from;
  let serial = 0;
  let area = 1000;
  let card = { once: 0.4, year: 0.8 };
  let retired = false;
  let windy = false;
  let inForce = "";
  let perThousand = 0;
  const played: Played = { opened: 0, held: 0, until: from };
  const lines: Line[] = [];
  const id = (what: string) => `${what}-${own}-${String(++serial).padStart(3, "0")}`;
  const tell = () => holdClock(new Date(clock).toISOString());
  const now = () => new Date(clock).toISOString();
  const today = () => now().slice(0, 10);
  const actives = [{ name: `active ${own}`, content: "40 %" }];
  const cards = () => {
    const rates = [{ rate: "0.1", to: "0.5" }];
    const limits = [{ perApplication: String(card.once), perYear: String(card.year) }];
    must(put(db, "labels", { id: label, form: { ...LABEL, name: `Product ${own}`, rates, actives, limits, packages: [] } }));
    must(put(db, "labels", { id: granule, form: { ...LABEL, name: `Prill ${own}`, formulation: "g", rates, actives, limits, packages: [] } })); // prettier-ignore
  };
  const ground = () => must(put(db, "sites", { id: site, form: { name: `Lawn ${own}`, zones: [{ ...(serial > 0 ? { id: zone } : { ground: "new" }), name: "lawn", area: String(area) }] } })); // prettier-ignore
  const calibrate = (ounces: number) => {
    inForce = id("calibration");
    must(saveCalibration(db, { session: session({ id: inForce, rigId: rig, catches: [{ volume: String(ounces), time: "62 s" }] }), madeAt: now() })); // prettier-ignore
    const row = db.$client.prepare("select spray_volume as q from calibrations where id = ?").get(inForce) as { q: number };
    perThousand = (row.q * 92.90304) / GAL;
  };
  tell();
  must(put(db, "rigs", { id: rig, form: { ...RIG, name: `Rig ${own}` } }));
  cards();
  ground();
  serial += 1;
  calibrate(33);

  /** What of the book is on the lawn, or may be: all but what is gone; without a line. */
  const counts = (but?: Line) => lines.filter((line) => line !== but && line.is !== "gone");
  const daysOf = (line: Line) =>
    line.is === "planned" || line.is === "poured" ? [line.days[0]! > today() ? line.days[0]! : today()] : line.days;
  /** Whether the book lets a container be opened for a line now. */
  const allowed = (line: Line): string[] => {
    const year = counts(line).filter((one) => daysOf(one).some((day) => day.slice(0, 4) === today().slice(0, 4)));
    const day = counts(line).filter((one) => daysOf(one).includes(today()));
    const sum = (of: readonly Line[]) => of.reduce((total, one) => total + one.rate, line.rate);
    return [
      sum(year) > card.year + 1e-9 && `${sum(year)} of ${card.year} in the year`,
      sum(day) > card.once + 1e-9 && `${sum(day)} of ${card.once} at once`,
      retired && "what is retired",
      windy && "against the wind",
      line.area !== area && "another area",
      line.kind === "sheet" && line.calibration !== inForce && "another calibration",
    ].filter((one) => one !== false);
  };
  const opened = (line: Line, result: Result<unknown>) => {
    if (!result.ok) return void (played.held += 1);
    played.opened += 1;
    const wrong = allowed(line);
    if (wrong.length > 0) throw new Error(`a container of ${line.id} opened: ${wrong.join(", ")}`);
    line.is = "poured";
  };
  const gear = (line: Line) => {
    if (line.kind === "sheet") gearOn(db, line.id);
    else
      for (const key of ["gear.long-sleeves-and-trousers", "gear.gloves", "gear.eye-protection", "gear.boots"])
        tickSpread(db, line.id, { step: key, done: true });
  };
  const open = (line: Line) => {
    try {
      gear(line);
    } catch {
      // Gear isn't ticked on what is stopped or held.
      return opened(line, { ok: false, issues: [] });
    }
    if (line.kind === "sheet") opened(line, tickStep(db, line.id, { step: "1.1.product-1", done: true }));
    else opened(line, tickSpread(db, line.id, { step: "bags.product-1", done: true }));
  };
  const down = (line: Line, at: number, record: string) => {
    line.is = "down";
    line.rate = at;
    line.days = [today()];
    line.record = record;
  };
  const close = (line: Line, how: number) => {
    const ended = { date: today() };
    if (line.kind === "spread") {
      if (recordSpread(db, line.id, { ...ended, all: true }).ok) {
        // Of what was never opened the judge was asked now; the weather is the hour's.
        const wrong = line.is === "planned" ? allowed(line).filter((one) => one !== "against the wind") : [];
        if (wrong.length > 0) throw new Error(`${line.id} was recorded: ${wrong.join(", ")}`);
        down(line, line.rate, `${line.id}.0.0.0`);
      }
      return;
    }
    const fill = line.perThousand * (line.area / 1000);
    const partly = how % 2 === 1;
    const covered = partly ? line.area / 2 : line.area;
    const left = partly ? fill / 2 : 0;
    const outcome = [{ site: `Lawn ${own}`, load: 1, left: `${left} gal`, covered: `${covered} ft2` }];
    const lost = how === 3;
    const rest = { what: lost ? "unaccounted" : "left", says: "in the tank by the slip" };
    const result = recordSheet(db, line.id, { ...ended, all: true, why: "as it was read", ...(partly && { outcome, rest }) });
    if (!result.ok) return;
    down(line, partly ? (line.rate * (fill - left)) / fill / (covered / line.area) : line.rate, `${line.id}.0.0`);
    if (partly && lost)
      lines.push({ ...line, id: `${line.id} lost`, is: "lost", rate: line.rate * (left / fill), days: [...line.days] });
  };
  const noteLine = (kind: Line["kind"], of: string, at: number, result: Result<unknown>, on = { siteId: site, zoneId: zone }) => {
    if (result.ok) lines.push({ id: of, rate: at, days: [today()], is: kind === "hand" ? "down" : "planned", kind, record: of, calibration: inForce, area, perThousand, on }); // prettier-ignore
  };
  /** A second site that turns out to be this lawn, with what went down there. */
  const merge = (at: number) => {
    const other = { siteId: id("site"), zoneId: "" };
    const on = { ...other, zoneId: `${other.siteId}.0` };
    const zones = [{ name: "lawn", area: String(area), ground: "new" }];
    must(put(db, "sites", { id: on.siteId, form: { name: `Other ${on.siteId}`, zones } }));
    const of = id("application");
    const entry = {
      id: of,
      date: today(),
      ...on,
      labelId: label,
      amount: `${at} oz/1000 ft2`,
      personId: null,
      note: "",
      corrects: null,
    };
    must(saveApplication(db, entry));
    noteLine("hand", of, at, mergeSites(db, { keep: site, other: on.siteId, zones: { [on.zoneId]: zone } }), on);
  };

  for (const act of acts) {
    clock += 60_000;
    tell();
    const pick = (is: readonly Line["is"][], kinds: readonly Line["kind"][] = ["sheet", "spread"]) => {
      const of = lines.filter((line) => is.includes(line.is) && kinds.includes(line.kind));
      return "n" in act && of.length > 0 ? of[act.n % of.length] : undefined;
    };
    if (act.what === "plan" || act.what === "book") {
      const choice = { row: 0, point: "typed", ...(act.again && { again: "another pass is wanted" }) };
      const products = [{ labelId: act.what === "plan" ? label : granule, rate: `${act.rate} oz/1000 ft2`, choice }];
      const of = id(act.what === "plan" ? "sheet" : "spreading");
      const stops = [{ siteId: site }];
      if (act.what === "plan")
        noteLine("sheet", of, act.rate, saveSheet(db, sheet({ id: of, rigId: rig, calibrationId: inForce, stops, products })));
      else noteLine("spread", of, act.rate, saveSpread(db, { id: of, personId: ids.people, stops, products }));
    } else if (act.what === "open") {
      const line = pick(["planned", "poured"]);
      if (line?.is === "planned") open(line);
    } else if (act.what === "close") {
      const line = pick(["planned", "poured"]);
      if (line) close(line, line.is === "poured" ? act.how : 0);
    } else if (act.what === "withdraw") {
      const line = pick(["planned", "poured"], ["sheet"]);
      const what = ["left", "disposed", "unaccounted", "never-opened"][act.how]!;
      const poured = line?.is === "poured";
      if (line && withdraw(db, line.id, { what, became: "it stands by the slip" }).ok) {
        line.is = poured && what === "unaccounted" ? "lost" : "gone";
        line.days = [line.days[0]!];
      }
    } else if (act.what === "account") {
      const line = pick(["lost"]);
      const of = line?.id.split(" ")[0];
      if (of && accountFor(db, of, { what: "disposed", says: "sprayed out over the lawn" }).ok)
        for (const one of lines) if (one.is === "lost" && one.id.split(" ")[0] === of) one.is = "gone";
    } else if (act.what === "strike") {
      const line = pick(["down"], ["sheet", "spread", "hand"]);
      const of = id("strike");
      if (line && voidApplication(db, { id: of, corrects: line.record, why: "it was the other lawn" }).ok) line.is = "gone";
    } else if (act.what === "correct") {
      const line = pick(["down"], ["sheet", "spread", "hand"]);
      const of = id("correction");
      const entry = { id: of, date: line?.days[0], ...line?.on, amount: `${act.rate} oz/1000 ft2`, personId: null, note: "", corrects: line?.record }; // prettier-ignore
      const labelId = line?.kind === "spread" ? granule : label;
      const result = line && saveApplication(db, { ...entry, labelId, ...(act.why && { why: "the scale was off" }) });
      if (line && result?.ok) {
        if (!act.why && act.rate < line.rate - 1e-9) throw new Error(`${line.id} was made less of without a reason`);
        line.rate = act.rate;
        line.record = of;
      }
    } else if (act.what === "hand") {
      const of = id("application");
      const entry = { id: of, date: today(), siteId: site, zoneId: zone, labelId: label, amount: `${act.rate} oz/1000 ft2`, personId: null, note: "", corrects: null }; // prettier-ignore
      noteLine("hand", of, act.rate, saveApplication(db, entry));
    } else if (act.what === "merge") merge(act.rate);
    else if (act.what === "card") {
      card = { once: act.once, year: act.year };
      cards();
    } else if (act.what === "calibrate") calibrate(act.ounces);
    else if (act.what === "look") {
      const line = pick([]) ?? lines.find((one) => one.kind === "sheet" && (one.is === "planned" || one.is === "poured"));
      const seen = { when: "day", wind: `${act.mph} mph` };
      if (line && saveWeather(db, line.id, { id: id("weather"), at: now(), seen }).ok) windy = act.mph > 10;
    } else if (act.what === "measure") {
      area = act.area;
      ground();
    } else if (act.what === "retire") {
      if (retire(db, "sites", { id: site, retired: act.on }).ok) retired = act.on;
    } else if (act.what === "wait") clock += act.hours * HOUR;
  }
  for (const line of lines) balance(db, line);
  return { ...played, until: clock + HOUR };
}

/** What was filled of a sheet is what went down, is left, was disposed of or is lost; of one that is closed nothing is missing. */
function balance(db: Records, { id, kind, is }: Line): void {
  if (kind !== "sheet" || id.includes(" ")) return;
  const ends = endsOfSheet(db, id);
  for (const end of ends) {
    const sum = end.applied + end.left + end.disposed + end.unaccounted;
    if (Math.abs(sum - end.filled) > 1e-6 * end.filled) throw new Error(`${id}: ${end.filled} mL were filled, ${sum} are told`);
  }
  if (is === "down" && ends.length === 0) throw new Error(`${id} is down, and its loads have no end`);
}
