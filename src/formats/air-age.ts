import type { AirSeen, AirText } from "./air-seen";
import { nearestMoment } from "./weather/report-time";

/** How old what was seen of the weather is: a report goes by its own day and hour, whatever was said of it. */

/** So long what was seen counts, minutes, and so far a clock may be ahead (ours): weather turns within hours. */
export const COUNTS = { old: 75, ahead: 10 } as const;

export type AirAge = "now" | "old" | "ahead";

/** Whether what was seen at a moment says something of another one. */
export function ageAt(seenAt: number, now: number): AirAge {
  const minutes = (now - seenAt) / 60_000;
  return minutes > COUNTS.old ? "old" : minutes < -COUNTS.ahead ? "ahead" : "now";
}

/** What somebody saw: a report's own moment, or that at which it was seen on the ground. @param at ISO, @param now ISO */
export function ageOf({ at, seen }: { readonly at: string; readonly seen: Pick<AirSeen, "reported"> }, now: string): AirAge {
  const clock = Date.parse(now);
  return ageAt(seen.reported === null ? Date.parse(at) : nearestMoment(seen.reported, clock), clock);
}

/** What was kept under a clock that stood before the newest moment on record says nothing of any moment. */
export const isOfNoTime = ({ clock }: Pick<AirText, "clock">): boolean => clock === "behind";
