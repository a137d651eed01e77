import { normal, seeded, studentAbove, studentQuantile, studentValue } from "./chance";

/**
 * What may really go down. The tank was mixed for the spray volume q as it was calibrated; what is sprayed is off from it
 * by an unknown part, and so is what was measured into the tank. Everything is a ratio to the planned rate.
 *
 *   down / planned = (1 + u·t) · (measured + Σ readings)
 *
 * u is the standard uncertainty of q and t Student's with its degrees of freedom (JCGM 100:2008 "GUM", annex G, from
 * memory); each reading is as likely anywhere within half a step of its tool.
 */
export interface RiskInput {
  /** Relative standard uncertainty of the spray volume. */
  readonly spread: number;
  /** Its effective degrees of freedom; Infinity for instrument limits alone. */
  readonly freedom: number;
  /** What the tools read over what was worked out: 0.99 where it was rounded down by 1 %. */
  readonly measured: number;
  /** For every reading, half a step as a part of the amount. */
  readonly readings: readonly number[];
  /** The label's most and least over the planned rate; absent where the label gives none. */
  readonly most?: number | undefined;
  readonly least?: number | undefined;
}

export interface Risk {
  /** The chance that more goes down than the most; null without one. */
  readonly over: number | null;
  readonly under: number | null;
  /** What the planned rate must be multiplied by to stay under the most with {@link SURE}; null without one. */
  readonly aim: number | null;
}

/** How sure "aim for …" is to stay under the label. */
export const SURE = 0.95;

/**
 * The answer in closed form, where there is one: with nothing unsure but the spray volume.
 * @returns null where a reading adds its own chance
 */
export function riskExact({ spread, freedom, measured, readings, most, least }: RiskInput): Risk | null {
  if (readings.some((r) => r > 0)) return null;
  const above = (ratio: number) =>
    spread === 0 ? (measured > ratio ? 1 : 0) : studentAbove((ratio / measured - 1) / spread, freedom);
  return {
    over: most === undefined ? null : above(most),
    under: least === undefined ? null : 1 - above(least),
    aim: most === undefined ? null : most / (measured * (1 + studentQuantile(SURE, freedom) * spread)),
  };
}

/** As many as are drawn between two reports. */
const BATCH = 5000;

/**
 * The same by drawing, for what has no closed form. Seeded: the same input gives the same answer. Yields the part that is
 * done and returns the risk; whoever stops asking stops it.
 * @param samples at least {@link BATCH}; with 200,000 a chance of 5 % is good to ±0.1 % (95 %)
 */
export function* drawRisk(input: RiskInput, samples: number, seed: number): Generator<number, Risk, void> {
  const { spread, freedom, measured, readings, most, least } = input;
  const uniform = seeded(seed);
  const drawn = new Float64Array(samples);
  let [over, under] = [0, 0];
  for (let i = 0; i < samples; i++) {
    let poured = measured;
    for (const limit of readings) poured += limit * (2 * uniform() - 1);
    const ratio = (1 + spread * (freedom === Infinity ? normal(uniform) : studentValue(freedom, uniform))) * poured;
    drawn[i] = ratio;
    if (most !== undefined && ratio > most) over += 1;
    if (least !== undefined && ratio < least) under += 1;
    if ((i + 1) % BATCH === 0) yield (i + 1) / samples;
  }
  // The ratio that 95 % of the draws stay under: what the planned rate may be raised to is the most over it.
  const sure = drawn.sort()[Math.ceil(SURE * samples) - 1]!;
  return {
    over: most === undefined ? null : over / samples,
    under: least === undefined ? null : under / samples,
    aim: most === undefined ? null : most / sure,
  };
}
