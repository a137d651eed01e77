/** A number written out with at most 15 figures, without an exponent. */
export function plainNumber(value: number): string {
  const digits = Number(value.toPrecision(15));
  const text = String(digits);
  return /e/.test(text) ? digits.toFixed(20).replace(/\.?0+$/, "") : text;
}

/** A number of which nobody can say whether its comma is a decimal one or one between thousands: it was marked where it was typed. */
export const COMMA_ASKED = /(\d{1,3}),(\d{3})\?/;
