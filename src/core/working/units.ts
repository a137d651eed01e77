import { raw, type Kind, type Quantity } from "../quantity/kinds";
import { show, showNumber, unitText, type Rounding } from "../quantity/format";
import { unitNamed } from "../quantity/unit";
import type { UnitOf } from "../quantity/units";
import { atLeast } from "../quantity/slack";

/** The reader's units. */
export type System = "us" | "metric";

type Ladder = readonly (readonly [unit: string, from: number])[];

/** The units to show a kind in: the last whose `from` (in that unit) the value reaches; the first below that. */
const LADDERS: Record<System, Partial<Record<Kind, Ladder>>> = {
  us: {
    length: [["ft", 0]],
    area: [["ft2", 0]],
    volume: [
      ["fl oz", 0],
      ["gal", 1],
    ],
    mass: [
      ["oz", 0],
      ["lb", 5],
    ],
    time: [["s", 0]],
    speed: [["mph", 0]],
    pressure: [["psi", 0]],
    flow: [
      ["fl oz/min", 0],
      ["gal/min", 0.5],
    ],
    precipitation: [["in/h", 0]],
    sprayVolume: [["gal/1000 ft2", 0]],
    rateByWeight: [["oz/1000 ft2", 0]],
    rateByVolume: [["fl oz/1000 ft2", 0]],
    strengthByWeight: [["oz/gal", 0]],
    strengthByVolume: [["fl oz/gal", 0]],
    activeRate: [["oz/1000 ft2", 0]],
    activeStrength: [["lb/gal", 0]],
  },
  metric: {
    length: [["m", 0]],
    area: [
      ["m2", 0],
      ["ha", 2],
    ],
    volume: [
      ["mL", 0],
      ["L", 1],
    ],
    mass: [
      ["g", 0],
      ["kg", 1],
    ],
    time: [["s", 0]],
    speed: [["km/h", 0]],
    pressure: [["bar", 0]],
    flow: [["L/min", 0]],
    precipitation: [["mm/h", 0]],
    sprayVolume: [["L/100 m2", 0]],
    rateByWeight: [["g/100 m2", 0]],
    rateByVolume: [["mL/100 m2", 0]],
    strengthByWeight: [["g/L", 0]],
    strengthByVolume: [["mL/L", 0]],
    activeRate: [["g/100 m2", 0]],
    activeStrength: [["g/L", 0]],
  },
};

const ALWAYS: Partial<Record<Kind, Ladder>> = { share: [["%", 0]], dilution: [[":1", 0]], count: [["", 0]], gravity: [["", 0]] };

/** The unit that a value of a kind is best read in. */
export function unitFor<K extends Kind>(value: Quantity<K>, kind: K, system: System): UnitOf<K> {
  const ladder = LADDERS[system][kind] ?? ALWAYS[kind]!;
  let unit = ladder[0]![0];
  for (const [next, from] of ladder) if (atLeast(raw(value) / unitNamed(next).factor, from)) unit = next;
  return unit as UnitOf<K>;
}

/** A flow as crews say it: seconds a gallon, or a litre. */
export function secondsA(flow: Quantity<"flow">, system: System): string {
  const one = system === "us" ? unitNamed("gal").factor : unitNamed("L").factor;
  const seconds = one / raw(flow);
  return `${seconds >= 100 ? Math.round(seconds) : Number(seconds.toPrecision(3))} s a ${system === "us" ? "gallon" : "litre"}`;
}

/** A value in the reader's units, rounded by its kind's rule or the one given. */
export function read<K extends Kind>(value: Quantity<K>, kind: K, system: System, rounding?: Rounding): string {
  const unit = unitFor(value, kind, system);
  return rounding ? show(value, kind, unit, rounding) : show(value, kind, unit);
}

/** The same in two parts, for a large number with its unit in smaller type. */
export function readParts<K extends Kind>(
  value: Quantity<K>,
  kind: K,
  system: System,
  rounding?: Rounding,
): { number: string; unit: string } {
  const unit = unitFor(value, kind, system);
  return { number: rounding ? showNumber(value, kind, unit, rounding) : showNumber(value, kind, unit), unit: unitText(unit) };
}
