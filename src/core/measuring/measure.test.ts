import fc from "fast-check";
import { entered } from "../quantity/parse";
import { quantity } from "../quantity/quantity";
import { measure, MOST_POURS, toolsOf, type Measure, type Tool } from "./measure";

const OZ = 28.349523125;
const FL_OZ = 29.5735295625;
const cup = (mL: number, step: number, name = `${mL} mL cup`): Tool => ({ name, step, capacity: mL, unit: "mL" });
const scale = (step: number, capacity: number, name = "scale"): Tool => ({
  name,
  step: step * OZ,
  capacity: capacity * OZ,
  unit: "oz",
});
const mL = (n: number) => quantity("volume", n, "mL");
const oz = (n: number) => quantity("mass", n, "oz");
const words = (m: Measure | null) =>
  m?.pours
    .map((p) => `${p.full} × ${p.mark}${p.part === null ? "" : ` + ${Number(p.part.toFixed(6))}`} ${p.tool.name}`)
    .join(", ");

describe("measuring with what is at hand (common practice)", () => {
  test("165 mL with a 30 mL cup: five full and one to the 15 mark", () => {
    const { best, needs } = measure(mL(165), 165, [cup(30, 5)], "mL");
    expect(words(best)).toBe("5 × 30 + 15 30 mL cup");
    expect(best!.count).toBe(6);
    expect(best!.amount).toBe(165);
    // Six readings, each good to 2.5 mL, independent of each other: √6 · 2.5 mL of 165.
    expect(best!.error).toBeCloseTo((Math.sqrt(6) * 2.5) / 165, 12);
    expect(needs).toBeNull();
  });
  test("135 mL with a cup of two ends, 15 and 30 mL: four of the large end and one of the small", () => {
    const [jigger] = toolsOf(
      {
        scales: [],
        vessels: [{ name: "jigger", graduation: entered("15 mL", "volume"), capacity: entered("30 mL", "volume") }],
      },
      false,
    );
    const { best, needs } = measure(mL(135), 135, [jigger!], "mL");
    expect(words(best)).toBe("4 × 30 + 15 jigger");
    // Filled to its brim, not read between marks.
    expect(best!.error).toBeCloseTo(0.03, 12);
    expect(needs).toBeNull();
    // What lies between its ends it can't measure.
    expect(measure(mL(8), 8, [jigger!], "mL").needs).not.toBeNull();
  });
  test("0.29 oz needs a scale that reads 0.01", () => {
    const rough = measure(oz(0.29), 0.29 * OZ, [scale(0.1, 80)], "oz");
    expect(rough.needs!.step / OZ).toBeCloseTo(0.01, 12);
    const fine = measure(oz(0.29), 0.29 * OZ, [scale(0.1, 80, "kitchen"), scale(0.01, 20, "bench")], "oz");
    expect(words(fine.best)).toMatch(/bench$/);
    expect(fine.best!.amount / OZ).toBeCloseTo(0.29, 12);
    expect(fine.needs).toBeNull();
  });
  test("a reading is not rounded up past the limit; up to it, the nearest is taken", () => {
    const tools = [cup(100, 10)];
    expect(measure(mL(38), 38, tools, "mL").best!.amount).toBe(30);
    expect(measure(mL(38), 39.9, tools, "mL").best!.amount).toBe(30);
    expect(measure(mL(38), 40, tools, "mL").best!.amount).toBe(40);
  });
  test("a coarse jug does the bulk and a fine cup the rest", () => {
    const { best, quicker } = measure(mL(1063), 1063, [cup(1000, 100, "jug"), cup(30, 1, "cup"), cup(250, 25, "beaker")], "mL");
    expect(best!.amount).toBeLessThanOrEqual(1063);
    expect(best!.error).toBeLessThan(0.05);
    expect(quicker === null || quicker.count < best!.count).toBe(true);
  });
  test("fewer pours are offered where they are good enough", () => {
    const { best, quicker } = measure(mL(780), 780, [cup(60, 1, "syringe"), cup(1000, 10, "jug")], "mL");
    expect(best!.count).toBe(13);
    expect(words(quicker)).toBe("0 × 1000 + 780 jug");
    expect(quicker!.error).toBeCloseTo(5 / 780, 12);
  });
  test("nothing to measure with: says what it would take", () => {
    expect(measure(oz(3), 3 * OZ, [], "oz")).toMatchObject({
      best: null,
      quicker: null,
      needs: { capacity: expect.any(Number) },
    });
  });
  test("far more than the kit can carry is said, not poured a hundred times", () => {
    const { best, needs } = measure(mL(10_000), 10_000, [cup(30, 5)], "mL");
    expect(best!.count).toBeLessThanOrEqual(MOST_POURS);
    expect(needs!.capacity).toBeGreaterThan(9_000);
  });
  test("the scales of a kit are for what is dry, its vessels for what is liquid", () => {
    const kit = {
      scales: [{ name: "s", step: entered("0.01 oz", "mass"), capacity: entered("20 oz", "mass") }],
      vessels: [{ name: "v", graduation: entered("1 fl oz", "volume"), capacity: entered("32 fl oz", "volume") }],
    };
    expect(toolsOf(kit, true).map((t) => t.name)).toEqual(["s"]);
    expect(toolsOf(kit, false)).toEqual([{ name: "v", step: FL_OZ, capacity: 32 * FL_OZ, unit: "fl oz" }]);
  });
});

/** Every combination of at most two tools there is, one by one: the naive model that the solver is held against. */
function bruteForce(target: number, most: number, tools: readonly Tool[]) {
  let best: { error: number; count: number } | undefined;
  const last = (t: Tool) => Math.floor(t.capacity / t.step + 1e-9);
  const every = (t: Tool) => Array.from({ length: last(t) * MOST_POURS + 1 }, (_, i) => i);
  const consider = (parts: readonly (readonly [Tool, number])[]) => {
    const count = parts.reduce((n, [t, k]) => n + Math.ceil(k / last(t)), 0);
    const amount = parts.reduce((n, [t, k]) => n + k * t.step, 0);
    if (count < 1 || count > MOST_POURS || amount > most * (1 + 1e-9)) return;
    const square = ([t, k]: readonly [Tool, number]) =>
      t.brim ? (0.03 * k * t.step) ** 2 : (Math.ceil(k / last(t)) * t.step ** 2) / 4;
    const error = Math.abs(amount - target) + Math.sqrt(parts.reduce((n, part) => n + square(part), 0));
    const same = best && Math.abs(error - best.error) <= target * 1e-9;
    if (!best || (same ? count < best.count : error < best.error)) best = { error, count };
  };
  for (const a of tools) for (const k of every(a)) consider([[a, k]]);
  for (const [i, a] of tools.entries())
    for (const b of tools.slice(i + 1))
      for (const k of every(a))
        for (const l of every(b))
          consider([
            [a, k],
            [b, l],
          ]);
  return best;
}

describe("the solver against every combination", () => {
  const tool = fc
    .record({ marks: fc.integer({ min: 1, max: 9 }), step: fc.constantFrom(1, 2, 2.5, 5, 4.92892, 14.7868, 29.5735) })
    .map(({ marks, step }) => ({ name: `${marks} × ${step}`, step, capacity: marks * step, unit: "mL", brim: marks <= 2 }));
  test("the least error, then the fewest pours; never past the limit", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(tool, { minLength: 1, maxLength: 3, selector: (t) => t.name }),
        fc.double({ min: 0.3, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 1.2, noNaN: true }),
        (tools, target, room) => {
          const most = target * room;
          const { best } = measure(mL(target), most, tools, "mL");
          const naive = bruteForce(target, most, tools);
          expect(best === null).toBe(naive === undefined);
          if (!best || !naive) return;
          expect(Math.abs(best.error * target - naive.error)).toBeLessThanOrEqual(target * 3e-9);
          expect(best.count).toBe(naive.count);
          expect(best.amount).toBeLessThanOrEqual(most * (1 + 1e-9));
        },
      ),
      { numRuns: 150 },
    );
  });
  test("readings add up to the amount that is said", () => {
    fc.assert(
      fc.property(
        fc.array(tool, { minLength: 1, maxLength: 4 }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        (tools, target) => {
          const { best } = measure(mL(target), target, tools, "mL");
          if (!best) return;
          const poured = best.pours.reduce((n, p) => n + p.full * p.mark + (p.part ?? 0), 0);
          expect(poured).toBeCloseTo(best.amount, 9);
          expect(best.pours.reduce((n, p) => n + p.full + (p.part === null ? 0 : 1), 0)).toBe(best.count);
        },
      ),
    );
  });
});
