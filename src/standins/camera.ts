import { normal, seeded, type Uniform } from "@/core/risk/chance";
import type { CardSize } from "@/core/cards/find";
import type { Picture } from "@/core/cards/picture";

/**
 * A camera that takes pictures of cards which were never sprayed: what is on them is known to the droplet. It draws as a real one
 * sees: in light, with the lens's blur, uneven lamps, a slanted view and the sensor's noise, and writes down what a screen shows.
 */

/** A stain, mm from the card's corner. */
export interface Drop {
  readonly x: number;
  readonly y: number;
  readonly diameter: number;
}

export interface CardDrawn {
  readonly drops: readonly Drop[];
}

export interface Scene {
  readonly cards: readonly CardDrawn[];
  readonly size: CardSize;
  /** Of the picture, px. */
  readonly width: number;
  readonly height: number;
  readonly paper?: "yellow" | "white";
  readonly ground?: "asphalt" | "turf" | "table";
  /** Degrees that the camera is off the upright. */
  readonly tilt?: number;
  /** How much less light falls on one end of the picture, a part. */
  readonly uneven?: number;
  /** The lens's blur, a standard deviation in px. */
  readonly blur?: number;
  /** The sensor's noise, a standard deviation in steps of 255. */
  readonly noise?: number;
  readonly seed?: number;
}

type Colour = readonly [number, number, number];

/** In light, 0 to 1. */
const COLOURS = {
  yellow: [0.78, 0.6, 0.05],
  blue: [0.03, 0.05, 0.22],
  white: [0.8, 0.79, 0.76],
  red: [0.4, 0.03, 0.05],
  asphalt: [0.12, 0.12, 0.125],
  turf: [0.06, 0.16, 0.04],
  table: [0.42, 0.33, 0.24],
} as const satisfies Record<string, Colour>;

/** Stains of so many sizes, at random over a card. @param perCm2 droplets · @param median of their diameters, mm · @param spread of its logarithm */
export function sprinkled(
  size: CardSize,
  { perCm2, median, spread, seed }: { perCm2: number; median: number; spread: number; seed: number },
): CardDrawn {
  const uniform = seeded(seed);
  const count = Math.round((perCm2 * size.long * size.short) / 100);
  return {
    drops: Array.from({ length: count }, () => ({
      x: uniform() * size.long,
      y: uniform() * size.short,
      diameter: median * Math.exp(spread * normal(uniform)),
    })),
  };
}

/** What a screen is told of some light (IEC 61966-2-1, from memory). */
const written = (lit: number): number => 255 * (lit <= 0.0031308 ? 12.92 * lit : 1.055 * lit ** (1 / 2.4) - 0.055);

/** Where a card lies: turned a little, in a row over the picture. */
interface Lying {
  readonly x: number;
  readonly y: number;
  readonly cos: number;
  readonly sin: number;
}

/** Pixels for a mm of a card seen squarely: a row of cards fits, upright where there are several. */
const perMmOf = ({ cards, width, height, size }: Scene): number =>
  cards.length > 1
    ? Math.min((0.7 * width) / cards.length / size.short, (0.78 * height) / size.long)
    : Math.min((0.85 * width) / size.long, (0.78 * height) / size.short);

function lying({ cards, width, height }: Scene, uniform: Uniform): Lying[] {
  const row = width / cards.length;
  return cards.map((_, i) => {
    const angle = (cards.length > 1 ? Math.PI / 2 : 0) + (cards.length > 1 ? 0.08 : 0.04) * (uniform() - 0.5);
    return {
      x: (i + 0.5) * row - width / 2 + (uniform() - 0.5) * 0.05 * row,
      y: (uniform() - 0.5) * 0.05 * height,
      cos: Math.cos(angle),
      sin: Math.sin(angle),
    };
  });
}

/** Whether a place of a card is wet: its drops by the square of paper that they reach, each as x, y and its radius squared. */
function byPlace(drops: readonly Drop[], size: CardSize) {
  const [across, down] = [Math.ceil(size.long), Math.ceil(size.short)];
  const cells: number[][] = Array.from({ length: across * down }, () => []);
  for (const drop of drops) {
    const r = drop.diameter / 2;
    for (let y = Math.max(0, Math.floor(drop.y - r)); y <= Math.min(down - 1, Math.floor(drop.y + r)); y += 1)
      for (let x = Math.max(0, Math.floor(drop.x - r)); x <= Math.min(across - 1, Math.floor(drop.x + r)); x += 1)
        cells[y * across + x]!.push(drop.x, drop.y, r ** 2);
  }
  const reached = cells.map((cell) => Float64Array.from(cell));
  // Asked some hundred million times for a row of pictures: no closure, no list of its own.
  return (x: number, y: number): boolean => {
    const cell = reached[Math.floor(y) * across + Math.floor(x)];
    if (cell === undefined) return false;
    for (let i = 0; i < cell.length; i += 3) {
      const dx = x - cell[i]!;
      const dy = y - cell[i + 1]!;
      if (dx * dx + dy * dy <= cell[i + 2]!) return true;
    }
    return false;
  };
}

/** Rays for a pixel, each way. */
const RAYS = 3;

export function photograph(scene: Scene): Picture {
  const { width, height, size, cards } = scene;
  const perMm = perMmOf(scene);
  const uniform = seeded(scene.seed ?? 1);
  const ground: Colour = COLOURS[scene.ground ?? "asphalt"];
  const paper: Colour = COLOURS[scene.paper ?? "yellow"];
  const stain: Colour = scene.paper === "white" ? COLOURS.red : COLOURS.blue;
  const where = lying(scene, uniform);
  const wets = cards.map(({ drops }) => byPlace(drops, size));
  const far = 1.6 * Math.max(width, height);
  const slant = ((scene.tilt ?? 0) * Math.PI) / 180;
  const [sin, cos] = [Math.sin(slant), Math.cos(slant)];
  const lit = [new Float32Array(width * height), new Float32Array(width * height), new Float32Array(width * height)] as const;
  const rough = Float32Array.from({ length: 64 * 64 }, () => 1 + 0.12 * normal(uniform));
  // What each of the few colours adds to a pixel is worked out once, that of the ground for each of its grains.
  const ofGround = Array.from(rough, (grain): Colour => [ground[0] * grain, ground[1] * grain, ground[2] * grain]);
  const colourOf = (px: number, py: number, bare: Colour): Colour => {
    // From the picture back to the ground: the camera looks down at a slant.
    const sy = py - height / 2;
    const depth = far / (far * cos - sy * sin);
    const gx = (px - width / 2) * depth * cos;
    const gy = sy * depth;
    for (let i = 0; i < where.length; i += 1) {
      const at = where[i]!;
      const dx = gx - at.x;
      const dy = gy - at.y;
      const u = (dx * at.cos + dy * at.sin) / perMm + size.long / 2;
      const v = (-dx * at.sin + dy * at.cos) / perMm + size.short / 2;
      if (u < 0 || v < 0 || u >= size.long || v >= size.short) continue;
      return wets[i]!(u, v) ? stain : paper;
    }
    return bare;
  };
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let first = 0;
      let second = 0;
      let third = 0;
      const bare = ofGround[((y >> 2) & 63) * 64 + ((x >> 2) & 63)]!;
      for (let ry = 0; ry < RAYS; ry += 1)
        for (let rx = 0; rx < RAYS; rx += 1) {
          const colour = colourOf(x + (rx + 0.5) / RAYS, y + (ry + 0.5) / RAYS, bare);
          first += colour[0];
          second += colour[1];
          third += colour[2];
        }
      const lamp = 1 - (scene.uneven ?? 0) * (0.7 * (x / width) + 0.3 * (y / height) ** 2);
      const at = y * width + x;
      lit[0][at] = (first / RAYS ** 2) * lamp;
      lit[1][at] = (second / RAYS ** 2) * lamp;
      lit[2][at] = (third / RAYS ** 2) * lamp;
    }
  for (const plane of lit) blurred(plane, width, height, scene.blur ?? 0);
  const rgba = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < width * height; i += 1) {
    for (let c = 0; c < 3; c += 1) rgba[i * 4 + c] = written(lit[c]![i]!) + (scene.noise ? scene.noise * normal(uniform) : 0);
    rgba[i * 4 + 3] = 255;
  }
  return { width, height, rgba };
}

function blurred(plane: Float32Array, width: number, height: number, sigma: number): void {
  if (sigma <= 0) return;
  const reach = Math.ceil(3 * sigma);
  const kernel = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma ** 2)));
  const all = kernel.reduce((sum, k) => sum + k, 0);
  const along = (count: number, lines: number, step: number, next: number) => {
    const line = new Float32Array(count);
    for (let l = 0; l < lines; l += 1) {
      for (let i = 0; i < count; i += 1) {
        let sum = 0;
        for (let k = -reach; k <= reach; k += 1)
          sum += kernel[k + reach]! * plane[l * next + Math.min(count - 1, Math.max(0, i + k)) * step]!;
        line[i] = sum / all;
      }
      for (let i = 0; i < count; i += 1) plane[l * next + i * step] = line[i]!;
    }
  };
  along(width, height, 1, width);
  along(height, width, width, 1);
}

/** What is truly on a card within its rim: the part that is covered, looked at place by place, and the droplets for a cm². */
export function truthOf({ drops }: CardDrawn, size: CardSize, rim: number): { readonly cover: number; readonly perCm2: number } {
  const wet = byPlace(drops, size);
  const step = 0.02;
  let [covered, places] = [0, 0];
  for (let y = rim + step / 2; y < size.short - rim; y += step)
    for (let x = rim + step / 2; x < size.long - rim; x += step) {
      places += 1;
      if (wet(x, y)) covered += 1;
    }
  const inside = drops.filter(({ x, y }) => x > rim && y > rim && x < size.long - rim && y < size.short - rim);
  return { cover: covered / places, perCm2: inside.length / (((size.long - 2 * rim) * (size.short - 2 * rim)) / 100) };
}

/** Five cards across a pass of a made-up rig: what falls on each follows a pattern that is highest in its middle. */
export const MADE_UP_PASS = [0.25, 0.7, 1, 0.75, 0.3] as const;

/** A picture of such a pass, as a phone takes it: a little slanted, more light from one side, a little noise. */
export function madeUpPicture(size: CardSize, seed: number): Picture {
  const cards = MADE_UP_PASS.map((part, i) =>
    sprinkled(size, { perCm2: 34 * part, median: 0.55, spread: 0.35, seed: seed * 10 + i }),
  );
  return photograph({ cards, size, width: 1800, height: 1350, tilt: 8, uneven: 0.3, blur: 0.8, noise: 2, ground: "turf", seed });
}
