import fc from "fast-check";
import { quoted } from "./quoted";

test("a name of the records is quoted; nothing else reaches a statement", () => {
  expect(quoted("mix_sheets")).toBe('"mix_sheets"');
  for (const name of ["", "x y", 'x"', "x;--", "1x", "X", "x\n", "é"]) expect(() => quoted(name)).toThrow(RangeError);
  fc.assert(
    fc.property(fc.string(), (name) => {
      let made: string;
      try {
        made = quoted(name);
      } catch (error) {
        return expect(error).toBeInstanceOf(RangeError);
      }
      expect(made.slice(1, -1)).toMatch(/^\w+$/);
    }),
  );
});
