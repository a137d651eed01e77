import { pieces, type Mask } from "./mask";
import { fallenPerPixel } from "./overlap";
import type { Wetness } from "./wet";

/** One stain, in pixels of the squared-up card. */
export interface Blot {
  readonly x: number;
  readonly y: number;
  /** How much paper it covers, px², its soft edge counted by its part. */
  readonly area: number;
  /** It ran together with others and was told apart by its shape. */
  readonly split: boolean;
}

export interface Stained {
  readonly blots: readonly Blot[];
  /** Of each pixel, which blot's piece it belongs to, from 1; nought on paper. */
  readonly piece: Int32Array;
  /** How much of each pixel is covered, 0 to 1. */
  readonly cover: Float32Array;
  /** Droplets for a pixel's area, those too that others hide. */
  readonly fallen: number;
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

/** The mean of a pixel and the eight round it: what is smaller than that is noise. */
function smoothed({ width, height, part }: Wetness): Float32Array {
  const rows = new Float32Array(part.length);
  const out = new Float32Array(part.length);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      rows[i] = (part[i - (x > 0 ? 1 : 0)]! + 2 * part[i]! + part[i + (x < width - 1 ? 1 : 0)]!) / 4;
    }
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      out[i] = (rows[i - (y > 0 ? width : 0)]! + 2 * rows[i]! + rows[i + (y < height - 1 ? width : 0)]!) / 4;
    }
  return out;
}

/** A small stain, blurred, never gets half as dark as a large one; it must stand well above the noise, though. */
const FAINT = 0.22;
const ABOVE_NOISE = 5;
/** What the smoothing leaves of the noise. */
const LEFT = 0.375;
/** How far the soft edge of a stain reaches past where it is half covered, px. */
const EDGE = 2;

/** @param cut how wet a pixel counts as stained, a part; a half is where a sharp edge lies */
export function stainsOf(wet: Wetness, cut = 0.5): Stained {
  const { width, height, part } = wet;
  const smooth = smoothed(wet);
  const faint = Math.max(FAINT * (cut / 0.5), ABOVE_NOISE * LEFT * wet.noise);
  const above = (least: number): Mask => {
    const on = new Uint8Array(smooth.length);
    for (let i = 0; i < on.length; i += 1) on[i] = smooth[i]! >= least ? 1 : 0;
    return { width, height, on };
  };
  const solid = above(cut);
  const weak = pieces(above(faint));
  // What is weakly wet and has nothing solid in it is a small stain by itself.
  const hasSolid = new Uint8Array(weak.count + 1);
  for (let i = 0; i < part.length; i += 1) if (solid.on[i]) hasSolid[weak.of[i]!] = 1;
  const on = solid.on.map((one, i) => (one || (weak.of[i] !== 0 && !hasSolid[weak.of[i]!]) ? 1 : 0));
  const { of, count } = pieces({ width, height, on });
  const far = distances({ width, height, on });
  const cover = new Float32Array(part.length);
  const piece = withEdge({ width, height, on }, of);
  const area = new Float64Array(count + 1);
  for (let i = 0; i < part.length; i += 1) {
    if (piece[i] === 0) continue;
    cover[i] = far[i]! > EDGE ** 2 ? 1 : Math.min(1, Math.max(0, part[i]!));
    area[piece[i]!]! += cover[i]!;
  }
  return {
    blots: blotsOf({ width, height, on }, of, count, far, area),
    piece,
    cover,
    fallen: fallenPerPixel({ width, height, on }),
  };
}

/** The pieces with the soft edge round them, each pixel of it with the piece that it lies nearest to. */
function withEdge({ width, height }: Mask, of: Int32Array): Int32Array {
  const out = Int32Array.from(of);
  let front: number[] = [];
  for (let i = 0; i < of.length; i += 1) if (of[i] !== 0) front.push(i);
  for (let ring = 0; ring < EDGE; ring += 1) {
    const next: number[] = [];
    for (const i of front) {
      const x = i % width;
      const y = (i - x) / width;
      for (const [nx, ny] of [
        [x - 1, y],
        [x + 1, y],
        [x, y - 1],
        [x, y + 1],
      ] as const) {
        if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
        const at = ny * width + nx;
        if (out[at] !== 0) continue;
        out[at] = out[i]!;
        next.push(at);
      }
    }
    front = next;
  }
  return out;
}

/** Smaller than this, px², a speck is noise. */
const LEAST = 1.5;
/** A piece is round where its area is no more than so many times that of the largest circle in it. */
const ROUND = 1.3;

function blotsOf(mask: Mask, of: Int32Array, count: number, far: Float32Array, area: Float64Array): Blot[] {
  const { width } = mask;
  const [sumX, sumY, size, deep] = [0, 0, 0, 0].map(() => new Float64Array(count + 1)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let i = 0; i < of.length; i += 1) {
    const piece = of[i]!;
    if (piece === 0) continue;
    sumX[piece]! += i % width;
    sumY[piece]! += Math.floor(i / width);
    size[piece]! += 1;
    deep[piece] = Math.max(deep[piece]!, far[i]!);
  }
  const crowded = new Set<number>();
  const blots: Blot[] = [];
  for (let piece = 1; piece <= count; piece += 1) {
    if (area[piece]! < LEAST) continue;
    const round = size[piece]! <= ROUND * Math.PI * Math.sqrt(deep[piece]!) ** 2;
    if (!round && size[piece]! > 16) crowded.add(piece);
    else blots.push({ x: sumX[piece]! / size[piece]!, y: sumY[piece]! / size[piece]!, area: area[piece]!, split: false });
  }
  for (const [piece, tops] of parted(mask, of, far, crowded)) {
    if (tops.length < 2) {
      blots.push({ x: sumX[piece]! / size[piece]!, y: sumY[piece]! / size[piece]!, area: area[piece]!, split: false });
      continue;
    }
    for (const top of tops)
      blots.push({ x: top % width, y: Math.floor(top / width), area: Math.PI * (Math.sqrt(far[top]!) - 0.25) ** 2, split: true });
  }
  return blots;
}

/** A waist must be narrower than the blots on both sides of it by so much of them, and by so many pixels. */
const WAIST = 0.07;
const WAIST_PX = 0.7;

/**
 * Where stains ran together: the places that lie deepest, apart by a waist that is clearly narrower than they are wide. The places
 * are flooded from the deepest outwards; where two floods meet, the shallower one stands by itself if it rose enough above the waist.
 */
function parted({ width, height }: Mask, of: Int32Array, far: Float32Array, which: ReadonlySet<number>): Map<number, number[]> {
  const places = new Map<number, number[]>([...which].map((piece) => [piece, []]));
  if (which.size > 0) for (let i = 0; i < of.length; i += 1) if (of[i] !== 0) places.get(of[i]!)?.push(i);
  const parent = new Int32Array(of.length).fill(-1);
  const rootOf = (i: number) => {
    let root = i;
    while (parent[root] !== root) root = parent[root]!;
    while (parent[i] !== root) [parent[i], i] = [root, parent[i]!];
    return root;
  };
  const out = new Map<number, number[]>();
  for (const [piece, list] of places) {
    list.sort((a, b) => far[b]! - far[a]!);
    const tops: number[] = [];
    for (const i of list) {
      parent[i] = i;
      const x = i % width;
      const y = (i - x) / width;
      for (let dy = -1; dy <= 1; dy += 1)
        for (let dx = -1; dx <= 1; dx += 1) {
          const [nx, ny] = [x + dx, y + dy];
          if ((dx === 0 && dy === 0) || nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
          const next = ny * width + nx;
          if (parent[next] === -1 || of[next] !== piece) continue;
          const [a, b] = [rootOf(i), rootOf(next)];
          if (a === b) continue;
          const [high, low] = far[a]! >= far[b]! ? [a, b] : [b, a];
          const [top, waist] = [Math.sqrt(far[low]!), Math.sqrt(far[i]!)];
          if (top - waist > Math.max(WAIST_PX, WAIST * top)) tops.push(low);
          parent[low] = high;
        }
    }
    tops.push(rootOf(list[0]!));
    out.set(piece, tops);
  }
  return out;
}
