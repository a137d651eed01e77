import { ROUNDING, show, writeNumber, type Rounding } from "../quantity/format";
import type { Quantity } from "../quantity/kinds";
import { valueIn } from "../quantity/quantity";
import { read, type System } from "../working/units";

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
