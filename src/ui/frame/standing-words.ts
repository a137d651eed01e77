import { measuredOnce, type Calibration } from "@/core/calibration/calibrate";
import { mixLock, type MayMix } from "@/core/calibration/may-mix";
import { GOOD_FOR } from "@/core/calibration/standing";
import { onceText } from "@/core/words/warnings";
import { dateOf } from "@/core/calendar";
import { dayHere } from "../data/clock";
import { format } from "../data/dates";

type Standing = MayMix &
  (
    | { readonly madeAt: string; readonly once: ReturnType<typeof measuredOnce> }
    | { readonly entry: { readonly madeAt: string }; readonly made: Calibration }
  );

/** What a calibration is called that nothing may be mixed from, where it is one. */
export const LOCK_WORDS = {
  stale: "out of date",
  failing: "failed",
  withdrawn: "withdrawn",
  unsure: "not a calibration yet",
  estimate: "an estimate: catch it first",
} as const;

/** "✓ good until 29 Dec"; what has expired, or was measured once only, has no ✓ in any room. */
export const standingWords = (one: Standing): string => `${standingMark(one)} ${standingText(one)}`;

/** ✓ what is good, ! what is and wants something, ✕ what nothing is mixed from. */
export function standingMark(one: Standing): "✓" | "!" | "✕" {
  const lock = mixLock(one);
  if (lock) return lock.code === "stale" ? "!" : "✕";
  return one.standing.state === "expired" || onceOf(one).length > 0 ? "!" : "✓";
}

const onceOf = (one: Standing) => ("once" in one ? one.once : measuredOnce(one.made));

export function standingText(one: Standing): string {
  const lock = mixLock(one);
  if (lock) {
    const why = lock.code === "stale" ? lock.reasons.join("; ") : lock.code === "failing" ? lock.reasons[0] : undefined;
    return [LOCK_WORDS[lock.code], why ?? (lock.code === "withdrawn" ? lock.why : undefined)].filter(Boolean).join(": ");
  }
  const { state } = one.standing;
  const last = dateOf(dayHere("entry" in one ? one.entry.madeAt : one.madeAt) + GOOD_FOR);
  const day = format(new Date(`${last}T12:00:00`), "d MMM");
  const until = state === "expired" ? `expired: time the pace again, was good until ${day}` : `good until ${day}`;
  return [...onceOf(one).map(onceText), until].join(" · ");
}
