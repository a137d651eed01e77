import fc from "fast-check";
import type { AreaRate } from "./active";
import type { Counting } from "./budget";
import type { LabelSays, LimitRow, PutDown } from "./label";
import type { LabelRate } from "./label-rate";
import { judgeMix } from "./limit-mix";
import { judgeZone } from "./limits";
import { entered } from "../quantity/parse";
import { given, num, type Source } from "../working/rule";

/** Limits as the labels of our own making state them; the arithmetic by hand. */
const weight = (text: string) => given(entered(text, "rateByWeight"), "rate");
const volume = (text: string) => given(entered(text, "rateByVolume"), "rate");
const rate = (text: string) => entered(text, /fl oz|pt|gal/.test(text) ? "rateByVolume" : "rateByWeight") as LabelRate;
const HALF = { name: "osselfenate", content: entered("40 %", "share") } as const;
const SPRAY = given(entered("1 gal/1000 ft2", "sprayVolume"), "spray volume");
const day = (date: string, more: object = {}) => ({ site: "Green", date, sprayVolume: SPRAY, ...more });

const granule = (text: string, row: Partial<LimitRow> = {}, says: Partial<LabelSays> = {}): Counting => ({
  name: "Granule",
  dry: true,
  rate: weight(text),
  says: { actives: [HALF], limits: [row], ...says },
});
const down = (date: string, text: string, more: Partial<PutDown> = {}): PutDown => ({
  of: "Granule",
  active: HALF,
  amount: weight(text),
  date,
  ...more,
});
const judge = (products: Counting[], applied: PutDown[] = [], date = "2026-09-02", zone: object = {}, more: object = {}) =>
  judgeZone(products, { name: "north", applied, ...zone }, day(date, more));
const codes = (...of: Parameters<typeof judge>) => judge(...of).reasons.map((r) => r.code);
const mostOf = (...of: Parameters<typeof judge>) => {
  const most = judge(...of).reasons[0]!.most!;
  return num(most as Source<"rateByWeight">) / num(weight("1 oz/1000 ft2"));
};

describe("at once", () => {
  const limit = { perApplication: rate("0.4 oz/1000 ft2") };
  test("equality passes, whatever the unit it is written in", () => {
    expect(codes([granule("0.4 oz/1000 ft2", limit)])).toEqual([]);
    expect(codes([granule("17.424 oz/ac", limit)])).toEqual([]);
    expect(codes([granule("0.40001 oz/1000 ft2", limit)])).toEqual(["over-application-limit"]);
  });
  test("the most still allowed is the limit, or the label's highest rate where that is less", () => {
    expect(mostOf([granule("0.5 oz/1000 ft2", limit)])).toBeCloseTo(0.4, 12);
    const range = { range: [rate("0.2 oz/1000 ft2"), rate("0.3 oz/1000 ft2")] as const };
    expect(mostOf([granule("0.5 oz/1000 ft2", limit, range)])).toBeCloseTo(0.3, 12);
    expect(codes([granule("0.35 oz/1000 ft2", limit, range)])).toEqual(["over-application-limit"]);
  });
  test("two products of one mix share the active: a granule and a liquid", () => {
    const liquid: Counting = {
      name: "Liquid",
      dry: false,
      rate: volume("3 fl oz/1000 ft2"),
      says: { actives: [{ name: "Osselfenate ", content: entered("1 lb/gal", "activeStrength") }], limits: [] },
    };
    // 3 fl oz of 1 lb/gal hold 0.375 oz of active: as much as 0.9375 oz of a granule of 40 %.
    const { reasons } = judge([granule("0.2 oz/1000 ft2", { perApplication: rate("1 oz/1000 ft2") }), liquid]);
    expect(reasons.map((r) => [r.code, r.product])).toEqual([["over-application-limit", "Granule"]]);
    expect(num(reasons[0]!.most as Source<"rateByWeight">) / num(weight("1 oz/1000 ft2"))).toBeCloseTo(0.0625, 10);
    expect(codes([granule("0.06 oz/1000 ft2", { perApplication: rate("1 oz/1000 ft2") }), liquid])).toEqual([]);
  });
});

describe("in a year", () => {
  const limit = { perYear: rate("0.8 oz/1000 ft2"), yearKind: "calendar" as const };
  test("another product counts by its active, 1.5 oz of 2 % as 0.075 oz of 40 %", () => {
    const other = down("2026-04-14", "1.5 oz/1000 ft2", {
      of: "Other",
      active: { name: "osselfenate", content: entered("2 %", "share") },
    });
    const judged = judge([granule("0.725 oz/1000 ft2", limit)], [other]);
    expect(judged.reasons).toEqual([]);
    expect(num(judged.budgets[0]!.used as Source<"rateByWeight">) / num(weight("1 oz/1000 ft2"))).toBeCloseTo(0.075, 12);
    expect(mostOf([granule("0.726 oz/1000 ft2", limit)], [other])).toBeCloseTo(0.725, 12);
  });
  test("another active doesn't, nor another zone's year", () => {
    const other = down("2026-04-14", "9 oz/1000 ft2", { active: { name: "tollazole", content: entered("40 %", "share") } });
    expect(codes([granule("0.8 oz/1000 ft2", limit)], [other, down("2025-12-31", "0.8 oz/1000 ft2")])).toEqual([]);
    expect(codes([granule("0.1 oz/1000 ft2", limit)], [down("2026-12-24", "0.8 oz/1000 ft2")])).toEqual(["over-year-limit"]);
  });
  test("a rolling year ends on the date, the same day a year before is out", () => {
    const rolling = { ...limit, yearKind: "rolling" as const };
    expect(codes([granule("0.4 oz/1000 ft2", rolling)], [down("2025-09-02", "0.8 oz/1000 ft2")])).toEqual([]);
    expect(codes([granule("0.4 oz/1000 ft2", rolling)], [down("2025-09-03", "0.8 oz/1000 ft2")])).toEqual(["over-year-limit"]);
    expect(codes([granule("0.4 oz/1000 ft2", rolling)], [down("2026-09-03", "0.8 oz/1000 ft2")])).toEqual([]);
    expect(
      codes([granule("0.4 oz/1000 ft2", rolling)], [down("2026-09-03", "0.8 oz/1000 ft2")], "2026-09-02", {}, { anyOrder: true }),
    ).toEqual(["over-year-limit"]);
  });
  test("a product without actives counts against itself by its name", () => {
    const plain = (text: string): Counting => ({
      name: "Wetter",
      dry: false,
      rate: volume(text),
      says: { actives: [], limits: [{ perYear: rate("10 fl oz/1000 ft2") }] },
    });
    const before: PutDown = { of: "wetter", amount: volume("6 fl oz/1000 ft2"), date: "2026-05-01" };
    expect(codes([plain("4 fl oz/1000 ft2")], [before])).toEqual([]);
    expect(codes([plain("5 fl oz/1000 ft2")], [before])).toEqual(["over-year-limit"]);
  });
  test("what holds the active and can't be compared holds the plan: leaving it out could pass the limit", () => {
    const unknown: PutDown = {
      of: "Liquid",
      active: { name: "osselfenate", content: entered("20 %", "share") },
      amount: volume("3 fl oz/1000 ft2"),
      date: "2026-05-01",
    };
    expect(codes([granule("0.1 oz/1000 ft2", limit)], [unknown])).toEqual(["uncountable"]);
    expect(codes([granule("0.1 oz/1000 ft2", limit)], [{ ...unknown, gravity: entered("1.1", "gravity") }])).toEqual([
      "over-year-limit",
    ]);
  });
  test("of one liquid the specific gravity isn't needed", () => {
    const own = { name: "tollazole", content: entered("22 %", "share") } as const;
    const liquid = (text: string): Counting => ({
      name: "Liquid",
      dry: false,
      rate: volume(text),
      says: { actives: [own], limits: [{ perYear: rate("2 fl oz/1000 ft2") }] },
    });
    const before: PutDown = { of: "Liquid", active: own, amount: volume("1.5 fl oz/1000 ft2"), date: "2026-05-01" };
    expect(codes([liquid("0.5 fl oz/1000 ft2")], [before])).toEqual([]);
    expect(codes([liquid("0.51 fl oz/1000 ft2")], [before])).toEqual(["over-year-limit"]);
  });
});

describe("counts, intervals, turf, seed", () => {
  test("two applications a year, and no third", () => {
    const twice = [down("2026-04-01", "0.1 oz/1000 ft2"), down("2026-06-01", "0.1 oz/1000 ft2")];
    expect(codes([granule("0.1 oz/1000 ft2", { applicationsPerYear: 2 })], twice.slice(1))).toEqual([]);
    expect(codes([granule("0.1 oz/1000 ft2", { applicationsPerYear: 2 })], twice)).toEqual(["over-count-limit"]);
  });
  test("35 days between: the 35th is enough, the 34th isn't; then it says from when", () => {
    const row = { intervalAtLeast: 35 };
    expect(codes([granule("0.1 oz/1000 ft2", row)], [down("2026-07-29", "0.1 oz/1000 ft2")])).toEqual([]);
    const [reason] = judge([granule("0.1 oz/1000 ft2", row)], [down("2026-07-30", "0.1 oz/1000 ft2")]).reasons;
    expect([reason!.code, reason!.earliest]).toEqual(["too-soon", "2026-09-03"]);
    const planned = judge([granule("0.1 oz/1000 ft2", row)], [down("2026-08-30", "0.1 oz/1000 ft2", { planned: true })])
      .reasons[0]!;
    expect(planned.values).toEqual({ on: "2026-08-30", planned: true, wait: 35 });
  });
  test("what may still work isn't judged: before its label's day a repeat is asked about, on it not any more", () => {
    const slow = (more: Partial<LabelSays> = {}) => [granule("0.1 oz/1000 ft2", {}, { visibleAfter: 14, ...more })];
    const warned = (...of: Parameters<typeof judge>) => judge(...of).warnings;
    expect(warned(slow(), [down("2026-08-20", "0.1 oz/1000 ft2")])).toEqual([
      {
        code: "not-to-be-judged-yet",
        values: { product: "Granule", zone: "north", on: "2026-08-20", from: "2026-09-03" },
      },
    ]);
    expect(warned(slow(), [down("2026-08-19", "0.1 oz/1000 ft2")])).toEqual([]);
    // The newest counts; what only stands on a sheet, what comes later, what holds another active, don't.
    const two = [down("2026-08-30", "0.1 oz/1000 ft2"), down("2026-08-20", "0.1 oz/1000 ft2")];
    expect(warned(slow(), two)[0]!.values).toMatchObject({ on: "2026-08-30" });
    expect(warned(slow(), [down("2026-08-30", "0.1 oz/1000 ft2", { planned: true })])).toEqual([]);
    expect(warned(slow(), [down("2026-09-03", "0.1 oz/1000 ft2")])).toEqual([]);
    const other = { name: "quarril", content: entered("40 %", "share") } as const;
    expect(warned(slow(), [down("2026-08-30", "0.1 oz/1000 ft2", { active: other, of: "Other" })])).toEqual([]);
    // Another product with the same active is the same work twice.
    expect(warned(slow(), [down("2026-08-30", "0.1 oz/1000 ft2", { of: "Other" })])).toHaveLength(1);
    expect(warned(slow({ visibleAfter: undefined } as never), two)).toEqual([]);
  });
  test("a second half that comes too late is told", () => {
    const { warnings } = judge([granule("0.1 oz/1000 ft2", { intervalAtMost: 70 })], [down("2026-06-01", "0.1 oz/1000 ft2")]);
    expect(warnings.map((w) => w.code)).toEqual(["second-half-late"]);
  });
  test("a row for one turf or one jurisdiction binds there, and where nobody knows", () => {
    const row = { turf: "Bentgrass", perApplication: rate("0.1 oz/1000 ft2") };
    expect(codes([granule("0.3 oz/1000 ft2", row)], [], "2026-09-02", { turf: "ryegrass" })).toEqual([]);
    expect(codes([granule("0.3 oz/1000 ft2", row)], [], "2026-09-02", { turf: "bentgrass" })).toEqual(["over-application-limit"]);
    expect(judge([granule("0.3 oz/1000 ft2", row)]).warnings.map((w) => w.code)).toEqual(["turf-unknown"]);
    const local = { jurisdiction: "the county", perApplication: rate("0.1 oz/1000 ft2") };
    expect(codes([granule("0.3 oz/1000 ft2", local)], [], "2026-09-02", {}, { jurisdiction: "elsewhere" })).toEqual([]);
    expect(codes([granule("0.3 oz/1000 ft2", local)], [], "2026-09-02", {}, { jurisdiction: "The county" })).toEqual([
      "over-application-limit",
    ]);
  });
  test("turf that the label doesn't name", () => {
    const says = { turfs: ["ryegrass", "fescue"] };
    expect(codes([granule("0.3 oz/1000 ft2", {}, says)], [], "2026-09-02", { turf: "bentgrass" })).toEqual(["turf-not-allowed"]);
    expect(codes([granule("0.3 oz/1000 ft2", {}, says)], [], "2026-09-02", { turf: "Ryegrass" })).toEqual([]);
  });
  test("new seed, sod, and seed to come, the residual included", () => {
    const says = { afterSeeding: 56, afterSodding: 28, beforeSeeding: 30, residual: 90 };
    const one = (zone: object) => codes([granule("0.3 oz/1000 ft2", {}, says)], [], "2026-09-02", zone);
    expect(one({ seeded: "2026-07-08" })).toEqual([]);
    expect(one({ seeded: "2026-07-09" })).toEqual(["too-soon-after-seeding"]);
    expect(one({ sodded: "2026-08-20" })).toEqual(["too-soon-after-seeding"]);
    expect(one({ seeding: "2026-11-30" })).toEqual(["too-soon-before-seeding"]);
    expect(one({ seeding: "2026-12-01" })).toEqual([]);
  });
});

describe("carrier, dilution, head", () => {
  const mixCodes = (says: Partial<LabelSays>, text = "0.3 oz/1000 ft2", hoseEnd = false) =>
    judgeMix([granule(text, {}, says)], { sprayVolume: SPRAY }, hoseEnd).reasons.map((r) => r.code);
  test("the label's least water", () => {
    expect(mixCodes({ carrierAtLeast: entered("1 gal/1000 ft2", "sprayVolume") })).toEqual([]);
    expect(mixCodes({ carrierAtLeast: entered("1.01 gal/1000 ft2", "sprayVolume") })).toEqual(["under-carrier-minimum"]);
  });
  test("9 : 1 in 320 fl oz is at most 32 fl oz of all products", () => {
    const liquid = (text: string): Counting => ({
      name: "L",
      dry: false,
      rate: volume(text),
      says: { actives: [], limits: [], dilutionAtLeast: entered("9:1", "dilution") },
    });
    const spray = given(entered("320 fl oz/1000 ft2", "sprayVolume"), "q");
    const of = (...texts: string[]) => judgeMix(texts.map(liquid), { sprayVolume: spray }, false).reasons.map((r) => r.code);
    expect(of("32 fl oz/1000 ft2")).toEqual([]);
    expect(of("32.1 fl oz/1000 ft2")).toEqual(["over-concentrated"]);
    expect(of("20 fl oz/1000 ft2", "13 fl oz/1000 ft2")).toEqual(["over-concentrated", "over-concentrated"]);
  });
  test("a head that the label forbids", () => {
    expect(mixCodes({ hoseEnd: false }, "0.3 oz/1000 ft2", true)).toEqual(["hose-end-not-allowed"]);
    expect(mixCodes({ hoseEnd: true }, "0.3 oz/1000 ft2", true)).toEqual([]);
  });
});

/**
 * The property that matters: whatever is planned and recorded, in whatever order and on whatever days, no year of the
 * label ever holds more than it allows, nor more applications, nor two of them too near each other.
 */
describe("no sequence of plans passes a limit", () => {
  const LIMIT = 0.8;
  const COUNT = 4;
  const WAIT = 10;
  const date = (n: number) => new Date(Date.UTC(2024, 0, 1 + n)).toISOString().slice(0, 10);
  const plans = fc.array(
    fc.record({
      day: fc.integer({ min: 0, max: 1200 }),
      ounces: fc.double({ min: 0.01, max: 0.5, noNaN: true }),
      planned: fc.boolean(),
    }),
    { minLength: 1, maxLength: 40 },
  );
  const text = (ounces: number) => `${Number(ounces.toPrecision(6))} oz/1000 ft2`;

  test.each(["calendar", "rolling"] as const)("%s years", (yearKind) => {
    const row = { perYear: rate(`${LIMIT} oz/1000 ft2`), yearKind, applicationsPerYear: COUNT, intervalAtLeast: WAIT };
    fc.assert(
      fc.property(plans, (wanted) => {
        const applied: PutDown[] = [];
        for (const { day: n, ounces, planned } of wanted) {
          const product = granule(text(ounces), row);
          const { reasons } = judge([product], applied, date(n), {}, { anyOrder: true });
          if (reasons.length === 0) applied.push(down(date(n), text(ounces), { planned }));
          // A held plan brought down to the most that is allowed is not held for its amount any more.
          const over = reasons.find((r) => r.code === "over-year-limit");
          if (over && num(over.most as Source<"rateByWeight">) > 0) {
            const less = judge([{ ...product, rate: over.most as AreaRate }], applied, date(n), {}, { anyOrder: true });
            expect(less.reasons.map((r) => r.code)).not.toContain("over-year-limit");
          }
        }
        // A naive count over every window, by hand.
        const ounces = (e: PutDown) => num(e.amount as Source<"rateByWeight">) / num(weight("1 oz/1000 ft2"));
        for (const end of applied) {
          const inYear = applied.filter((e) =>
            yearKind === "calendar"
              ? e.date.startsWith(end.date.slice(0, 4))
              : e.date <= end.date &&
                Date.parse(e.date) > new Date(end.date).setUTCFullYear(new Date(end.date).getUTCFullYear() - 1),
          );
          expect(inYear.reduce((sum, e) => sum + ounces(e), 0)).toBeLessThanOrEqual(LIMIT * (1 + 1e-6));
          expect(inYear.length).toBeLessThanOrEqual(COUNT);
          for (const other of applied)
            if (other !== end)
              expect(Math.abs(Date.parse(other.date) - Date.parse(end.date))).toBeGreaterThanOrEqual(WAIT * 86_400_000);
        }
      }),
      { numRuns: 150 },
    );
  });
});
