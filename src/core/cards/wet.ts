import { fitted, median } from "./least-squares";
import type { Planes } from "./picture";

/** How wet each pixel of a squared-up card is: nought on paper, one on a stain, in between at its edge. */
export interface Wetness {
  readonly width: number;
  readonly height: number;
  readonly part: Float32Array;
  /** What the picture's noise makes of dry paper: a standard deviation of `part`. */
  readonly noise: number;
  /** The card is of one colour: either nothing fell, or nothing is left dry. */
  readonly uniform: boolean;
}

/** The functions that the paper's colour is made of: light falls off evenly over a card. */
const FUNCTIONS = 6;
const TILES = { across: 18, down: 6 };
/** Places looked at for the paper's colour. */
const PLACES = 40_000;
/** A stain that is less of a step than this, as a part of the paper's light, is none. */
const FAINTEST = 0.1;
/** As many places at least are wet, or dry, where there are any to speak of. */
const FEW = 8;

type Model = readonly number[];
/** @param u, v −1 to 1 over the card */
const shade = (m: Model, u: number, v: number): number =>
  m[0]! + m[1]! * u + m[2]! * v + m[3]! * u * u + m[4]! * u * v + m[5]! * v * v;

/** Places of a card, with their colour. */
interface Sample {
  readonly count: number;
  readonly u: Float32Array;
  readonly v: Float32Array;
  readonly colour: readonly Float32Array[];
}

function sampled({ width, height, planes }: Planes): Sample {
  const every = Math.max(1, Math.floor(Math.sqrt((width * height) / PLACES)));
  const count = Math.ceil(width / every) * Math.ceil(height / every);
  const sample = {
    count,
    u: new Float32Array(count),
    v: new Float32Array(count),
    colour: planes.map(() => new Float32Array(count)),
  };
  let n = 0;
  for (let y = 0; y < height; y += every)
    for (let x = 0; x < width; x += every) {
      sample.u[n] = (x / width) * 2 - 1;
      sample.v[n] = (y / height) * 2 - 1;
      for (let c = 0; c < 3; c += 1) sample.colour[c]![n] = planes[c]![y * width + x]!;
      n += 1;
    }
  return sample;
}

/** What a card's colours come to. */
interface Reading {
  readonly paper: readonly Model[];
  /** Of each colour, how much of the paper's light a stain takes away. */
  readonly taken: readonly number[];
  /** How much each colour counts. */
  readonly weights: readonly number[];
  readonly noise: number;
}

/**
 * Tells stains from paper. Light is uneven: the paper's own colour is drawn through the dry places as a smooth sheet, and each
 * pixel is held against it. What each of the three colours tells is weighed by how far the stain is from the paper, over noise.
 */
export function wetnessOf(card: Planes): Wetness {
  const { width, height, planes } = card;
  const reading = read(card);
  const part = new Float32Array(width * height);
  if (!reading) return { width, height, part, noise: 1, uniform: true };
  const { paper, taken, weights, noise } = reading;
  for (let c = 0; c < 3; c += 1) {
    if (weights[c]! === 0) continue;
    const plane = planes[c]!;
    const by = weights[c]! / taken[c]!;
    const model = paper[c]!;
    for (let y = 0; y < height; y += 1) {
      const v = (y / height) * 2 - 1;
      for (let x = 0; x < width; x += 1) {
        const i = y * width + x;
        part[i]! += by * (1 - plane[i]! / Math.max(4, shade(model, (x / width) * 2 - 1, v)));
      }
    }
  }
  asLight(
    part,
    taken.reduce((sum, t, c) => sum + t * weights[c]!, 0),
  );
  return { width, height, part, noise, uniform: false };
}

function read(card: Planes): Reading | null {
  const sample = sampled(card);
  const { count, u, v, colour } = sample;
  let paper: Model[] = card.planes.map((plane) => brightest(card, plane));
  let taken: readonly number[] = [1, 1, 1];
  let weights: readonly number[] = [1 / 3, 1 / 3, 1 / 3];
  let noise = 1;
  const dark = colour.map(() => new Float32Array(count));
  const wet = new Float32Array(count);
  for (let round = 0; round < 4; round += 1) {
    wet.fill(0);
    for (let c = 0; c < 3; c += 1)
      for (let i = 0; i < count; i += 1) {
        dark[c]![i] = 1 - colour[c]![i]! / Math.max(4, shade(paper[c]!, u[i]!, v[i]!));
        if (weights[c]! > 0) wet[i]! += (weights[c]! * dark[c]![i]!) / taken[c]!;
      }
    const cut = round === 0 ? firstCut(wet) : 0.5;
    if (cut === null) return null;
    const dry = placesOf(wet, round === 0 ? -Infinity : -0.35, round === 0 ? cut : 0.35);
    const soaked = placesOf(wet, round === 0 ? cut : 0.75, Infinity);
    if (soaked.length < FEW || dry.length < FEW) return null;
    paper = colour.map((plane) => sheet(sample, plane, dry));
    taken = dark.map((plane) => high(Float32Array.from(soaked, (i) => plane[i]!)));
    const noises = colour.map((plane, c) =>
      Math.max(
        0.004,
        1.48 * median(Float32Array.from(dry, (i) => Math.abs(1 - plane[i]! / Math.max(4, shade(paper[c]!, u[i]!, v[i]!))))),
      ),
    );
    const telling = taken.map((t, c) => (t > 0.03 ? (t / noises[c]!) ** 2 : 0));
    const all = telling.reduce((sum, t) => sum + t, 0);
    if (Math.max(...taken) < FAINTEST || all < 9) return null;
    weights = telling.map((t) => t / all);
    noise = 1 / Math.sqrt(all);
  }
  return { paper, taken, weights, noise };
}

function placesOf(wet: Float32Array, above: number, upTo: number): Uint32Array {
  const out = new Uint32Array(wet.length);
  let n = 0;
  for (let i = 0; i < wet.length; i += 1) if (wet[i]! > above && wet[i]! <= upTo) out[n++] = i;
  return out.slice(0, n);
}

/** Of stains that are small and blurred most pixels are edge: the darker ones say what a stain is like. */
const high = (values: Float32Array): number => values.sort()[Math.floor(values.length * 0.7)]!;

/** The paper's colour through the places that are dry. */
function sheet({ u, v }: Sample, plane: Float32Array, dry: Uint32Array): Model {
  const every = Math.max(1, Math.floor(dry.length / 6000));
  const rows: number[] = [];
  const values: number[] = [];
  for (let k = 0; k < dry.length; k += every) {
    const i = dry[k]!;
    rows.push(1, u[i]!, v[i]!, u[i]! * u[i]!, u[i]! * v[i]!, v[i]! * v[i]!);
    values.push(plane[i]!);
  }
  return fitted(rows, values, null, FUNCTIONS);
}

/** A first idea of the paper: what is bright in each of many tiles, a sheet through it. */
function brightest({ width, height }: Planes, plane: Float32Array): Model {
  const rows: number[] = [];
  const values: number[] = [];
  const seen = new Float32Array(1024);
  for (let ty = 0; ty < TILES.down; ty += 1)
    for (let tx = 0; tx < TILES.across; tx += 1) {
      const x0 = Math.floor((tx * width) / TILES.across);
      const x1 = Math.floor(((tx + 1) * width) / TILES.across);
      const y0 = Math.floor((ty * height) / TILES.down);
      const y1 = Math.floor(((ty + 1) * height) / TILES.down);
      const every = Math.max(1, Math.ceil(Math.max(x1 - x0, y1 - y0) / 31));
      let n = 0;
      for (let y = y0; y < y1; y += every) for (let x = x0; x < x1; x += every) seen[n++] = plane[y * width + x]!;
      if (n === 0) continue;
      const [u, v] = [(x0 + x1) / width - 1, (y0 + y1) / height - 1];
      rows.push(1, u, v, u * u, u * v, v * v);
      values.push(seen.slice(0, n).sort()[Math.floor(n * 0.9)]!);
    }
  let weights = values.map(() => 1);
  let model: number[] = [];
  for (let round = 0; round < 5; round += 1) {
    model = fitted(rows, values, weights, FUNCTIONS);
    const off = values.map((value, i) => value - shade(model, rows[i * FUNCTIONS + 1]!, rows[i * FUNCTIONS + 2]!));
    const spread = Math.max(1, 1.48 * median(off.map(Math.abs)));
    // A tile that is dark is wet all over: it says less than one that is bright.
    weights = off.map((one) => 1 / (1 + (one / (one < 0 ? spread : 4 * spread)) ** 2));
  }
  return model;
}

/**
 * Half way to the darkest places: stains may be few, so that heaps of values say nothing. Of a card that is wet nearly all over half way
 * to the brightest. Null where even those are no darker, or brighter, than noise and light make them.
 */
function firstCut(wet: Float32Array): number | null {
  const sorted = Float32Array.from(wet).sort();
  const at = (part: number) => sorted[Math.floor(sorted.length * part)]!;
  const top = sorted[sorted.length - FEW]!;
  const middle = at(0.1);
  const noise = Math.max(0.004, (middle - at(0.02)) / 0.77);
  if (top >= FAINTEST / 2 && top >= middle + 7 * noise) return (top + Math.max(0, middle)) / 2;
  // Paper that shines in one place is no paper between stains: what is dry is more than a few places.
  const [dry, most] = [at(DRY_AT_LEAST), at(0.9)];
  const soaked = Math.max(0.004, (at(0.98) - most) / 0.77);
  return most - dry < FAINTEST || most - dry < 7 * soaked ? null : (most + dry) / 2;
}
/** Less of a card than this may be a gleam, not paper that stayed dry (ours). */
const DRY_AT_LEAST = 0.01;

/**
 * A pixel that is half wet isn't written half as dark: cameras write light by a power of about 2.2 (IEC 61966-2-1, from memory),
 * programs that draw and sharpen mix what is written, by 1. Between the two, so that neither is far off.
 */
const POWER = 1.6;
const STEPS = 2048;

/** Turns parts of what is written into parts of the paper. @param taken the part of the paper's light that a stain takes away */
function asLight(part: Float32Array, taken: number): void {
  const d = Math.min(0.98, Math.max(0.1, taken));
  const table = Float32Array.from({ length: STEPS + 1 }, (_, i) => {
    const written = (i / STEPS) * 1.4 - 0.2;
    return (1 - Math.max(0, 1 - d * written) ** POWER) / (1 - (1 - d) ** POWER);
  });
  for (let i = 0; i < part.length; i += 1) {
    const at = ((part[i]! + 0.2) / 1.4) * STEPS;
    part[i] = table[at < 0 ? 0 : at > STEPS ? STEPS : Math.round(at)]!;
  }
}
