import { ASKED_BY_LAW, certificateEnded, LAW_WORDS, missingByLaw, type LawField, type Recorded } from "./complete";

/** Title 7 CFR § 110.3(a)(1) to (5), from memory: what a record of a restricted-use product must hold. */
const WHOLE: Recorded = {
  product: "Tollguard",
  registration: "DEMO-114",
  restricted: true,
  total: "5.76 fl oz",
  site: "Bowling green",
  zone: "the green",
  area: "14400 ft2",
  turf: "bentgrass",
  date: "2026-10-21",
  person: "Odile Marsh",
  certificate: "FT-0871",
};

/** Each thing that the law names, and the part of a record that says it. */
const BY_LAW: readonly (readonly [paragraph: string, LawField, keyof Recorded])[] = [
  ["(1) brand or product name", "product", "product"],
  ["(1) registration number", "registration", "registration"],
  ["(2) total amount", "total", "total"],
  ["(3) location", "place", "site"],
  ["(3) location", "place", "zone"],
  ["(3) size of the area treated", "area", "area"],
  ["(3) crop, commodity or site", "site", "turf"],
  ["(4) month, day and year", "date", "date"],
  ["(5) name of the certified applicator", "applicator", "person"],
  ["(5) certification number", "certificate", "certificate"],
];

test("a record that has all of it lacks nothing", () => expect(missingByLaw(WHOLE)).toEqual([]));

describe.each(BY_LAW)("7 CFR 110.3(a)%s", (_paragraph, field, key) => {
  test.each(["", "  ", undefined])("%j is missing", (value) => {
    expect(missingByLaw({ ...WHOLE, [key]: value })).toEqual([field]);
    // Of a product that anybody may use, the law asks for none of it.
    expect(missingByLaw({ ...WHOLE, restricted: false, [key]: value })).toEqual([]);
  });
});

test("all that is missing is told, in the law's order, each with where it is put right", () => {
  const empty = {
    ...WHOLE,
    product: "",
    registration: "",
    total: "",
    site: "",
    area: "",
    turf: "",
    date: "",
    person: "",
    certificate: "",
  };
  expect(missingByLaw(empty)).toEqual([...ASKED_BY_LAW]);
  expect(new Set(ASKED_BY_LAW.map((field) => LAW_WORDS[field])).size).toBe(ASKED_BY_LAW.length);
});

test("a certificate holds on its last day, and not on the next", () => {
  expect(certificateEnded({ date: "2026-10-21", certificateEnds: "2026-10-21" })).toBe(false);
  expect(certificateEnded({ date: "2026-10-22", certificateEnds: "2026-10-21" })).toBe(true);
  expect(certificateEnded({ date: "2026-10-22" })).toBe(false);
});
