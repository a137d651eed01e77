/**
 * The slack of an equality: what is exactly a bound must not lie beyond it by the last bits of a double. One figure and one way
 * for every comparison with a bound: a part of it, far below anything that is measured.
 */
export const SLACK = 1e-9;

/** Whether a number is at most a bound. @param bound above zero */
export const atMost = (value: number, bound: number): boolean => value <= bound * (1 + SLACK);

/** Whether a number is at least a bound. @param bound above zero */
export const atLeast = (value: number, bound: number): boolean => value >= bound * (1 - SLACK);

/** Whether a ratio is 1, give or take a band: 1.05 is within 0.05. */
export const isWithin = (ratio: number, band: number): boolean => Math.abs(ratio - 1) <= band + SLACK;

/** Whether two numbers above zero are the same. */
export const isSame = (a: number, b: number): boolean => Math.abs(a / b - 1) < SLACK;
