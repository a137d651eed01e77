import { quantity } from "../quantity/quantity";
import { constant, derive, num, rule, type Derived, type Source } from "../working/rule";
import { loadCount } from "./loads";
import { atMost } from "../quantity/slack";

/**
 * Whole tanks: an acre that needs 101 gal of a 100 gal tank is one tank; nobody fills twice for a gallon. The product for the
 * whole area goes into the loads that there are: the mix is that much stronger, and is put down that much quicker.
 */
export const wholeTanksRule = rule({
  id: "whole-tanks",
  version: 1,
  title: "Spray volume for whole tanks",
  formula: "usable * loads / area",
  inputs: { usable: "volume", loads: "count", area: "area" },
  output: "sprayVolume",
  source: "q = V/A: so many full tanks are to do the whole area (common practice)",
  compute: ({ usable, loads, area }) => (num(usable) * num(loads)) / num(area),
});

/** So much may be left over and still be let go, where a calibration is surer than that (common practice). */
export const WHOLE_WITHIN = 0.05;

export interface WholeTanks {
  readonly sprayVolume: Derived<"sprayVolume">;
  readonly loads: number;
  /** Of the calibrated spray volume: 0.987. */
  readonly ratio: number;
}

/**
 * One load less than a site's spray takes, where what is left over is within the calibration's own band or 5 %, whichever is
 * more; null where it isn't, or where one load does it.
 * @param relative the calibration's expanded uncertainty, as a part; null where it is not known
 */
export function wholeTanks(
  spray: Source<"volume">,
  area: Source<"area">,
  usable: Source<"volume">,
  relative: number | null,
): WholeTanks | null {
  const loads = loadCount(spray, usable) - 1;
  if (loads < 1) return null;
  const ratio = (num(usable) * loads) / num(spray);
  if (!atMost(1 - ratio, Math.max(WHOLE_WITHIN, relative ?? 0))) return null;
  const count = constant("count", quantity("count", loads, ""), "full tanks");
  return { sprayVolume: derive(wholeTanksRule, { usable, loads: count, area }), loads, ratio };
}
