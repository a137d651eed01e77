import { readFileSync } from "node:fs";
import Ajv2020 from "ajv/dist/2020";
import { PATTERN_FILE_SCHEMA } from "@/formats/pattern/file";
import { runPattern, type Outcome } from "./gauge";

const told = ({ out, err, exit }: Outcome) => {
  expect([err, exit]).toEqual(["", 0]);
  return JSON.parse(out) as Record<string, unknown> & { swaths: Record<string, { value: number; unit: string }>[] };
};
const refused = ({ out, err, exit }: Outcome) => {
  expect([out, exit]).toEqual(["", 2]);
  return err.split("\n");
};
const file = (more: object = {}) => ({
  format: "careful-gauge-pattern",
  version: 1,
  spacing: "1 ft",
  deposit: [0, 2, 5, 9, 10, 9, 5, 2, 0],
  cvAtMost: "15 %",
  ...more,
});
const pattern = (more: object = {}) => runPattern(JSON.stringify(file(more)));
const fits = new Ajv2020({ strict: false }).compile(PATTERN_FILE_SCHEMA);

test("the example of the format: every swath, the widest that is even enough, the least and the most there", () => {
  expect(fits(file())).toBe(true);
  const result = told(pattern());
  expect(result).toMatchObject({ format: "careful-gauge-swaths", version: 1 });
  expect(result.swaths).toHaveLength(9);
  expect(result.swaths[8]).toMatchObject({ swath: { value: 9, unit: "ft" }, mean: 42 / 9 });
  // By hand, at five: 0+9, 2+5, 5+2, 9+0, 10: mean 42 ÷ 5 = 8.4, squares 0.36, 1.96, 1.96, 0.36, 2.56, variance 7.2 ÷ 5.
  expect(result.swaths[4]!.sameWay!.value).toBeCloseTo((Math.sqrt(7.2 / 5) / 8.4) * 100, 10);
  expect(result.best).toEqual({ value: 5, unit: "ft" });
  const worst = result.worst as { under: number; over: number };
  expect([worst.under, worst.over]).toEqual([expect.closeTo(7 / 8.4, 12), expect.closeTo(10 / 8.4, 12)]);
  expect((result.working as string[]).length).toBe(11);
});

test("in metres it is told in feet; without a limit 15 % is the most; where nothing is even enough there is no best", () => {
  expect(told(pattern({ spacing: "0.3048 m" })).swaths[4]!.swath!.value).toBeCloseTo(5, 12);
  const { cvAtMost: _, ...bare } = file();
  expect(told(runPattern(JSON.stringify(bare))).best).toEqual({ value: 5, unit: "ft" });
  const spike = told(pattern({ deposit: [0, 0, 9, 0, 0], cvAtMost: "1 %" }));
  // One spacing apart, every place gets the whole of a pass.
  expect(spike.best).toEqual({ value: 1, unit: "ft" });
  expect(spike.worst).toEqual({ under: 1, over: 1 });
});

test("every fault at once, each at its place; keys that begin with x- are anybody's", () => {
  expect(refused(pattern({ spacing: "1 gal", deposit: [1, -2, "3"], colour: "blue" }))).toEqual([
    expect.stringMatching(/^spacing: .*unit of another kind/),
    expect.stringMatching(/^deposit\[1\]: "-2" can't be right, it should be from 0 to 1,000,000,000/),
    "deposit[2]: text stands where a number is needed",
    expect.stringMatching(/^colour: not a key of the format/),
  ]);
  expect(refused(pattern({ deposit: [1, 2] }))[0]).toMatch(/^deposit: /);
  expect(refused(pattern({ deposit: [0, 0, 0] }))[0]).toMatch(/^deposit: "nothing but 0"/);
  expect(refused(pattern({ deposit: [1e308, 1, 1e308] }))).toEqual(
    [0, 2].map((i) => expect.stringMatching(new RegExp(`^deposit\\[${i}\\]: .*1,000,000,000$`)) as unknown),
  );
  expect(refused(pattern({ cvAtMost: 15 }))[0]).toMatch(/^cvAtMost: /);
  expect(refused(runPattern("[]"))[0]).toBeTruthy();
  told(pattern({ "x-cards": 9 }));
});

test("its schema in docs/ is the one that is made", () => {
  expect(JSON.parse(readFileSync("docs/pattern-file.schema.json", "utf8"))).toEqual(PATTERN_FILE_SCHEMA);
});
