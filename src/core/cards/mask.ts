import type { Point } from "./quad";

/** Which pixels are meant, one byte each, row by row. */
export interface Mask {
  readonly width: number;
  readonly height: number;
  readonly on: Uint8Array;
}

/** Grows what is on by so many pixels each way, or what is off (`to` nought): a square's reach, rows first and then columns. */
function grown({ width, height, on }: Mask, by: number, to: 0 | 1): Mask {
  const rows = new Uint8Array(on.length).fill(1 - to);
  for (let y = 0; y < height; y += 1) {
    let last = -Infinity;
    for (let x = 0; x < width + by; x += 1) {
      if (x < width && on[y * width + x] === to) last = x;
      const at = x - by;
      if (at >= 0 && last >= at - by) rows[y * width + at] = to;
    }
  }
  const out = new Uint8Array(on.length).fill(1 - to);
  for (let x = 0; x < width; x += 1) {
    let last = -Infinity;
    for (let y = 0; y < height + by; y += 1) {
      if (y < height && rows[y * width + x] === to) last = y;
      const at = y - by;
      if (at >= 0 && last >= at - by) out[at * width + x] = to;
    }
  }
  return { width, height, on: out };
}

/** Fills gaps narrower than twice this. */
export const closed = (mask: Mask, by: number): Mask => grown(grown(mask, by, 1), by, 0);
/** Takes away what is narrower than twice this. */
export const opened = (mask: Mask, by: number): Mask => grown(grown(mask, by, 0), by, 1);

/** What hangs together, corner to corner too: a number from 1 for each piece at its pixels, and how many pieces there are. */
export function pieces({ width, height, on }: Mask): { readonly of: Int32Array; readonly count: number } {
  const of = new Int32Array(on.length);
  const stack: number[] = [];
  let count = 0;
  for (let start = 0; start < on.length; start += 1) {
    if (on[start] === 0 || of[start] !== 0) continue;
    count += 1;
    of[start] = count;
    stack.push(start);
    while (stack.length > 0) {
      const at = stack.pop()!;
      const x = at % width;
      const y = (at - x) / width;
      for (let ny = Math.max(0, y - 1); ny <= Math.min(height - 1, y + 1); ny += 1)
        for (let nx = Math.max(0, x - 1); nx <= Math.min(width - 1, x + 1); nx += 1) {
          const next = ny * width + nx;
          if (on[next] === 0 || of[next] !== 0) continue;
          of[next] = count;
          stack.push(next);
        }
    }
  }
  return { of, count };
}

/** What is off and shut in by what is on is on, too. */
export function filled({ width, height, on }: Mask): Mask {
  const off = new Uint8Array(on.length);
  for (let i = 0; i < on.length; i += 1) off[i] = 1 - on[i]!;
  const { of, count } = pieces({ width, height, on: off });
  const open = new Uint8Array(count + 1);
  for (let x = 0; x < width; x += 1) open[of[x]!] = open[of[(height - 1) * width + x]!] = 1;
  for (let y = 0; y < height; y += 1) open[of[y * width]!] = open[of[y * width + width - 1]!] = 1;
  const out = new Uint8Array(on.length);
  for (let i = 0; i < on.length; i += 1) out[i] = on[i] === 1 || open[of[i]!] === 0 ? 1 : 0;
  return { width, height, on: out };
}

/** The convex outline of some places, in order (Andrew's monotone chain, from memory). */
export function hullOf(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const chain = (from: readonly Point[]) => {
    const out: Point[] = [];
    for (const p of from) {
      while (out.length > 1) {
        const [a, b] = [out.at(-2)!, out.at(-1)!];
        if ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x) > 0) break;
        out.pop();
      }
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...chain(sorted), ...chain(sorted.reverse())];
}

/** A piece of a mask: how large it is, and its convex outline. */
export interface Piece {
  readonly size: number;
  readonly hull: readonly Point[];
  /** It reaches the picture's edge. */
  readonly cut: boolean;
}

/** The pieces of a mask that have at least so many pixels. */
export function outlined(mask: Mask, least: number): Piece[] {
  const { width, height } = mask;
  const { of, count } = pieces(mask);
  const sizes = new Uint32Array(count + 1);
  for (const piece of of) sizes[piece]! += 1;
  // The first and the last pixel of each row hold the outline.
  const ends = new Map<number, Point[]>();
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const piece = of[y * width + x]!;
      if (piece === 0 || sizes[piece]! < least) continue;
      if (x > 0 && x < width - 1 && of[y * width + x - 1] === piece && of[y * width + x + 1] === piece) continue;
      const points = ends.get(piece) ?? [];
      ends.set(piece, points);
      // The pixel's own corners: an outline goes round pixels, not through their middles.
      points.push({ x: x - 0.5, y: y - 0.5 }, { x: x + 0.5, y: y - 0.5 }, { x: x - 0.5, y: y + 0.5 }, { x: x + 0.5, y: y + 0.5 });
    }
  return [...ends].map(([piece, points]) => ({
    size: sizes[piece]!,
    hull: hullOf(points),
    cut: points.some(({ x, y }) => x < 0 || y < 0 || x > width - 1 || y > height - 1),
  }));
}

const FAR = 1e20;

/** How far each place of a mask is from what is off, squared, px² (Felzenszwalb and Huttenlocher 2012, from memory). */
export function distances({ width, height, on }: Mask): Float32Array {
  const out = Float32Array.from(on, (one) => (one ? FAR : 0));
  const n = Math.max(width, height);
  const [f, v, z] = [new Float64Array(n), new Int32Array(n), new Float64Array(n + 1)];
  const lower = (count: number, start: number, step: number) => {
    for (let i = 0; i < count; i += 1) f[i] = out[start + i * step]!;
    let k = 0;
    v[0] = 0;
    [z[0], z[1]] = [-FAR, FAR];
    for (let q = 1; q < count; q += 1) {
      let s = (f[q]! + q * q - (f[v[k]!]! + v[k]! ** 2)) / (2 * (q - v[k]!));
      while (s <= z[k]!) {
        k -= 1;
        s = (f[q]! + q * q - (f[v[k]!]! + v[k]! ** 2)) / (2 * (q - v[k]!));
      }
      k += 1;
      v[k] = q;
      z[k] = s;
      z[k + 1] = FAR;
    }
    k = 0;
    for (let q = 0; q < count; q += 1) {
      while (z[k + 1]! < q) k += 1;
      out[start + q * step] = (q - v[k]!) ** 2 + f[v[k]!]!;
    }
  };
  for (let x = 0; x < width; x += 1) lower(height, x, width);
  for (let y = 0; y < height; y += 1) lower(width, y * width, 1);
  return out;
}
