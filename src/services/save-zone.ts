import { bad, good, type Result } from "@/core/issue";
import { isZone } from "@/formats/day";
import type { Records } from "@/records/database";
import { putSetting } from "@/records/settings";
import { issue, nowText, shown } from "./input";

/** Settles the firm's time zone: `{ zone }`, an IANA name. It decides what day it is, on every device. */
export function saveZone(db: Records, input: unknown): Result<{ zone: string }> {
  const zone = (input as { zone?: unknown } | null)?.zone;
  if (!isZone(zone)) return bad(issue("zone", "not-a-choice", shown(zone), "a time zone such as America/Chicago"));
  putSetting(db, "time-zone", zone, nowText());
  return good({ zone });
}
