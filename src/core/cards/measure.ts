import type { CardSize } from "./find";
import type { Picture } from "./picture";
import type { Quad } from "./quad";
import { blurOf } from "./sharpness";
import { squaredUp, type Squared } from "./square-up";
import { stainsOf, type Stained } from "./stains";
import { wetnessOf, type Told, type Wetness } from "./wet";

/** One droplet's stain on a card; lengths in mm from the card's corner. */
export interface Stain {
  readonly x: number;
  readonly y: number;
  /** Of a circle of the same area, mm. */
  readonly diameter: number;
  /** It ran together with others and was told apart by its shape. */
  readonly split: boolean;
}

/** What was seen on a card. */
export interface Measured {
  /** The part of the card that is covered, and how far that may be off. */
  readonly cover: number;
  readonly coverOff: number;
  readonly stains: readonly Stain[];
  /** Droplets for a cm², those too that others hide: by chance, where they run together. */
  readonly fallen: number;
  /** cm², of the part that was looked at: the card without its rim. */
  readonly area: number;
  /** The smallest stain that can be seen in this picture, mm. */
  readonly smallest: number;
  readonly told: Told;
}

/** A card's rim isn't looked at: it lies in its own shadow, and fingers hold it. mm */
const RIM = 0.8;
/** A stain is told from noise from so many pixels across. */
const SMALLEST_PX = 2.5;
/** And from so many standard deviations of the picture's blur: as wide as the blur itself is at half its height. */
const SMALLEST_BLURS = 2.4;

/** What was seen, with the pictures that a person is shown of it. */
export interface Seen {
  readonly measured: Measured;
  readonly rim: number;
  readonly squared: Squared;
  readonly stained: Stained;
}

/** @param size in mm · @param cut how wet a pixel counts as stained */
export function measureCard(picture: Picture, quad: Quad, size: CardSize, cut?: number): Seen {
  const whole = squaredUp(picture, quad, size);
  const squared = withoutRim(whole);
  const { perMm } = squared;
  const wet = wetnessOf(squared, blurOf(picture, quad));
  const stained = stainsOf(wet, cut);
  const { cover, mixed } = coverOf(stained);
  const told = wet.told === "stains" && mixed > TOO_MIXED * cover * (1 - cover) ? "too fine" : wet.told;
  return {
    rim: RIM,
    squared,
    stained,
    measured: {
      cover,
      coverOff: offOf(cover, mixed, wet),
      stains:
        told === "stains"
          ? stained.blots.map(({ x, y, area, split }) => ({
              x: (x + 0.5) / perMm + RIM,
              y: (y + 0.5) / perMm + RIM,
              diameter: Math.sqrt((4 * area) / Math.PI) / perMm,
              split,
            }))
          : [],
      fallen: told === "stains" ? stained.fallen * (10 * perMm) ** 2 : 0,
      area: (squared.width * squared.height) / (10 * perMm) ** 2,
      smallest: Math.max(SMALLEST_PX, SMALLEST_BLURS * wet.blur) / perMm,
      told,
    },
  };
}

/** How much of a card is covered, and how much of it is neither wet nor dry: the mean of wet times dry. */
function coverOf({ cover }: Stained): { cover: number; mixed: number } {
  let [covered, mixed] = [0, 0];
  for (const part of cover) {
    covered += part;
    mixed += part > 0 && part < 1 ? part * (1 - part) : 0;
  }
  return { cover: Math.min(1, Math.max(0, covered / cover.length)), mixed: mixed / cover.length };
}

/** Where more than this of what wet and dry places could be is mixed, stains are finer than the picture (ours, by the drawn cards). */
const TOO_MIXED = 0.75;

/**
 * How far a cover may be off, a part: within it were 19 of 20 of some hundred cards whose cover was known, over sizes of stain, blur,
 * slant, light, JPEG and two cameras' tones (`scripts/drawn-cards.ts`; the numbers are fitted to them). It grows with how much of the
 * card is neither wet nor dry in the picture, with what should be dry and isn't, where hardly any is left dry, and where the
 * middle of a stain, or of what is dry, was nowhere to be seen.
 */
function offOf(cover: number, mixed: number, { noise, unsure }: Wetness): number {
  const both = Math.max(0.0005, cover * (1 - cover));
  const fine = Math.min(1, mixed / both);
  const soaked = cover ** 4 * (0.2 + 2.2 * fine ** 2);
  return (
    0.0005 + both * (0.03 + 0.6 * fine ** 2 + 1.2 * noise * fine + soaked) + 0.7 * unsure.wet * cover + unsure.dry * (1 - cover)
  );
}

function withoutRim({ width, height, planes, perMm }: Squared): Squared {
  const rim = Math.round(RIM * perMm);
  const [w, h] = [width - 2 * rim, height - 2 * rim];
  const cropped = planes.map((plane) => {
    const out = new Float32Array(w * h);
    for (let y = 0; y < h; y += 1) out.set(plane.subarray((y + rim) * width + rim, (y + rim) * width + rim + w), y * w);
    return out;
  });
  return { width: w, height: h, planes: cropped as unknown as Squared["planes"], perMm };
}
