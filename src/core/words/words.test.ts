import { entered } from "../quantity/parse";
import { quantity } from "../quantity/quantity";
import { constant } from "../working/rule";
import type { LeverValues, LeverWhy } from "../calibration/levers";
import type { Warning, WarningValues } from "../calibration/warnings";
import type { LimitWarningValues, Reason, ReasonValues } from "../labels/reason";
import type { MixWarning, MixWarningValues, RateWarningValues } from "../mixing/plan";
import { leverText } from "./levers";
import { mixWarningText } from "./mix-warnings";
import { reasonWords } from "./reasons";
import { warningText } from "./warnings";

/** An example of each finding that core makes: the types ask for every code, so a new one can't be left out. */
const pressure = (psi: number) => quantity("pressure", psi, "psi");
const rate = (ounces: number) => constant("rateByVolume", quantity("rateByVolume", ounces, "fl oz/1000 ft2"), "rate");
const minute = quantity("time", 60, "s");
const volume = quantity("sprayVolume", 2, "gal/1000 ft2");

const WARNINGS: { [C in keyof WarningValues]: WarningValues[C] } = {
  "trials-wide": { of: "pace", spread: 0.07 },
  "trials-disagree": { of: "flow", spread: 0.2 },
  "single-trial": { of: "used" },
  "small-test-area": { area: quantity("area", 20, "ft2") },
  "short-timing": { of: "walk", time: quantity("time", 6, "s") },
  "pace-not-walkable": { speed: quantity("speed", 6, "mph") },
  "catch-time-differs": { caught: minute, walked: quantity("time", 30, "s") },
  "outlets-uneven": { outlets: [2, 4] },
  "pavement-only": {},
  "looks-rounded": {},
  given: {},
  "estimate-only": {},
  "pace-far-from-label": { overdose: 2, timePer1000: minute },
  "volume-unusual": { sprayVolume: volume, rig: "boom" },
  "dial-is-label-number": { timePer1000: minute },
  "tip-worn": { outlets: [3], count: 4, ratio: 1.2 },
  "tip-blocked": { outlets: null, count: 1, ratio: 0.8 },
};

const LEVERS: { [C in keyof LeverValues]: LeverValues[C] } = {
  "pressure-unknown": {},
  "by-bucket": { pressure: 4, flow: 2, minute: quantity("volume", 4, "gal"), dear: true },
  "no-limit-known": { needs: pressure(390) },
  "over-most": { needs: pressure(390), most: pressure(250) },
  "over-pump": { needs: pressure(90), most: pressure(60) },
  "outside-tip": { needs: pressure(90), least: pressure(15), most: pressure(60), own: false },
  "set-pressure": { to: pressure(50), drops: { from: "medium", to: "fine" }, known: false },
  "flow-unmeasured": {},
  "same-regulator": { near: "04", on: "03" },
  "size-needs": { size: "04", needs: pressure(70) },
  "set-size": { size: "04", needs: pressure(40), other: { size: "05", needs: pressure(26) }, same: true },
  "speed-unknown": {},
  "go-at": { speed: quantity("speed", 3, "mph") },
  "not-walkable": { speed: quantity("speed", 6, "mph") },
  "under-carrier": { least: volume },
  "tank-unknown": {},
  "mix-for": { area: quantity("area", 2000, "ft2") },
};

const REASONS: { [C in keyof ReasonValues]: ReasonValues[C] } = {
  "over-application-limit": { planned: rate(5), limit: rate(4), by: "at-once", also: "osselin", today: rate(2), left: rate(4) },
  "over-year-limit": {
    planned: rate(5),
    limit: rate(8),
    year: { kind: "rolling", end: "2026-09-01" },
    active: "osselin",
    before: rate(6),
    left: rate(0),
  },
  "over-count-limit": { most: 2, year: { kind: "calendar", end: "2026-09-01" }, count: 2 },
  "too-soon": { on: "2026-08-01", planned: false, wait: 35 },
  "under-carrier-minimum": { least: volume, sprayVolume: quantity("sprayVolume", 1, "gal/1000 ft2") },
  "over-concentrated": { wanted: entered("7:1", "dilution"), dilution: quantity("dilution", 5, ":1") },
  "turf-not-allowed": { turfs: ["rye"], turf: "fescue" },
  "too-soon-after-seeding": { what: "seeded", done: "2026-08-01", wait: 60 },
  "too-soon-before-seeding": { what: "seeding", planned: "2026-09-10", days: 30, until: "2026-10-01" },
  "hose-end-not-allowed": {},
  "aftercare-clash": {
    of: "hours",
    by: { of: "A", value: entered("24 h", "time") },
    dry: { of: "B", value: entered("48 h", "time") },
  },
  uncountable: { other: "B", active: "osselin" },
  "active-unknown": { other: "B", on: null },
  "spot-over-zone": { area: entered("300 m2", "area"), whole: entered("200 m2", "area") },
  "head-off-rate": { overdose: 1.4, timePer1000: minute },
};

const metricRate = entered("30 mL/100 m2", "rateByVolume");
const MIX: { [C in keyof (LimitWarningValues & RateWarningValues & MixWarningValues)]: unknown } = {
  "turf-unknown": { product: "A", zone: "front", isFor: ["rye"] },
  "jurisdiction-unknown": { product: "A", zone: "front", limitFor: "Osselmark" },
  "water-deadline-open": { product: "A", dry: "B", keepDry: entered("24 h", "time") },
  "second-half-late": { product: "A", zone: "front", last: "2026-05-01", ended: "2026-07-10" },
  "same-day": { product: "A", zone: "front", other: "B", amount: rate(2), on: "2026-05-01", down: true },
  "not-to-be-judged-yet": { product: "A", zone: "front", on: "2026-05-01", from: "2026-05-15" },
  "active-not-noted": { product: "A", zone: "front", other: "B", on: "2026-05-01" },
  "per-acre-slip": { product: "A", rate: metricRate, slips: [{ code: "hectare-acre", says: "says", corrected: "1 L/ha" }] },
  "unit-slip": { product: "A", rate: metricRate, slips: [{ code: "decimal-point", says: "says", corrected: "3 mL/100 m2" }] },
  "unusual-rate": { product: "A", rate: metricRate, slips: [{ code: "unusual-rate", says: "says", corrected: null }] },
  "too-thick": { product: "A", rate: metricRate, most: entered("64 fl oz/gal", "strengthByVolume") },
  "under-label-range": { product: "A", rate: metricRate, least: metricRate },
  "ground-open": { product: "A", rate: entered("5 mL/L", "strengthByVolume") },
  "below-least-mix": { site: "A", fill: quantity("volume", 20, "fl oz"), least: quantity("volume", 0.5, "gal") },
  "mixed-for-another-volume": { mixedFor: volume, sprayVolume: volume, factor: 1.5 },
};

const OURS = /\b(psi|gal|gallons?|acres?|mph|sq ft|fl oz|oz|ft|lb|inch(es)?|feet|(?<!on )foot)\b/;
type Codes = readonly (readonly [string, unknown])[];
const all = (table: object): Codes => Object.entries(table);
const reasonOf = (code: string, values: unknown) =>
  ({ code, values, site: "site", zone: "front", product: "A", most: null, earliest: "2026-09-05" }) as Reason;

describe("a metric reader meets no unit of ours", () => {
  test.each(all(WARNINGS))("warning %s", (code, values) => {
    expect(warningText({ code, values } as Warning, "metric")).not.toMatch(OURS);
  });
  test.each(all(LEVERS))("lever %s", (code, values) => {
    expect(leverText({ code, values } as LeverWhy, "metric")).not.toMatch(OURS);
  });
  test.each(all(REASONS))("reason %s", (code, values) => {
    const { text, fits } = reasonWords(reasonOf(code, values), "metric");
    expect(`${text} ${fits}`).not.toMatch(OURS);
  });
  test.each(all(MIX))("warning of a plan %s", (code, values) => {
    expect(mixWarningText({ code, values } as MixWarning, "metric")).not.toMatch(OURS);
  });
});

test("no words have a hole where a value should stand", () => {
  const said = [
    ...all(WARNINGS).map(([code, values]) => warningText({ code, values } as Warning, "us")),
    ...all(LEVERS).map(([code, values]) => leverText({ code, values } as LeverWhy, "us")),
    ...all(REASONS).flatMap(([code, values]) => Object.values(reasonWords(reasonOf(code, values), "us"))),
    ...all(MIX).map(([code, values]) => mixWarningText({ code, values } as MixWarning, "us")),
  ];
  for (const text of said) {
    expect(text).toMatch(/^[A-Z1-9].*[.:?]$/s);
    expect(text).not.toMatch(/undefined|null|NaN|object Object|Infinity/);
  }
});

test.each<[string, string, string]>([
  [
    "a pace over the label",
    warningText({ code: "pace-far-from-label", values: WARNINGS["pace-far-from-label"] }, "metric"),
    "At this pace 2 times the label rate goes down: 64.6 s for 100 m² give it.",
  ],
  [
    "a pressure lever",
    leverText({ code: "over-pump", values: LEVERS["over-pump"] }, "metric"),
    "It would take 6.21 bar: this pump gives 4.14 bar at the most.",
  ],
  [
    "a year's limit",
    reasonWords(reasonOf("over-year-limit", REASONS["over-year-limit"]), "metric").text,
    "A on front: 159.1 mL per 100 m² is planned, the label allows 254.6 mL per 100 m² of it in the 12 months to 2026-09-01, by its osselin. 190.9 mL per 100 m² counts against it already.",
  ],
  [
    "the same in ounces",
    reasonWords(reasonOf("over-year-limit", REASONS["over-year-limit"]), "us").text,
    "A on front: 5 fl oz per 1,000 sq ft is planned, the label allows 8 fl oz per 1,000 sq ft of it in the 12 months to 2026-09-01, by its osselin. 6 fl oz per 1,000 sq ft counts against it already.",
  ],
])("%s, in the reader's units", (_what, said, wanted) => {
  expect(said).toBe(wanted);
});
