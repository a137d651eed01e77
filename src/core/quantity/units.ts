import type { Kind } from "./kinds";

/**
 * The unit catalogue. Every unit is an exact relation to one above it: `inch: [2.54, "cm"]` reads "1 in = 2.54 cm".
 * Source (from memory): NIST Handbook 44, Appendix C; NIST SP 811. The relations are guarded by identity tests and
 * compared with mathjs where mathjs is exact.
 */
type Relation = readonly [times: number, of: string, per?: number];

const LENGTH = {
  m: [1, ""],
  cm: [1, "m", 100],
  mm: [1, "cm", 10],
  km: [1000, "m"],
  in: [2.54, "cm"],
  ft: [12, "in"],
  yd: [3, "ft"],
  mi: [5280, "ft"],
} as const satisfies Record<string, Relation>;

const AREA = {
  m2: [1, ""],
  ha: [10_000, "m2"],
  ft2: [0.09290304, "m2"], // 0.3048², exact
  yd2: [9, "ft2"],
  ac: [43_560, "ft2"],
} as const satisfies Record<string, Relation>;

const VOLUME = {
  mL: [1, ""],
  L: [1000, "mL"],
  gal: [231 * 16.387064, "mL"], // 231 cubic inches of 2.54³ mL, exact
  qt: [1, "gal", 4],
  pt: [1, "gal", 8],
  cup: [1, "gal", 16],
  "fl oz": [1, "gal", 128],
  tbsp: [1, "fl oz", 2],
  tsp: [1, "fl oz", 6],
} as const satisfies Record<string, Relation>;

const MASS = {
  g: [1, ""],
  kg: [1000, "g"],
  lb: [453.59237, "g"],
  oz: [1, "lb", 16],
} as const satisfies Record<string, Relation>;

const TIME = {
  s: [1, ""],
  min: [60, "s"],
  h: [60, "min"],
} as const satisfies Record<string, Relation>;

const SPEED = {
  "m/s": [1, ""],
  "km/h": [1, "m/s", 3.6],
  "ft/min": [0.3048, "m/s", 60],
  mph: [88, "ft/min"],
} as const satisfies Record<string, Relation>;

const PRESSURE = {
  Pa: [1, ""],
  kPa: [1000, "Pa"],
  bar: [100_000, "Pa"],
  psi: [(0.45359237 * 9.80665) / (0.0254 * 0.0254), "Pa"], // one pound-force on a square inch
} as const satisfies Record<string, Relation>;

export const DIMENSIONS = {
  length: LENGTH,
  area: AREA,
  volume: VOLUME,
  mass: MASS,
  time: TIME,
  speed: SPEED,
  pressure: PRESSURE,
} as const;

export type Dimension = keyof typeof DIMENSIONS;

/** A job file knows every unit of the catalogue but the bare pascal, which is only the coherent one, and the millimetre, which is here for depths of water. */
export const NOT_WRITTEN: readonly string[] = ["Pa", "mm"];

type LengthUnit = keyof typeof LENGTH;
type AreaUnit = keyof typeof AREA;
type VolumeUnit = keyof typeof VOLUME;
type MassUnit = keyof typeof MASS;
type TimeUnit = keyof typeof TIME;
type PerArea = AreaUnit | "1000 ft2" | "5000 ft2" | "100 m2";
type PerVolume = VolumeUnit | "100 gal" | "100 L";

/** The units in which a kind may be read or made. */
export interface UnitsByKind {
  length: LengthUnit;
  area: AreaUnit | "1000 ft2";
  volume: VolumeUnit;
  mass: MassUnit;
  time: TimeUnit;
  speed: keyof typeof SPEED;
  pressure: keyof typeof PRESSURE;
  flow: `${VolumeUnit}/${TimeUnit}`;
  precipitation: `${"in" | "cm" | "mm"}/${TimeUnit}`;
  sprayVolume: `${VolumeUnit}/${PerArea}`;
  rateByWeight: `${MassUnit}/${PerArea}`;
  rateByVolume: `${VolumeUnit}/${PerArea}`;
  strengthByWeight: `${MassUnit}/${PerVolume}`;
  strengthByVolume: `${VolumeUnit}/${PerVolume}` | "%v/v";
  activeRate: `${MassUnit}/${PerArea}`;
  activeStrength: `${MassUnit}/${VolumeUnit}`;
  share: "%";
  dilution: ":1";
  count: "";
  gravity: "";
}

export type UnitOf<K extends Kind> = UnitsByKind[K];

/** The form that a unit of each kind must have: its dimension, or one dimension over another. */
export const SHAPES: Record<Kind, string> = {
  length: "length",
  area: "area",
  volume: "volume",
  mass: "mass",
  time: "time",
  speed: "speed",
  pressure: "pressure",
  flow: "volume/time",
  precipitation: "length/time",
  sprayVolume: "volume/area",
  rateByWeight: "mass/area",
  rateByVolume: "volume/area",
  strengthByWeight: "mass/volume",
  strengthByVolume: "volume/volume",
  activeRate: "mass/area",
  activeStrength: "mass/volume",
  share: "%",
  dilution: ":1",
  count: "",
  gravity: "",
};
