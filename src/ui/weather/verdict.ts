import { mayChange } from "@/core/conditions/change";
import type { ConditionReason, Verdict, When } from "@/core/conditions/judge";
import type { System } from "@/core/working/units";

/** What the weather says, in words and as a notice. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = { go: "Go", wait: "Wait", no: "Not now" };

export const VERDICT_STATE = { go: "plain", wait: "act", no: "stop" } as const;

/** Each reason with when it usually changes. */
export const reasonsSaid = (reasons: readonly ConditionReason[], when: When, system: System): string =>
  reasons.map(({ code, text }) => `${text(system)} (${mayChange(code, when)})`).join("; ");
