import * as yup from "yup";
import { extremes, swathsOf, widestWithin, worseOf, type Swath } from "@/core/pattern/swaths";
import { bad, good, type Result } from "@/core/issue";
import { writeNumber } from "@/core/quantity/format";
import { entered, type Entered } from "@/core/quantity/parse";
import { times } from "@/core/quantity/arithmetic";
import { valueIn } from "@/core/quantity/quantity";
import { choice, exact, fault, faultsIn, list, needed, quantity } from "../job-file/shape-parts";
import { shown, typeName } from "../job-file/shown";
import { parseObject } from "../json-file";
import { list as listOf, object, q, type Schema } from "../schema-parts";

/** The pattern file of the `gauge` command: what one pass throws across its width. */

/** As many places as a pass is caught at (ours). */
const MOST = 2000;
const LEAST = 3;

/** More than anything is caught, in any unit. */
const MOST_CAUGHT = 1e9;
const caught = () =>
  yup.mixed().test("caught", function (value) {
    if (typeof value !== "number" || !Number.isFinite(value))
      return fault(this, { code: "wrong-type", received: typeName(value), expected: "a number" });
    const within = value >= 0 && value <= MOST_CAUGHT;
    return within || fault(this, { code: "out-of-range", received: shown(value), expected: "from 0 to 1,000,000,000" });
  });

const PATTERN_FILE = exact({
  format: needed(choice(["careful-gauge-pattern"]), `"careful-gauge-pattern"`),
  version: needed(choice([1]), "1"),
  spacing: needed(quantity(["length"]), `"1 ft"`),
  deposit: needed(list(caught(), LEAST, "values", MOST), "[0, 2, 5, 9, 10, 9, 5, 2, 0]"),
  cvAtMost: quantity(["share"]),
});

export const PATTERN_FILE_SCHEMA: Schema = {
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Careful Gauge pattern file, version 1",
  description: "What one pass throws across its width, at equal spacings. Its meaning is in job-file.md.",
  ...object(["format", "version", "spacing", "deposit"], {
    format: { const: "careful-gauge-pattern" },
    version: { const: 1 },
    spacing: q("length"),
    deposit: listOf({ type: "number", minimum: 0, maximum: MOST_CAUGHT }, LEAST, MOST),
    cvAtMost: q("share"),
  }),
};

export interface Pattern {
  readonly spacing: Entered<"length">;
  readonly deposit: readonly number[];
  /** A part. */
  readonly most: number;
}

/** A pattern is even enough up to this (common practice). */
export const EVEN_ENOUGH = 0.15;

/** @param source the text of a pattern file */
export function readPattern(source: string): Result<Pattern> {
  const file = parseObject(source, "a pattern file is one JSON object", "the pattern file");
  if (!file.ok) return file;
  const shape = faultsIn(PATTERN_FILE, file.value);
  if (shape.length > 0) return { ok: false, issues: shape };
  const { spacing, deposit, cvAtMost } = file.value as { spacing: string; deposit: number[]; cvAtMost?: string };
  if (deposit.every((amount) => amount === 0))
    return bad({
      path: "deposit",
      code: "out-of-range",
      received: "nothing but 0",
      expected: "what was caught: some of it above 0",
    });
  return good({
    spacing: entered(spacing, "length"),
    deposit,
    most: cvAtMost === undefined ? EVEN_ENOUGH : valueIn(entered(cvAtMost, "share").value, "%") / 100,
  });
}

/** What `gauge pattern` prints. The meaning of every field is in docs/job-file.md. */
export function patternResult({ spacing, deposit, most }: Pattern) {
  const swaths = swathsOf(deposit);
  const best = widestWithin(swaths, most);
  const feet = ({ spacings }: Swath) => ({ value: valueIn(times(spacing.value, spacings), "ft"), unit: "ft" });
  const percent = (part: number) => ({ value: part * 100, unit: "%" });
  return {
    format: "careful-gauge-swaths",
    version: 1,
    swaths: swaths.map((swath) => ({
      swath: feet(swath),
      mean: swath.mean,
      sameWay: percent(swath.sameWay),
      backAndForth: percent(swath.backAndForth),
    })),
    best: best && feet(best),
    worst: best && extremes(deposit, best),
    working: patternWorking({ spacing, deposit, most }, swaths, best),
  };
}

function patternWorking({ spacing, deposit, most }: Pattern, swaths: readonly Swath[], best: Swath | null): string[] {
  const number = (value: number) => writeNumber(value, { figures: 4 });
  const total = deposit.reduce((sum, amount) => sum + amount, 0);
  const said = (swath: Swath) =>
    `${swath.spacings} × ${spacing.text}: mean ${number(total)} ÷ ${swath.spacings} = ${number(swath.mean)}, same way ${number(swath.sameWay * 100)} %, there and back ${number(swath.backAndForth * 100)} %`;
  return [
    `One pass throws ${number(total)} over ${deposit.length} places`,
    ...swaths.map(said),
    best
      ? `Widest with the worse of the two at most ${number(most * 100)} %: ${best.spacings} × ${spacing.text} (${number(worseOf(best) * 100)} %)`
      : `No swath has the worse of the two at most ${number(most * 100)} %`,
  ];
}
