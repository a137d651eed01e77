/**
 * What is wrong with something that came from outside, as data. The words are made by `wordsFor`, so that a screen,
 * the command and a test can each say it in their own way.
 */
export interface Issue {
  /** Where: `products[0].rate`. Empty for the whole. */
  readonly path: string;
  readonly code: IssueCode;
  /** What stands there, as typed. */
  readonly received: string;
  /** What would be right: an example, a choice, a range. */
  readonly expected: string;
  /** The same for a metric reader, where it has units of ours. */
  readonly metric?: string;
}

export type IssueCode =
  | "missing"
  | "half-character"
  | "not-text"
  | "not-a-number"
  | "comma-decimal"
  | "comma-asked"
  | "bad-thousands"
  | "fraction"
  | "sign"
  | "zero"
  | "exponent"
  | "too-large"
  | "too-small"
  | "no-unit"
  | "no-space"
  | "unknown-unit"
  | "wrong-unit"
  | "no-area"
  | "imperial-gallon"
  | "bad-clock"
  | "bad-ratio"
  | "weight-on-liquid"
  | "volume-on-dry"
  | "unknown-key"
  | "wrong-type"
  | "not-a-choice"
  | "too-few"
  | "too-many"
  | "too-long"
  | "contradiction"
  | "unknown-name"
  | "duplicate-name"
  | "bad-date"
  | "not-json"
  | "out-of-range"
  /** What is asked for can't be, whoever asks and whenever. */
  | "not-possible"
  /** Something has to be said first, that only a person knows. */
  | "answer-needed"
  /** It is done, closed or withdrawn already. */
  | "already-done"
  /** Something else comes first. */
  | "out-of-turn"
  /** A limit or a certificate holds it today: the weather, who sprays, the year. */
  | "not-allowed-now"
  /** The calibration is another's, too old, withdrawn or overtaken. */
  | "calibration-unusable"
  /** What a plan was made from is no longer so. */
  | "plan-outdated"
  /** Another piece of work holds the records. */
  | "busy"
  /** A person stopped it. */
  | "stopped"
  /** The server doesn't answer. */
  | "unreachable"
  /** It was asked by a page that isn't ours. */
  | "foreign-request"
  /** There is no such address. */
  | "not-found"
  /** Our fault. */
  | "internal"
  | "fault"
  | "too-big"
  | "kept-otherwise"
  | "changed-meanwhile"
  | "retired"
  | "unreadable"
  | "same-ground"
  | "reason-needed"
  | "held";

export type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issues: readonly Issue[] };

export const good = <T>(value: T): Result<T> => ({ ok: true, value });
export const bad = (...issues: Issue[]): { ok: false; issues: readonly Issue[] } => ({ ok: false, issues });

/** An issue of a part, at its place in the whole. */
export const issueAt = (place: string, issue: Issue): Issue => ({
  ...issue,
  path: [place, issue.path].filter(Boolean).join("."),
});

const MOST_PATH = 160;
const MOST_SAID = 200;
const cutTo = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** An issue as it is told: what came from outside once, and cut. Of a key that there isn't, its place says it. */
export const cutIssue = (issue: Issue): Issue => ({
  ...issue,
  path: cutTo(issue.path, MOST_PATH),
  received: issue.code === "unknown-key" && issue.path.endsWith(issue.received) ? "" : cutTo(issue.received, MOST_SAID),
});

const q = (text: string) => (text.length > 60 ? `"${text.slice(0, 57)}…"` : `"${text}"`);

/** What is the matter, and what to do: both are told by whoever found it. */
const said = (i: Issue) => `${i.received}, ${i.expected}`;

const WORDS: Record<IssueCode, (issue: Issue) => string> = {
  missing: (i) => `missing, write e.g. ${i.expected}`,
  "half-character": () => `half of a character stands in a text (an escape from \\ud800 to \\udfff alone): write the whole of it`,
  "not-text": (i) => `${i.received} is not text with a unit, write e.g. ${i.expected}`,
  "not-a-number": (i) => `${q(i.received)} does not begin with a number, write e.g. ${i.expected}`,
  "comma-decimal": (i) => `${q(i.received)} has a decimal comma, write a point: ${i.expected}`,
  "comma-asked": (i) => `is ${q(i.received)} ${i.expected}? write it without the comma, or with a point`,
  "bad-thousands": (i) => `${q(i.received)} has commas that don't stand between thousands, write e.g. ${i.expected}`,
  fraction: (i) => `${q(i.received)} is a fraction, write a decimal: ${i.expected}`,
  sign: (i) => `${q(i.received)} has a sign, write a plain number above zero, e.g. ${i.expected}`,
  zero: (i) => `${q(i.received)} is zero, write a number above zero, e.g. ${i.expected}`,
  exponent: (i) => `${q(i.received)} is written with an exponent, write the number out, e.g. ${i.expected}`,
  "too-large": (i) => `${q(i.received)} is too large, ${i.expected} is the most`,
  "too-small": (i) => `${q(i.received)} is too small, ${i.expected} is the least`,
  "no-unit": (i) => `${q(i.received)} has no unit, write e.g. ${i.expected}`,
  "no-space": (i) => `${q(i.received)} has no space between number and unit, write ${i.expected}`,
  "unknown-unit": (i) => `${q(i.received)} has a unit that is not known, ${i.expected}`,
  "wrong-unit": (i) => `${q(i.received)} has a unit of another kind, write e.g. ${i.expected}`,
  "no-area": (i) => `${q(i.received)} has no area, write e.g. ${i.expected}`,
  "imperial-gallon": (i) => `${q(i.received)} is an imperial gallon, not a US one: write it in litres (${i.expected})`,
  "bad-clock": (i) => `${q(i.received)} is not minutes and seconds, write e.g. ${i.expected}`,
  "bad-ratio": (i) => `${q(i.received)} is not a ratio of water to products, write e.g. ${i.expected}`,
  "weight-on-liquid": (i) => `${q(i.received)} is a weight, but the product is a liquid: ${i.expected}`,
  "volume-on-dry": (i) => `${q(i.received)} is a volume, but the product is dry: ${i.expected}`,
  "unknown-key": (i) => `not a key of the format${i.expected ? `, did you mean ${q(i.expected)}?` : ""}`,
  "wrong-type": (i) => `${i.received} stands where ${i.expected} is needed`,
  "not-a-choice": (i) => `${q(i.received)} is not one of: ${i.expected}`,
  "too-few": (i) => `${i.received}, at least ${i.expected} needed`,
  "too-many": (i) => `${i.received}, at most ${i.expected} possible`,
  "too-long": (i) => `${i.received} characters, at most ${i.expected} possible`,
  contradiction: (i) => `${i.received}: ${i.expected}`,
  "unknown-name": (i) => `${q(i.received)} is not among: ${i.expected}`,
  "duplicate-name": (i) => `${q(i.received)} is there already, give each its own ${i.expected}`,
  "bad-date": (i) => `${q(i.received)} is not a date, write e.g. ${i.expected}`,
  "not-json": (i) => `not JSON: ${i.received}, ${i.expected}`,
  "out-of-range": (i) => `${q(i.received)} can't be right, it should be ${i.expected}`,
  "not-possible": said,
  "answer-needed": said,
  "already-done": said,
  "out-of-turn": said,
  "not-allowed-now": said,
  "calibration-unusable": said,
  "plan-outdated": said,
  busy: said,
  stopped: said,
  unreachable: said,
  "foreign-request": said,
  "not-found": said,
  internal: said,
  fault: (i) => `${i.received} ${i.expected}`,
  "too-big": (i) => `this is larger than what is taken here: ${i.received}, at most ${i.expected}`,
  "kept-otherwise": (i) => `${i.received}: ${i.expected}`,
  "changed-meanwhile": (i) => `${i.received} was changed meanwhile: ${i.expected}`,
  retired: (i) => `${i.received} is retired: ${i.expected}`,
  unreadable: (i) => `${i.received} can't be read: ${i.expected}`,
  "same-ground": (i) => `is ${q(i.received)} the same ground as ${i.expected}?`,
  "reason-needed": (i) => `${i.received}: ${i.expected}`,
  held: (i) => `held: ${i.received} ${i.expected}`,
};

/** What is wrong and what would be right, in words, without the place. */
export function wordsFor(issue: Issue, system: "us" | "metric" = "us"): string {
  const expected = (system === "metric" && issue.metric) || issue.expected;
  return WORDS[issue.code]({ ...issue, expected });
}

/** One line: the place, then the words. The form that the `gauge` command prints. */
export function lineFor(told: Issue): string {
  const issue = { ...told, path: cutTo(told.path, MOST_PATH) };
  return issue.path === "" ? wordsFor(issue) : `${issue.path}: ${wordsFor(issue)}`;
}
