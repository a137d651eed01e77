import fc from "fast-check";
import { foldedName, sameName } from "./names";

describe("names that are one", () => {
  test.each([
    ["capitals", "Quayrafen", "QUAYRAFEN"],
    ["blanks", "demo  active", " demo active "],
    ["a no-break space", "demo active", "demo\u00a0active"],
    ["a zero-width space", "quayrafen", "quay\u200brafen"],
    ["a soft hyphen", "quayrafen", "quay\u00adrafen"],
    ["a joiner and a variation selector", "quayrafen", "quay\u2060rafen\ufe0f"],
    ["a direction mark", "quayrafen", "\u202equayrafen"],
    ["full width", "quayrafen 25", "ｑｕａｙｒａｆｅｎ　２５"],
    ["composed and decomposed", "quáyrafen", "qua\u0301yrafen"],
    ["an accent", "quayrafen", "quàyrafén"],
    ["a ligature", "fixol", "ﬁxol"],
    ["sharp s", "STRASSE", "straße"],
    ["capital sharp s", "STRASSE", "STRAẞE"],
    ["Cyrillic letters that look Latin", "quayrafen", "quаyrаfеn"],
    ["a dash of another kind", "2,4-demo", "2,4–demo"],
  ])("but for %s", (_, a, b) => expect(sameName(a, b)).toBe(true));

  test.each([
    ["quayrafen", "quayrafin"],
    ["demo active 1", "demo active 2"],
    ["ガス", "カス"],
    ["手袋", "長靴"],
  ])("%s is not %s", (a, b) => expect(sameName(a, b)).toBe(false));

  test("what can't be seen is no name", () => expect(foldedName("\u200b\u2060 \u00ad")).toBe(""));

  test("folding twice changes nothing, and no Unicode form does", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 30 }), (name) => {
        const once = foldedName(name);
        expect(foldedName(once)).toBe(once);
        for (const form of ["NFC", "NFD", "NFKC", "NFKD"] as const) expect(foldedName(name.normalize(form))).toBe(once);
      }),
      { numRuns: 500 },
    );
  });
});
