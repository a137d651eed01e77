import type { Calibration } from "../calibration/calibrate";
import type { Quantity } from "../quantity/kinds";
import { constant, derive, given, type Derived } from "../working/rule";
import type { Entered } from "../quantity/parse";
import { siteSprayRule } from "./areas";
import { loadCount } from "./loads";
import { lastsFor } from "./walk-of-load";

/** What an area is in work, by a calibration: liquid, tanks, and the time that the spray is on. */
export interface DaysWork {
  readonly spray: Derived<"volume">;
  /** Fillings, the last one perhaps not full. */
  readonly tanks: number;
  /** Without fills, ways and talk; null where the flow isn't known. */
  readonly time: Derived<"time"> | null;
}

/** @param area of all lawns of a day; ground that is done twice is counted twice · @param usable of the tank */
export function daysWork(
  area: Quantity<"area">,
  { sprayVolume, flow }: Pick<Calibration, "sprayVolume" | "flow">,
  usable: Entered<"volume">,
): DaysWork {
  const spray = derive(siteSprayRule, { sprayVolume, area: constant("area", area, "lawns of the day") });
  return { spray, tanks: loadCount(spray, given(usable, "usable volume")), time: lastsFor(spray, flow) };
}
