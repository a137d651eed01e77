/**
 * Numbers for chance, written out so that the same seed gives the same answer on every machine. No clock, no
 * `Math.random`.
 */

/** Uniform on (0, 1). */
export type Uniform = () => number;

/** A small generator with 32 bits of state (mulberry32, T. Ettinger, public domain; from memory). @param seed any integer */
export function seeded(seed: number): Uniform {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return (((t ^ (t >>> 14)) >>> 0) + 0.5) / 4294967296;
  };
}

/** A standard normal value (Box and Muller 1958, from memory). */
export const normal = (uniform: Uniform): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());

/** Gamma with a shape of at least 1/2 and scale 1 (Marsaglia and Tsang 2000, from memory). */
export function gamma(shape: number, uniform: Uniform): number {
  if (shape < 1) return gamma(shape + 1, uniform) * uniform() ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(uniform);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(uniform()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** A value of Student's t. @param freedom from 1 up, Infinity for the normal distribution */
export function studentValue(freedom: number, uniform: Uniform): number {
  const z = normal(uniform);
  return freedom === Infinity ? z : z / Math.sqrt(gamma(freedom / 2, uniform) / (freedom / 2));
}

/** ln Γ for x > 0 (Lanczos, g = 7, nine coefficients, from memory); good to 1e-13. */
export function logGamma(x: number): number {
  const c = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
    -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ];
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const t = x + 6.5;
  const series = c.slice(1).reduce((sum, ci, i) => sum + ci / (x + i), c[0]!);
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(series);
}

/** The regularised incomplete beta function I_x(a, b), by its continued fraction (Abramowitz and Stegun 26.5.8, from memory). */
function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a);
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a;
  const small = 1e-300;
  let [c, d] = [1, 1 - ((a + b) * x) / (a + 1)];
  d = 1 / (Math.abs(d) < small ? small : d);
  let fraction = d;
  for (let m = 1; m < 400; m++) {
    const step = (value: number) => {
      d = 1 / (Math.abs(1 + value * d) < small ? small : 1 + value * d);
      c = Math.abs(1 + value / c) < small ? small : 1 + value / c;
      return c * d;
    };
    fraction *= step((m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)));
    const last = step((-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1)));
    fraction *= last;
    if (Math.abs(last - 1) < 1e-15) break;
  }
  return front * fraction;
}

/** The chance that Student's t is above a value. @param freedom from 1 up, Infinity for the normal distribution */
export function studentAbove(value: number, freedom: number): number {
  // So near the normal distribution that ten digits agree.
  const nu = Math.min(freedom, 1e9);
  const tail = incompleteBeta(nu / (nu + value * value), nu / 2, 0.5) / 2;
  return value >= 0 ? tail : 1 - tail;
}

/** The value that Student's t stays under with a chance of `share`: by halving, to 1e-12. @param share above 0.5 */
export function studentQuantile(share: number, freedom: number): number {
  let [low, high] = [0, 1];
  while (studentAbove(high, freedom) > 1 - share) high *= 2;
  for (let i = 0; i < 200 && high - low > 1e-12 * high; i++) {
    const middle = (low + high) / 2;
    if (studentAbove(middle, freedom) > 1 - share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
