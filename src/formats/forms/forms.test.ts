import fc from "fast-check";
import { dateOf } from "@/core/calendar";
import { raw } from "@/core/quantity/kinds";
import { boundsOf, FIELDS, parseField, type Field } from "@/core/quantity/ranges";
import { unitNamed } from "@/core/quantity/unit";
import { readCard } from "../card/read-card";
import { cardFormOf } from "./card-form-of";
import { cardForm } from "./label";
import { readRate } from "./rate";
import { rigText } from "./rig";
import { readRigForm } from "./read-rig-form";
import { rigFormOf } from "./rig-form-of";
import { readSiteForm, siteText } from "./site";
import { siteFormOf } from "./site-form-of";
import { dayIn, isZone, localDate } from "../day";

/** A number in a field's range, written in the field's own unit: the generator is made of the declared range. */
const inRange = (field: Field) => {
  const { least, most } = boundsOf(field);
  const { factor } = unitNamed(FIELDS[field].bare);
  return fc
    .double({ min: Math.log(least / factor), max: Math.log(most / factor), noNaN: true })
    .map((log) => Math.exp(log).toFixed(7));
};

test("whatever lies in a field's range is taken, bare or with its unit, and is the same", () => {
  for (const field of Object.keys(FIELDS) as Field[]) {
    fc.assert(
      fc.property(inRange(field), (number) => {
        fc.pre(Number(number) * unitNamed(FIELDS[field].bare).factor >= boundsOf(field).least);
        fc.pre(Number(number) * unitNamed(FIELDS[field].bare).factor <= boundsOf(field).most);
        const bare = parseField(field, number);
        const full = parseField(field, `${number} ${FIELDS[field].bare}`);
        if (!bare.ok || !full.ok) throw new Error(`${field} ${number}`);
        expect(raw(bare.value.value)).toBe(raw(full.value.value));
      }),
      { numRuns: 40 },
    );
  }
});

describe("rigs", () => {
  const form = {
    ...rigFormOf(),
    name: " Boom ",
    kind: "boom",
    outlets: "12",
    spacing: "20",
    pressure: "2.5 bar",
    tanks: [{ name: "main", usable: "60", leastMix: "" }],
  };
  test("typed → written → typed again is the same rig", () => {
    const read = readRigForm(form);
    if (!read.ok) throw new Error("refused");
    const rig = rigText(read.value);
    expect(rig).toEqual({
      name: "Boom",
      kind: "boom",
      tanks: [{ name: "main", usable: "60 gal" }],
      outlets: { count: 12, spacing: "20 in" },
      tip: { pressure: "2.5 bar" },
    });
    const again = readRigForm(rigFormOf(rig));
    expect(again.ok && rigText(again.value)).toEqual(rig);
  });
  test("a spacing typed for another kind is let go", () => {
    const read = readRigForm({ ...form, kind: "backpack" });
    expect(read.ok && rigText(read.value).outlets).toEqual({ count: 12 });
  });
  test("hose-end rigs wait for their heads", () => expect(readRigForm({ ...form, kind: "hose-end" }).ok).toBe(false));
});

describe("labels", () => {
  const form = {
    ...cardFormOf(),
    name: "L",
    form: "liquid" as const,
    rates: [{ ...cardFormOf().rates[0]!, rate: "25 mL per 1,000 sq ft" }],
    packages: [{ content: "2.5 gal", price: "71" }],
  };
  test("typed → written → typed again is the same card", () => {
    const read = readCard(form);
    if (!read.ok) throw new Error("refused");
    expect(read.value).toEqual({
      name: "L",
      form: "liquid",
      actives: [],
      gear: [],
      packages: [{ content: "2.5 gal", price: "71" }],
      rates: [{ rate: "25 mL/1000 ft2" }],
      limits: [],
    });
    const again = readCard(cardFormOf(read.value));
    expect(again.ok && again.value).toEqual(read.value);
  });
  test.each([
    ["dry", "0.3", "0.3 oz/1000 ft2"],
    ["liquid", "1.5", "1.5 fl oz/1000 ft2"],
    ["liquid", "0.25 % v/v", "0.25 %v/v"],
    ["liquid", "32 fl oz per 100 gal", "32 fl oz/100 gal"],
    ["dry", "0.47 lb/acre", "0.47 lb/ac"],
    ["liquid", "2 pints per acre", "2 pt/ac"],
    ["dry", "2 kg/ha", "2 kg/ha"],
  ] as const)("a %s rate of %s is %s", (kind, typed, text) => {
    const rate = readRate(typed, kind);
    expect(rate.ok && rate.value.text).toBe(text);
  });
  test.each([
    ["liquid", "1.5 oz/1000 ft2", "weight-on-liquid"],
    ["liquid", "2 lb/ac", "weight-on-liquid"],
    ["dry", "3 fl oz/gal", "volume-on-dry"],
    ["dry", "0.25 %v/v", "volume-on-dry"],
    ["liquid", "95 %v/v", "out-of-range"],
    ["dry", "3 ft/ac", "wrong-unit"],
  ] as const)("a %s rate of %s is refused: %s", (kind, typed, code) => {
    const rate = readRate(typed, kind);
    expect(rate.ok ? "ok" : rate.issues[0]!.code).toBe(code);
  });
  test("the words of a fault stand at the field", async () => {
    const wrong = { ...form, rates: [{ ...form.rates[0]!, rate: "1.5 oz/1000 ft2" }] };
    const error = await cardForm
      .validate(wrong, { abortEarly: false })
      .catch((e: { inner: { path: string; message: string }[] }) => e);
    expect(error).toMatchObject({ inner: [{ path: "rates[0].rate" }] });
    expect(String((error as { errors: string[] }).errors)).toMatch(/"1.5 fl oz\/1000 ft2" if fluid ounces are meant/);
  });
});

test("a site: typed → written → typed again is the same", () => {
  const read = readSiteForm({
    name: "S",
    zones: [
      { name: "a", area: "1.6 acres" },
      { name: "b", area: "900 m²" },
    ],
  });
  if (!read.ok) throw new Error("refused");
  const site = siteText(read.value);
  expect(site.zones.map((z) => z.area)).toEqual(["1.6 ac", "900 m2"]);
  const again = readSiteForm(siteFormOf(site));
  expect(again.ok && siteText(again.value)).toEqual(site);
});

describe("the day of a place", () => {
  test.each([
    ["2026-12-31T23:59:59.999Z", "UTC", "2026-12-31"],
    // Four in the afternoon in California on the last day of the year is next year in UTC.
    ["2027-01-01T00:30:00Z", "America/Los_Angeles", "2026-12-31"],
    ["2026-12-31T11:00:00Z", "Pacific/Auckland", "2027-01-01"],
    // Summer time begins: the hour that isn't there belongs to no other day.
    ["2026-03-08T07:59:59Z", "America/Los_Angeles", "2026-03-07"],
    ["2026-03-08T08:00:00Z", "America/Los_Angeles", "2026-03-08"],
    ["2026-07-01T18:29:59Z", "Asia/Kolkata", "2026-07-01"],
    ["2026-07-01T18:30:00Z", "Asia/Kolkata", "2026-07-02"],
  ])("%s in %s is %s", (moment, zone, date) => {
    expect(localDate(moment, zone)).toBe(date);
    expect(dateOf(dayIn(moment, zone))).toBe(date);
  });
  test("a zone is one that is known", () => {
    expect(["UTC", "Europe/Berlin", "America/Argentina/Buenos_Aires", "Etc/GMT+8"].every(isZone)).toBe(true);
    expect(["", "Moon/Base", "../etc", 8, null, "x".repeat(100)].some(isZone)).toBe(false);
  });
});

describe("a rig with everything on it", () => {
  const full = {
    ...rigFormOf(),
    name: "Truck",
    kind: "spray-truck",
    tanks: [
      { name: "front", usable: "200", capacity: "210", leastMix: "15" },
      { name: "rear", usable: "50 gal", capacity: "", leastMix: "" },
    ],
    pressure: "120",
    hoseDiameter: "0.5",
    hoseLength: "300",
    pump: "three-diaphragm",
    regulator: "at the manifold",
    mostPressure: "200",
    pumpServiced: "2026-03-20",
    engineSpeed: "2,400 rpm",
    gear: "2",
    throttle: "third notch",
    sections: "all",
    height: "20 in",
    strokes: "none",
    nozzle: "jet",
    ground: "rough",
    dedication: "herbicides only",
    scales: [{ name: "shed scale", step: "0.1 lb", capacity: "50" }],
    vessels: [{ name: "bucket", graduation: "1 qt", capacity: "5 gal" }],
  };
  test.each(["2026-02-30", "2026-13-01", "soon"])("a pump is serviced on a day that there is, not on %s", (pumpServiced) => {
    const read = readRigForm({ ...full, pumpServiced });
    expect(read.ok ? [] : read.issues.map(({ path, code }) => [path, code])).toEqual([["pumpServiced", "bad-date"]]);
  });
  test("typed → written → typed again is the same rig", () => {
    const read = readRigForm(full);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const rig = rigText(read.value);
    expect(rig.setup).toMatchObject({
      hose: { diameter: "0.5 in", length: "300 ft" },
      capacities: ["210 gal", ""],
      mostPressure: "200 psi",
      ground: "rough",
      kit: { scales: [{ step: "0.1 lb", capacity: "50 lb" }], vessels: [{ graduation: "1 qt", capacity: "5 gal" }] },
    });
    const again = readRigForm(rigFormOf(rig));
    expect(again.ok && rigText(again.value)).toEqual(rig);
  });
  test("half a hose is none; words too long for a tag are refused", () => {
    const half = readRigForm({ ...full, hoseLength: "" });
    expect(half.ok && rigText(half.value).setup).not.toHaveProperty("hose");
    expect(readRigForm({ ...full, pump: "x".repeat(61) }).ok).toBe(false);
  });
  test.each([
    [
      { kind: "dial", feed: "", setting: "2", product: "", water: "" },
      { kind: "dial", setting: "2 fl oz/gal" },
    ],
    [
      { kind: "dial", feed: "", setting: "2", product: "8", water: "4" },
      { kind: "dial", setting: "2 fl oz/gal", jar: { product: "8 fl oz", water: "4 fl oz" } },
    ],
    [
      { kind: "metered", feed: "2", setting: "", product: "", water: "" },
      { kind: "metered", feed: "2 fl oz/min" },
    ],
  ])("a head typed as %j", (head, written) => {
    const read = readRigForm({ ...full, kind: "hose-end", head });
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    expect(rigText(read.value).head).toEqual(written);
    expect(rigFormOf(rigText(read.value)).head).toMatchObject({ kind: head.kind });
  });
  test("a head's fields are nothing to a rig that has none", () => {
    const read = readRigForm({ ...full, head: { kind: "dial", feed: "", setting: "rubbish", product: "", water: "" } });
    expect(read.ok && "head" in rigText(read.value)).toBe(false);
  });
});
