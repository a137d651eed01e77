/** A number written out with at most 15 figures, without an exponent. */
export function plainNumber(value: number): string {
  const digits = Number(value.toPrecision(15));
  const text = String(digits);
  return /e/.test(text) ? digits.toFixed(20).replace(/\.?0+$/, "") : text;
}
