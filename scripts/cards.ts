/**
 * Cards of the simulated camera, whose droplets are known, held against what is measured on them: over size of stain, tilt, light,
 * paper, ground and picture. Printed as JSON, a line each; with `--table` as medians and worst errors by size of stain; with
 * `--short` of a few of the pictures, in which each size, paper, light and slant comes once.
 */
import { findCards } from "@/core/cards/find";
import { lookAt, resultOf } from "@/core/cards/look";
import { photograph, sprinkled, truthOf, type Scene } from "@/standins/camera";

const SIZE = { long: 76, short: 26 };
const RIM = 0.8;

/** One picture with its cards, and what was found on it. */
function looked(median: number, parts: readonly number[], over: Partial<Scene>) {
  const cards = parts.map((part, i) =>
    sprinkled(SIZE, { perCm2: (16 * part) / median, median, spread: 0.3, seed: Math.round(median * 100) + i }),
  );
  const picture = photograph({ cards, size: SIZE, width: 1000, height: 460, blur: 0.7, noise: 2, seed: 3, ...over });
  const quads = findCards(picture, SIZE);
  return {
    median,
    ...over,
    cards: cards.length,
    found: quads.length,
    inOrder: quads.every((quad, i) => i === 0 || quad[0].x > quads[i - 1]![0].x),
    seen: quads.map((quad, i) => {
      const { measured, perMm } = lookAt(picture, quad, SIZE);
      const result = resultOf(measured, { out: [], added: [] });
      const truth = truthOf(cards[i]!, SIZE, RIM);
      const sorted = cards[i]!.drops.map(({ diameter }) => diameter).sort((a, b) => a - b);
      return {
        perMm,
        cover: result.cover,
        coverOff: result.coverOff,
        trueCover: truth.cover,
        counted: result.counted,
        fallen: result.fallen,
        trueFallen: truth.perCm2,
        half: result.sizes?.number[1] ?? 0,
        trueHalf: sorted[Math.floor(sorted.length / 2)] ?? 0,
        told: measured.told,
      };
    }),
  };
}

const short = process.argv.includes("--short");
const GRID = [0.3, 0.45, 0.8, 1.4].flatMap((median, i) =>
  (
    [
      { tilt: 0, uneven: 0, paper: "yellow" },
      { tilt: 15, uneven: 0.4, paper: "yellow" },
      { tilt: 8, uneven: 0.3, paper: "white" },
      { tilt: 5, uneven: 0.2, paper: "yellow", blur: 1.6 },
    ] as const
  )
    .filter((_, k) => !short || (i + k) % 4 === 0)
    .map((over) => [median, [1], over] as const),
);
const ROWS = (short ? (["turf"] as const) : (["asphalt", "turf", "table"] as const)).map(
  (ground) => [0.7, [0.3, 0.7, 1, 0.7, 0.3], { ground, tilt: 10, uneven: 0.3, width: 1250, height: 920 }] as const,
);

/** As dense as leaves hardly anything dry: 86 to 95 % covered, by the same model as for hidden droplets; and all of it. */
const soaked = (["yellow", "white"] as const).map((paper) =>
  looked(
    1.2,
    [2, 2.5, 3, 6].map((covers) => (covers * 1.2) / 16 / ((Math.PI / 4) * 0.12 ** 2 * Math.exp(2 * 0.3 ** 2))),
    {
      paper,
      tilt: 8,
      uneven: 0.3,
      width: 1000,
      height: 1500,
    },
  ),
);
const all = [...GRID, ...ROWS].map(([median, parts, over]) => looked(median, parts, over));
const bare = looked(1, [], {});
const clean = looked(1, [0], { uneven: 0.4, noise: 4 });

if (process.argv.includes("--table")) {
  for (const median of [0.3, 0.45, 0.7, 0.8, 1.4]) {
    const seen = all.filter((one) => one.median === median).flatMap((one) => one.seen);
    const told = (of: (one: (typeof seen)[number]) => number) => {
      const sorted = seen.map((one) => Math.abs(of(one))).sort((a, b) => a - b);
      return `${(100 * sorted[Math.floor(sorted.length / 2)]!).toFixed(1)} % (worst ${(100 * sorted.at(-1)!).toFixed(1)} %)`;
    };
    console.log(
      `${median} mm, ${seen.length} cards, ${seen[0]!.perMm.toFixed(1)} px/mm: cover ${told((s) => s.cover / s.trueCover - 1)}, droplets ${told((s) => s.fallen / s.trueFallen - 1)}, counted alone ${told((s) => s.counted / s.trueFallen - 1)}`,
    );
  }
} else console.log(JSON.stringify({ all, bare, clean, soaked }));
