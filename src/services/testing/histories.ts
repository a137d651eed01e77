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
 * Random histories of three lawns on two sites, by two people, played through the doors beside a naive book that is kept by hand: what
 * is planned, in a tank, down or lost, lawn by lawn, each with its day and its rate. Whatever the doors answer, the book says whether
 * a container that opened should have.
 */

const GAL = 3785.411784;
const HOUR = 3_600_000;

/** The lawns: the first two are of one site. */
const SITE_OF = [0, 0, 1] as const;
type Lawn = keyof typeof SITE_OF & (0 | 1 | 2);

/** A line of the book: what a sheet, granules or a record put on one lawn, as its rate, oz for 1,000 sq ft. */
interface Line {
  /** The sheet, the granules or the record. */
  readonly id: string;
  readonly lawn: Lawn;
  /** Which of its stops the lawn is of, and by whom it is done. */
  readonly stop: number;
  readonly who: Who;
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

type Who = 0 | 1;

export type Act =
  | {
      readonly what: "plan" | "book";
      readonly rate: number;
      readonly again: boolean;
      readonly reach: readonly Lawn[];
      readonly who: Who;
    }
  | { readonly what: "open" | "close" | "withdraw" | "account" | "strike"; readonly n: number; readonly how: number }
  | { readonly what: "correct"; readonly n: number; readonly rate: number; readonly why: boolean }
  | { readonly what: "hand" | "merge"; readonly rate: number; readonly lawn: Lawn }
  | { readonly what: "card"; readonly once: number; readonly year: number }
  | { readonly what: "calibrate"; readonly ounces: number; readonly who: Who }
  | { readonly what: "look"; readonly mph: number; readonly n: number }
  | { readonly what: "measure"; readonly area: number; readonly lawn: Lawn }
  | { readonly what: "retire"; readonly on: boolean; readonly site: 0 | 1 }
  | { readonly what: "wait"; readonly hours: number };

const n = fc.nat(5);
const rate = fc.constantFrom(0.1, 0.2, 0.3, 0.4);
const who = fc.constantFrom<Who>(0, 0, 1);
// Mostly of one lawn, so that it comes to its limits.
const lawn = fc.constantFrom<Lawn>(0, 0, 0, 1, 2);
const reach = fc.constantFrom<readonly Lawn[]>([0], [0], [0], [1], [0, 1], [0, 1], [2], [0, 2], [0, 1, 2]);
export const anAct: fc.Arbitrary<Act> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ what: fc.constantFrom("plan", "plan", "book"), rate, again: fc.boolean(), reach, who }) },
  { weight: 6, arbitrary: fc.record({ what: fc.constant("open"), n, how: fc.nat(3) }) },
  { weight: 4, arbitrary: fc.record({ what: fc.constantFrom("close", "withdraw", "account", "strike"), n, how: fc.nat(3) }) },
  { weight: 2, arbitrary: fc.record({ what: fc.constant("correct"), n, rate, why: fc.boolean() }) },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("hand"), rate, lawn }) },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("merge"), rate: fc.constant(0.1), lawn }) },
  {
    weight: 1,
    arbitrary: fc.record({
      what: fc.constant("card"),
      once: fc.constantFrom(0.3, 0.4, 0.5),
      year: fc.constantFrom(0.5, 0.8, 1.2),
    }),
  },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("calibrate"), ounces: fc.constantFrom(25, 33, 60), who }) },
  { weight: 2, arbitrary: fc.record({ what: fc.constant("look"), mph: fc.constantFrom(3, 8, 12, 20), n }) },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("measure"), area: fc.constantFrom(1000, 1000, 700), lawn }) },
  { weight: 1, arbitrary: fc.record({ what: fc.constant("retire"), on: fc.boolean(), site: fc.constantFrom(0, 0, 1) }) },
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
 * Plays one history on three lawns, with a rig and products of its own.
 * @param k its number, @param from when it begins: a clock that goes back is told, and releases nothing
 * @throws Error where the book says otherwise
 */
export function play(db: Records, k: number, acts: readonly Act[], from: number): Played {
  const own = String(k).padStart(8, "0");
  const [label, granule, rig] = [`label-h-${own}`, `label-g-${own}`, `rig-h-${own}`];
  const people = [ids.people, `person-h-${own}`] as const;
  const siteIds = [`site-h-${own}`, `site-i-${own}`] as const;
  const zones = [`${siteIds[0]}.0`, `${siteIds[0]}.1`, `${siteIds[1]}.0`] as const;
  const onLawn = (lawn: Lawn) => ({ siteId: siteIds[SITE_OF[lawn]], zoneId: zones[lawn] });
  let clock = from;
  let serial = 0;
  const area = [1000, 1000, 1000];
  let card = { once: 0.4, year: 0.8 };
  /** By site. */
  const retired = [false, false];
  const windy = [false, false];
  /** By person. */
  const inForce = ["", ""];
  const perThousand = [0, 0];
  const played: Played = { opened: 0, held: 0, until: from };
  const lines: Line[] = [];
  const id = (what: string) => `${what}-${own}-${String(++serial).padStart(3, "0")}`;
  const tell = () => holdClock(new Date(clock).toISOString());
  const now = () => new Date(clock).toISOString();
  const today = () => now().slice(0, 10);
  const siteNames = [`Lawns ${own}`, `Lawn ${own}`] as const;
  const actives = [{ name: `active ${own}`, content: "40 %" }];
  const cards = () => {
    const rates = [{ rate: "0.1", to: "0.5" }];
    const limits = [{ perApplication: String(card.once), perYear: String(card.year) }];
    must(put(db, "labels", { id: label, form: { ...LABEL, name: `Product ${own}`, rates, actives, limits, packages: [] } }));
    must(put(db, "labels", { id: granule, form: { ...LABEL, name: `Prill ${own}`, formulation: "g", rates, actives, limits, packages: [] } })); // prettier-ignore
  };
  const ground = (site: 0 | 1) => {
    const own = ([0, 1, 2] as const).filter((lawn) => SITE_OF[lawn] === site);
    const form = { name: siteNames[site], zones: own.map((lawn) => ({ ...(serial > 0 ? { id: zones[lawn] } : { ground: "new" }), name: `lawn ${lawn}`, area: String(area[lawn]) })) }; // prettier-ignore
    must(put(db, "sites", { id: siteIds[site], form }));
  };
  const calibrate = (ounces: number, who: Who) => {
    const made = (inForce[who] = id("calibration"));
    must(saveCalibration(db, { session: session({ id: made, rigId: rig, personId: people[who], catches: [{ volume: String(ounces), time: "62 s" }] }), madeAt: now() })); // prettier-ignore
    const row = db.$client.prepare("select spray_volume as q from calibrations where id = ?").get(made) as { q: number };
    perThousand[who] = (row.q * 92.90304) / GAL;
  };
  tell();
  must(put(db, "rigs", { id: rig, form: { ...RIG, name: `Rig ${own}` } }));
  must(put(db, "people", { id: people[1], form: { name: `Corin ${own}` } }));
  cards();
  ground(0);
  ground(1);
  serial += 1;
  calibrate(33, 0);
  calibrate(33, 1);

  /** What of the book is on a line's lawn, or may be: all but what is gone; without the line. */
  const counts = (but: Line) => lines.filter((line) => line !== but && line.lawn === but.lawn && line.is !== "gone");
  const daysOf = (line: Line) =>
    line.is === "planned" || line.is === "poured" ? [line.days[0]! > today() ? line.days[0]! : today()] : line.days;
  /** Why the book lets no container be opened for a line now. */
  const against = (line: Line): string[] => {
    const year = counts(line).filter((one) => daysOf(one).some((day) => day.slice(0, 4) === today().slice(0, 4)));
    const day = counts(line).filter((one) => daysOf(one).includes(today()));
    const sum = (of: readonly Line[]) => of.reduce((total, one) => total + one.rate, line.rate);
    return [
      sum(year) > card.year + 1e-9 && `${sum(year)} of ${card.year} in the year`,
      sum(day) > card.once + 1e-9 && `${sum(day)} of ${card.once} at once`,
      retired[SITE_OF[line.lawn]] && "what is retired",
      windy[SITE_OF[line.lawn]] && "against the wind",
      line.area !== area[line.lawn] && "another area",
      line.kind === "sheet" && line.calibration !== inForce[line.who] && "another calibration",
    ].filter((one) => typeof one === "string");
  };
  /** The lines of the same sheet or granules. */
  const beside = (line: Line) => lines.filter((one) => one.id === line.id && one.is !== "lost");
  const opened = (of: readonly Line[], result: Result<unknown>) => {
    if (!result.ok) return void (played.held += 1);
    played.opened += 1;
    for (const line of of) {
      const wrong = against(line);
      if (wrong.length > 0) throw new Error(`a container of ${line.id} opened for lawn ${line.lawn}: ${wrong.join(", ")}`);
      line.is = "poured";
    }
  };
  const gear = (line: Line) => {
    if (line.kind === "sheet") gearOn(db, line.id);
    else
      for (const key of ["gear.long-sleeves-and-trousers", "gear.gloves", "gear.eye-protection", "gear.boots"])
        tickSpread(db, line.id, { step: key, done: true });
  };
  /** A sheet's containers are opened stop by stop, bags for all lawns at once. */
  const open = (line: Line) => {
    const own = beside(line).filter((one) => line.kind === "spread" || one.stop === line.stop);
    try {
      gear(line);
    } catch {
      // Gear isn't ticked on what is stopped or held.
      return opened(own, { ok: false, issues: [] });
    }
    const step = line.kind === "sheet" ? `${line.stop + 1}.1.product-1` : "bags.product-1";
    opened(own, (line.kind === "sheet" ? tickStep : tickSpread)(db, line.id, { step, done: true }));
  };
  const down = (line: Line, at: number) => {
    const [stop, zone] = placesOf(line);
    line.is = "down";
    line.rate = at;
    line.days = [today()];
    line.record = line.kind === "spread" ? `${line.id}.${stop}.${zone}.0` : `${line.id}${stop === 0 ? "" : `.${stop}`}.${zone}.0`;
  };
  /** Where a line stands in its file: the stop, and the zone of it. */
  const placesOf = (line: Line) => {
    const own = beside(line).filter((one) => one.stop === line.stop);
    return [line.stop, own.indexOf(line)] as const;
  };
  const close = (line: Line, how: number) => {
    const own = beside(line);
    const before = own.map((one) => [one.is, one.is === "planned" ? against(one) : []] as const);
    // Of what was never opened the judge was asked now; the weather is the hour's.
    const judged = () => {
      const wrong = before.flatMap(([, why]) => why).filter((one) => one !== "against the wind");
      if (wrong.length > 0) throw new Error(`${line.id} was recorded: ${wrong.join(", ")}`);
    };
    const ended = { date: today() };
    if (line.kind === "spread") {
      if (!recordSpread(db, line.id, { ...ended, all: true }).ok) return;
      judged();
      return own.forEach((one) => down(one, one.rate));
    }
    const several = own.some((one) => one.stop > 0);
    const poured = own.every((one) => one.is === "poured");
    const ground = own.reduce((sum, one) => sum + one.area, 0);
    const fill = line.perThousand * (ground / 1000);
    const partly = how % 2 === 1 && poured && !several;
    const covered = partly ? ground / 2 : ground;
    const left = partly ? fill / 2 : 0;
    const outcome = [{ site: siteNames[SITE_OF[line.lawn]], load: 1, left: `${left} gal`, covered: `${covered} ft2` }];
    const lost = how === 3;
    const rest = { what: lost ? "unaccounted" : "left", says: "in the tank by the slip" };
    const result = recordSheet(db, line.id, { ...ended, all: true, why: "as it was read", ...(partly && { outcome, rest }) });
    if (!result.ok) return;
    judged();
    for (const one of own) {
      const was = one.rate;
      down(one, partly ? (was * (fill - left)) / fill / (covered / ground) : was);
      if (partly && lost) lines.push({ ...one, is: "lost", rate: was * (left / fill), days: [...one.days] });
    }
  };
  /** The lawns of a file as its stops. */
  const stopsOf = (reach: readonly Lawn[]) => {
    const sites = [...new Set(reach.map((lawn) => SITE_OF[lawn]))];
    return sites.map((site) => {
      const without = zones.filter((_, i) => SITE_OF[i as Lawn] === site && !reach.includes(i as Lawn));
      return { site, siteId: siteIds[site], ...(without.length > 0 && { without }) };
    });
  };
  const noted = (
    kind: Line["kind"],
    of: string,
    at: number,
    result: Result<unknown>,
    reach: readonly Lawn[],
    who: Who = 0,
    on?: Line["on"],
  ) => {
    if (!result.ok) return;
    const sites = stopsOf(reach).map(({ site }) => site);
    for (const lawn of reach)
      lines.push({ id: of, lawn, stop: sites.indexOf(SITE_OF[lawn]), who, rate: at, days: [today()], is: kind === "hand" ? "down" : "planned", kind, record: of, calibration: inForce[who]!, area: area[lawn]!, perThousand: perThousand[who]!, on: on ?? onLawn(lawn) }); // prettier-ignore
  };
  /** Another site that turns out to be a lawn of these, with what went down there. */
  const merge = (at: number, lawn: Lawn) => {
    const other = { siteId: id("site"), zoneId: "" };
    const on = { ...other, zoneId: `${other.siteId}.0` };
    must(put(db, "sites", { id: on.siteId, form: { name: `Other ${on.siteId}`, zones: [{ name: "lawn", area: String(area[lawn]), ground: "new" }] } })); // prettier-ignore
    const of = id("application");
    const entry = { id: of, date: today(), ...on, labelId: label, amount: `${at} oz/1000 ft2`, personId: null, note: "", corrects: null }; // prettier-ignore
    must(saveApplication(db, entry));
    const { siteId, zoneId } = onLawn(lawn);
    noted("hand", of, at, mergeSites(db, { keep: siteId, other: on.siteId, zones: { [on.zoneId]: zoneId } }), [lawn], 0, on);
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
      const stops = stopsOf(act.reach).map(({ siteId, without }) => ({ siteId, ...(without && { without }) }));
      const personId = people[act.who];
      const asked = { id: of, rigId: rig, personId, calibrationId: inForce[act.who], stops, products };
      if (act.what === "plan") noted("sheet", of, act.rate, saveSheet(db, sheet(asked)), act.reach, act.who);
      else noted("spread", of, act.rate, saveSpread(db, { id: of, personId, stops, products }), act.reach, act.who);
    } else if (act.what === "open") {
      const line = pick(["planned", "poured"]);
      if (line?.is === "planned") open(line);
    } else if (act.what === "close") {
      const line = pick(["planned", "poured"]);
      if (line) close(line, act.how);
    } else if (act.what === "withdraw") {
      const line = pick(["planned", "poured"], ["sheet"]);
      const what = ["left", "disposed", "unaccounted", "never-opened"][act.how]!;
      if (line && withdraw(db, line.id, { what, became: "it stands by the slip" }).ok)
        for (const one of beside(line)) one.is = one.is === "poured" && what === "unaccounted" ? "lost" : "gone";
    } else if (act.what === "account") {
      const line = pick(["lost"]);
      if (line && accountFor(db, line.id, { what: "disposed", says: "sprayed out over the lawn" }).ok)
        for (const one of lines) if (one.is === "lost" && one.id === line.id) one.is = "gone";
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
      const entry = { id: of, date: today(), ...onLawn(act.lawn), labelId: label, amount: `${act.rate} oz/1000 ft2`, personId: null, note: "", corrects: null }; // prettier-ignore
      noted("hand", of, act.rate, saveApplication(db, entry), [act.lawn]);
    } else if (act.what === "merge") merge(act.rate, act.lawn);
    else if (act.what === "card") {
      card = { once: act.once, year: act.year };
      cards();
    } else if (act.what === "calibrate") calibrate(act.ounces, act.who);
    else if (act.what === "look") {
      const line = pick(["planned", "poured"], ["sheet"]);
      const seen = { when: "day", wind: `${act.mph} mph` };
      if (line && saveWeather(db, line.id, { id: id("weather"), at: now(), seen }).ok)
        for (const one of beside(line)) windy[SITE_OF[one.lawn]] = act.mph > 10;
    } else if (act.what === "measure") {
      area[act.lawn] = act.area;
      ground(SITE_OF[act.lawn]);
    } else if (act.what === "retire") {
      if (retire(db, "sites", { id: siteIds[act.site], retired: act.on }).ok) retired[act.site] = act.on;
    } else if (act.what === "wait") clock += act.hours * HOUR;
  }
  for (const line of lines) balance(db, line);
  return { ...played, until: clock + HOUR };
}

/** What was filled of a sheet is what went down, is left, was disposed of or is lost; of one that is closed nothing is missing. */
function balance(db: Records, { id, kind, is }: Line): void {
  if (kind !== "sheet") return;
  const ends = endsOfSheet(db, id);
  for (const end of ends) {
    const sum = end.applied + end.left + end.disposed + end.unaccounted;
    if (Math.abs(sum - end.filled) > 1e-6 * end.filled) throw new Error(`${id}: ${end.filled} mL were filled, ${sum} are told`);
  }
  if (is === "down" && ends.length === 0) throw new Error(`${id} is down, and its loads have no end`);
}
