import { readFileSync } from "node:fs";
import { lineFor, type Result } from "@/core/issue";
import { readLabel } from "@/core/reader/reader";
import { BLANK_LIMIT, BLANK_RATE, cardFormOf } from "../forms/card-form-of";
import { planOf, soundJob } from "../job-file/assemble";
import type { JobFile, ProductText, SiteText } from "../job-file/types";
import { rowWords, type CardText } from "./card";
import { cardSlips } from "./card-slips";
import { choiceWords, isChoice, likelyRow, rateAt, rowRates, secondHalf } from "./choice";
import { cardsFromCsv, cardsFromJson, cardsFromText, cardsToCsv, cardsToJson } from "./csv";
import { cardOf, productOf } from "./product-of";
import { readCard } from "./read-card";
import { markWords, takeMarks } from "./take-mark";

const must = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(result.issues.map(lineFor).join("\n"));
  return result.value;
};
const faults = (result: Result<unknown>) => (result.ok ? [] : result.issues.map((i) => `${i.path} ${i.code}`));
const DEMO = must(cardsFromJson(readFileSync("demo/labels.json", "utf8")));
const named = (name: string): CardText => DEMO.find((c) => c.name.startsWith(name))!;

describe("cards out and in", () => {
  test("the demo's cards come back from JSON and from CSV as they were", () => {
    expect(must(cardsFromJson(cardsToJson(DEMO)))).toEqual(DEMO);
    expect(must(cardsFromCsv(cardsToCsv(DEMO)))).toEqual(DEMO);
    expect(must(cardsFromText(cardsToCsv(DEMO)))).toEqual(DEMO);
    expect(must(cardsFromText(cardsToJson(DEMO)))).toEqual(DEMO);
  });
  test("what a spreadsheet would take for a formula is a text there, and comes back", () => {
    const card = must(readCard({ name: "=2+3", form: "dry", rates: [{ rate: "1" }], notes: "-not a sum" }));
    expect(cardsToCsv([card])).toContain("'=2+3");
    expect(must(cardsFromCsv(cardsToCsv([card])))).toEqual([card]);
  });
  test("a small table by hand", () => {
    const [card] = must(
      cardsFromCsv('name,form,rate,rate to,active,active content\nA,liquid,1.5,2,demo active,"4 lb/gal"\n,,3 fl oz/gal,,,\n'),
    );
    expect(card!.rates).toEqual([{ rate: "1.5 fl oz/1000 ft2", to: "2 fl oz/1000 ft2" }, { rate: "3 fl oz/gal" }]);
    expect(card!.actives).toEqual([{ name: "demo active", content: "4 lb/gal" }]);
  });
  test.each([
    ["name,form,colour\nA,dry,red\n", ["line 1 not-a-choice"]],
    ["form,rate\ndry,1\n", ["line 1 missing"]],
    ["name,form,rate\nA,dry,fast\nB,wet,1\n", ["line 2.rates[0].rate not-a-number", "line 3.form not-a-choice"]],
    ["name,form,rate\nA,dry,1\nA,dry,2\n", ["line 3 duplicate-name"]],
    ["name,form,rate\n", [" too-few"]],
    ['name,form,rate\n"A,dry,1\n', ["line 2 not-possible"]],
  ])("%j is refused with its place", (text, expected) => expect(faults(cardsFromCsv(text))).toEqual(expected));
  test.each([
    "{",
    "{}",
    '{"format":"careful-gauge-cards","version":1,"cards":7}',
    '{"format":"careful-gauge-cards","version":1,"cards":[{}]}',
  ])("%s is refused", (text) => expect(cardsFromJson(text).ok).toBe(false));
});

describe("reading a card", () => {
  const form = { ...cardFormOf(), name: "A", rates: [{ ...BLANK_RATE, rate: "0.3" }] };
  test("blank texts are what the label leaves out", () =>
    expect(must(readCard(form))).toEqual({
      name: "A",
      form: "dry",
      actives: [],
      gear: [],
      packages: [],
      limits: [],
      rates: [{ rate: "0.3 oz/1000 ft2" }],
    }));
  test("weeks and months are days, a temperature has its unit, a stated rate keeps its form", () => {
    const card = must(
      readCard({
        ...form,
        analysis: "24-0-11",
        residual: "3 months",
        airMost: "85",
        soilLeast: "10 C",
        limits: [{ ...BLANK_LIMIT, intervalAtLeast: "8 weeks" }],
        rates: [{ rate: "0.75 lb N per 1,000 sq ft" }],
      }),
    );
    expect([card.residual, card.airMost, card.soilLeast, card.limits[0]!.intervalAtLeast]).toEqual([
      "90 days",
      "85 °F",
      "10 °C",
      "56 days",
    ]);
    expect(card.rates[0]!.rate).toBe("0.75 lb N/1000 ft2");
  });
  test.each<[string, object, string]>([
    ["no name", { name: " " }, "name missing"],
    ["no rate", { rates: [] }, "rates[0].rate missing"],
    ["a volume of a dry product", { rates: [{ rate: "3 fl oz/1000 ft2" }] }, "rates[0].rate volume-on-dry"],
    ["a range upside down", { rates: [{ rate: "0.4", to: "0.2" }] }, "rates[0].to contradiction"],
    ["two kinds of rate in a range", { rates: [{ rate: "0.4", to: "2 oz/gal" }] }, "rates[0].to contradiction"],
    ["nitrogen without an analysis", { rates: [{ rate: "1 lb N/1000 ft2" }] }, "rates[0].rate not-possible"],
    ["an active without its content", { actives: [{ name: "a" }] }, "actives[0].content missing"],
    ["more than all of it", { actives: [{ name: "a", content: "140 %" }] }, "actives[0].content out-of-range"],
    ["a weight in a gallon of a dry product", { actives: [{ name: "a", content: "4 lb/gal" }] }, "actives[0].content wrong-unit"],
    ["half an application", { limits: [{ applicationsPerYear: "1.5" }] }, "limits[0].applicationsPerYear out-of-range"],
    ["a wait of no days", { limits: [{ intervalAtLeast: "soon" }] }, "limits[0].intervalAtLeast not-a-number"],
    ["a signal word of our own", { signalWord: "careful" }, "signalWord not-a-choice"],
    ["a package by volume", { packages: [{ content: "1 gal" }] }, "packages[0].content volume-on-dry"],
    ["a dilution that is none", { dilutionAtLeast: "9" }, "dilutionAtLeast bad-ratio"],
    ["a list that is a text", { rates: "0.3" }, "rates wrong-type"],
  ])("%s", (_what, more, expected) => expect(faults(readCard({ ...form, ...more }))).toContain(expected));
  test.each([null, [], "card"])("%j is no card", (input) => expect(readCard(input).ok).toBe(false));
});

describe("a card as a job file's product", () => {
  test("every demo card goes out and comes back as it was", () => {
    // A limit that is stated as a nutrient comes back as so much product.
    for (const card of DEMO.filter((c) => !c.name.startsWith("Saltwater")))
      expect(must(cardOf(must(productOf(card, card.rates[0]!.rate))))).toEqual(card);
    const feed = must(cardOf(must(productOf(named("Saltwater"), "3 fl oz/1000 ft2"))));
    expect(parseFloat(feed.limits[0]!.perApplication!)).toBeCloseTo(21.30248, 5);
  });
  test("a price goes out in the firm's currency; one of another firm's comes in as a note, never as a figure", () => {
    const card = DEMO.find((one) => one.packages.some(({ price }) => price !== undefined))!;
    const { content, price } = card.packages.find((one) => one.price !== undefined)!;
    const product = must(productOf(card, card.rates[0]!.rate, undefined, "EUR"));
    expect(product.price).toEqual({ amount: Number(price), currency: "EUR", per: content });
    expect(must(cardOf(product, "", "EUR"))).toEqual(card);
    const elsewhere = must(cardOf(product, "", "CAD"));
    expect(elsewhere.packages).toEqual(card.packages.map((one) => ({ content: one.content })));
    expect(elsewhere.notes).toContain(`${Number(price).toFixed(2)} EUR for ${content}`);
    const bare = must(cardOf({ ...product, label: {} }, "", "USD"));
    expect(bare.packages).toEqual([{ content }]);
  });
  test("a nutrient is product in the file, with how it was turned", () => {
    const product = must(productOf(named("Saltwater"), "0.25 lb N/1000 ft2", { row: 1, point: "most" }));
    // 0.25 lb ÷ 15 % ÷ 1.2 g/mL.
    expect(parseFloat(product.rate)).toBeCloseTo((0.25 * 453.59237) / 0.15 / 1.2 / 29.5735295625, 10);
    expect(product.rateChoice).toMatchObject({ stated: "0.25 lb N/1000 ft2" });
    const job = soundJob(job0([product]));
    expect(job.products[0]!.by?.rule.id).toBe("liquid-for-active");
  });
  test("what binds it holds the plan wherever the file goes", () => {
    const site = (more: object): SiteText => ({ name: "Green", zones: [{ name: "all", area: "4000 ft2", ...more }] });
    const plan = (product: ProductText, more: object = {}) => planned(job0([product], [site(more)]));
    const osselgrain = must(productOf(named("Osselgrain"), "0.4 oz/1000 ft2", { row: 1, point: "least" }));
    expect(plan(osselgrain, { turf: "ryegrass" }).reasons).toEqual([]);
    expect(plan(osselgrain, { turf: "bermudagrass" }).reasons.map((r) => r.code)).toEqual(["turf-not-allowed"]);
    expect(plan(osselgrain, { turf: "ryegrass", seedingOn: "2026-12-20" }).reasons.map((r) => r.code)).toEqual([
      "too-soon-before-seeding",
    ]);
    const applied = [{ of: "Prill", active: "osselfenate", fraction: "0.4 %", amount: "32 oz/1000 ft2", date: "2026-05-01" }];
    expect(plan(osselgrain, { turf: "bentgrass", applied }).reasons.map((r) => r.code)).toEqual(["over-year-limit"]);
    expect(plan(osselgrain, { turf: "ryegrass", applied }).reasons).toEqual([]);
  });
  const job0 = (products: ProductText[], sites?: SiteText[]): JobFile => ({
    format: "careful-gauge-job",
    version: 2,
    rig: { name: "Blue backpack", kind: "backpack", tanks: [{ usable: "4 gal" }] },
    calibration: { sprayVolume: "1 gal/1000 ft2" },
    products,
    sites: sites ?? [{ name: "Green", zones: [{ name: "all", area: "4000 ft2" }] }],
    date: "2026-10-02",
  });
  const planned = (file: JobFile) => must(planOf(soundJob(file))).plan;
});

describe("choosing a rate", () => {
  const card = named("Osselgrain");
  test("a point of the range, half of it for one part of a split", () => {
    expect([rateAt(card, 0, "least", false), rateAt(card, 0, "middle", false), rateAt(card, 0, "most", false)]).toEqual([
      "0.2 oz/1000 ft2",
      "0.3 oz/1000 ft2",
      "0.4 oz/1000 ft2",
    ]);
    expect(rateAt(card, 0, "most", true)).toBe("0.2 oz/1000 ft2");
    expect(rateAt(card, 1, "middle", false)).toBe("0.4 oz/1000 ft2");
  });
  test("the second half by the label's interval", () => {
    expect(secondHalf(card, "2026-04-14")).toEqual({ from: "2026-05-19", to: "2026-06-23" });
    expect(secondHalf(named("Clingline"), "2026-04-14")).toEqual({});
  });
  test("the row for the turf, and its words", () => {
    expect(likelyRow(card, "Bentgrass")).toBe(2);
    expect(likelyRow(card, undefined)).toBe(0);
    expect(rowWords(card.rates[2]!)).toBe("on a green · bentgrass · under 0.5 in");
    expect(choiceWords({ row: 0, from: "crabgrass", point: "middle", split: "first", reason: "light pressure" })).toBe(
      "crabgrass: the middle, first half of a split · light pressure",
    );
  });
  test("what comes from outside is looked at", () => {
    expect(isChoice({ row: 0, point: "least" })).toBe(true);
    for (const wrong of [null, {}, { row: -1, point: "least" }, { row: 0, point: "all" }, { row: 0, point: "most", reason: 7 }])
      expect(isChoice(wrong)).toBe(false);
    expect(rowRates(card, 9)).toBeUndefined();
  });
});

describe("slips on the card itself", () => {
  const form = (more: object) => ({ ...cardFormOf(), name: "A", rates: [{ ...BLANK_RATE, rate: "0.2", to: "0.4" }], ...more });
  test("a limit by the acre typed for 1,000 sq ft", () => {
    const slips = cardSlips(form({ limits: [{ ...BLANK_LIMIT, perApplication: "20", perYear: "35" }] }));
    expect(slips["limits[0].perApplication"]![0]).toMatchObject({ code: "acre-for-1000", corrected: "20 oz/ac" });
  });
  test("the wrong ounces", () => {
    const slips = cardSlips(form({ form: "liquid", rates: [{ ...BLANK_RATE, rate: "1.5 oz per 1,000 sq ft" }] }));
    expect(slips["rates[0].rate"]).toMatchObject([{ code: "dry-for-fluid", corrected: "1.5 fl oz/1,000 ft2" }]);
  });
  test("an upper end with its point one place off", () =>
    expect(cardSlips(form({ rates: [{ ...BLANK_RATE, rate: "0.2", to: "4" }] }))["rates[0].to"]!.map((s) => s.code)).toContain(
      "decimal-point",
    ));
  test("a card that agrees with itself, every demo card, and a half-typed one are left alone", () => {
    // A county's limit far under the general one is a limit, and never mended upwards; it is held against its own row.
    const county = { ...BLANK_LIMIT, jurisdiction: "Quay County", perApplication: "0.02", perYear: "0.04" };
    const general = { ...BLANK_LIMIT, perApplication: "0.4", perYear: "0.8" };
    expect(cardSlips(form({ limits: [general, county] }))).toEqual({});
    expect(cardSlips(form({ limits: [general, { ...county, perYear: "4" }] }))["limits[1].perYear"]).toBeDefined();
    expect(
      cardSlips(form({ limits: [general, { ...BLANK_LIMIT, turf: "bentgrass", perApplication: "20 lb" }] }))[
        "limits[1].perApplication"
      ],
    ).toBeDefined();
    expect(cardSlips(form({ limits: [{ ...BLANK_LIMIT, perApplication: "0.4", perYear: "0.8" }] }))).toEqual({});
    for (const card of DEMO) expect(cardSlips(cardFormOf(card))).toEqual({});
    expect(cardSlips(form({ rates: [{ ...BLANK_RATE, rate: "0." }] }))).toEqual({});
  });
});

describe("what the label reader found goes into the card when it is taken", () => {
  const text =
    "Water-dispersible granule. Apply 0.2 to 0.4 oz per 1,000 sq ft. Do not apply more than 0.8 oz per 1,000 sq ft per year. Allow 5 to 10 weeks between applications. Wear chemical-resistant gloves.\nosselfenate ..... 40.0%\nIrrigate with 0.25 to 0.5 inch of water within 24 hours. If swallowed: call for help. If inhaled: fresh air.";
  test("all of it, and the card can be read", () => {
    const marks = readLabel(text);
    const filled = takeMarks({ ...cardFormOf(), name: "A" }, marks).form;
    expect(must(readCard(filled))).toMatchObject({
      formulation: "WG",
      rates: [{ rate: "0.2 oz/1000 ft2", to: "0.4 oz/1000 ft2" }],
      limits: [{ perYear: "0.8 oz/1000 ft2", intervalAtLeast: "35 days", intervalAtMost: "70 days" }],
      actives: [{ name: "osselfenate", content: "40 %" }],
      gear: [{ item: "gloves", type: "chemical-resistant" }],
      waterLeast: "0.25 in",
      waterMost: "0.5 in",
      waterWithin: "24 h",
      firstAid: "If swallowed: call for help. If inhaled: fresh air.",
    });
    expect(markWords(marks.find((m) => m.field === "rate")!)).toBe("0.2 oz per 1,000 sq ft to 0.4 oz per 1,000 sq ft");
  });
  test("what was typed stays, a second rate is a second row, gear once", () => {
    const form = {
      ...cardFormOf(),
      rates: [{ ...BLANK_RATE, rate: "1 oz/1000 ft2" }],
      gear: [{ item: "gloves", type: "nitrile" }],
    };
    const filled = takeMarks(form, readLabel(text)).form;
    expect(filled.rates.map((r) => r.rate)).toEqual(["1 oz/1000 ft2", "0.2 oz per 1,000 sq ft"]);
    expect(filled.gear).toEqual([{ item: "gloves", type: "nitrile" }]);
  });
});
