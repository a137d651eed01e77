import fc from "fast-check";
import { lineFor, wordsFor, type IssueCode } from "../issue";
import { expectNear } from "../testing/near";
import { showEntered } from "./format";
import { raw, type Kind } from "./kinds";
import { entered, EXAMPLES, parseAs, parseQuantity } from "./parse";
import { boundsOf, FIELDS, parseField, type Field, understood } from "./ranges";

const code = (text: unknown, kind: Kind, dialect: "file" | "screen" = "file"): IssueCode | "ok" => {
  const read = parseQuantity(text, kind, { dialect });
  return read.ok ? "ok" : read.issues[0]!.code;
};

describe("the job file's grammar", () => {
  test.each<[string, Kind, number, string]>([
    ["4 gal", "volume", 4, "gal"],
    ["6 fl oz", "volume", 6, "fl oz"],
    ["6 fl_oz", "volume", 6, "fl oz"],
    ["0.8 oz", "mass", 0.8, "oz"],
    ["50 ft2", "area", 50, "ft2"],
    ["1,000 ft2", "area", 1000, "ft2"],
    ["1:52", "time", 112, "s"],
    ["112 s", "time", 112, "s"],
    ["3 mph", "speed", 3, "mph"],
    ["40 psi", "pressure", 40, "psi"],
    ["0.35 gal/min", "flow", 0.35, "gal/min"],
    ["0.2 oz/1000 ft2", "rateByWeight", 0.2, "oz/1000 ft2"],
    ["0.47 lb/ac", "rateByWeight", 0.47, "lb/ac"],
    ["25 mL/1000 ft2", "rateByVolume", 25, "mL/1000 ft2"],
    ["200 L/ha", "sprayVolume", 200, "L/ha"],
    ["0.25 %v/v", "strengthByVolume", 0.25, "%v/v"],
    ["1.5 fl oz/gal", "strengthByVolume", 1.5, "fl oz/gal"],
    ["32 fl oz/100 gal", "strengthByVolume", 32, "fl oz/100 gal"],
    ["7:1", "dilution", 7, ":1"],
    ["5 %", "share", 5, "%"],
    ["4 lb/gal", "activeStrength", 4, "lb/gal"],
  ])("%s", (text, kind, number, unit) => {
    const read = parseQuantity(text, kind);
    if (!read.ok) throw new Error(lineFor(read.issues[0]!));
    expect(read.value.number).toBeCloseTo(number, 12);
    expect(read.value.unit).toBe(unit);
  });

  test.each<[string, Kind, IssueCode]>([
    ["1,5 L", "volume", "comma-decimal"],
    ["0,25 gal", "volume", "comma-decimal"],
    ["1.000,5 gal", "volume", "comma-decimal"],
    ["12,34 gal", "volume", "comma-decimal"],
    ["1,00,000 ft2", "area", "bad-thousands"],
    ["1:75", "time", "bad-clock"],
    ["1:5", "time", "bad-clock"],
    ["1:2:3", "time", "bad-clock"],
    ["1/2 gal", "volume", "fraction"],
    ["1 1/2 gal", "volume", "fraction"],
    ["½ gal", "volume", "fraction"],
    ["1½ gal", "volume", "fraction"],
    ["-4 gal", "volume", "sign"],
    ["+4 gal", "volume", "sign"],
    ["−4 gal", "volume", "sign"],
    ["0 gal", "volume", "zero"],
    ["0.00 gal", "volume", "zero"],
    ["0:00", "time", "zero"],
    ["Infinity gal", "volume", "too-large"],
    ["∞ gal", "volume", "too-large"],
    ["2000000000000 gal", "volume", "too-large"],
    ["0.0000000001 gal", "volume", "too-small"],
    ["1e3 gal", "volume", "exponent"],
    ["4", "volume", "no-unit"],
    ["4gal", "volume", "no-space"],
    ["gal", "volume", "not-a-number"],
    ["four gal", "volume", "not-a-number"],
    ["NaN gal", "volume", "not-a-number"],
    ["4 gallon", "volume", "unknown-unit"],
    ["4 ml", "volume", "unknown-unit"],
    ["4 Pa", "pressure", "unknown-unit"],
    ["4 oz", "volume", "wrong-unit"],
    ["4 fl oz", "mass", "wrong-unit"],
    ["0.2 oz", "rateByWeight", "no-area"],
    ["2 gal", "sprayVolume", "no-area"],
    ["2 imp gal", "volume", "imperial-gallon"],
    ["2 gal (UK)", "volume", "imperial-gallon"],
    ["7:2", "dilution", "bad-ratio"],
    ["0:1", "dilution", "bad-ratio"],
    ["", "volume", "missing"],
    ["   ", "volume", "missing"],
  ])("%p as %s is refused: %s", (text, kind, expected) => expect(code(text, kind)).toBe(expected));

  test.each([[5], [true], [{}], [[]]])("%p is not text", (value) => expect(code(value, "volume")).toBe("not-text"));

  test("only what may be zero, may", () => {
    expect(parseQuantity("0 fl oz", "volume", { zero: true }).ok).toBe(true);
    expect(code("0 fl oz", "volume")).toBe("zero");
  });

  test("the first kind that fits is taken, and each rate finds its own", () => {
    const kinds = ["rateByWeight", "rateByVolume", "strengthByWeight", "strengthByVolume"] as const;
    const kindOf = (text: string) => {
      const read = parseAs(text, kinds);
      return read.ok ? read.value.kind : read.issues[0]!.code;
    };
    expect(["0.2 oz/ac", "2 L/ha", "2 oz/gal", "1 %v/v"].map(kindOf)).toEqual(kinds);
  });

  test("faults say what stands there and what would be right", () => {
    const read = parseQuantity("0.2 oz", "rateByWeight", { path: "products[0].rate" });
    expect(read.ok ? "" : lineFor(read.issues[0]!)).toBe(`products[0].rate: "0.2 oz" has no area, write e.g. "0.2 oz/1000 ft2"`);
    const comma = parseQuantity("1,5 L", "volume");
    expect(comma.ok ? "" : wordsFor(comma.issues[0]!)).toContain(`"1.5 L"`);
  });

  test("every example is right itself", () => {
    for (const [kind, text] of Object.entries(EXAMPLES)) expect([kind, code(text, kind as Kind)]).toEqual([kind, "ok"]);
  });
});

describe("what people type on a screen", () => {
  test.each<[string, Kind, string]>([
    ["4gal", "volume", "4 gal"],
    ["4 Gallons", "volume", "4 gal"],
    ["33 fluid ounces", "volume", "33 fl oz"],
    ["33 floz", "volume", "33 fl oz"],
    ["33 fl. oz.", "volume", "33 fl oz"],
    ["33 FL OZ", "volume", "33 fl oz"],
    ["500ML", "volume", "500 mL"],
    ["2 liters", "volume", "2 L"],
    ["1,000 sq ft", "area", "1,000 ft2"],
    ["250 sqft", "area", "250 ft2"],
    ["250 square feet", "area", "250 ft2"],
    ["2 acres", "area", "2 ac"],
    ["0.2 oz per 1,000 sq ft", "rateByWeight", "0.2 oz/1000 ft2"],
    ["0.47 lbs / acre", "rateByWeight", "0.47 lb/ac"],
    ["40 PSI", "pressure", "40 psi"],
    ["20 gpa", "sprayVolume", "20 gal/ac"],
    ["0.4 gpm", "flow", "0.4 gal/min"],
    ["62 seconds", "time", "62 s"],
    ["1:02.5", "time", "1:02.5"],
    ["5 feet", "length", "5 ft"],
    ["0.25% v/v", "strengthByVolume", "0.25 %v/v"],
  ])("%s", (typed, kind, text) => {
    const read = parseQuantity(typed, kind, { dialect: "screen" });
    expect(read.ok ? read.value.text : wordsFor(read.issues[0]!)).toBe(text);
  });

  test.each<[string, Field, string]>([
    ["½", "spot", "0.5 gal"],
    ["1/2 gal", "spot", "0.5 gal"],
    ["1 1/2", "spot", "1.5 gal"],
    ["1½ gal", "spot", "1.5 gal"],
    ["3/8 in", "hoseDiameter", "0.375 in"],
    ["12'", "swath", "12 ft"],
    ["12' 6\"", "swath", "12.5 ft"],
    ["51 ft 6 in", "swath", "51.5 ft"],
    ["51 feet 6 inches", "swath", "51.5 ft"],
    ["8.1k", "zoneArea", "8100 ft2"],
    ["8.1k sq ft", "zoneArea", "8100 ft2"],
    ['18"', "spacing", "18 in"],
    ["62 x 100", "zoneArea", "6200 ft2"],
    ["62 ft by 100 ft", "zoneArea", "6200 ft2"],
    ["10 m × 12.5 m", "zoneArea", "125 m2"],
    // 88 ft/min are a mile an hour (definition).
    ["88 ft in 60 s", "speed", "88 ft/min"],
    ["100 ft in 23 s", "speed", "260.869565217 ft/min"],
    ["100' / 0:23", "speed", "260.869565217 ft/min"],
    ["50 m in 36 s", "speed", "1.38888888889 m/s"],
    ["0.3 oz", "weightRate", "0.3 oz/1000 ft2"],
    ["4 fl oz", "volumeRate", "4 fl oz/1000 ft2"],
    ["2 gal", "sprayVolume", "2 gal/1000 ft2"],
  ])("%s in %s is understood", (typed, field, text) => {
    const read = parseField(field, typed);
    expect(read.ok ? read.value.text : wordsFor(read.issues[0]!)).toBe(text);
    if (field !== "speed" && !/^\d+$/.test(typed)) expect(understood(field, typed)).toBe(read.ok && showEntered(read.value));
  });
  test("seconds over a course are understood as a speed that can be compared", () => {
    expect(
      ["88 ft in 60 s", "100 ft in 23 s", "50 m in 36 s", "2.5 mph", "3"].map((typed) => understood("speed", typed)),
    ).toEqual(["1 mph", "2.96 mph", "5 km/h", undefined, undefined]);
  });
  test.each<[string, Field]>([
    ["5/4 gal", "spot"],
    ["1/2/3", "spot"],
    ["3 x 4 x 5", "zoneArea"],
    ["62 ft x 100 m", "zoneArea"],
    ["0.3 ft", "weightRate"],
    ["100 ft in 0 s", "speed"],
    ["100 gal in 23 s", "speed"],
    ["88 ft in 60 s", "swath"],
  ])("%s in %s is not", (typed, field) => expect(parseField(field, typed).ok).toBe(false));
  test("the job file stays strict", () => {
    for (const [typed, kind] of [
      ["1/2 gal", "volume"],
      ["½ gal", "volume"],
      ["12'", "length"],
      ["62 x 100", "area"],
      ["0.3 oz", "rateByWeight"],
    ] as const)
      expect(parseQuantity(typed, kind).ok).toBe(false);
  });
  test("what is plain needs no word", () => {
    expect([understood("spot", "2"), understood("spot", "2 gal"), understood("weightRate", "0.3 oz/1000 ft2")]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });
  test("a lone oz stays a weight", () => {
    expect(code("33 oz", "volume", "screen")).toBe("wrong-unit");
    expect(code("33 ounces", "volume", "screen")).toBe("wrong-unit");
  });

  test("a bare number takes the field's unit, and what was typed comes back", () => {
    const read = parseField("pressure", "40");
    expect(read.ok && showEntered(read.value)).toBe("40 psi");
  });

  test.each(["text", "-1", "0", "1e99", "999999999999999", "1,5", "", "1/0", "3/2 of", "∞", "<b>", "4 furlongs"])(
    "%p is refused in every field",
    (typed) => {
      for (const field of Object.keys(FIELDS) as Field[]) expect([field, parseField(field, typed).ok]).toEqual([field, false]);
    },
  );
});

test("no text makes the parser throw, and what it accepts is a quantity", () => {
  fc.assert(
    fc.property(
      fc.oneof(fc.string(), fc.stringMatching(/^[\d.,:/ -]{1,8} ?[a-z%/ ]{0,6}$/)),
      fc.constantFrom<Kind>("volume", "time", "rateByWeight", "dilution", "strengthByVolume"),
      fc.constantFrom("file" as const, "screen" as const),
      (text, kind, dialect) => {
        const read = parseQuantity(text, kind, { dialect });
        if (!read.ok) return expect(wordsFor(read.issues[0]!).length).toBeGreaterThan(5);
        expect(raw(read.value.value)).toBeGreaterThan(0);
        // As it is kept, it can be read again as the same thing.
        expectNear(raw(entered(read.value.text, kind).value), raw(read.value.value), 1e-12);
      },
    ),
    { numRuns: 3000 },
  );
});

test("a field's bounds are themselves in range, and just beyond them is not", () => {
  for (const field of Object.keys(FIELDS) as Field[]) {
    const { least, most } = FIELDS[field];
    expect([field, parseField(field, least).ok, parseField(field, most).ok]).toEqual([field, true, true]);
    expect(boundsOf(field).least).toBeLessThan(boundsOf(field).most);
    const [number, ...unit] = most.split(" ");
    const beyond = parseField(field, `${Number(number) * 1.01} ${unit.join(" ")}`);
    expect(beyond.ok ? "ok" : beyond.issues[0]!.code).toBe("out-of-range");
  }
});
