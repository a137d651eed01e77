import type { Mask } from "./mask";

/**
 * How many droplets fell where stains run together. Droplets that fall at random over one another make a Boolean model: how many
 * there were follows from the part that is covered, the length of the edge and the Euler number (pieces less holes) of what is
 * seen, whatever their sizes: n = χ/(1−p) + (l/(1−p))²/4π for a unit of area (Stoyan, Kendall and Mecke, "Stochastic Geometry and
 * its Applications", from memory).
 * @returns droplets for a pixel's area; not a number for a mask with nothing dry
 */
export function fallenPerPixel(mask: Mask): number {
  const { width, height, on } = mask;
  let [covered, one, three, cross] = [0, 0, 0, 0];
  // By the four pixels about each inner corner, so that the picture's edge adds nothing.
  for (let y = 0; y < height - 1; y += 1)
    for (let x = 0; x < width - 1; x += 1) {
      const i = y * width + x;
      const [a, b, c, d] = [on[i]!, on[i + 1]!, on[i + width]!, on[i + width + 1]!];
      const sum = a + b + c + d;
      covered += sum;
      if (sum === 1) one += 1;
      else if (sum === 3) three += 1;
      else if (sum === 2 && a === d) cross += 1;
    }
  const places = (width - 1) * (height - 1);
  const dry = 1 - covered / (4 * places);
  const euler = (one - three - 2 * cross) / 4 / places;
  const edge = edgeOf(mask) / places;
  return Math.max(0, euler / dry + (edge / dry) ** 2 / (4 * Math.PI));
}

/** Lines that a mask is crossed by, in four directions: an edge is crossed by each as often as it is long (Crofton). */
function edgeOf({ width, height, on }: Mask): number {
  const crossings = (dx: number, dy: number) => {
    let n = 0;
    for (let y = 0; y < height - 1; y += 1)
      for (let x = dx < 0 ? 1 : 0; x < width - 1; x += 1) if (on[y * width + x] !== on[(y + dy) * width + x + dx]) n += 1;
    return n;
  };
  const straight = crossings(1, 0) + crossings(0, 1);
  const slanted = crossings(1, 1) + crossings(-1, 1);
  return ((straight + slanted / Math.SQRT2) * Math.PI) / 8;
}
