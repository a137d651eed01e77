import { atMost } from "../quantity/slack";

/**
 * How even a lawn gets what one pass throws, by how far the passes lie apart. What was caught stands at equal spacings across one
 * pass, in any unit; the coefficient of variation of the overlapped pattern says how uneven it is (the measure of pattern tests:
 * ASABE S341 for spreaders, S561 for sprayers, from memory).
 */

/** A swath, as so many spacings. */
export interface Swath {
  readonly spacings: number;
  /** What a place gets on average, in the unit that was caught in. */
  readonly mean: number;
  /** Coefficients of variation, parts (population) over one full period: passes alike, and every other one mirrored. */
  readonly sameWay: number;
  readonly backAndForth: number;
}

/** What the places between two passes get: of passes alike over one swath, of passes there and back over two. */
export interface Overlapped {
  readonly sameWay: readonly number[];
  readonly backAndForth: readonly number[];
}

/**
 * Lays passes a swath apart over one another. Every other pass there and back is mirrored about the middle of the list: who comes
 * back has his left where his right was.
 */
export function overlap(deposit: readonly number[], spacings: number): Overlapped {
  const period = 2 * spacings;
  const sameWay = Array.from({ length: spacings }, () => 0);
  const backAndForth = Array.from({ length: period }, () => 0);
  deposit.forEach((amount, i) => {
    sameWay[i % spacings]! += amount;
    backAndForth[i % period]! += amount;
    backAndForth[(deposit.length - 1 - i + spacings) % period]! += amount;
  });
  return { sameWay, backAndForth };
}

/** The coefficient of variation of a population, a part of its mean. @param values with a mean above nought */
export function variation(values: readonly number[]): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return Math.sqrt(squares / values.length) / mean;
}

/** Every whole number of spacings from one to the list's length as a swath. @param deposit three values or more, not all nought */
export function swathsOf(deposit: readonly number[]): Swath[] {
  const total = deposit.reduce((sum, amount) => sum + amount, 0);
  return deposit.map((_, i) => {
    const spacings = i + 1;
    const { sameWay, backAndForth } = overlap(deposit, spacings);
    return { spacings, mean: total / spacings, sameWay: variation(sameWay), backAndForth: variation(backAndForth) };
  });
}

export const worseOf = ({ sameWay, backAndForth }: Pick<Swath, "sameWay" | "backAndForth">): number =>
  Math.max(sameWay, backAndForth);

/** The widest swath at which neither way is more uneven than this; null where there is none. @param most a part */
export const widestWithin = (swaths: readonly Swath[], most: number): Swath | null =>
  [...swaths].reverse().find((swath) => atMost(worseOf(swath), most)) ?? null;

/** The least and the most that a place gets at a swath, either way, over the mean. */
export function extremes(
  deposit: readonly number[],
  { spacings, mean }: Swath,
): { readonly under: number; readonly over: number } {
  const { sameWay, backAndForth } = overlap(deposit, spacings);
  const all = [...sameWay, ...backAndForth];
  return { under: Math.min(...all) / mean, over: Math.max(...all) / mean };
}
