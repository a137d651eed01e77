import { bad, good, type Result } from "@/core/issue";
import { isZone, localDate } from "@/formats/day";
import type { Records } from "@/records/database";
import { whole } from "@/records/database";
import { changeSetting, putSetting } from "@/records/settings";
import { firmZone, nowText } from "./clock";
import { isReason, issue, shown } from "./input";

/**
 * Settles the firm's time zone: `{ zone, why? }`, an IANA name. It decides what day it is, on every device. Another one than was
 * settled before needs a reason, which stays on record beside what stood before, and waits until both are in one year: a limit
 * for the year isn't opened by moving the firm.
 */
export function saveZone(db: Records, input: unknown): Result<{ zone: string }> {
  const { zone, why } = (input ?? {}) as { zone?: unknown; why?: unknown };
  if (!isZone(zone)) return bad(issue("zone", "not-a-choice", shown(zone), "a time zone such as America/Chicago"));
  return whole(db, (tx): Result<{ zone: string }> => {
    const before = firmZone(tx);
    const now = nowText();
    if (before.settled && before.zone !== zone) {
      const [here, there] = [before.zone, zone].map((one) => localDate(now, one).slice(0, 4));
      if (here !== there)
        return bad(
          issue(
            "zone",
            "not-allowed-now",
            `it is ${here} in ${before.zone} and ${there} in ${zone}`,
            "change it once both are in the same year: limits go by the year",
          ),
        );
      if (!isReason(why))
        return bad(
          issue(
            "why",
            "reason-needed",
            `limits and waits go by the day in ${before.zone}`,
            `say why they go by ${zone} from now on`,
          ),
        );
      // The reason stands under a key of its own; what it was before stays on record as every setting does.
      changeSetting(tx, "time-zone-why", why.trim(), now);
      changeSetting(tx, "time-zone", zone, now);
    } else putSetting(tx, "time-zone", zone, now);
    return good({ zone });
  });
}
