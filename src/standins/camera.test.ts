import { execFileSync } from "node:child_process";

/**
 * Cards whose droplets are known, photographed by the simulated camera: what is found and measured on them is held against what was
 * drawn. Some of the pictures here, all of them by `CARDS=all npx jest camera` (`npm run attacks`), made by a script of their own. The
 * bounds are what a person needs (is this card half or twice that one?), not the best that was ever seen.
 */

interface Card {
  readonly cover: number;
  readonly coverOff: number;
  readonly trueCover: number;
  readonly counted: number;
  readonly fallen: number;
  readonly trueFallen: number;
  readonly half: number;
  readonly trueHalf: number;
  readonly told: string;
}
interface Looked {
  readonly median: number;
  readonly ground?: string;
  readonly paper?: string;
  readonly tilt?: number;
  readonly blur?: number;
  readonly cards: number;
  readonly found: number;
  readonly inOrder: boolean;
  readonly seen: readonly Card[];
}

const { all, bare, clean, soaked } = JSON.parse(
  execFileSync(process.execPath, ["--import", "tsx", "scripts/cards.ts", ...(process.env.CARDS === "all" ? [] : ["--short"])], {
    encoding: "utf8",
    maxBuffer: 1e8,
  }),
) as { readonly all: readonly Looked[]; readonly bare: Looked; readonly clean: Looked; readonly soaked: readonly Looked[] };

const off = (measured: number, truth: number) => Math.abs(measured / truth - 1);
const named = (one: Looked) =>
  `stains of ${one.median} mm on ${one.paper ?? "yellow"} paper, ${one.ground ?? "asphalt"}, tilt ${one.tilt ?? 0}°${one.blur ? `, blurred by ${one.blur} px` : ""}`;

describe.each(all.map((one) => [named(one), one] as const))("%s", (_, one) => {
  test("every card is found, left to right", () => {
    expect(one.found).toBe(one.cards);
    expect(one.inOrder).toBe(true);
  });
  test("cover is near the truth, and as near as is told", () => {
    for (const card of one.seen) {
      expect(off(card.cover, card.trueCover)).toBeLessThan(one.median < 0.5 ? 0.12 : 0.04);
      expect(Math.abs(card.cover - card.trueCover)).toBeLessThan(card.coverOff);
    }
  });
  test("droplets are near the truth, those that others hide too", () => {
    for (const card of one.seen) {
      expect(off(card.fallen, card.trueFallen)).toBeLessThan(0.2);
      expect(card.counted).toBeLessThanOrEqual(card.fallen);
    }
  });
  test("half of the stains are under what was drawn, within a fifth", () => {
    for (const card of one.seen) expect(off(card.half, card.trueHalf)).toBeLessThan(0.2);
  });
});

test("nothing is found on bare ground", () => expect(bare.found).toBe(0));

test.each(soaked.map((one) => [named(one), one] as const))(
  "a card that is wet nearly all over is read as covered, never as dry: %s",
  (_, one) => {
    expect(one.found).toBe(one.cards);
    const [most, ...rest] = [...one.seen].sort((a, b) => b.trueCover - a.trueCover);
    // Where hardly a place is left dry it says so, and is asked about.
    expect(most).toMatchObject({ told: "one colour" });
    for (const card of rest) {
      expect(card.told).toBe("stains");
      expect(off(card.cover, card.trueCover)).toBeLessThan(0.06);
    }
  },
);

test("a clean card is said to be of one colour, uneven light or not", () => {
  expect(clean.found).toBe(1);
  expect(clean.seen[0]).toMatchObject({ cover: 0, counted: 0, told: "one colour" });
});
