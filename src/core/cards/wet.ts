import { median } from "./least-squares";
import { distances } from "./mask";
import { greyOf, type Planes } from "./picture";
import { smoothed, type Parts } from "./smoothed";

/** How wet each pixel of a squared-up card is: nought on paper, one on a stain, in between at its edge. */
export interface Wetness extends Parts {
  /** What the picture's noise makes of dry paper: a standard deviation of `part`. */
  readonly noise: number;
  /** A standard deviation, px. */
  readonly blur: number;
  /** How far the light of dry paper, and of a stain's middle, may be from what was seen, each as a part of the step between the two. */
  readonly unsure: { readonly dry: number; readonly wet: number };
  readonly told: Told;
}

/** Whether stains are told from paper; not on a card of one colour (nothing fell, or nothing is left dry), nor where they are too fine. */
export type Told = "stains" | "one colour" | "too fine";

type Colour = readonly [number, number, number];

/** Places looked at for what paper and stain look like. */
const PLACES = 40_000;
/** As many places at least are wet, or dry, where there are any to speak of. */
const FEW = 40;
/** Colours nearer to one another than this, as parts of their light, are one colour. */
const FAINTEST = 0.06;
/** The light on a card is looked at in squares of this, mm. */
const TILE = 0.8;

/**
 * Tells stains from paper, in light: a pixel that is half wet gives the half of both. What a pixel's three colours mix of paper and stain
 * doesn't hang on how much light falls there; so the light is found from the card itself, and each pixel is held against it.
 * @param card in light · @param seenBlur of the picture, a standard deviation in px; null where the card's edges don't tell
 */
export function wetnessOf(card: Card, seenBlur: number | null): Wetness {
  const { width, height } = card;
  const none = (told: Told): Wetness => ({
    width,
    height,
    part: new Float32Array(width * height),
    noise: 1,
    blur: 1,
    unsure: { dry: 0, wet: 0 },
    told,
  });
  let ends = endsOf(card);
  if (!ends) return none("one colour");
  let part = unmixed(card, ends);
  let [noise, blur, unsure] = [1, 1, { dry: 0, wet: 0 }];
  for (let round = 0; round < ROUNDS; round += 1) {
    blur = seenBlur ?? blurIn(card, part);
    const deep = deepest(card, part, blur);
    if (!deep) return none("one colour");
    ({ ends, unsure } = endsFrom(card, lightOn(card, ends, part, DRY), deep, meanOf(part), blur));
    ({ part, noise } = heldAgainst(card, ends, lightOn(card, ends, unmixed(card, ends), Infinity), deep.dry.at));
  }
  return noise > READABLE ? none("too fine") : { width, height, part, noise, blur, unsure, told: "stains" };
}
const ROUNDS = 3;
/** Where what should be dry is so far from it by itself nothing is told of the rest. */
const READABLE = 0.4;
/** What is less wet than this tells of the light on dry paper. */
const DRY = 0.25;
const meanOf = (part: Float32Array): number => Math.min(1, Math.max(0, part.reduce((sum, one) => sum + one, 0) / part.length));

/** What paper, and a stain, give of the light that falls on them. */
interface Ends {
  readonly paper: Colour;
  readonly stain: Colour;
}

/** A first idea of paper and stain: the two ends of the colours on the card. Null where they are one colour. */
function endsOf({ width, height, planes }: Planes): Ends | null {
  const every = Math.max(1, Math.floor(Math.sqrt((width * height) / PLACES)));
  const places: number[] = [];
  for (let y = 1; y < height - 1; y += every) for (let x = 1; x < width - 1; x += every) places.push(y * width + x);
  // Of nine pixels each: what one alone says is noise.
  const light = planes.map((plane) =>
    Float32Array.from(places, (i) => {
      let sum = 0;
      for (const dy of [-width, 0, width]) sum += plane[i + dy - 1]! + plane[i + dy]! + plane[i + dy + 1]!;
      return sum / 9;
    }),
  );
  const total = (i: number) => light[0]![i]! + light[1]![i]! + light[2]![i]! + 0.01;
  const tint = light.map((plane) => plane.map((one, i) => one / total(i)));
  const middle = tint.map((plane) => plane.reduce((sum, one) => sum + one, 0) / plane.length);
  // The way in which tints differ the most (the first principal component, by repeated multiplication).
  let way = [1, -0.3, -0.7];
  for (let round = 0; round < 24; round += 1) {
    const next = [0, 0, 0];
    for (let i = 0; i < places.length; i += 1) {
      let along = 0;
      for (let c = 0; c < 3; c += 1) along += way[c]! * (tint[c]![i]! - middle[c]!);
      for (let c = 0; c < 3; c += 1) next[c]! += along * (tint[c]![i]! - middle[c]!);
    }
    const size = Math.hypot(...next);
    if (size === 0) return null;
    way = next.map((one) => one / size);
  }
  const along = Float32Array.from(places, (_, i) => way.reduce((sum, one, c) => sum + one * (tint[c]![i]! - middle[c]!), 0));
  const sorted = Float32Array.from(along).sort();
  const at = (part: number) => sorted[Math.floor((sorted.length - 1) * part)]!;
  const few = Math.max(FEW, Math.floor(sorted.length * 0.002));
  if (sorted.length < 2 * few) return null;
  const [least, most] = [sorted[few >> 1]!, sorted[sorted.length - 1 - (few >> 1)]!];
  // What stands out of the rest of the card by more than its noise does.
  const spread = Math.max(0.002, Math.min(at(0.1) - at(0.02), at(0.98) - at(0.9)) / 0.77);
  if (most - least < FAINTEST || most - least < 8 * spread) return null;
  const mean = (is: (value: number) => boolean) => {
    const which = places.flatMap((_, i) => (is(along[i]!) ? [i] : []));
    return light.map((plane) => which.reduce((sum, i) => sum + plane[i]!, 0) / which.length) as unknown as Colour;
  };
  const [one, other] = [mean((value) => value <= sorted[few - 1]!), mean((value) => value >= sorted[sorted.length - few]!)];
  return one[0] + one[1] + one[2] > other[0] + other[1] + other[2] ? { paper: one, stain: other } : { paper: other, stain: one };
}

/** How a colour is mixed of paper and stain: how much light there is of each, by least squares over the three colours. */
function mixture({ paper, stain }: Ends) {
  // Dark colours count for more: their noise is less.
  const k = paper.map((one, c) => 1 / Math.max(one, stain[c]!, 0.01) ** 2);
  const dot = (a: Colour, b: Colour) => k[0]! * a[0] * b[0] + k[1]! * a[1] * b[1] + k[2]! * a[2] * b[2];
  const [pp, ps, ss] = [dot(paper, paper), dot(paper, stain), dot(stain, stain)];
  const by = pp * ss - ps * ps;
  const row = (own: number, cross: number, a: Colour, b: Colour) =>
    [0, 1, 2].map((c) => (k[c]! * (own * a[c]! - cross * b[c]!)) / by);
  return { ofPaper: row(ss, ps, paper, stain), ofStain: row(pp, ps, stain, paper) };
}

/** How wet each pixel is by its tint alone. */
function unmixed({ planes }: Planes, ends: Ends): Float32Array {
  const { ofPaper, ofStain } = mixture(ends);
  const [r, g, b] = planes;
  const out = new Float32Array(r.length);
  for (let i = 0; i < out.length; i += 1) {
    const paper = ofPaper[0]! * r[i]! + ofPaper[1]! * g[i]! + ofPaper[2]! * b[i]!;
    const stain = ofStain[0]! * r[i]! + ofStain[1]! * g[i]! + ofStain[2]! * b[i]!;
    out[i] = Math.min(1.3, Math.max(-0.3, stain / Math.max(0.02, paper + stain)));
  }
  return out;
}

/** Places that lie farthest from what is otherwise, with how far that is, px. */
interface Deep {
  readonly at: Uint32Array;
  readonly depth: number;
}

/** So many blurs from the edge nothing of the other side is seen. */
const CLEAR = 6;
/** So many places say what paper, or a stain, looks like. */
const TELLING = 4000;

interface Deeps {
  readonly dry: Deep;
  readonly wet: Deep;
}

function deepest(card: Planes, part: Float32Array, blur: number): Deeps | null {
  const smooth = smoothed({ ...card, part });
  const wet = deepIn(card, (i) => smooth[i]! >= 0.5, blur);
  const dry = deepIn(card, (i) => smooth[i]! < 0.5, blur);
  return wet && dry ? { wet, dry } : null;
}

function deepIn({ width, height }: Planes, is: (i: number) => boolean, blur: number): Deep | null {
  const on = Uint8Array.from({ length: width * height }, (_, i) => (is(i) ? 1 : 0));
  const all = on.reduce((sum, one) => sum + one, 0);
  if (all < FEW) return null;
  const far = distances({ width, height, on });
  // Counted by quarters of a pixel, from the deepest down to where all is clear.
  const counts = new Uint32Array(512);
  const binOf = (i: number) => Math.min(511, Math.floor(4 * Math.sqrt(far[i]!)));
  for (let i = 0; i < far.length; i += 1) if (far[i]! > 0) counts[binOf(i)]! += 1;
  let [bin, taken] = [511, 0];
  while (bin > 0 && (bin > 4 * CLEAR * blur || taken < Math.max(FEW, Math.min(TELLING, all / 50)))) taken += counts[bin--]!;
  const every = Math.max(1, Math.floor(taken / TELLING));
  const at: number[] = [];
  let [k, depth] = [0, 0];
  for (let i = 0; i < far.length; i += 1) {
    if (far[i]! === 0 || binOf(i) <= bin || k++ % every !== 0) continue;
    at.push(i);
    depth += Math.sqrt(far[i]!);
  }
  return { at: Uint32Array.from(at), depth: depth / at.length };
}

/** The blur by the stains' own edges, where the card's don't tell: they are as steep as it lets them be, or less. */
function blurIn({ width, height }: Planes, part: Float32Array): number {
  const steep: number[] = [];
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const i = y * width + x;
      if (Math.abs(part[i]! - 0.5) < 0.1 && steep.length < PLACES)
        steep.push(Math.hypot(part[i + 1]! - part[i - 1]!, part[i + width]! - part[i - width]!) / 2);
    }
  if (steep.length < FEW) return 1;
  const steepest = steep.sort((a, b) => a - b)[Math.floor(steep.length * 0.8)]!;
  return 1 / (Math.sqrt(2 * Math.PI) * Math.max(0.1, steepest));
}

/** How much of itself is seen in the middle of a patch that lies so deep: the rest is its surroundings'. */
const seenOf = (depth: number, blur: number): number => 1 - Math.exp(-Math.max(0.5, (depth / blur) ** 2 - 1) / 2);

/** What paper and stain look like where each lies deepest, and how unsure that is. */
function endsFrom(
  card: Card,
  light: LightAt,
  { dry, wet }: Deeps,
  cover: number,
  blur: number,
): { ends: Ends; unsure: Wetness["unsure"] } {
  const colour = ({ at }: Deep) => {
    const sums = [0, 0, 0];
    let lit = 0;
    for (const i of at) {
      lit += light(i);
      for (let c = 0; c < 3; c += 1) sums[c]! += card.planes[c]![i]!;
    }
    return sums.map((sum) => sum / lit);
  };
  const [dryest, wettest] = [colour(dry), colour(wet)];
  // A patch that is small beside the blur shows what is round it, too: as much of that is wet as of the card.
  const [low, high] = [(1 - seenOf(dry.depth, blur)) * cover, 1 - (1 - seenOf(wet.depth, blur)) * (1 - cover)];
  const step = Math.max(0.3, high - low);
  const whole = dryest.map((one, c) => (wettest[c]! - one) / step);
  const paper = dryest.map((one, c) => one - low * whole[c]!);
  const stain = paper.map((one, c) => Math.max(0.004, one + whole[c]!));
  return {
    ends: { paper, stain } as unknown as Ends,
    unsure: { dry: low / 2, wet: (1 - high) / 2 },
  };
}

type Card = Planes & { readonly perMm: number };
type LightAt = (i: number) => number;
/** A pixel that is part wet and part dry says less of the light than one that is either. */
const MIXED = 0.02;

/**
 * The light on each place of a card, as parts of what paper is told to give: by tiles, smoothed, and between them in straight lines.
 * @param upTo what is wetter isn't asked
 */
function lightOn({ width, height, planes, perMm }: Card, { paper, stain }: Ends, part: Float32Array, upTo: number): LightAt {
  const size = Math.max(3, TILE * perMm);
  const [across, down] = [Math.max(1, Math.round(width / size)), Math.max(1, Math.round(height / size))];
  const [seen, told] = [new Float64Array(across * down), new Float64Array(across * down)];
  const bright = paper[0] + paper[1] + paper[2];
  const darker = bright - stain[0] - stain[1] - stain[2];
  const [r, g, b] = planes;
  for (let y = 0; y < height; y += 1) {
    const row = Math.floor((y * down) / height) * across;
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      const wet = Math.min(1, Math.max(0, part[i]!));
      if (wet > upTo) continue;
      const counts = Math.abs(wet - 0.5) > 0.25 ? 1 : MIXED;
      const tile = row + Math.floor((x * across) / width);
      seen[tile]! += counts * (r[i]! + g[i]! + b[i]!);
      told[tile]! += counts * (bright - wet * darker);
    }
  }
  const least = 0.03 * bright * size * size;
  let tiles = filledIn(
    Float64Array.from(seen, (one, i) => (told[i]! >= least ? one / told[i]! : NaN)),
    across,
    down,
  );
  tiles = softened(tiles, across, down);
  return (i) => {
    const x = Math.min(across - 1, Math.max(0, ((i % width) * across) / width - 0.5));
    const y = Math.min(down - 1, Math.max(0, (Math.floor(i / width) * down) / height - 0.5));
    const [x0, y0] = [Math.min(across - 1, Math.floor(x)), Math.min(down - 1, Math.floor(y))];
    const [x1, y1] = [Math.min(across - 1, x0 + 1), Math.min(down - 1, y0 + 1)];
    const [fx, fy] = [x - x0, y - y0];
    return (
      (tiles[y0 * across + x0]! * (1 - fx) + tiles[y0 * across + x1]! * fx) * (1 - fy) +
      (tiles[y1 * across + x0]! * (1 - fx) + tiles[y1 * across + x1]! * fx) * fy
    );
  };
}

/** The mean of what is known among a tile and those round it. */
function roundabout(tiles: Float64Array, across: number, down: number, x: number, y: number): number {
  let [sum, n] = [0, 0];
  for (let dy = -1; dy <= 1; dy += 1)
    for (let dx = -1; dx <= 1; dx += 1) {
      const [nx, ny] = [x + dx, y + dy];
      if (nx < 0 || ny < 0 || nx >= across || ny >= down || Number.isNaN(tiles[ny * across + nx]!)) continue;
      sum += tiles[ny * across + nx]!;
      n += 1;
    }
  return n === 0 ? NaN : sum / n;
}
const softened = (tiles: Float64Array, across: number, down: number) =>
  Float64Array.from(tiles, (_, i) => roundabout(tiles, across, down, i % across, Math.floor(i / across)));

/** Tiles of which nothing is known take after those round them. */
function filledIn(tiles: Float64Array, across: number, down: number): Float64Array {
  let now = tiles;
  for (let round = 0; round < across + down && now.some(Number.isNaN); round += 1)
    now = now.map((one, i) => (Number.isNaN(one) ? roundabout(now, across, down, i % across, Math.floor(i / across)) : one));
  return now.map((one) => (Number.isNaN(one) ? 1 : one));
}

/** Each pixel against the light that falls on it, by how bright it is written: tints are less sharp than that. */
function heldAgainst({ planes }: Card, ends: Ends, light: LightAt, dry: Uint32Array): { part: Float32Array; noise: number } {
  const wetAt = byBrightness(ends);
  const [r, g, b] = planes;
  const part = new Float32Array(r.length);
  for (let i = 0; i < part.length; i += 1) {
    const lit = Math.max(0.02, light(i));
    part[i] = wetAt(greyOf(r[i]! / lit, g[i]! / lit, b[i]! / lit));
  }
  return { part, noise: Math.max(0.004, 1.48 * median(Float32Array.from(dry, (i) => Math.abs(part[i]!)))) };
}

/** As far beyond paper and stain a mixture goes on: noise goes both ways. */
const BEYOND = 0.3;
const MIXTURES = 512;
const GREYS = 2048;

/** How wet a place is that is written so bright: looked up, from how bright each mixture of paper and stain is. */
function byBrightness({ paper, stain }: Ends): (grey: number) => number {
  const wetOf = (step: number) => (step / MIXTURES) * (1 + 2 * BEYOND) - BEYOND;
  const greys = Array.from({ length: MIXTURES + 1 }, (_, i) => {
    const [r, g, b] = paper.map((one, c) => Math.max(0, one + wetOf(i) * (stain[c]! - one))) as [number, number, number];
    return greyOf(r, g, b);
  });
  const [dryest, wettest] = [greys[0]!, greys[MIXTURES]!];
  let step = 0;
  const table = Float32Array.from({ length: GREYS + 1 }, (_, i) => {
    const grey = dryest + (i / GREYS) * (wettest - dryest);
    while (step < MIXTURES - 1 && Math.abs(greys[step + 1]! - dryest) < Math.abs(grey - dryest)) step += 1;
    const [from, to] = [greys[step]!, greys[step + 1]!];
    return wetOf(step + (to === from ? 0 : Math.min(1, Math.max(0, (grey - from) / (to - from)))));
  });
  return (grey) => table[Math.round(Math.min(1, Math.max(0, (grey - dryest) / (wettest - dryest))) * GREYS)]!;
}
