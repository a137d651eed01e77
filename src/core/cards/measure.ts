import type { CardSize } from "./find";
import type { Picture } from "./picture";
import type { Quad } from "./quad";
import { squaredUp, type Squared } from "./square-up";
import { stainsOf, type Stained } from "./stains";
import { wetnessOf } from "./wet";

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
  /** The part of the card that is covered. */
  readonly cover: number;
  readonly stains: readonly Stain[];
  /** Droplets for a cm², those too that others hide: by chance, where they run together. */
  readonly fallen: number;
  /** cm², of the part that was looked at: the card without its rim. */
  readonly area: number;
  /** The smallest stain that can be seen in this picture, mm. */
  readonly smallest: number;
  /** The card is of one colour: nothing fell, or nothing is left dry. */
  readonly uniform: boolean;
}

/** A card's rim isn't looked at: it lies in its own shadow, and fingers hold it. mm */
const RIM = 0.8;
/** A stain is told from noise from so many pixels across. */
const SMALLEST_PX = 2.5;

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
  const wet = wetnessOf(squared);
  const stained = stainsOf(wet, cut);
  let covered = 0;
  for (const part of stained.cover) covered += part;
  return {
    rim: RIM,
    squared,
    stained,
    measured: {
      cover: covered / stained.cover.length,
      stains: wet.uniform
        ? []
        : stained.blots.map(({ x, y, area, split }) => ({
            x: (x + 0.5) / perMm + RIM,
            y: (y + 0.5) / perMm + RIM,
            diameter: Math.sqrt((4 * area) / Math.PI) / perMm,
            split,
          })),
      fallen: wet.uniform ? 0 : stained.fallen * (10 * perMm) ** 2,
      area: (squared.width * squared.height) / (10 * perMm) ** 2,
      smallest: SMALLEST_PX / perMm,
      uniform: wet.uniform,
    },
  };
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
