import { normal, seeded } from "../risk/chance";

/**
 * What a boom throws on the ground, outlet by outlet, when something is wrong with it: a model for seeing what matters, no
 * measurement. Each outlet's fan is a triangle across (tapered flat fans made to overlap; common practice), as wide as its angle and
 * height make it. All lengths in metres, angles in degrees.
 */
export interface Boom {
  readonly outlets: number;
  readonly spacing: number;
  readonly height: number;
  /** Of a fan. */
  readonly angle: number;
  /** Of each outlet, what it gives of what it should: 0 blocked, 1.2 worn. As many as outlets. */
  readonly gives: readonly number[];
  /** How far a side wind carries the middle of a fan, for each metre of height: 0 still, above it to the right. */
  readonly drift: number;
  /** How far a boom end swings forwards and backwards, as a part of the way that is driven meanwhile: 0 stiff. */
  readonly yaw: number;
  readonly seed: number;
}

export const STEPS_A_SPACING = 10;

/** How far the edge of a drop's way is blown apart beside its middle (ours): wind doesn't only shift a fan. */
const BLUR = 0.25;
/** Outlets of one make differ by so much (a standard deviation; ours, within the 5 % that a boom check allows). */
const MADE = 0.015;

/** One outlet's share at a distance from its middle, for each metre across; it adds up to one. */
function fan(at: number, half: number): number {
  const part = 1 - Math.abs(at) / half;
  return part > 0 ? part / half : 0;
}

/**
 * What one pass leaves across its width, a step of spacing/10 after another from the left, where an outlet as it should be over its
 * own spacing leaves one. Along the way a yawing boom's ends speed up and slow down: what they leave goes with one over their speed.
 * @param phase where in its swing the boom is, 0 to 1; the mean over a swing without it
 */
export function passOf(boom: Boom, phase?: number): { readonly step: number; readonly deposit: readonly number[] } {
  const { outlets, spacing, height, angle, gives, drift, yaw, seed } = boom;
  const uniform = seeded(seed);
  const half = height * Math.tan((angle * Math.PI) / 360);
  const shift = drift * height;
  const spread = Math.max(half, 1e-3) * (1 + BLUR * Math.abs(drift));
  const step = spacing / STEPS_A_SPACING;
  // Wide enough for fans that reach past the last outlet, and are carried away.
  const beyond = Math.ceil((spread + Math.abs(shift)) / step);
  const across = outlets * STEPS_A_SPACING;
  const deposit = new Array<number>(across + 2 * beyond).fill(0);
  for (let i = 0; i < outlets; i += 1) {
    const made = 1 + MADE * normal(uniform);
    const from = (i + 0.5) * spacing;
    const end = (from - (outlets * spacing) / 2) / ((outlets * spacing) / 2);
    const slow = phase === undefined ? overSwing(yaw * end) : 1 / (1 + yaw * end * Math.sin(2 * Math.PI * phase));
    for (let k = 0; k < deposit.length; k += 1) {
      const at = (k - beyond + 0.5) * step;
      deposit[k]! += (gives[i] ?? 1) * made * slow * spacing * fan(at - from - shift, spread);
    }
  }
  return { step, deposit };
}

/** The mean of 1/(1 + a·sin) over a swing. */
const overSwing = (a: number): number => 1 / Math.sqrt(1 - a * a);

/** What a lawn gets at its least and its most under such a boom, over what it should; and how uneven. */
export interface Outcome {
  readonly least: number;
  readonly most: number;
  readonly mean: number;
  /** A part. */
  readonly uneven: number;
  /** One period there and back, from the left. */
  readonly across: readonly number[];
  readonly step: number;
}

const PHASES = 24;

/** Passes of the boom's own width there and back, each with its swing; one period of two passes, by how the boom swung. */
export function* lawnUnder(boom: Boom): Generator<number, Outcome> {
  const width = boom.outlets * STEPS_A_SPACING;
  const period = 2 * width;
  const sum = new Float64Array(period);
  let [least, most, all, squares, n] = [Infinity, 0, 0, 0, 0];
  const phases = boom.yaw === 0 ? 1 : PHASES;
  const uniform = seeded(boom.seed + 1);
  for (let p = 0; p < phases; p += 1) {
    const here = new Float64Array(period);
    const there = passOf(boom, boom.yaw === 0 ? undefined : p / phases);
    const back = passOf({ ...boom, drift: -boom.drift }, boom.yaw === 0 ? undefined : uniform());
    const beyond = (there.deposit.length - width) / 2;
    there.deposit.forEach((amount, k) => (here[(((k - beyond) % period) + period) % period]! += amount));
    // Coming back the boom's left is where its right was; the wind still blows the same way over the ground.
    [...back.deposit].reverse().forEach((amount, k) => (here[(((k - beyond + width) % period) + period) % period]! += amount));
    for (let k = 0; k < period; k += 1) {
      const amount = here[k]!;
      least = Math.min(least, amount);
      most = Math.max(most, amount);
      all += amount;
      squares += amount * amount;
      n += 1;
      sum[k]! += amount / phases;
    }
    yield (p + 1) / phases;
  }
  const mean = all / n;
  return {
    least,
    most,
    mean,
    uneven: Math.sqrt(Math.max(0, squares / n - mean * mean)) / mean,
    across: [...sum],
    step: boom.spacing / STEPS_A_SPACING,
  };
}

/** Runs it to its end, where nobody waits meanwhile. */
export function outcomeOf(boom: Boom): Outcome {
  const run = lawnUnder(boom);
  for (;;) {
    const next = run.next();
    if (next.done) return next.value;
  }
}
