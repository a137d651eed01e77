import type { ReasonCode, When } from "./judge";

/** When a reason to wait may be gone (common practice): never a forecast, only what the hours of a day usually do. */
export function mayChange(code: ReasonCode, when: When): string {
  switch (code) {
    case "wind-over-limit":
      return "it is usually least in the hours after sunrise and towards evening";
    case "inversion-possible":
      return when === "sunrise"
        ? "it usually lifts an hour or two after sunrise"
        : "it usually lifts an hour or two after the next sunrise";
    case "air-over-limit":
    case "dries-fast":
      return "early in the morning it is usually cooler and damper";
    case "air-under-limit":
      return "it is usually warmest two or three hours after noon";
    case "soil-under-limit":
    case "soil-over-limit":
      return "soil follows the weeks, not the hours: look again in some days";
    case "days-over-limit":
      return "once the days have been cooler";
    case "rain-now":
      return "once it has stopped and the leaves are as dry as the label wants them";
    case "dries-slowly":
      return "once the dew is off and there is some wind";
    case "report-old":
    case "report-ahead":
      return "with a report of now";
    case "not-known":
      return "once somebody has looked";
  }
}

const POINTS = ["N", "NNE", "NE", "ENE", "E", "ESE", "SE", "SSE", "S", "SSW", "SW", "WSW", "W", "WNW", "NW", "NNW"] as const;

/** The point of the compass nearest to so many degrees from north. */
export const compass = (degrees: number): string => POINTS[Math.round((((degrees % 360) + 360) % 360) / 22.5) % 16]!;
