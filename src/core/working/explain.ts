import { showDuration, showEntered } from "../quantity/format";
import { valueIn } from "../quantity/quantity";
import type { Entered } from "../quantity/parse";
import type { Kind, Quantity } from "../quantity/kinds";
import { groundText, isPace, paceOn, THOUSAND } from "./thousand";
import { isDerived, kindOf, type AnySource, type Derived } from "./rule";
import { read, type System } from "./units";

/** One line of the pad: `Spray volume = 4 gal ÷ 60 s × 35 s ÷ 1,000 sq ft = 2.33 gal per 1,000 sq ft`. */
export interface Line {
  readonly title: string;
  /** The formula with the values in it. */
  readonly sum: string;
  readonly result: string;
  readonly rule: string;
  readonly source: string;
}

/**
 * The working of a value, from what was entered to the value itself, each step once. Leaves read as entered, worked-out
 * values in the reader's units. The text is made from the formula itself, which is tested against the code.
 */
export function explain(source: AnySource, system: System): readonly Line[] {
  const lines: Line[] = [];
  collect(source, system, lines, new Set());
  return lines;
}

/** Several values' working, one after another, shared steps only once. */
export function explainAll(sources: readonly AnySource[], system: System): readonly Line[] {
  const lines: Line[] = [];
  const seen = new Set<AnySource>();
  for (const source of sources) collect(source, system, lines, seen);
  return lines;
}

/** A line as plain text, for the command, the clipboard and print. */
export function lineText(line: Line): string {
  return `${line.title} = ${line.sum} = ${line.result}`;
}

function collect(source: AnySource, system: System, lines: Line[], seen: Set<AnySource>): void {
  if (!isDerived(source) || seen.has(source)) return;
  seen.add(source);
  for (const input of Object.values(source.inputs))
    for (const one of [input].flat()) collect(one as AnySource, system, lines, seen);
  lines.push({
    title: isPace(source) ? source.rule.title.replace(THOUSAND.name, groundText(system)) : source.rule.title,
    sum: substitute(source, system),
    result: result(valueFor(source, system), source.rule.output, system),
    rule: `${source.rule.id} v${source.rule.version}`,
    source: source.rule.source,
  });
}

const LONG = 600;

/**
 * A result on the pad. Amounts have a figure more here than on the tank, where they are rounded down to what is measured:
 * the pad shows from where.
 */
function result(value: Quantity<Kind>, kind: Kind, system: System): string {
  // Nobody reads a quarter of an hour in seconds; a pace is compared in them.
  if (kind === "time" && valueIn(value as Quantity<"time">, "s") >= LONG) return showDuration(value as Quantity<"time">);
  return kind === "mass" || kind === "volume" ? read(value, kind, system, { figures: 4 }) : read(value, kind, system);
}

/** A value as it stands in a sum: as entered where it was entered, else in the reader's units. */
export function reading(source: AnySource, system: System): string {
  if (!isDerived(source) && source.entered) return showEntered(source.entered as Entered<Kind>);
  if (source === THOUSAND) return groundText(system);
  return result(valueFor(source, system), kindOf(source), system);
}

/** A value as its reader counts it: a pace is for the reader's ground. */
const valueFor = (source: AnySource, system: System): Quantity<Kind> =>
  isPace(source) ? paceOn(source.value as Quantity<"time">, system) : source.value;

const OPERATORS: Record<string, string> = { ",": ",", "*": "×", "/": "÷", "+": "+", "-": "−", "(": "(", ")": ")", pi: "π" };

/**
 * Puts the inputs' readings into the formula. `sum(xs)` is written out as a + b + c, `mean(xs)` as (a + b + c) ÷ 3;
 * lists of more than six show their first and last readings and how many there are.
 */
function substitute(derived: Derived<Kind>, system: System): string {
  const tokens = derived.rule.formula.match(/(?:mean|sum)\(\w+\)|[A-Za-z]\w*|\d+(?:\.\d+)?|[-+*/^(),]/g) ?? [];
  const words = tokens.map((token) => {
    const list = /^(mean|sum)\((\w+)\)$/.exec(token);
    if (list) {
      const values = (derived.inputs[list[2]!] as readonly AnySource[]).map((s) => reading(s, system));
      const shown = values.length > 6 ? [...values.slice(0, 2), `… ${values.length} in all …`, values.at(-1)!] : values;
      const sum = shown.join(" + ");
      if (values.length === 1) return sum;
      return list[1] === "mean" ? `(${sum}) ÷ ${values.length}` : tokens.length > 1 ? `(${sum})` : sum;
    }
    const input = derived.inputs[token];
    if (input && !Array.isArray(input)) return reading(input as AnySource, system);
    return OPERATORS[token] ?? token;
  });
  return words
    .join(" ")
    .replace(/\( /g, "(")
    .replace(/ \)/g, ")")
    .replace(/ \^ /g, "^")
    .replace(/ ,/g, ",")
    .replace(/(sqrt|ceil|floor|min|max|abs) \(/g, "$1(");
}
