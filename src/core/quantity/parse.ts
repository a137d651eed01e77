import { bad, good, type Issue, type IssueCode, type Result } from "../issue";
import { make, type Kind, type Quantity } from "./kinds";
import { COMMA_ASKED, plainNumber } from "./plain";
import { courseToSpeed, rectangleToArea, spokenToWritten } from "./spoken";
import { findUnit, unitsOf, type Unit } from "./unit";
import { DIMENSIONS, NOT_WRITTEN, SHAPES, type Dimension } from "./units";

/** A value as a person entered it, beside its canonical one: 40 psi must come back as 40 psi. */
export interface Entered<K extends Kind> {
  /** As a job file writes it: `0.2 oz/1000 ft2`, `1:52`, `7:1`. */
  readonly text: string;
  readonly kind: K;
  readonly number: number;
  readonly unit: string;
  readonly value: Quantity<K>;
}

/** What was read here: something from outside that has the same shape is no value. */
const read = new WeakSet<object>();
const known = <K extends Kind>(value: Entered<K>): Result<Entered<K>> => {
  read.add(value);
  return good(value);
};

/** Whether something is a value that was read by {@link parseAs}, and not a text, or an object of the same shape. */
export const isEntered = (one: unknown): one is Entered<Kind> => typeof one === "object" && one !== null && read.has(one);

export interface ParseOptions {
  readonly path?: string;
  /** `remaining` of a refill trial may be zero; nothing else may. */
  readonly zero?: boolean;
  /** `file` is the job file's grammar to the letter; `screen` also takes "4gal", "1,000 sq ft", "0.2 oz per acre". */
  readonly dialect?: "file" | "screen";
  /** The unit that a bare number has, where the screen shows one beside the field. */
  readonly bare?: string;
}

/** The least and the most number that may be written, whatever the unit (docs/job-file.md). */
export const LEAST = 1e-9;
export const MOST = 1e12;

/** An example of each kind, as a job file writes it. */
export const EXAMPLES: Record<Kind, string> = {
  length: "5 ft",
  area: "1,000 ft2",
  volume: "4 gal",
  mass: "0.8 oz",
  time: "62 s",
  speed: "3 mph",
  pressure: "40 psi",
  flow: "0.35 gal/min",
  precipitation: "0.5 in/h",
  sprayVolume: "2 gal/1000 ft2",
  rateByWeight: "0.2 oz/1000 ft2",
  rateByVolume: "1.5 fl oz/1000 ft2",
  strengthByWeight: "2 oz/100 gal",
  strengthByVolume: "1.5 fl oz/gal",
  activeRate: "0.5 lb/ac",
  activeStrength: "4 lb/gal",
  share: "5 %",
  dilution: "7:1",
  count: "3",
  gravity: "1.28",
};

/** The same for a metric reader, of the kinds that have units of their own there. */
const METRIC_EXAMPLES: Partial<Record<Kind, string>> = {
  length: "1.5 m",
  area: "100 m2",
  volume: "15 L",
  mass: "20 g",
  speed: "5 km/h",
  pressure: "3 bar",
  flow: "1.3 L/min",
  sprayVolume: "8 L/100 m2",
  rateByWeight: "6 g/100 m2",
  rateByVolume: "5 mL/100 m2",
  strengthByWeight: "15 g/100 L",
  strengthByVolume: "10 mL/L",
  activeRate: "0.5 kg/ha",
  activeStrength: "480 g/L",
};

/** A number as it may be written: a decimal point, commas only between thousands, of which the first group doesn't begin with nought. */
export const NUMBER_PATTERN = "(?:[1-9]\\d{0,2}(?:,\\d{3})+|\\d+)(?:\\.\\d+)?|\\.\\d+";
const NUMBER = new RegExp(`^(?:${NUMBER_PATTERN})$`);

/**
 * Reads a quantity of one of several kinds. The first kind that the unit fits is taken.
 * Returns an issue, never throws: text, zero, signs, fractions, decimal commas, exponents, infinities and foreign
 * units are each told apart.
 */
export function parseAs<K extends Kind>(typed: unknown, kinds: readonly K[], options: ParseOptions = {}): Result<Entered<K>> {
  const { path = "", dialect = "file" } = options;
  const example = `"${EXAMPLES[kinds[0]!]}"`;
  const metric = METRIC_EXAMPLES[kinds[0]!];
  const fail = (code: IssueCode, expected = example, received = String(typed)) => {
    const issue = { path, code, received, expected };
    return bad(metric && expected.includes(example) ? { ...issue, metric: expected.replace(example, `"${metric}"`) } : issue);
  };

  if (typed === undefined || typed === null) return fail("missing");
  if (typeof typed !== "string") return fail("not-text", example, JSON.stringify(typed)?.slice(0, 60));
  let text = typed.trim();
  if (text === "") return fail("missing");
  if (text.length > 120) return fail("unknown-unit", `write e.g. ${example}`);

  const clock = kinds.includes("time" as K) ? clockOf(text, typed, path, options) : undefined;
  if (clock) return clock as Result<Entered<K>>;
  if (kinds.length === 1 && kinds[0] === "dilution") return ratioOf(text, typed, path) as Result<Entered<K>>;

  const foreign = /\b(imp|imperial|uk)\b.*\bgal|\bgal\w*\b.*\b(imp|imperial|uk)\b/i.test(text);
  if (foreign) return fail("imperial-gallon", "1 imperial gallon is 4.54609 L");
  if (dialect === "screen") {
    if (kinds.includes("area" as K)) text = rectangleToArea(text, options.bare);
    if (kinds.includes("speed" as K)) text = courseToSpeed(text);
    text = spokenToWritten(text);
    if (options.bare !== undefined && /^[\d.,]+$/.test(text)) text = `${text} ${options.bare}`.trim();
  }

  if (/^\d[\d.]*e[+-]?\d/i.test(text)) return fail("exponent");
  const head = /^(\S+?)(?:(?<=[\d.,])(?=[A-Za-z%µ])|\s+|$)(.*)$/s.exec(text);
  const number = head?.[1] ?? text;
  const rest = (head?.[2] ?? "").trim();
  const wrong = numberFault(number, text, rest);
  if (wrong) return fail(wrong.code, wrong.expected ?? example, wrong.received);
  if (dialect === "file" && rest !== "" && !/^\S+ \S/.test(typed)) return fail("no-space", `"${number} ${rest}"`);

  const value = Number(number.replaceAll(",", ""));
  if (value === 0 && !options.zero) return fail("zero");
  if (value > MOST) return fail("too-large", "1,000,000,000,000");
  if (value !== 0 && value < LEAST) return fail("too-small", "0.000000001");

  const bare = kinds.find((k) => SHAPES[k] === "");
  if (bare !== undefined && rest === "")
    return known({ text: number, kind: bare, number: value, unit: "", value: make<K>(value) });
  if (rest === "") return fail("no-unit");
  const unit = findUnit(rest);
  // Depths and heights are read in millimetres by people; what is written has centimetres.
  if (dialect === "screen" && unit?.id === "mm" && kinds.includes("length" as K))
    return known(writtenAs("length", value / 10, "cm") as Entered<K>);
  if (!unit || NOT_WRITTEN.includes(unit.id)) return fail("unknown-unit", unitHint(rest, kinds, example));
  const kind = kinds.find((k) => SHAPES[k] === unit.shape);
  // "0.3 oz" where the field says oz per 1,000 sq ft: its area is meant.
  const area = dialect === "screen" && !kind ? /\/(.+)$/.exec(options.bare ?? "")?.[1] : undefined;
  const meant = area === undefined ? undefined : findUnit(`${unit.id}/${area}`);
  const full = meant && kinds.find((k) => SHAPES[k] === meant.shape);
  if (meant && full)
    return known({
      text: `${number} ${meant.id}`,
      kind: full,
      number: value,
      unit: meant.id,
      value: make<K>(value * meant.factor),
    });
  if (!kind) return fail(...unitOfAnotherKind(unit, kinds, number, example));
  return known({ text: `${number} ${unit.id}`, kind, number: value, unit: unit.id, value: make<K>(value * unit.factor) });
}

/** As {@link parseAs}, for one kind. */
export function parseQuantity<K extends Kind>(typed: unknown, kind: K, options: ParseOptions = {}): Result<Entered<K>> {
  return parseAs(typed, [kind], options);
}

/**
 * A value that we write ourselves, as if it had been entered: a mean, a half of a rate, a total.
 * @param digits what stands before the unit, where it isn't the whole number
 * @throws RangeError where the unit is of another kind, or the number is negative or not finite
 */
export function writtenAs<K extends Kind>(kind: K, number: number, unit: string, digits = plainNumber(number)): Entered<K> {
  const found = findUnit(unit);
  if (!found || found.shape !== SHAPES[kind]) throw new RangeError(`${unit} is no unit of ${kind}`);
  const exact = Number(digits);
  const value = { text: `${digits} ${found.id}`, kind, number: exact, unit: found.id, value: make<K>(exact * found.factor) };
  read.add(value);
  return value;
}

/** As {@link parseQuantity}, for text that the code or an earlier check has vouched for. @throws RangeError otherwise. */
export function entered<K extends Kind>(text: string, kind: K, options: ParseOptions = {}): Entered<K> {
  const result = parseQuantity(text, kind, options);
  if (!result.ok) throw new RangeError(`"${text}" is no ${kind}: ${result.issues[0]!.code}`);
  return result.value;
}

function numberFault(
  number: string,
  text: string,
  rest: string,
): { code: IssueCode; expected?: string; received?: string } | undefined {
  if (NUMBER.test(number)) return /^\d+\/\d/.test(rest) ? { code: "fraction", expected: `"0.5 …"` } : undefined;
  if (/^[+\-−–]/.test(number)) return { code: "sign" };
  if (/^(∞|inf)/i.test(number)) return { code: "too-large", expected: "1,000,000,000,000" };
  if (/^\d*[½¼¾⅓⅔⅛⅜⅝⅞]|^\d+\/\d+/.test(number)) return { code: "fraction", expected: `"0.5 …"` };
  if (/^\d+:\d/.test(number)) return { code: "bad-clock", expected: `"1:52" for a time only` };
  const asked = COMMA_ASKED.exec(number);
  if (asked)
    return {
      code: "comma-asked",
      expected: `"${asked[1]}${asked[2]}" or "${asked[1]}.${asked[2]}"`,
      received: asked[0].slice(0, -1),
    };
  if (/^0\d*,\d+$|^\d+,\d{1,2}$|^\d+,\d{4,}$|^\d{4,},\d+$|^\d{1,3}(\.\d{3})+,\d+$/.test(number))
    return { code: "comma-decimal", expected: `"${text.replaceAll(".", "").replace(",", ".")}"` };
  if (/^[\d,]+(\.\d*)?$/.test(number) && number.includes(",")) return { code: "bad-thousands", expected: `"1,000 …"` };
  return { code: "not-a-number" };
}

function clockOf(text: string, typed: string, path: string, options: ParseOptions): Result<Entered<"time">> | undefined {
  if (!/^[\d.,]+:/.test(text)) return undefined;
  const parts = /^(\d{1,4}):([0-5]\d(?:\.\d{1,3})?)$/.exec(text);
  const issue: Issue = { path, code: "bad-clock", received: typed, expected: `"1:52"` };
  if (!parts) return bad(issue);
  const seconds = Number(parts[1]) * 60 + Number(parts[2]);
  if (seconds === 0 && !options.zero) return bad({ ...issue, code: "zero", expected: `"1:52"` });
  return known({ text, kind: "time", number: seconds, unit: "s", value: make<"time">(seconds) });
}

function ratioOf(text: string, typed: string, path: string): Result<Entered<"dilution">> {
  const parts = /^(\d+(?:\.\d+)?) ?: ?1$/.exec(text);
  const value = parts ? Number(parts[1]) : NaN;
  if (!(value >= LEAST && value <= MOST)) return bad({ path, code: "bad-ratio", received: typed, expected: `"7:1"` });
  return known({ text: `${parts![1]}:1`, kind: "dilution", number: value, unit: ":1", value: make<"dilution">(value) });
}

function unitHint(rest: string, kinds: readonly Kind[], example: string): string {
  // An acre to one writer, an are (100 m²) to another: forty times apart, so it is asked.
  const per = /^(.+)\/ ?a$/i.exec(rest)?.[1];
  if (per !== undefined) return `"${per}/ac" for an acre, or "${per}/100 m2" for an are`;
  const names = Object.keys(DIMENSIONS).flatMap((d) => [...unitsOf(d as Dimension)]);
  const same = names.find((name) => name.toLowerCase() === rest.toLowerCase());
  return same ? `did you mean "${same}"?` : `write e.g. ${example}${kinds.length > 1 ? ` or "${EXAMPLES[kinds[1]!]}"` : ""}`;
}

function unitOfAnotherKind(unit: Unit, kinds: readonly Kind[], number: string, example: string): [IssueCode, string] {
  const shapes = kinds.map((k) => SHAPES[k]);
  // An ounce of weight and a fluid ounce share a name: the other one may be meant.
  const twin = { oz: "fl oz", "fl oz": "oz" }[unit.id];
  if (twin !== undefined && shapes.includes(findUnit(twin)!.shape)) return ["wrong-unit", `"${number} ${twin}"`];
  // "0.2 oz" where a rate is wanted: the amount is right, the area is missing.
  if (shapes.includes(`${unit.shape}/area`)) return ["no-area", `"${number} ${unit.id}/1000 ft2"`];
  return ["wrong-unit", example];
}
