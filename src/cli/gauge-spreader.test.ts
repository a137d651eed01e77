import { readFileSync } from "node:fs";
import Ajv2020 from "ajv/dist/2020";
import fc from "fast-check";
import { SPREADER_FILE_SCHEMA } from "@/formats/spreader/file";
import { runSpreader } from "./gauge";

/** `gauge spreader`: settings from trials, by hand. */
const file = (more: object = {}) => ({
  format: "careful-gauge-spreader",
  version: 1,
  wanted: "3.5 lb/1000 ft2",
  passes: 2,
  trials: [
    { setting: 10, area: "500 ft2", used: "0.71 lb" },
    { setting: 14, distance: "100 ft", swath: "5 ft", start: "10 lb", left: "8.9 lb" },
    { setting: 14, area: "500 ft2", used: "1.13 lb" },
  ],
  hopper: "50 lb",
  ...more,
});
interface Told {
  settings: { setting: number | string; rate: { value: number }; trials: number; spread: { value: number } | null }[];
  perPass: { value: number };
  setting: number | null;
  try: string | null;
  covers: { value: number } | null;
  warnings: { code: string }[];
  working: string[];
}
const told = (content: object): Told => {
  const { out, err, exit } = runSpreader(JSON.stringify(content));
  expect([err, exit]).toEqual(["", 0]);
  return JSON.parse(out) as Told;
};
const refused = (content: object) => {
  const { err, exit } = runSpreader(JSON.stringify(content));
  expect(exit).toBe(2);
  return err.split("\n");
};
const at = (...settings: readonly (readonly [number | string, number])[]) =>
  settings.map(([setting, pounds]) => ({ setting, area: "1000 ft2", used: `${pounds} lb` }));
const chosen = (trials: object[], wanted: string, passes: 1 | 2 = 1) => {
  const { setting, try: next, warnings } = told(file({ trials, wanted, passes }));
  return [setting, next, warnings.map(({ code }) => code)];
};

test("the example by hand: 1.42 at 10, the mean of 2.2 and 2.26 at 14; 1.75 a pass lies at 11.63", () => {
  const made = told(file());
  expect(made.settings).toMatchObject([
    { setting: 10, trials: 1, spread: null },
    { setting: 14, trials: 2 },
  ]);
  expect(made.settings[0]!.rate.value).toBeCloseTo(1.42, 12);
  expect(made.settings[1]!.rate.value).toBeCloseTo(2.23, 12);
  expect(made.settings[1]!.spread!.value).toBeCloseTo((0.06 / 2.23) * 100, 9);
  expect(made.perPass.value).toBeCloseTo(1.75, 12);
  expect(made.setting).toBeCloseTo(10 + (4 * 0.33) / 0.81, 12);
  expect(made.covers!.value).toBeCloseTo(50_000 / 3.5, 9);
  expect(made.warnings.map(({ code }) => code)).toEqual(["one-trial"]);
  expect(made.working.at(-1)).toMatch(/^Setting = on the line from 10 .* = 11\.63$/);
  expect(told(file({ hopper: undefined, passes: undefined })).covers).toBeNull();
});

test.each<[string, readonly (readonly [number | string, number])[], string, unknown[]]>([
  [
    "exactly tried: that one",
    [
      [5, 1],
      [10, 2],
      [15, 3],
    ],
    "2 lb/1000 ft2",
    [10, null, ["one-trial"]],
  ],
  [
    "over all: higher",
    [
      [5, 1],
      [10, 2],
    ],
    "3 lb/1000 ft2",
    [null, "higher", []],
  ],
  [
    "under all: lower",
    [
      [5, 1],
      [10, 2],
    ],
    "0.5 lb/1000 ft2",
    [null, "lower", []],
  ],
  [
    "rates that fall, bracketed twice: none",
    [
      [5, 1],
      [10, 3],
      [15, 1],
    ],
    "2 lb/1000 ft2",
    [null, null, ["not-rising"]],
  ],
  [
    "rates that fall, bracketed once",
    [
      [5, 3],
      [10, 2],
    ],
    "2.5 lb/1000 ft2",
    [expect.closeTo(7.5, 9), null, ["not-rising", "one-trial"]],
  ],
  [
    "neighbours far apart",
    [
      [5, 1],
      [10, 3],
    ],
    "2 lb/1000 ft2",
    [7.5, null, ["one-trial", "far-apart"]],
  ],
  [
    "letters count from A = 1",
    [
      ["D", 1],
      ["H", 2],
    ],
    "1.5 lb/1000 ft2",
    [6, null, ["one-trial"]],
  ],
])("%s", (_, settings, wanted, expected) => expect(chosen(at(...settings), wanted)).toEqual(expected));

test("letters stay as they were given among the settings, and trials that disagree are told", () => {
  const made = told(file({ trials: at(["H", 2], ["D", 1], ["H", 2.3]), wanted: "1.5 lb/1000 ft2", passes: 1 }));
  expect(made.settings.map(({ setting }) => setting)).toEqual(["D", "H"]);
  expect(made.warnings.map(({ code }) => code)).toContain("trials-disagree");
});

test("on a straight line of trials the setting is the line's", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 40 }),
      fc.integer({ min: 1, max: 30 }),
      fc.integer({ min: 1, max: 99 }),
      (slope, from, part) => {
        const settings = [0, 1, 2, 3].map((i) => [from + 5 * i, ((from + 5 * i) * slope) / 100] as const);
        const aim = from + (15 * part) / 100;
        const made = told(file({ trials: at(...settings), wanted: `${(aim * slope) / 100} lb/1000 ft2`, passes: 1 }));
        expect(made.setting).toBeCloseTo(aim, 6);
      },
    ),
    { numRuns: 60 },
  );
});

describe("what can't be is refused, each with its place", () => {
  test.each<[string, object, RegExp]>([
    ["no trial", { trials: [] }, /^trials: /],
    ["numbers and letters", { trials: at([5, 1], ["D", 2]) }, /^trials\[1\]\.setting: /],
    ["nothing used", { trials: [{ setting: 5, area: "500 ft2", used: "0 lb" }] }, /^trials\[0\]\.used: .*zero/],
    ["left at the start", { trials: [{ setting: 5, area: "500 ft2", start: "5 lb", left: "5 lb" }] }, /^trials\[0\]\.left: /],
    ["three passes", { passes: 3 }, /^passes: /],
    ["no ground", { trials: [{ setting: 5, used: "1 lb" }] }, /^trials\[0\]: no ground/],
    ["half a run", { trials: [{ setting: 5, distance: "50 ft", used: "1 lb" }] }, /^trials\[0\]: /],
    ["both", { trials: [{ setting: 5, area: "500 ft2", swath: "5 ft", used: "1 lb" }] }, /^trials\[0\]: /],
    ["a volume", { wanted: "3 gal/1000 ft2" }, /^wanted: .*another kind/],
    ["a key of another file", { deposit: [1] }, /^deposit: not a key/],
    ["two letters", { trials: at(["AA", 1]) }, /^trials\[0\]\.setting: /],
  ])("%s", (_, more, expected) => expect(refused(file(more))[0]).toMatch(expected));
});

test("its schema in docs/ is the one that is made, and takes the example", () => {
  expect(JSON.parse(readFileSync("docs/spreader-file.schema.json", "utf8"))).toEqual(SPREADER_FILE_SCHEMA);
  expect(new Ajv2020({ strict: false }).validate(SPREADER_FILE_SCHEMA, file())).toBe(true);
});
