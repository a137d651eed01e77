import { median } from "./least-squares";
import { lightAt, type Picture } from "./picture";
import { distance, type Quad } from "./quad";

/** Places looked at along each side of a card. */
const PLACES = 60;
/** How far to both sides of a card's edge light is looked at, px, and in what steps. */
const REACH = 8;
const STEP = 0.5;
/** As many steps at both ends of a profile are to be of one light. */
const FLAT = 6;
/** A card stands off what it lies on by so much of its light, or its edge says nothing. */
const LEAST_STEP = 0.1;

/**
 * How blurred a picture is, by the edges of a card in it: a straight edge under a bell-shaped blur is steepest at 1 / (√2π σ) of its step.
 * @returns σ, px; never under the quarter of a pixel that pixels themselves make; null where no edge tells
 */
export function blurOf(picture: Picture, quad: Quad): number | null {
  const found: number[] = [];
  quad.forEach((from, side) => {
    const to = quad[(side + 1) % 4]!;
    const length = distance(from, to);
    const [ax, ay] = [(to.x - from.x) / length, (to.y - from.y) / length];
    for (let k = 0; k < PLACES; k += 1) {
      const s = (0.1 + (0.8 * k) / (PLACES - 1)) * length;
      const [x, y] = [from.x + ax * s, from.y + ay * s];
      const profile = Array.from({ length: (2 * REACH) / STEP + 1 }, (_, i) => {
        const t = i * STEP - REACH;
        return [0, 1, 2].reduce((sum, c) => sum + lightAt(picture, x - ay * t, y + ax * t, c), 0);
      });
      const [outside, inside] = [profile.slice(0, FLAT), profile.slice(-FLAT)];
      const step = Math.abs(meanOf(outside) - meanOf(inside));
      // A stain that lies near the edge makes an edge of its own.
      if (step < LEAST_STEP * Math.max(...profile) || rangeOf(outside) > step / 5 || rangeOf(inside) > step / 5) continue;
      const steepest = Math.max(...profile.slice(2).map((one, n) => Math.abs(one - profile[n]!))) / (2 * STEP);
      found.push(step / (Math.sqrt(2 * Math.PI) * steepest));
    }
  });
  if (found.length < FEWEST) return null;
  return Math.max(PIXEL, median(found));
}
const meanOf = (part: readonly number[]) => part.reduce((sum, one) => sum + one, 0) / part.length;
const rangeOf = (part: readonly number[]) => Math.max(...part) - Math.min(...part);
/** A standard deviation of what a pixel itself gathers, px. */
const PIXEL = 0.29;
/** Fewer places than this are chance. */
const FEWEST = 8;
