/**
 * Cards drawn for the proof of what reads them, by code of its own: nothing here comes from the reader, nor from the simulated camera.
 * Drawn as a picture comes about: ink on paper, light with a shadow over it, the lens's blur, the sensor's noise, a camera's tone curve,
 * JPEG.
 */

/** A random number from a seed (Mulberry32, from memory). */
function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export interface Drawn {
  readonly seed: number;
  /** px for a mm, of the picture as a whole. */
  readonly perMm: number;
  readonly cover: number;
  /** Median diameter of the stains, mm. */
  readonly stain: number;
  /** A standard deviation, px. */
  readonly blur: number;
  readonly tilt: number;
  readonly uneven: number;
  readonly shadow: boolean;
  readonly quality: number;
  readonly curve: "standard" | "contrasty";
  readonly noise: number;
}

export const SIZE = { long: 52, short: 26 };
/** The rim isn't read. mm */
const RIM = 0.8;
/** Places of the sheet of ink for a mm, each way. */
const FINE = 30;

const [W, H] = [SIZE.long * FINE, SIZE.short * FINE];

/** @param near less than 1 for smaller pictures, sooner drawn, of stains as many pixels wide */
export function planned(seed: number, near = 1): Drawn {
  const roll = dice(seed * 7919 + 17);
  const between = (a: number, b: number) => a + (b - a) * roll();
  const covers = [0.005, 0.01, 0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95, 0.98];
  return {
    seed,
    perMm: near * between(9, 16),
    cover: covers[seed % covers.length]!,
    stain: (0.1 * 20 ** roll()) / near,
    blur: between(0, 3),
    tilt: between(0, 25),
    uneven: between(0, 0.4),
    shadow: roll() < 0.4,
    quality: Math.round(between(60, 95)),
    curve: roll() < 0.5 ? "standard" : "contrasty",
    noise: between(0.5, 3),
  };
}

/** Ink at random until so much of the sheet is under it, the rim left out of the count. */
export function inked({ seed, stain, cover }: Drawn): { ink: Uint8Array; cover: number } {
  const roll = dice(seed * 104729 + 3);
  const ink = new Uint8Array(W * H);
  const rim = Math.round(RIM * FINE);
  const all = (W - 2 * rim) * (H - 2 * rim);
  let under = 0;
  while (under < cover * all) {
    const bell = Math.sqrt(-2 * Math.log(1 - roll())) * Math.cos(2 * Math.PI * roll());
    const r = (stain / 2) * Math.exp(0.25 * bell) * FINE;
    const [cx, cy] = [roll() * W, roll() * H];
    for (let y = Math.max(0, Math.ceil(cy - r)); y <= Math.min(H - 1, cy + r); y += 1) {
      const half = Math.sqrt(r * r - (y - cy) ** 2);
      for (let x = Math.max(0, Math.ceil(cx - half)); x <= Math.min(W - 1, cx + half); x += 1) {
        const i = y * W + x;
        if (ink[i] === 0) {
          ink[i] = 1;
          if (x >= rim && x < W - rim && y >= rim && y < H - rim) under += 1;
        }
      }
    }
  }
  return { ink, cover: under / all };
}

const toLight = (byte: number) => (byte <= 10.31475 ? byte / 3294.6 : ((byte / 255 + 0.055) / 1.055) ** 2.4);
const PAPER = [236, 208, 74].map(toLight);
const INK = [38, 56, 128].map(toLight);
const GROUND = [112, 108, 104].map(toLight);

/** From above and aslant: what of the sheet of ink a place of the picture shows (a pinhole over a sheet that leans on its long side). */
function eye({ perMm, tilt, seed }: Drawn, width: number, height: number) {
  const [lean, turn] = [(tilt * Math.PI) / 180, (dice(seed * 31 + 5)() - 0.5) * 0.12];
  const [sin, cos, out, back] = [Math.sin(lean), Math.cos(lean), Math.cos(turn), Math.sin(turn)];
  const away = 8 * SIZE.long;
  /** The number of the place; −1 beside the card. */
  return (px: number, py: number): number => {
    const [a, b] = [(px - width / 2) / perMm, (py - height / 2) / perMm];
    const t = (away * cos) / (away * cos - b * sin);
    const [x, y] = [a * t, (b * t) / cos];
    const [mx, my] = [x * out + y * back + SIZE.long / 2, y * out - x * back + SIZE.short / 2];
    return mx < 0 || my < 0 || mx >= SIZE.long || my >= SIZE.short ? -1 : Math.floor(my * FINE) * W + Math.floor(mx * FINE);
  };
}

/** Rays for a pixel, each way. */
const RAYS = 3;

function inLight(drawn: Drawn, ink: Uint8Array, width: number, height: number): Float32Array[] {
  const place = eye(drawn, width, height);
  const planes = [0, 1, 2].map(() => new Float32Array(width * height));
  const roll = dice(drawn.seed + 99);
  const [shadowAt, shadowSlope, deep] = [0.25 + 0.5 * roll(), (roll() - 0.5) * 0.8, 0.55 + 0.25 * roll()];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let [paper, wet] = [0, 0];
      for (let k = 0; k < RAYS * RAYS; k += 1) {
        const at = place(x + ((k % RAYS) + 0.5) / RAYS, y + (Math.floor(k / RAYS) + 0.5) / RAYS);
        if (at >= 0 && ink[at]) wet += 1;
        else if (at >= 0) paper += 1;
      }
      [paper, wet] = [paper / RAYS ** 2, wet / RAYS ** 2];
      const over = x / width - shadowAt - shadowSlope * (y / height - 0.5);
      // A shadow's edge is soft by some mm.
      const shade = drawn.shadow ? deep + (1 - deep) / (1 + Math.exp(-over * 60)) : 1;
      const light = (1 - drawn.uneven * (0.6 * (x / width) + 0.4 * (y / height))) * shade;
      for (let c = 0; c < 3; c += 1)
        planes[c]![y * width + x] = light * (PAPER[c]! * paper + INK[c]! * wet + GROUND[c]! * (1 - paper - wet));
    }
  return planes;
}

function blurred(plane: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma < 0.05) return plane;
  const reach = Math.ceil(3 * sigma);
  const kernel = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)));
  const sum = kernel.reduce((all, one) => all + one, 0);
  const pass = (from: Float32Array, step: number, along: number, across: number, next: number) => {
    const to = new Float32Array(from.length);
    for (let line = 0; line < across; line += 1)
      for (let i = 0; i < along; i += 1) {
        let value = 0;
        for (let k = -reach; k <= reach; k += 1)
          value += kernel[k + reach]! * from[line * next + Math.min(along - 1, Math.max(0, i + k)) * step]!;
        to[line * next + i * step] = value / sum;
      }
    return to;
  };
  return pass(pass(plane, 1, width, height, width), width, height, width, 1);
}

/** What a camera writes of some light: sRGB (IEC 61966-2-1), or that with more contrast, as many phones do. */
function written(lit: number, curve: Drawn["curve"]): number {
  const standard = lit <= 0.0031308 ? 12.92 * lit : 1.055 * lit ** (1 / 2.4) - 0.055;
  return 255 * (curve === "standard" ? standard : standard - 0.035 * Math.sin(2 * Math.PI * standard));
}

/** Quantisation for brightness and colour (ITU-T T.81, annex K, from memory). */
const BRIGHT = [
  16, 11, 10, 16, 24, 40, 51, 61, 12, 12, 14, 19, 26, 58, 60, 55, 14, 13, 16, 24, 40, 57, 69, 56, 14, 17, 22, 29, 51, 87, 80, 62,
  18, 22, 37, 56, 68, 109, 103, 77, 24, 35, 55, 64, 81, 104, 113, 92, 49, 64, 78, 87, 103, 121, 120, 101, 72, 92, 95, 98, 112,
  100, 103, 99,
];
const TINTS = Array.from({ length: 64 }, (_, i) => {
  const first = [
    [17, 18, 24, 47],
    [18, 21, 26, 66],
    [24, 26, 56, 99],
    [47, 66, 99, 99],
  ];
  return first[i >> 3]?.[i & 7] ?? 99;
});
const WAVE = Array.from(
  { length: 64 },
  (_, i) => Math.cos((((i & 7) * 2 + 1) * (i >> 3) * Math.PI) / 16) * (i >> 3 === 0 ? Math.SQRT1_2 : 1) * 0.5,
);

/** What JPEG leaves of a plane: each block of eight by eight as waves, each rounded to its step. */
function packed(plane: Float32Array, width: number, height: number, table: readonly number[], quality: number): Float32Array {
  const scale = quality < 50 ? 5000 / quality : 200 - 2 * quality;
  const steps = table.map((one) => Math.max(1, Math.floor((one * scale + 50) / 100)));
  const out = new Float32Array(plane.length);
  const [block, rows, waves] = [new Float64Array(64), new Float64Array(64), new Float64Array(64)];
  for (let y0 = 0; y0 < height; y0 += 8)
    for (let x0 = 0; x0 < width; x0 += 8) {
      for (let i = 0; i < 64; i += 1)
        block[i] = plane[Math.min(height - 1, y0 + (i >> 3)) * width + Math.min(width - 1, x0 + (i & 7))]! - 128;
      for (let y = 0; y < 8; y += 1)
        for (let u = 0; u < 8; u += 1) {
          let value = 0;
          for (let x = 0; x < 8; x += 1) value += block[y * 8 + x]! * WAVE[u * 8 + x]!;
          rows[y * 8 + u] = value;
        }
      for (let v = 0; v < 8; v += 1)
        for (let u = 0; u < 8; u += 1) {
          let value = 0;
          for (let y = 0; y < 8; y += 1) value += rows[y * 8 + u]! * WAVE[v * 8 + y]!;
          waves[v * 8 + u] = Math.round(value / steps[v * 8 + u]!) * steps[v * 8 + u]!;
        }
      for (let v = 0; v < 8; v += 1)
        for (let x = 0; x < 8; x += 1) {
          let value = 0;
          for (let u = 0; u < 8; u += 1) value += waves[v * 8 + u]! * WAVE[u * 8 + x]!;
          rows[v * 8 + x] = value;
        }
      for (let y = 0; y < 8 && y0 + y < height; y += 1)
        for (let x = 0; x < 8 && x0 + x < width; x += 1) {
          let value = 128;
          for (let v = 0; v < 8; v += 1) value += rows[v * 8 + x]! * WAVE[v * 8 + y]!;
          out[(y0 + y) * width + x0 + x] = value;
        }
    }
  return out;
}

/** A plane of half the size, each place the mean of four, and back. */
function halved(
  plane: Float32Array,
  width: number,
  height: number,
  each: (half: Float32Array, w: number, h: number) => Float32Array,
) {
  const [w, h] = [width / 2, height / 2];
  const half = new Float32Array(w * h);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) half[(y >> 1) * w + (x >> 1)]! += plane[y * width + x]! / 4;
  const made = each(half, w, h);
  const out = new Float32Array(plane.length);
  for (let y = 0; y < height; y += 1) for (let x = 0; x < width; x += 1) out[y * width + x] = made[(y >> 1) * w + (x >> 1)]!;
  return out;
}

export function photographed(drawn: Drawn, ink: Uint8Array) {
  const width = 2 * Math.ceil((SIZE.long * drawn.perMm * 1.16) / 2);
  const height = 2 * Math.ceil((SIZE.short * drawn.perMm * 1.6) / 2);
  const roll = dice(drawn.seed * 13 + 1);
  const light = inLight(drawn, ink, width, height).map((plane) => blurred(plane, width, height, drawn.blur));
  const curve = Float32Array.from({ length: 8193 }, (_, i) => written(i / 8192, drawn.curve));
  const bells = Float32Array.from(
    { length: 65536 },
    () => Math.sqrt(-2 * Math.log(1 - roll())) * Math.cos(2 * Math.PI * roll()) * drawn.noise,
  );
  for (const plane of light)
    for (let i = 0; i < plane.length; i += 1)
      plane[i] = Math.min(255, Math.max(0, Math.round(curve[Math.round(plane[i]! * 8192)]! + bells[(roll() * 65536) | 0]!)));
  const [r, g, b] = light as [Float32Array, Float32Array, Float32Array];
  const packs = (table: readonly number[]) => (plane: Float32Array, w: number, h: number) =>
    packed(plane, w, h, table, drawn.quality);
  const bright = packs(BRIGHT)(
    r.map((one, i) => 0.299 * one + 0.587 * g[i]! + 0.114 * b[i]!),
    width,
    height,
  );
  const blue = halved(
    r.map((one, i) => 128 - 0.168736 * one - 0.331264 * g[i]! + 0.5 * b[i]!),
    width,
    height,
    packs(TINTS),
  );
  const red = halved(
    r.map((one, i) => 128 + 0.5 * one - 0.418688 * g[i]! - 0.081312 * b[i]!),
    width,
    height,
    packs(TINTS),
  );
  const rgba = new Uint8ClampedArray(4 * width * height);
  for (let i = 0; i < width * height; i += 1) {
    rgba[4 * i] = bright[i]! + 1.402 * (red[i]! - 128);
    rgba[4 * i + 1] = bright[i]! - 0.344136 * (blue[i]! - 128) - 0.714136 * (red[i]! - 128);
    rgba[4 * i + 2] = bright[i]! + 1.772 * (blue[i]! - 128);
    rgba[4 * i + 3] = 255;
  }
  return { width, height, rgba };
}
