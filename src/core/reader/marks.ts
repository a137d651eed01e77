/**
 * The label reader: finds what a card wants in the text of a label, and marks where. Everything it finds is a candidate
 * that a person confirms or passes over; it decides nothing. Patterns by the wording that labels commonly use.
 */
export type MarkField =
  | "rate"
  | "perApplication"
  | "perYear"
  | "applicationsPerYear"
  | "interval"
  | "active"
  | "gear"
  | "analysis"
  | "formulation"
  | "registration"
  | "signalWord"
  | "gravity"
  | "carrierAtLeast"
  | "dilutionAtLeast"
  | "droplets"
  | "hoseEnd"
  | "turfs"
  | "afterSeeding"
  | "afterSodding"
  | "beforeSeeding"
  | "beforeSodding"
  | "residual"
  | "waterIn"
  | "keepDry"
  | "wind"
  | "airLeast"
  | "airMost"
  | "soilLeast"
  | "soilMost"
  | "reentry"
  | "visible"
  | "firstAid"
  | "emergency"
  | "keepOut";

export interface Mark {
  readonly field: MarkField;
  /** Where it stands in the text, for marking it there. */
  readonly start: number;
  readonly end: number;
  /** What goes into the card: a text, and what goes with it (the upper end of a range, the type of a glove). */
  readonly value: string;
  readonly more?: Readonly<Record<string, string>>;
}

/** A sentence or a line of a table, with where it begins. */
export interface Sentence {
  readonly text: string;
  readonly start: number;
}

/** The longest that a sentence or a line of a label is (ours): what is longer is cut, so that no pattern runs away. */
const LONGEST = 400;
/** What ends with a point and ends no sentence. */
const SHORT = /(?:\b(?:sq|ft|fl|oz|lb|lbs|gal|gals|pt|qt|no|reg|min|max|approx|i\.e|e\.g|a\.i|a)|\.)$/i;

const GOES_ON = /^\s+(?:PER|IN|ON|OF|OR|AND|TO|WITHIN)\b/;

/** The lines of a text. */
export function linesOf(text: string): Sentence[] {
  const lines: Sentence[] = [];
  for (const line of text.matchAll(new RegExp(`[^\\n]{1,${LONGEST}}`, "g"))) lines.push({ text: line[0], start: line.index });
  return lines;
}

/** The sentences of a text: running lines together, and each line of a table or a list for itself. */
export function sentencesOf(text: string): Sentence[] {
  return blocksOf(text).flatMap((block) => (isTable(block.text) ? lines(block) : [block]).flatMap(cut));
}

/** Paragraphs: lines that follow one another without a blank one, a bullet or a heading between. */
function blocksOf(text: string): Sentence[] {
  const blocks: { text: string; start: number }[] = [];
  let open = false;
  for (const line of linesOf(text)) {
    const blank = line.text.trim() === "";
    const apart = /^\s*[-•*]|^[A-Z][A-Z ,/&()-]{5,}:?$/.test(line.text.trimEnd());
    const last = blocks.at(-1);
    const follows = last !== undefined && last.start + last.text.length + 1 === line.start;
    if (blank) open = false;
    else if (open && !apart && follows && last.text.length < 10 * LONGEST) last.text += `\n${line.text}`;
    else {
      blocks.push({ ...line });
      open = !/^[A-Z][A-Z ,/&()-]{5,}:?$/.test(line.text.trimEnd());
    }
  }
  return blocks;
}

/** Short lines, ruled ones, or ones that name what they give: a table or a list. */
function isTable(block: string): boolean {
  const all = block.split("\n");
  return (
    all.some((l) => /\t| {3,}|\.{3,}|\|/.test(l)) ||
    all.every((l) => l.length < 44) ||
    all.filter((l) => /^[^.:]{3,60}:\s/.test(l)).length >= 2
  );
}

const lines = (block: Sentence): Sentence[] => linesOf(block.text).map((l) => ({ text: l.text, start: block.start + l.start }));

/** Cuts a block at the ends of its sentences. */
function cut(block: Sentence): Sentence[] {
  const parts: Sentence[] = [];
  let from = 0;
  const push = (to: number) => {
    if (block.text.slice(from, to).trim() !== "") parts.push({ text: block.text.slice(from, to), start: block.start + from });
    from = to;
  };
  for (let i = 0; i < block.text.length; i++) {
    const sign = block.text[i]!;
    const ends = ".;!".includes(sign) && /^(?:\s|$)/.test(block.text.slice(i + 1, i + 2));
    const [before, after] = [block.text.slice(Math.max(0, i - 8), i), block.text.slice(i + 1, i + 8)];
    // In capitals a sentence goes on with "PER", and "St. Augustinegrass" is one name.
    const abbreviated =
      sign === "." && ((SHORT.test(before) && (!/^\s+[A-Z]/.test(after) || GOES_ON.test(after))) || /\bst$/i.test(before));
    if ((ends && !abbreviated) || i - from >= LONGEST) push(i + 1);
  }
  push(block.text.length);
  return parts;
}

/** A number as labels write it: 0.25, 1,000, ½, 1/4, 1 1/2. */
export const NUMBER = String.raw`(?:\d+ )?\d+\/\d+|\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d*\.\d+|\d+`;
const WORDS: Record<string, number> = {
  one: 1,
  once: 1,
  two: 2,
  twice: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  eight: 8,
  ten: 10,
  twelve: 12,
};
export const COUNT = String.raw`\d{1,3}|${Object.keys(WORDS).join("|")}`;

/** A label's number written as a decimal: "1 1/2" → "1.5", "1,000" → "1000", "two" → "2". */
export function plain(number: string): string {
  const word = WORDS[number.toLowerCase()];
  if (word !== undefined) return String(word);
  const mixed = /^(?:(\d+) )?(\d+)\/(\d+)$/.exec(number);
  if (mixed) return String(Number((Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3])).toPrecision(6)));
  return String(Number(number.replaceAll(",", "")));
}
