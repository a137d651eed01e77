import fc from "fast-check";
import { evaluate } from "mathjs";
import "../rules";
import { make, type Kind } from "../quantity/kinds";
import { entered } from "../quantity/parse";
import { explain, lineText } from "./explain";
import { allRules, constant, derive, given, rule, type AnySource, type Inputs, type RuleInputs } from "./rule";

const leaf = (kind: Kind, value: number): AnySource => constant(kind, make(value), "x");

describe("every rule's formula text says what its code does", () => {
  test("there are rules", () => expect(allRules().length).toBeGreaterThan(10));

  test.each(allRules().map((r) => [r.id, r] as const))("%s", (_id, r) => {
    const names = Object.entries(r.inputs);
    const number = fc.double({ min: 0.01, max: 1000, noNaN: true });
    const scope = fc.record(
      Object.fromEntries(
        names.map(([n, k]) => [n, Array.isArray(k) ? fc.array(number, { minLength: 1, maxLength: 8 }) : number]),
      ),
    );
    fc.assert(
      fc.property(scope, (values) => {
        const sources = Object.fromEntries(
          names.map(([n, k]) => {
            const v = values[n]!;
            return [n, Array.isArray(v) ? v.map((x) => leaf((k as readonly [Kind])[0], x)) : leaf(k as Kind, v)];
          }),
        ) as Inputs<RuleInputs>;
        const text = evaluate(r.formula, { ...values }) as number;
        // Also below zero, which `derive` refuses: what the code clamps, the formula on the pad must clamp too.
        expect(r.compute(sources)).toBeCloseTo(text, 6 - Math.ceil(Math.log10(Math.abs(text) + 1)));
      }),
      { numRuns: 100 },
    );
  });

  test.each(allRules().map((r) => [r.id, r] as const))("%s names its source and title", (_id, r) => {
    expect(r.source.length).toBeGreaterThan(5);
    expect(r.title).toMatch(/^[A-Z]/);
    expect(r.id).toMatch(/^[a-z0-9-]+$/);
  });
});

test("two rules can't have one id", () => {
  const declared = {
    id: "twice",
    version: 1,
    title: "Twice",
    formula: "time",
    inputs: { time: "time" },
    output: "time",
    source: "a test",
    compute: () => 1,
  } as const;
  rule(declared);
  expect(() => rule(declared)).toThrow(/twice/);
});

const halved = rule({
  id: "test-halved",
  version: 1,
  title: "Half",
  formula: "mean(times) / 2",
  inputs: { times: ["time"] },
  output: "time",
  source: "a test",
  compute: ({ times }) => times.reduce((sum, t) => sum + (t.value as unknown as number), 0) / times.length / 2,
});

test("the working is written out from the formula, in what was entered", () => {
  const times = ["61 s", "1:03"].map((t, i) => given(entered(t, "time"), `walk ${i + 1}`));
  const half = derive(halved, { times });
  expect(explain(half, "us").map(lineText)).toEqual(["Half = (61 s + 1:03) ÷ 2 ÷ 2 = 31.0 s"]);
});

test("a long time is told in minutes, a pace in seconds", () => {
  const result = (...texts: string[]) =>
    explain(derive(halved, { times: texts.map((t) => given(entered(t, "time"), "t")) }), "us")[0]!.result;
  expect(result("1198 s")).toBe("599.0 s");
  expect(result("1923.8 s")).toBe("16 min 02 s");
});

test("a result that is no quantity is refused", () => {
  const broken = rule({
    id: "test-broken",
    version: 1,
    title: "Broken",
    formula: "time",
    inputs: { time: "time" },
    output: "time",
    source: "a test",
    compute: () => NaN,
  });
  expect(() => derive(broken, { time: given(entered("1 s", "time"), "t") })).toThrow(RangeError);
});
