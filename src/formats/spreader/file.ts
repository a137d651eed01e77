import * as yup from "yup";
import { settingFor, type SpreaderSetting, type SpreaderWarning, type SpreadTrial } from "@/core/spreader/settings";
import { good, type Issue, type Result } from "@/core/issue";
import { canonical, fromCanonical } from "@/core/quantity/arithmetic";
import { writeNumber } from "@/core/quantity/format";
import { entered, type Entered } from "@/core/quantity/parse";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { choice, exact, fault, faultsIn, list, needed, quantity } from "../job-file/shape-parts";
import { shown } from "../job-file/shown";
import { parseObject } from "../json-file";
import { choice as oneOf, list as listOf, object, q, type Schema } from "../schema-parts";

/** The spreader file of the `gauge` command: what was used at which setting on how much ground, and what is wanted. */

/** As many trials as a file may have, and the largest number on a dial (ours). */
const MOST_TRIALS = 500;
const MOST_SETTING = 1000;

const isLetter = (setting: unknown): setting is string => typeof setting === "string" && /^[A-Z]$/.test(setting);
const settingOf = () =>
  yup.mixed().test("setting", function (value) {
    if (value === undefined || isLetter(value)) return true;
    const fits = typeof value === "number" && value >= 0 && value <= MOST_SETTING;
    const expected = `a number up to ${MOST_SETTING.toLocaleString("en-US")}, or one letter from A to Z`;
    return fits || fault(this, { code: "not-a-choice", received: shown(value), expected });
  });

const SPREADER_FILE = exact({
  format: needed(choice(["careful-gauge-spreader"]), `"careful-gauge-spreader"`),
  version: needed(choice([1]), "1"),
  wanted: needed(quantity(["rateByWeight"]), `"3.5 lb/1000 ft2"`),
  passes: choice([1, 2]),
  trials: needed(
    list(
      exact({
        setting: needed(settingOf(), "10"),
        area: quantity(["area"]),
        distance: quantity(["length"]),
        swath: quantity(["length"]),
        used: quantity(["mass"]),
        start: quantity(["mass"]),
        left: quantity(["mass"], { zero: true }),
      }),
      1,
      "trial",
      MOST_TRIALS,
    ),
    `[{ "setting": 10, "area": "500 ft2", "used": "0.71 lb" }]`,
  ),
  hopper: quantity(["mass"]),
});

export const SPREADER_FILE_SCHEMA: Schema = {
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Careful Gauge spreader file, version 1",
  description: "What a spreader used at its settings, and what is wanted of it. Its meaning is in job-file.md.",
  ...object(["format", "version", "wanted", "trials"], {
    format: { const: "careful-gauge-spreader" },
    version: { const: 1 },
    wanted: q("rateByWeight"),
    passes: oneOf([1, 2]),
    trials: listOf(
      object(["setting"], {
        setting: {
          anyOf: [
            { type: "number", minimum: 0, maximum: MOST_SETTING },
            { type: "string", pattern: "^[A-Z]$" },
          ],
        },
        area: q("area"),
        distance: q("length"),
        swath: q("length"),
        used: q("mass"),
        start: q("mass"),
        left: { anyOf: [q("mass"), { type: "string", pattern: "^0" }] },
      }),
      1,
      MOST_TRIALS,
    ),
    hopper: q("mass"),
  }),
};

interface TrialText {
  readonly setting: number | string;
  readonly area?: string;
  readonly distance?: string;
  readonly swath?: string;
  readonly used?: string;
  readonly start?: string;
  readonly left?: string;
}
interface SpreaderText {
  readonly wanted: string;
  readonly passes?: 1 | 2;
  readonly trials: readonly TrialText[];
  readonly hopper?: string;
}

export interface SpreaderRead extends SpreaderSetting {
  readonly wanted: Entered<"rateByWeight">;
  readonly passes: 1 | 2;
  readonly lettered: boolean;
  readonly hopper: Entered<"mass"> | null;
}

/** A letter's number on the dial: A is 1. */
const A = "A".charCodeAt(0);
const numberOf = (setting: number | string): number => (typeof setting === "number" ? setting : setting.charCodeAt(0) - A + 1);
const asGiven = (setting: number, lettered: boolean): number | string =>
  lettered ? String.fromCharCode(setting - 1 + A) : setting;

/** @param source the text of a spreader file */
export function readSpreader(source: string): Result<SpreaderRead> {
  const file = parseObject(source, "a spreader file is one JSON object", "the spreader file");
  if (!file.ok) return file;
  const shape = faultsIn(SPREADER_FILE, file.value);
  if (shape.length > 0) return { ok: false, issues: shape };
  const { wanted, passes = 1, trials, hopper } = file.value as unknown as SpreaderText;
  const lettered = isLetter(trials[0]!.setting);
  const issues: Issue[] = trials.flatMap((trial, i) => trialFaults(trial, `trials[${i}]`, lettered));
  if (issues.length > 0) return { ok: false, issues };
  const aim = entered(wanted, "rateByWeight");
  return good({
    ...settingFor(trials.map(trialOf), aim.value, passes),
    wanted: aim,
    passes,
    lettered,
    hopper: hopper === undefined ? null : entered(hopper, "mass"),
  });
}

const mass = (text: string): Quantity<"mass"> => entered(text, "mass", { zero: true }).value;

/** What of a trial two places make wrong together. */
function trialFaults({ setting, area, distance, swath, used, start, left }: TrialText, path: string, lettered: boolean): Issue[] {
  const issues: Issue[] = [];
  const add = (at: string, received: string, expected: string) =>
    issues.push({ path: `${path}${at}`, code: "not-possible", received, expected });
  if (isLetter(setting) !== lettered) add(".setting", shown(setting), "numbers or letters, not both in one file");
  const [ground, run] = [area !== undefined, distance !== undefined && swath !== undefined];
  if (ground === run || (ground && (distance ?? swath) !== undefined))
    add("", ground ? "an area and a distance" : "no ground", `"area", or "distance" and "swath"`);
  const [weighed, rest] = [used !== undefined, start !== undefined && left !== undefined];
  if (weighed === rest || (weighed && (start ?? left) !== undefined))
    add("", weighed ? "what was used, and what was left" : "nothing used", `"used", or "start" and "left"`);
  else if (rest && canonical(mass(left!)) >= canonical(mass(start!)))
    add(".left", `${left} of ${start}`, "less than there was at the start: nothing was used");
  return issues;
}

function trialOf({ setting, area, distance, swath, used, start, left }: TrialText): SpreadTrial {
  return {
    setting: numberOf(setting),
    used: used === undefined ? fromCanonical<"mass">(canonical(mass(start!)) - canonical(mass(left!))) : mass(used),
    ground:
      area === undefined
        ? fromCanonical<"area">(canonical(entered(distance!, "length").value) * canonical(entered(swath!, "length").value))
        : entered(area, "area").value,
  };
}

const WARNING_WORDS: Record<SpreaderWarning, string> = {
  "trials-disagree": "Trials of one setting differ by over 10 %: this is no calibration yet, walk it again.",
  "not-rising": "A higher setting gave less than a lower one: look at the gate, the product and the walk.",
  "one-trial": "The setting is taken from settings that were tried once: try it before it is trusted.",
  "far-apart": "The neighbouring settings give rates that differ by more than a factor of two: try one between them.",
};

/** What `gauge spreader` prints. The meaning of every field is in docs/job-file.md. */
export function spreaderResult({
  settings,
  perPass,
  setting,
  try: next,
  from,
  warnings,
  wanted,
  passes,
  lettered,
  hopper,
}: SpreaderRead) {
  const rate = (value: Quantity<"rateByWeight">) => ({ value: valueIn(value, "lb/1000 ft2"), unit: "lb/1000 ft2" });
  const n = (value: number) => writeNumber(value, { figures: 4 });
  const said = (value: Quantity<"rateByWeight">) => `${n(valueIn(value, "lb/1000 ft2"))} lb per 1,000 sq ft`;
  const covers = hopper && fromCanonical<"area">(canonical(hopper.value) / canonical(wanted.value));
  return {
    format: "careful-gauge-spreading",
    version: 1,
    settings: settings.map((one) => ({
      setting: asGiven(one.setting, lettered),
      rate: rate(one.rate),
      trials: one.trials,
      spread: one.spread === null ? null : { value: one.spread * 100, unit: "%" },
    })),
    perPass: rate(perPass),
    setting,
    try: next,
    covers: covers && { value: valueIn(covers, "ft2"), unit: "ft2" },
    warnings: warnings.map((code) => ({ code, text: WARNING_WORDS[code] })),
    working: [
      ...settings.map((one) => `Setting ${asGiven(one.setting, lettered)}: ${said(one.rate)}, mean of ${one.trials}`),
      `Each pass = ${wanted.text} ÷ ${passes} = ${said(perPass)}`,
      ...(from.length === 2 && setting !== null
        ? [
            `Setting = on the line from ${n(from[0]!.setting)} (${said(from[0]!.rate)}) to ${n(from[1]!.setting)} (${said(from[1]!.rate)}) = ${n(setting)}`,
          ]
        : []),
    ],
  };
}
