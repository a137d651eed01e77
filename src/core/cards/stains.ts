import { distances, pieces, type Mask } from "./mask";
import { fallenPerPixel } from "./overlap";
import { smoothed } from "./smoothed";
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
  /** Of each pixel, which piece it belongs to, from 1; nought on paper and in a stain's soft edge. */
  readonly piece: Int32Array;
  /** How much of each pixel is covered: 0 to 1, at edges a little beyond by noise. */
  readonly cover: Float32Array;
  /** Droplets for a pixel's area, those too that others hide. */
  readonly fallen: number;
}

/** A small stain, blurred, never gets half as dark as a large one; it must stand well above the noise, though. */
const FAINT = 0.22;
const ABOVE_NOISE = 5;
/** What the smoothing leaves of the noise. */
const LEFT = 0.375;
/** How far the soft edge of a stain reaches past where it is half covered: so many blurs and a pixel. */
const EDGE = 2.5;
/** And how far inwards: farther in a stain is all wet, whatever noise says. */
const INNER = 4;

/** @param cut how wet a pixel counts as stained, a part; a half is where a sharp edge lies */
export function stainsOf(wet: Wetness, cut = 0.5): Stained {
  const { width, height, part, blur } = wet;
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
  const edge = Math.ceil(EDGE * blur) + 1;
  const inner = INNER * blur + 2;
  const edged = withEdge({ width, height, on }, of, edge);
  const area = new Float64Array(count + 1);
  for (let i = 0; i < part.length; i += 1) {
    if (edged[i] === 0) continue;
    // Of an edge all counts as it is seen, noise too: over many pixels that goes out.
    cover[i] = far[i]! > inner ** 2 ? 1 : part[i]!;
    area[edged[i]!]! += cover[i]!;
  }
  return {
    blots: blotsOf({ width, height, on }, of, count, far, area),
    piece: of,
    cover,
    fallen: fallenPerPixel({ width, height, on }),
  };
}

/** The pieces with the soft edge round them, each pixel of it with the piece that it lies nearest to. */
function withEdge({ width, height }: Mask, of: Int32Array, edge: number): Int32Array {
  const out = Int32Array.from(of);
  let front: number[] = [];
  for (let i = 0; i < of.length; i += 1) if (of[i] !== 0) front.push(i);
  for (let ring = 0; ring < edge; ring += 1) {
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
