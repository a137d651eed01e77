import type { CardSize } from "./find";
import { LIGHT, type Picture, type Planes } from "./picture";
import { sidesOf, type Point, type Quad } from "./quad";

/** Finer than this nothing is gained: pixels for a millimetre. */
const FINEST = 45;

/** Where a place on a card, its sides taken as one, lies in the picture (the projective map of a square; Heckbert 1989, from memory). */
export function onPicture([p0, p1, p2, p3]: Quad): (u: number, v: number) => Point {
  const [dx1, dy1] = [p1.x - p2.x, p1.y - p2.y];
  const [dx2, dy2] = [p3.x - p2.x, p3.y - p2.y];
  const [sx, sy] = [p0.x - p1.x + p2.x - p3.x, p0.y - p1.y + p2.y - p3.y];
  const across = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / across;
  const h = (dx1 * sy - sx * dy1) / across;
  const [a, b] = [p1.x - p0.x + g * p1.x, p3.x - p0.x + h * p3.x];
  const [d, e] = [p1.y - p0.y + g * p1.y, p3.y - p0.y + h * p3.y];
  return (u, v) => {
    const w = g * u + h * v + 1;
    return { x: (a * u + b * v + p0.x) / w, y: (d * u + e * v + p0.y) / w };
  };
}

/** A card seen squarely, with how many pixels stand for a millimetre of it. */
export interface Squared extends Planes {
  readonly perMm: number;
}

/** As many pixels for a millimetre as the picture has of the card. */
export function perMmOf(quad: Quad, size: CardSize): number {
  const { long, short } = sidesOf(quad);
  return Math.min(FINEST, Math.max(long / size.long, short / size.short));
}

/** Squares a card up, its long side across, in light: what lies between two pixels is a mixture of lights. @param size in mm */
export function squaredUp(picture: Picture, quad: Quad, size: CardSize): Squared {
  const perMm = perMmOf(quad, size);
  const [w, h] = [Math.round(size.long * perMm), Math.round(size.short * perMm)];
  const planes = [new Float32Array(w * h), new Float32Array(w * h), new Float32Array(w * h)] as const;
  const map = onPicture(quad);
  const { width, height, rgba } = picture;
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      const at = map((x + 0.5) / w, (y + 0.5) / h);
      const px = Math.min(width - 1.001, Math.max(0, at.x));
      const py = Math.min(height - 1.001, Math.max(0, at.y));
      const [x0, y0] = [px | 0, py | 0];
      const [fx, fy] = [px - x0, py - y0];
      const i = (y0 * width + x0) * 4;
      const below = i + width * 4;
      const to = y * w + x;
      for (let c = 0; c < 3; c += 1)
        planes[c]![to] =
          (LIGHT[rgba[i + c]!]! * (1 - fx) + LIGHT[rgba[i + 4 + c]!]! * fx) * (1 - fy) +
          (LIGHT[rgba[below + c]!]! * (1 - fx) + LIGHT[rgba[below + 4 + c]!]! * fx) * fy;
    }
  return { width: w, height: h, planes, perMm };
}
