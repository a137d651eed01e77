/** A picture as a camera gives it: red, green, blue and how solid, a byte each, row by row from the top left. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
}

/** Three planes of colour, row by row: 0 to 255 as a picture writes them, or light from 0 to 1. */
export interface Planes {
  readonly width: number;
  readonly height: number;
  readonly planes: readonly [Float32Array, Float32Array, Float32Array];
}

/** A picture made smaller by a whole number, each pixel the mean of those that it stands for. */
export function smaller({ width, height, rgba }: Picture, by: number): Planes {
  const [w, h] = [Math.floor(width / by), Math.floor(height / by)];
  const planes = [new Float32Array(w * h), new Float32Array(w * h), new Float32Array(w * h)] as const;
  for (let y = 0; y < h * by; y += 1)
    for (let x = 0; x < w * by; x += 1) {
      const from = (y * width + x) * 4;
      const to = Math.floor(y / by) * w + Math.floor(x / by);
      for (let c = 0; c < 3; c += 1) planes[c]![to]! += rgba[from + c]!;
    }
  for (const plane of planes) for (let i = 0; i < plane.length; i += 1) plane[i]! /= by * by;
  return { width: w, height: h, planes };
}

/** The light that is written as some part of white, and what some light is written as (sRGB, IEC 61966-2-1, from memory). */
const lightOf = (part: number): number => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4);
const partOf = (light: number): number => (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);

/** The light that each byte of a picture stands for, 0 to 1: a browser hands pictures over as sRGB. */
export const LIGHT: Float32Array = Float32Array.from({ length: 256 }, (_, byte) => lightOf(byte / 255));

const BYTES = Float32Array.from({ length: 256 }, (_, byte) => byte);

/** What lies between pixels, mixed of the four round about. @param c 0 to 2 for red, green, blue · @param of what each byte stands for */
function between({ width, height, rgba }: Picture, x: number, y: number, c: number, of: Float32Array): number {
  const px = Math.min(width - 1.001, Math.max(0, x));
  const py = Math.min(height - 1.001, Math.max(0, y));
  const [x0, y0] = [Math.floor(px), Math.floor(py)];
  const [fx, fy] = [px - x0, py - y0];
  const at = (y0 * width + x0) * 4 + c;
  const below = at + width * 4;
  return (
    (of[rgba[at]!]! * (1 - fx) + of[rgba[at + 4]!]! * fx) * (1 - fy) +
    (of[rgba[below]!]! * (1 - fx) + of[rgba[below + 4]!]! * fx) * fy
  );
}

/** The colour between pixels, as it is written, and the light. */
export const colourAt = (picture: Picture, x: number, y: number, c: number): number => between(picture, x, y, c, BYTES);
export const lightAt = (picture: Picture, x: number, y: number, c: number): number => between(picture, x, y, c, LIGHT);

/** Light up to twice white is looked up: what is held against dim light may come to more than white. */
const MOST = 2;
const STEPS = 8192;
const WRITTEN = Float32Array.from({ length: STEPS + 1 }, (_, i) => partOf((i / STEPS) * MOST));
const BRIGHTEST = WRITTEN[STEPS]!;
const LIT = Float32Array.from({ length: STEPS + 1 }, (_, i) => lightOf((i / STEPS) * BRIGHTEST));
const written = (light: number) => WRITTEN[light <= 0 ? 0 : light >= MOST ? STEPS : Math.round((light / MOST) * STEPS)]!;

/** The byte that stands for some light. */
export const byteOf = (light: number): number => 255 * written(light);

/**
 * The light of a grey that is written as bright as a colour (its luma, ITU-R BT.601): the one of a picture's values that JPEG keeps for
 * each pixel; the tints it keeps for four at once.
 */
export const greyOf = (r: number, g: number, b: number): number =>
  LIT[Math.round(((0.299 * written(r) + 0.587 * written(g) + 0.114 * written(b)) / BRIGHTEST) * STEPS)]!;
