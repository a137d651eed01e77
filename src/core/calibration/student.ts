/**
 * Two-sided 95 % quantiles of Student's t for 1 to 30 degrees of freedom, then at the listed ones.
 * Source (from memory): JCGM 100:2008 (GUM), Table G.2, column 95 %. Checked in the test against an independent
 * implementation of the distribution.
 */
const TO_30 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11, 2.101,
  2.093, 2.086, 2.08, 2.074, 2.069, 2.064, 2.06, 2.056, 2.052, 2.048, 2.045, 2.042,
] as const;
const BEYOND = [
  [100, 1.984],
  [60, 2.0],
  [50, 2.009],
  [40, 2.021],
] as const;
const NORMAL = 1.96;

/**
 * The factor that expands a standard uncertainty to about 95 %. Degrees of freedom are truncated to the next whole
 * number the table has (GUM, G.4.2), so the band is never too narrow.
 * @param freedom from 1 up; Infinity gives the normal distribution's 1.96.
 */
export function coverageFactor(freedom: number): number {
  if (!(freedom >= 1)) return TO_30[0];
  const whole = Math.floor(freedom);
  if (whole <= 30) return TO_30[whole - 1]!;
  if (whole > 10_000) return NORMAL;
  return BEYOND.find(([from]) => whole >= from)?.[1] ?? TO_30[29];
}
