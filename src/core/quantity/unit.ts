import { DIMENSIONS, NOT_WRITTEN, type Dimension } from "./units";

export interface Unit {
  /** The unit as a job file writes it: `gal/1000 ft2`. */
  readonly id: string;
  /** Its dimension, or one over another: `volume/area`. */
  readonly shape: string;
  /** How many of the coherent unit one of it is. */
  readonly factor: number;
}

const simple = new Map<string, Unit>();

for (const [dimension, units] of Object.entries(DIMENSIONS)) {
  const of = (name: string): number => {
    const [times, base, per = 1] = (units as Record<string, readonly [number, string, number?]>)[name]!;
    return ((base === "" ? 1 : of(base)) * times) / per;
  };
  for (const id of Object.keys(units)) simple.set(id, { id, shape: dimension, factor: of(id) });
}

const SPECIAL: readonly Unit[] = [
  { id: "%", shape: "%", factor: 0.01 },
  { id: "%v/v", shape: "volume/volume", factor: 0.01 },
  { id: ":1", shape: ":1", factor: 1 },
  { id: "", shape: "", factor: 1 },
];
for (const unit of SPECIAL) simple.set(unit.id, unit);

const known = new Map<string, Unit>(simple);

/**
 * Finds a unit by its name: a unit of the catalogue, or `A/B`, `A/N B` of two of them (`oz/1000 ft2`, `gal/min`).
 * `fl_oz` is read as `fl oz`. Returns undefined where it isn't one.
 */
export function findUnit(name: string): Unit | undefined {
  const id = name.replaceAll("fl_oz", "fl oz");
  const found = known.get(id);
  if (found) return found;
  const parts = /^([^/]+?) ?\/ ?(?:([1-9]\d{0,2}(?:,\d{3})+|\d{1,9}) )?([^/\d]\S*(?: oz)?)$/.exec(id);
  if (!parts) return undefined;
  const over = simple.get(parts[1]!);
  const under = simple.get(parts[3]!);
  const count = Number((parts[2] ?? "1").replaceAll(",", ""));
  if (!over || !under || count === 0 || over.id === "" || under.id === "") return undefined;
  const unit: Unit = {
    id: `${over.id}/${count === 1 ? "" : `${count} `}${under.id}`,
    shape: `${over.shape}/${under.shape}`,
    factor: over.factor / (count * under.factor),
  };
  // Names come from people's files: keep the memory of them bounded.
  if (known.size < 2000) known.set(id, unit);
  return unit;
}

/** As {@link findUnit}, for a name that the code itself wrote. @throws RangeError where there is no such unit. */
export function unitNamed(name: string): Unit {
  const unit = findUnit(name);
  if (!unit) throw new RangeError(`no unit "${name}"`);
  return unit;
}

/** The simple units of a dimension as a person may write them. */
export function unitsOf(dimension: Dimension): readonly string[] {
  return Object.keys(DIMENSIONS[dimension]).filter((id) => !NOT_WRITTEN.includes(id));
}
