import { sunAt, type SunAt } from "@/formats/weather/sun";
import type { When } from "@/core/conditions/judge";
import type { AirBeside } from "@/formats/air-seen";
import { placeOfSite, placeText } from "@/formats/area/place";
import { rulesFor } from "@/formats/local-rules";
import { stationAt } from "@/formats/season/program";
import type { SiteText } from "@/formats/job-file/types";
import { whenAt } from "@/formats/weather/hours";
import { wallClock } from "../data/clock";
import { useSlice } from "../data/records";

/** What a mix for some sites is held against beside its labels: the rules of their places, what the firm measured before. */
export function useAirBeside(sites: readonly SiteText[]): AirBeside {
  const firm = useSlice("firm", {}).value;
  if (!firm) return {};
  const place = placeOfSites(sites);
  const station = stationAt(firm)(place && placeText(place));
  return { rules: rulesFor(firm, sites), before: station === undefined ? firm.before : firm.stations![station]!.before };
}

const placeOfSites = (sites: readonly SiteText[]) => sites.map(placeOfSite).find((one) => one !== undefined);

/** The sun over the first of some sites whose place is known; undefined where none is. */
export function sunOver(sites: readonly SiteText[]): ((at: number) => SunAt) | undefined {
  const place = placeOfSites(sites);
  return place && ((at) => sunAt(at, place));
}

/** The part of the day over some sites: by the sun where a place is known, else by the clock on the wall. */
export function partAt(sites: readonly SiteText[]): (at: number) => When {
  const sun = sunOver(sites);
  return (at) => sun?.(at).when ?? whenAt(wallClock(new Date(at).toISOString()).getHours());
}
