import type { CardSize } from "./find";
import { measureCard, type Measured, type Seen } from "./measure";
import { byteOf, type Picture } from "./picture";
import type { Quad } from "./quad";

/** What is shown of a card: the card squared up, with a line round each stain that was counted. */
export interface Shown {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
}

export interface CardSeen {
  readonly quad: Quad;
  readonly measured: Measured;
  readonly shown: Shown;
  /** mm that the shown card's first pixel lies from the card's corner. */
  readonly rim: number;
  readonly perMm: number;
}

/** The line round a stain: a colour that neither paper nor stains have. */
const LINE = [230, 0, 160] as const;

/** @param cut how wet a pixel counts as stained */
export function lookAt(picture: Picture, quad: Quad, size: CardSize, cut?: number): CardSeen {
  const seen = measureCard(picture, quad, size, cut);
  return { quad, measured: seen.measured, shown: withLines(seen), rim: seen.rim, perMm: seen.squared.perMm };
}

function withLines({ squared, stained }: Seen): Shown {
  const { width, height, planes } = squared;
  const rgba = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < width * height; i += 1) {
    for (let c = 0; c < 3; c += 1) rgba[i * 4 + c] = byteOf(planes[c]![i]!);
    rgba[i * 4 + 3] = 255;
  }
  const { piece } = stained;
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const i = y * width + x;
      const own = piece[i]!;
      if (own !== 0 || (piece[i - 1] === 0 && piece[i + 1] === 0 && piece[i - width] === 0 && piece[i + width] === 0)) continue;
      for (let c = 0; c < 3; c += 1) rgba[i * 4 + c] = LINE[c]!;
    }
  return { width, height, rgba };
}

/** What a person changed of what was counted. */
export interface Corrected {
  /** Numbers of stains that are none. */
  readonly out: readonly number[];
  /** Stains that were passed over: where they are, mm, and how wide. */
  readonly added: readonly { readonly x: number; readonly y: number; readonly diameter: number }[];
}

/** What a card comes to. */
export interface CardResult {
  /** Parts: covered; and how far that may be off for the soft edges of stains. */
  readonly cover: number;
  readonly coverOff: number;
  /** Stains that were counted, and droplets that fell with those that others hide, for a cm². */
  readonly counted: number;
  readonly fallen: number;
  /** Diameters of stains, mm: a tenth, half and nine tenths of them are smaller; and the same by their volume. Null with none. */
  readonly sizes: {
    readonly number: readonly [number, number, number];
    readonly volume: readonly [number, number, number];
  } | null;
}

const disc = (diameter: number) => (Math.PI / 4) * (diameter / 10) ** 2;
/** What a person puts on a card, or takes off it, is right to so much of it (ours). */
const HAND_OFF = 0.2;

/** What a card comes to with what a person changed of it. */
export function resultOf(measured: Measured, { out, added }: Corrected): CardResult {
  const gone = new Set(out);
  const stains = measured.stains.filter((_, i) => !gone.has(i));
  const diameters = [...stains, ...added].map(({ diameter }) => diameter).sort((a, b) => a - b);
  const lost = out.reduce((sum, i) => sum + disc(measured.stains[i]?.diameter ?? 0), 0);
  const more = added.reduce((sum, { diameter }) => sum + disc(diameter), 0);
  const cover = Math.min(1, Math.max(0, measured.cover + (more - lost) / measured.area));
  const counted = diameters.length / measured.area;
  return {
    cover,
    coverOff: Math.min(Math.max(cover, 1 - cover), measured.coverOff + (HAND_OFF * (more + lost)) / measured.area),
    counted,
    fallen: Math.max(counted, measured.fallen + (added.length - out.length) / measured.area),
    sizes: diameters.length === 0 ? null : { number: partsOf(diameters, () => 1), volume: partsOf(diameters, (d) => d ** 3) },
  };
}

/** The sizes below which a tenth, half and nine tenths of a heap lie. @param sorted from the smallest */
function partsOf(sorted: readonly number[], weight: (d: number) => number): [number, number, number] {
  const all = sorted.reduce((sum, d) => sum + weight(d), 0);
  const below = (part: number) => {
    let sum = 0;
    for (const d of sorted) {
      sum += weight(d);
      if (sum >= part * all) return d;
    }
    return sorted.at(-1)!;
  };
  return [below(0.1), below(0.5), below(0.9)];
}

/**
 * What fell on a card, from what it covers: stains that fall at random over one another leave dry exp(−what fell), so that a card half
 * covered got more than half of one that is covered all over (the same model as for hidden droplets). In covers of a card.
 */
export const depositOf = (cover: number): number => -Math.log(1 - Math.min(0.99, cover));
