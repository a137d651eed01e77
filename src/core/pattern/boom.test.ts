import fc from "fast-check";
import { outcomeOf, passOf, STEPS_A_SPACING, type Boom } from "./boom";
import { swathsOf } from "./swaths";

const SOUND: Boom = {
  outlets: 8,
  spacing: 0.5,
  height: 0.5,
  angle: 110,
  gives: Array<number>(8).fill(1),
  drift: 0,
  yaw: 0,
  seed: 1,
};
const booms = fc.record({
  outlets: fc.integer({ min: 1, max: 12 }),
  spacing: fc.constantFrom(0.25, 0.5, 0.75),
  height: fc.double({ min: 0.2, max: 1.2, noNaN: true }),
  angle: fc.constantFrom(80, 110),
  gives: fc.array(fc.double({ min: 0, max: 1.3, noNaN: true }), { minLength: 12, maxLength: 12 }),
  drift: fc.double({ min: -1, max: 1, noNaN: true }),
  yaw: fc.constantFrom(0, 0.2, 0.4),
  seed: fc.integer({ min: 1, max: 99 }),
});

describe("a boom that something may be wrong with", () => {
  test("as it should be it is even: within an eighth of one everywhere, far under the 15 % that is even enough", () => {
    const { least, most, mean, uneven } = outcomeOf(SOUND);
    expect(mean).toBeCloseTo(1, 1);
    expect(least).toBeGreaterThan(0.875);
    expect(most).toBeLessThan(1.125);
    expect(uneven).toBeLessThan(0.08);
  });
  test("a blocked outlet starves its strip; half blocked less so; a worn one drowns it", () => {
    const with3 = (gives: number) => outcomeOf({ ...SOUND, gives: SOUND.gives.map((g, i) => (i === 2 ? gives : g)) });
    expect(with3(0).least).toBeLessThan(with3(0.5).least);
    expect(with3(0.5).least).toBeLessThan(outcomeOf(SOUND).least);
    expect(with3(1.3).most).toBeGreaterThan(outcomeOf(SOUND).most);
    expect(with3(0).mean).toBeCloseTo(7 / 8, 1);
  });
  test("too low leaves gaps: fans no longer meet", () => {
    const low = outcomeOf({ ...SOUND, height: 0.12 });
    expect(low.least).toBe(0);
    expect(low.uneven).toBeGreaterThan(0.5);
  });
  test("a yawing boom is worse at its ends; no side wind loses anything, it only moves it", () => {
    expect(outcomeOf({ ...SOUND, yaw: 0.4 }).uneven).toBeGreaterThan(2 * outcomeOf(SOUND).uneven);
    expect(outcomeOf({ ...SOUND, drift: 1 }).mean).toBeCloseTo(outcomeOf(SOUND).mean, 2);
  });
  test("what goes out lands: a pass adds up to what its outlets give, wherever the wind takes it", () => {
    fc.assert(
      fc.property(booms, (boom) => {
        const still = { ...boom, yaw: 0 };
        const { deposit } = passOf(still);
        const sum = deposit.reduce((all, one) => all + one, 0) / STEPS_A_SPACING;
        const gives = boom.gives.slice(0, boom.outlets).reduce((all, one) => all + one, 0);
        expect(Math.abs(sum - gives)).toBeLessThan(0.08 * boom.outlets + 0.05);
      }),
      { numRuns: 60 },
    );
  });
  test("the same seed is the same lawn; the least is never above the mean, nor the most below", () => {
    fc.assert(
      fc.property(booms, (boom) => {
        const made = outcomeOf(boom);
        expect(outcomeOf(boom)).toEqual(made);
        expect(made.least).toBeLessThanOrEqual(made.mean + 1e-12);
        expect(made.most).toBeGreaterThanOrEqual(made.mean - 1e-12);
      }),
      { numRuns: 25 },
    );
  });
  test("without a fault its lawn is what overlapping its one pass makes of it", () => {
    const { deposit } = passOf(SOUND);
    const width = SOUND.outlets * STEPS_A_SPACING;
    expect(outcomeOf(SOUND).uneven).toBeCloseTo(swathsOf(deposit)[width - 1]!.backAndForth, 2);
  });
});
