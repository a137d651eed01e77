import { unitsInHand } from "../data/units";
import type { LogAsked } from "@/formats/slices";

/** Where the server writes what is asked for of the log. */
export const logPath = (as: "csv" | "details" | "json", asked: LogAsked): string =>
  `/api/log?as=${as}&units=${unitsInHand()}${Object.keys(asked).length > 0 ? `&q=${encodeURIComponent(JSON.stringify(asked))}` : ""}`;
