import { fitted, median, parting } from "./least-squares";
import { closed, filled, opened, outlined, type Mask } from "./mask";
import { colourAt, smaller, type Picture, type Planes } from "./picture";
import { areaOf, distance, middleOf, ordered, quadIn, sidesOf, within, type Point, type Quad } from "./quad";

/**
 * Finds cards in a picture: pieces that stand off what is round about, have four straight sides and a card's shape. Nothing is
 * known beforehand of the ground that they lie on; several ways of telling a card from it are tried, and the best found is taken.
 */

/** A card's two sides, in one unit. */
export interface CardSize {
  readonly long: number;
  readonly short: number;
}

/** As long as the picture is looked at for finding; corners are found again in the whole one. */
const LOOKED_AT = 640;
/** A card is at least so large a part of the picture, and at most. */
const LEAST_PART = 0.003;
const MOST_PART = 0.95;
/** A slanted view makes a card look longer or shorter by up to about a third. */
const SLANT = Math.log(1.4);

interface Found {
  readonly quad: Quad;
  readonly score: number;
}

/** @returns the cards, in the order in which they lie along the row that they make, left to right or top to bottom */
export function findCards(picture: Picture, size: CardSize): Quad[] {
  const by = Math.max(1, Math.round(Math.max(picture.width, picture.height) / LOOKED_AT));
  const small = smaller(picture, by);
  const candidates = [offGround(small), yellow(small), bright(small, 1), bright(small, -1)].flatMap((mask) =>
    mask ? cardsIn(mask, size) : [],
  );
  candidates.sort((a, b) => b.score - a.score);
  const taken: Quad[] = [];
  for (const { quad } of candidates)
    if (!taken.some((one) => within(one, middleOf(quad)) || within(quad, middleOf(one)))) taken.push(quad);
  const large = taken.map(
    (quad) => quad.map(({ x, y }) => ({ x: (x + 0.5) * by - 0.5, y: (y + 0.5) * by - 0.5 })) as unknown as Quad,
  );
  return inARow(alike(large).map((quad) => refined(picture, quad, by)));
}

/** Cards on one picture are of one make: what is far smaller than the rest is something else. */
function alike(quads: readonly Quad[]): Quad[] {
  if (quads.length === 0) return [];
  const middle = median(quads.map(areaOf));
  return quads.filter((quad) => areaOf(quad) > middle / 3);
}

/** Along the way in which the cards' middles spread the most. */
export function inARow(quads: readonly Quad[]): Quad[] {
  const middles = quads.map(middleOf);
  const spread = (of: "x" | "y") => Math.max(...middles.map((m) => m[of])) - Math.min(...middles.map((m) => m[of]));
  const along = quads.length > 1 && spread("y") > spread("x") ? "y" : "x";
  return [...quads].sort((a, b) => middleOf(a)[along] - middleOf(b)[along]);
}

const logs = (planes: Planes) => {
  const [r, g, b] = planes.planes;
  const n = r.length;
  const out = [new Float32Array(n), new Float32Array(n), new Float32Array(n)] as const;
  for (let i = 0; i < n; i += 1) {
    out[0][i] = Math.log(r[i]! + g[i]! + b[i]! + 9);
    out[1][i] = Math.log((r[i]! + 6) / (g[i]! + 6));
    out[2][i] = Math.log((g[i]! + 6) / (b[i]! + 6));
  }
  return out;
};

const BINS = 256;

/** What lies above the parting of some values; undefined where they don't part by at least so much. */
function above(values: Float32Array, { width, height }: Planes, apart: number): Mask | undefined {
  let [least, most] = [Infinity, -Infinity];
  for (const value of values) {
    least = Math.min(least, value);
    most = Math.max(most, value);
  }
  const step = (most - least) / BINS || 1;
  const counts = new Uint32Array(BINS);
  const binOf = (value: number) => Math.min(BINS - 1, Math.floor((value - least) / step));
  for (const value of values) counts[binOf(value)]! += 1;
  const at = parting(counts);
  const mean = (from: number, to: number) => {
    let [n, sum] = [0, 0];
    for (let i = from; i < to; i += 1) {
      n += counts[i]!;
      sum += (i + 0.5) * counts[i]!;
    }
    return sum / n;
  };
  if ((mean(at, BINS) - mean(0, at)) * step < apart) return undefined;
  const on = new Uint8Array(values.length);
  for (let i = 0; i < values.length; i += 1) on[i] = binOf(values[i]!) >= at ? 1 : 0;
  return { width, height, on };
}

/** What is no part of the ground: the ground is what the picture's edge shows, its light falling off evenly. */
function offGround(small: Planes): Mask | undefined {
  const { width, height } = small;
  const features = logs(small);
  const rim = Math.max(2, Math.round(Math.min(width, height) * 0.03));
  const places: number[] = [];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      if (x >= rim && y >= rim && x < width - rim && y < height - rim) continue;
      if ((x * 7 + y * 3) % 5 === 0) places.push(y * width + x);
    }
  const rows = (x: number, y: number) => [1, x / width - 0.5, y / height - 0.5];
  const far = new Float32Array(width * height);
  features.forEach((feature, f) => {
    const at = places.map((i) => rows(i % width, Math.floor(i / width)));
    const plane = fitted(
      at.flat(),
      places.map((i) => feature[i]!),
      null,
      3,
    );
    const model = (x: number, y: number) => plane[0]! + plane[1]! * (x / width - 0.5) + plane[2]! * (y / height - 0.5);
    const off = places.map((i) => Math.abs(feature[i]! - model(i % width, Math.floor(i / width))));
    const spread = Math.max(1.48 * median(off), f === 0 ? 0.08 : 0.04);
    for (let i = 0; i < far.length; i += 1) far[i]! += ((feature[i]! - model(i % width, Math.floor(i / width))) / spread) ** 2;
  });
  for (let i = 0; i < far.length; i += 1) far[i] = Math.log1p(Math.sqrt(far[i]!));
  return above(far, small, 0.6);
}

/** What is yellow: the paper that water turns blue. */
function yellow(small: Planes): Mask | undefined {
  const [r, g, b] = small.planes;
  const values = new Float32Array(r.length);
  for (let i = 0; i < r.length; i += 1) values[i] = Math.log((Math.min(r[i]!, g[i]!) + 12) / (b[i]! + 12));
  return above(values, small, 0.35);
}

/** What is bright, or dark. */
function bright(small: Planes, sign: 1 | -1): Mask | undefined {
  const light = logs(small)[0];
  for (let i = 0; i < light.length; i += 1) light[i]! *= sign;
  return above(light, small, 0.25);
}

/** Pieces of a mask that have a card's shape, the likeliest first. */
function cardsIn(mask: Mask, size: CardSize): Found[] {
  const pixels = mask.width * mask.height;
  // What is wetted may look like the ground: the gaps that it leaves are closed, first a little and then by more.
  return [1, 3, 7].flatMap((gap) =>
    outlined(opened(filled(closed(mask, gap)), 2), pixels * LEAST_PART).flatMap(({ size: area, hull, cut }): Found[] => {
      if (cut || area > pixels * MOST_PART || hull.length < 4) return [];
      const quad = quadIn(hull);
      if (!quad) return [];
      const { long, short } = sidesOf(quad);
      const slant = Math.abs(Math.log(long / short / (size.long / size.short)));
      const square = areaOf(quad) / areaOf(hull);
      const full = area / areaOf(hull);
      if (slant > SLANT || square < 0.88 || full < 0.75) return [];
      return [{ quad, score: square * full * (1 - slant / 2) - gap / 500 }];
    }),
  );
}

const SAMPLES = 120;

/** Draws the sides again in the whole picture, where the colour goes half way from the ground's to the card's. */
function refined(picture: Picture, quad: Quad, by: number): Quad {
  const reach = Math.max(4, 4 * by);
  const lines = quad.map((from, i) => sideAt(picture, from, quad[(i + 1) % 4]!, reach));
  const corners = lines.map((line, i) => crossing(lines[(i + 3) % 4]!, line));
  if (corners.some((corner, i) => !corner || distance(corner, quad[i]!) > 2 * reach)) return quad;
  return ordered(corners as unknown as [Point, Point, Point, Point]);
}

interface Line {
  readonly at: Point;
  readonly along: Point;
}

function crossing(a: Line, b: Line): Point | undefined {
  const across = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(across) < 1e-6) return undefined;
  const t = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / across;
  return { x: a.at.x + t * a.along.x, y: a.at.y + t * a.along.y };
}

/** The side near a line between two corners: where profiles across it step from outside to inside, a line through most of them. */
function sideAt(picture: Picture, from: Point, to: Point, reach: number): Line {
  const length = distance(from, to);
  const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  // The corners go round clockwise as seen: inside is to the right of the way.
  const inward = { x: -along.y, y: along.x };
  const step = reach / 12;
  const places = Array.from({ length: SAMPLES }, (_, i) => (0.06 + (0.88 * i) / (SAMPLES - 1)) * length);
  const profile = (s: number, t: number) =>
    [0, 1, 2].map((c) => colourAt(picture, from.x + along.x * s + inward.x * t, from.y + along.y * s + inward.y * t, c));
  const typical = (t: number) => {
    const seen = places.map((s) => profile(s, t));
    return [0, 1, 2].map((c) => median(seen.map((colour) => colour[c]!)));
  };
  const [out, inside] = [typical(-reach), typical(reach)];
  const size = inside.reduce((sum, value, c) => sum + (value - out[c]!) ** 2, 0);
  if (size < 100) return { at: from, along };
  const part = (s: number, t: number) =>
    profile(s, t).reduce((sum, value, c) => sum + ((value - out[c]!) * (inside[c]! - out[c]!)) / size, 0);
  const steps = places.flatMap((s) => {
    let before = part(s, -reach);
    for (let t = -reach + step; t <= reach; t += step) {
      const now = part(s, t);
      if (before < 0.5 && now >= 0.5 && part(s, t + step) >= 0.5) return [{ s, t: t - (step * (now - 0.5)) / (now - before) }];
      before = now;
    }
    return [];
  });
  if (steps.length < SAMPLES / 4) return { at: from, along };
  return through(steps, from, along, inward, length);
}

/** A straight line through most of some steps; what a stain at the edge pushed inwards is left out. */
function through(
  steps: readonly { readonly s: number; readonly t: number }[],
  from: Point,
  along: Point,
  inward: Point,
  length: number,
): Line {
  let weights = steps.map(() => 1);
  let line = [0, 0];
  for (let round = 0; round < 6; round += 1) {
    line = fitted(
      steps.flatMap(({ s }) => [1, s / length]),
      steps.map(({ t }) => t),
      weights,
      2,
    );
    const off = steps.map(({ s, t }) => t - line[0]! - (line[1]! * s) / length);
    const spread = Math.max(0.15, 1.48 * median(off.map(Math.abs)));
    weights = off.map((one) => (Math.abs(one) > 2 * spread ? 0 : 1));
  }
  const place = (s: number): Point => {
    const t = line[0]! + (line[1]! * s) / length;
    return { x: from.x + along.x * s + inward.x * t, y: from.y + along.y * s + inward.y * t };
  };
  const [a, b] = [place(0), place(length)];
  return { at: a, along: { x: (b.x - a.x) / length, y: (b.y - a.y) / length } };
}
