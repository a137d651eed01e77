import type { Issue } from "@/core/issue";
import type { Reason } from "@/core/labels/reason";
import type { MixPlan } from "@/core/mixing/plan";
import { reasonWords } from "@/core/words/reasons";
import type { System } from "@/core/working/units";
import { issue } from "./input";

/** Why a plan is held, as an issue that still knows the reason: the door makes the words, in the reader's units. */
interface HeldIssue extends Issue {
  readonly reason: Reason;
}

const worded = (reason: Reason, system: System): Issue => {
  const { text, fits } = reasonWords(reason, system);
  return issue("", "held", text, fits);
};

/** Why a plan is held, as issues: there is no way past them. */
export const heldIssues = (plan: Pick<MixPlan, "reasons">): HeldIssue[] =>
  plan.reasons.map((reason) => ({ ...worded(reason, "us"), reason }));

/** Issues as they leave the server: reasons in the reader's units. */
export const issuesFor = (issues: readonly Issue[], system: System): Issue[] =>
  issues.map((one) => ("reason" in one ? { ...worded((one as HeldIssue).reason, system), path: one.path } : one));
