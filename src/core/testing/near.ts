/** For tests: equality within a relative tolerance, which `toBeCloseTo` (absolute) can't say. */
export function expectNear(actual: number, expected: number, relative = 1e-9): void {
  const off = Math.abs(actual - expected) / Math.max(Math.abs(expected), Number.MIN_VALUE);
  if (off > relative) throw new Error(`${actual} is not ${expected} within ${relative}: off by ${off}`);
}
