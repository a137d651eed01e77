import { readLabel } from "@/core/reader/reader";
import { cardFormOf, type CardForm } from "../forms/card-form-of";
import { takeMarks } from "./take-mark";

/**
 * Sentences about limits, of our own making, in the wording habits of labels: what is marked is what is kept, each in a row of its own with
 * its turf, its place and its period, and never one in place of another.
 */

/** A limit as a row has it: what it is of, its figure, and what it is for. */
interface Limit {
  readonly of: "perApplication" | "perYear" | "applicationsPerYear" | "intervalAtLeast";
  readonly value: string;
  readonly turf?: string;
  readonly jurisdiction?: string;
  readonly yearKind?: "calendar" | "rolling";
}

const AMOUNTS = [
  ["0.8 oz per 1,000 sq ft", "0.8 oz per 1,000 sq ft"],
  ["1.5 fl oz/1,000 sq. ft.", "1.5 fl oz per 1,000 sq ft"],
  ["2 lb per acre", "2 lb per acre"],
  ["34.8 fluid ounces per acre", "34.8 fluid ounces per acre"],
  ["1 1/2 pints per acre", "1.5 pints per acre"],
  ["0.5 lb ai per acre", "0.5 lb ai per acre"],
  ["2.5 L/ha", "2.5 L per ha"],
] as const;
const [A, B] = [AMOUNTS[0], AMOUNTS[1]];
type Amount = (typeof AMOUNTS)[number];

const year = ([, value]: Amount | readonly [string, string], more: Partial<Limit> = {}): Limit => ({
  of: "perYear",
  value,
  ...more,
});
const once = ([, value]: Amount | readonly [string, string], more: Partial<Limit> = {}): Limit => ({
  of: "perApplication",
  value,
  ...more,
});
const times = (value: string, more: Partial<Limit> = {}): Limit => ({ of: "applicationsPerYear", value, ...more });
const days = (value: string, more: Partial<Limit> = {}): Limit => ({ of: "intervalAtLeast", value, ...more });

/** Frames for one figure, each filled with every amount. */
const FRAMES: readonly (readonly [frame: string, says: (amount: Amount) => readonly Limit[]])[] = [
  ["Do not apply more than {} per year.", (a) => [year(a)]],
  ["Do not exceed {} per calendar year.", (a) => [year(a, { yearKind: "calendar" })]],
  ["Do not exceed a total of {} in any 12-month period.", (a) => [year(a, { yearKind: "rolling" })]],
  ["Maximum annual rate: {}.", (a) => [year(a)]],
  ["Never apply more than {} within 365 days.", (a) => [year(a, { yearKind: "rolling" })]],
  ["DO NOT APPLY MORE THAN {} PER GROWING SEASON.", (a) => [year(a)]],
  ["Do not exceed {} per application.", (a) => [once(a)]],
  ["Do not apply more than {} in a single application.", (a) => [once(a)]],
  ["Maximum single application rate is {}.", (a) => [once(a)]],
  ["The maximum amount applied at any one time must not exceed {}.", (a) => [once(a)]],
  ["On creeping bentgrass, do not apply more than {} per year.", (a) => [year(a, { turf: "creeping bentgrass" })]],
  ["Do not exceed {} per year on tall fescue.", (a) => [year(a, { turf: "tall fescue" })]],
  ["For zoysiagrass, maximum {} per application.", (a) => [once(a, { turf: "zoysiagrass" })]],
  [
    "In Quay County, do not exceed {} per calendar year.",
    (a) => [year(a, { jurisdiction: "Quay County", yearKind: "calendar" })],
  ],
  ["In the State of Ferrymark, do not apply more than {} per year.", (a) => [year(a, { jurisdiction: "Ferrymark" })]],
  ["Do not exceed {} per year in Ferrymark.", (a) => [year(a, { jurisdiction: "Ferrymark" })]],
  ["Do not apply more than {} per year to any one site.", (a) => [year(a)]],
  ["For spot treatments, do not exceed {} per application.", (a) => [once(a)]],
  ["Rescue treatments: do not apply more than {} per season.", (a) => [year(a)]],
  ["When applied as a split application, do not exceed a combined total of {} per year.", (a) => [year(a)]],
  ["Maximum {} per year.", (a) => [year(a)]],
  ["No more than {} may be applied annually.", (a) => [year(a)]],
];

/** Sentences that say several things, or nothing of an amount. */
const WHOLE: readonly (readonly [sentence: string, says: readonly Limit[]])[] = [
  [
    `On bentgrass do not exceed ${A[0]} per year; on ryegrass do not exceed ${B[0]} per year.`,
    [year(A, { turf: "bentgrass" }), year(B, { turf: "ryegrass" })],
  ],
  [
    `Do not apply more than ${A[0]} per year on bentgrass. Do not apply more than ${B[0]} per year on bermudagrass.`,
    [year(A, { turf: "bentgrass" }), year(B, { turf: "bermudagrass" })],
  ],
  [
    `Do not exceed ${A[0]} on bentgrass or ${B[0]} on tall fescue per year.`,
    [year(A, { turf: "bentgrass" }), year(B, { turf: "tall fescue" })],
  ],
  [`Do not exceed ${A[0]} per application or ${B[0]} per year.`, [once(A), year(B)]],
  [
    `Do not exceed ${A[0]} per application. Do not exceed ${B[0]} per calendar year.`,
    [once(A), year(B, { yearKind: "calendar" })],
  ],
  [
    `Do not exceed ${A[0]} per calendar year. In Quay County, do not exceed ${B[0]} per calendar year.`,
    [year(A, { yearKind: "calendar" }), year(B, { yearKind: "calendar", jurisdiction: "Quay County" })],
  ],
  [`Do not exceed ${B[0]} per year. Do not exceed ${A[0]} in any 12 months.`, [year(B), year(A, { yearKind: "rolling" })]],
  [`Do not exceed ${A[0]} per year. Do not exceed ${A[0]} per year.`, [year(A)]],
  ["Do not make more than two applications per year.", [times("2")]],
  ["Maximum of 4 applications per year.", [times("4")]],
  [
    "Do not make more than 3 applications per calendar year on St. Augustinegrass.",
    [times("3", { turf: "st. augustinegrass", yearKind: "calendar" })],
  ],
  ["Limited to 2 applications per season.", [times("2")]],
  ["In Ferrymark, do not make more than one application per year.", [times("1", { jurisdiction: "Ferrymark" })]],
  ["Allow at least 28 days between applications.", [days("28 days")]],
  [
    "On creeping bentgrass, allow at least 21 days between applications. On tall fescue, allow at least 14 days between applications.",
    [days("21 days", { turf: "creeping bentgrass" }), days("14 days", { turf: "tall fescue" })],
  ],
  [
    "Do not make more than two applications per year. On bentgrass, do not make more than one application per year.",
    [times("2"), times("1", { turf: "bentgrass" })],
  ],
  ["Wait at least 6 weeks before reapplying.", [days("6 weeks")]],
];

const CORPUS = [
  ...FRAMES.flatMap(([frame, says]) => AMOUNTS.map((amount) => [frame.replace("{}", amount[0]), says(amount)] as const)),
  ...AMOUNTS.flatMap((one, i) => {
    const other = AMOUNTS[(i + 1) % AMOUNTS.length]!;
    return [
      [`Do not exceed ${one[0]} per application and ${other[0]} per year.`, [once(one), year(other)]],
      [
        `On bermudagrass do not exceed ${one[0]} per year. On bahiagrass do not exceed ${other[0]} per year.`,
        [year(one, { turf: "bermudagrass" }), year(other, { turf: "bahiagrass" })],
      ],
      [
        `Do not exceed ${one[0]} per year. In Quay County do not exceed ${other[0]} per year.`,
        [year(one), year(other, { jurisdiction: "Quay County" })],
      ],
    ] as const;
  }),
  ...WHOLE,
];

const told = ({ of, value, turf = "", jurisdiction = "", yearKind }: Limit) =>
  `${of} ${value.toLowerCase()}${turf && ` on ${turf}`}${jurisdiction && ` in ${jurisdiction}`}${yearKind ? ` ${yearKind}` : ""}`;
const YEARLY = ["perYear", "applicationsPerYear"];
const limitsIn = (card: CardForm): string[] =>
  card.limits.flatMap(({ turf, jurisdiction, yearKind, ...row }) =>
    (["perApplication", "perYear", "applicationsPerYear", "intervalAtLeast"] as const).flatMap((of) => {
      const kind = YEARLY.includes(of) && yearKind !== "" ? { yearKind: yearKind as "calendar" | "rolling" } : {};
      return row[of] === "" ? [] : [told({ of, value: row[of], turf, jurisdiction, ...kind })];
    }),
  );

const isLimit = (field: string) => /^(?:perApplication|perYear|applicationsPerYear|interval)$/.test(field);

test("there are two hundred sentences", () => expect(CORPUS.length).toBeGreaterThanOrEqual(190));

let [marked, kept] = [0, 0];
test.each(CORPUS)("%s", (sentence, says) => {
  const marks = readLabel(sentence);
  const card = takeMarks(cardFormOf(), marks).form;
  expect(limitsIn(card).sort()).toEqual(says.map(told).sort());
  marked += marks.filter(({ field }) => isLimit(field)).length;
  kept += limitsIn(card).length;
});
test("as many are kept as were marked", () => {
  expect([kept, marked]).toEqual([marked, marked]);
  expect(marked).toBeGreaterThanOrEqual(CORPUS.length);
});
