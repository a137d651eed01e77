import fc from "fast-check";
import { parse } from "papaparse";
import { asTyped, harmless, toCsv } from "./csv-out";
import { readTable } from "./card/csv";

describe("a cell that a spreadsheet would calculate", () => {
  test.each([
    "=1+1",
    "+1",
    "-1",
    "@SUM(A1)",
    "  =1",
    "\t=1",
    "\n=1",
    "\r\n+1",
    "\u00a0@x",
    "\u200b=1",
    "＝1+1",
    "＋1",
    "－1",
    "＠x",
    "'=1",
    "\ufeff=cmd",
  ])("%j gets an apostrophe, and comes back as it was", (cell) => {
    expect(harmless(cell)).toBe(`'${cell}`);
    expect(asTyped(harmless(cell))).toBe(cell);
  });
  test.each(["Granule", "4 oz", "24-0-11", "a=b", "'tis", "", "2026-04-14"])("%j stays as it is", (cell) => {
    expect(harmless(cell)).toBe(cell);
    expect(asTyped(cell)).toBe(cell);
  });
  test("in every column, whatever is in it; read again it is what it was", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ a: fc.string({ unit: "grapheme" }), b: fc.constantFrom("=x", " +x", "＝x", "'=x", "plain") }), {
          minLength: 1,
          maxLength: 5,
        }),
        (lines) => {
          const text = toCsv(lines, ["a", "b"]);
          const cells = parse<string[]>(text, { skipEmptyLines: false }).data.slice(1, -1).flat();
          expect(cells.filter((cell) => /^[\s\p{Z}\p{Cf}]*[=+\-@]/u.test(cell.normalize("NFKC")))).toEqual([]);
          const read = readTable(text, ["a", "b"], ["b"]);
          expect(read.ok && read.value.map((line) => line.cells.b)).toEqual(lines.map((line) => line.b.trim()));
        },
      ),
    );
  });
});
