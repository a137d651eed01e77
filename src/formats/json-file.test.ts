import fc from "fast-check";
import { hasHalf, parseJson } from "./json-file";

const code = (text: string) => {
  const read = parseJson(text, "an object");
  return read.ok ? "read" : read.issues[0]!.code;
};

test.each([
  ['"\\ud800"', "half-character"],
  ['{"name":"lawn \\udc00"}', "half-character"],
  ['{"\\uDBFF":1}', "half-character"],
  ['"\\ud83d\\ude00"', "read"],
  ['"😀"', "read"],
  ['"a path \\\\ud800"', "read"],
  ['"\\\\\\ud800"', "half-character"],
  ['"plain"', "read"],
  ["{", "not-json"],
])("%s: %s", (text, expected) => expect(code(text)).toBe(expected));

test("a text has half of a character where it isn't well formed, whatever else is in it", () => {
  const piece = fc.constantFrom("a", "\\", '"', "\ud800", "\udc00", "\ud83d\ude00", "\n", "u");
  const isWhole = (text: string) => Buffer.from(text, "utf8").toString("utf8") === text;
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
      const text = pieces.join("");
      expect(hasHalf(JSON.stringify(text), text)).toBe(!isWhole(text));
    }),
  );
});
