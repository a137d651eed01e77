import { writeNumber } from "../quantity/format";
import type { Line } from "../working/explain";
import { readTemperature } from "./temperature";

/** What the air does to a droplet: humidity, wet bulb and delta-T, each with its working. */

/** Magnus' constants for saturation over water: O. A. Alduchov and R. E. Eskridge, J. Appl. Meteor. 35 (1996) 601–609. */
const MAGNUS = { a: 17.625, b: 243.04 } as const;

/** Relative humidity, %, from air and dew point, °C. */
export function humidityOf(air: number, dewPoint: number): number {
  const at = (celsius: number) => Math.exp((MAGNUS.a * celsius) / (MAGNUS.b + celsius));
  return (100 * at(dewPoint)) / at(air);
}

/** Wet bulb, °C, from air, °C, and relative humidity, %: R. Stull, J. Appl. Meteor. Climatol. 50 (2011) 2267–2269. For sea-level pressure, 5 to 99 %, -20 to 50 °C. */
export const wetBulbOf = (air: number, humidity: number): number =>
  air * Math.atan(0.151977 * Math.sqrt(humidity + 8.313659)) +
  Math.atan(air + humidity) -
  Math.atan(humidity - 1.676331) +
  0.00391838 * humidity ** 1.5 * Math.atan(0.023101 * humidity) -
  4.686035;

/** Dew point, °C, from air and relative humidity, %: Magnus' formula turned round. */
export function dewPointOf(air: number, humidity: number): number {
  const at = Math.log(humidity / 100) + (MAGNUS.a * air) / (MAGNUS.b + air);
  return (MAGNUS.b * at) / (MAGNUS.a - at);
}

export interface Air {
  /** °C. */
  readonly air: number;
  readonly dewPoint: number;
  /** %. */
  readonly humidity: number;
  /** °C. */
  readonly wetBulb: number;
  /** Air less wet bulb, K: how fast a droplet dries. */
  readonly deltaT: number;
}

/** What air and dew point come to; null where one of them isn't known. */
export function airOf(air: number, dewPoint: number): Air;
export function airOf(air: number | null, dewPoint: number | null): Air | null;
export function airOf(air: number | null, dewPoint: number | null): Air | null {
  if (air === null || dewPoint === null) return null;
  const humidity = humidityOf(air, dewPoint);
  const wetBulb = wetBulbOf(air, humidity);
  return { air, dewPoint, humidity, wetBulb, deltaT: air - wetBulb };
}

const n = (value: number, decimals = 1) => writeNumber(value, { decimals });

/** How the air was worked out, in °C as the formulas have it, the results in both units. */
export function airLines({ air, dewPoint, humidity, wetBulb, deltaT }: Air): Line[] {
  const both = (celsius: number) => `${readTemperature(celsius, "us", 1)} (${readTemperature(celsius, "metric", 1)})`;
  return [
    {
      title: "Humidity",
      sum: `100 × e^(17.625 × ${n(dewPoint)} / (243.04 + ${n(dewPoint)})) ÷ e^(17.625 × ${n(air)} / (243.04 + ${n(air)}))`,
      result: `${n(humidity)} %`,
      rule: "humidity v1",
      source: "Magnus' formula with the constants of Alduchov and Eskridge (1996)",
    },
    {
      title: "Wet bulb",
      sum: `of ${n(air)} °C at ${n(humidity)} %`,
      result: both(wetBulb),
      rule: "wet-bulb v1",
      source: "Stull (2011), for the pressure at sea level",
    },
    {
      title: "Delta-T",
      sum: `${n(air)} °C − ${n(wetBulb)} °C`,
      result: `${n(deltaT)} K`,
      rule: "delta-t v1",
      source: "air less wet bulb: over 10 a droplet dries before it lands, under 2 it hangs in the air (common practice)",
    },
  ];
}
