/** How wet each pixel of a card is. */
export interface Parts {
  readonly width: number;
  readonly height: number;
  readonly part: Float32Array;
}

/** The mean of a pixel and the eight round it: what is smaller than that is noise. */
export function smoothed({ width, height, part }: Parts): Float32Array {
  const rows = new Float32Array(part.length);
  const out = new Float32Array(part.length);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      rows[i] = (part[i - (x > 0 ? 1 : 0)]! + 2 * part[i]! + part[i + (x < width - 1 ? 1 : 0)]!) / 4;
    }
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      out[i] = (rows[i - (y > 0 ? width : 0)]! + 2 * rows[i]! + rows[i + (y < height - 1 ? width : 0)]!) / 4;
    }
  return out;
}
