import { ROUNDING, show, writeNumber, type Rounding } from "../quantity/format";
import { make, raw, type Quantity } from "../quantity/kinds";
import { quantity, valueIn } from "../quantity/quantity";
import { read, type System } from "../working/units";

/** The ground that a pace is said for, and rates are compared by: a thousand square feet, or a hundred square metres. */
const GROUND = {
  us: { text: "1,000 sq ft", area: quantity("area", 1000, "ft2") },
  metric: { text: "100 m²", area: quantity("area", 100, "m2") },
} as const;

/** What the reader's rates and paces are for, in words. */
export const groundText = (system: System): string => GROUND[system].text;

/** Its area. */
export const groundArea = (system: System): Quantity<"area"> => GROUND[system].area;

/** The time for 1,000 sq ft as one for the reader's ground. */
export const paceOn = (timePer1000: Quantity<"time">, system: System): Quantity<"time"> =>
  make((raw(timePer1000) * raw(GROUND[system].area)) / raw(GROUND.us.area));

/** Back: a time for the reader's ground as one for 1,000 sq ft. */
export const pacePer1000 = (time: Quantity<"time">, system: System): Quantity<"time"> =>
  make((raw(time) * raw(GROUND.us.area)) / raw(GROUND[system].area));

/** The time that the reader's ground takes: "62 s", of 1,000 sq ft or of 100 m². */
export const paceTime = (timePer1000: Quantity<"time">, system: System): string =>
  read(paceOn(timePer1000, system), "time", system);

/** A pace with its ground: "62 s for 1,000 sq ft". */
export const paceText = (timePer1000: Quantity<"time">, system: System): string =>
  `${paceTime(timePer1000, system)} for ${groundText(system)}`;

/** A volume as a tank is filled to it: gallons or litres, however little it is. */
export const tankText = (volume: Quantity<"volume">, system: System, rounding?: Rounding): string =>
  show(volume, "volume", system === "us" ? "gal" : "L", rounding);

/** A dial's number: a dial is marked in ounces a gallon, whoever reads it; a metric reader is told what that is. */
export function dialText(setting: Quantity<"strengthByVolume">, system: System): string {
  const onDial = show(setting, "strengthByVolume", "fl oz/gal");
  return system === "us"
    ? onDial
    : `${read(setting, "strengthByVolume", system)} (${writeNumber(valueIn(setting, "fl oz/gal"))} on a dial in ounces)`;
}

/** A part of a whole, in percent. */
export const percentText = (share: number): string => `${writeNumber(share * 100, ROUNDING.percent)} %`;
