import type { RunState } from "@/core/mixing/run-state";
import { canonical } from "@/core/quantity/arithmetic";
import { amountText } from "./card/choice";
import { soundJob, soundPlan } from "./job-file/assemble";
import { planningOf } from "./job-file/outcome";
import type { JobFile } from "./job-file/types";

/** What a day's tank took, put down and still holds: of the mix, mL, and of each product of it, as a job file writes it. */
export interface DayLedger {
  readonly filled: number;
  readonly applied: number;
  readonly inTank: number;
  readonly products: readonly {
    readonly name: string;
    readonly filled: string;
    readonly applied: string;
    readonly inTank: string;
  }[];
}

/**
 * The ledger of a day as it stands: what was filled is what went down and what is in the tank. All of a day's tank is of one strength,
 * so each product goes with the mix. Undefined where nothing was filled yet.
 */
export function dayLedger(job: JobFile, { filled: fills, inTank }: RunState): DayLedger | undefined {
  const filled = fills.reduce((sum, fill) => sum + fill.adds, 0);
  if (filled <= 0) return undefined;
  const applied = filled - inTank;
  const read = soundJob(job);
  // With nothing held: what was poured was poured.
  const { products, sites } = planningOf(read, soundPlan(read)).plan;
  const site = sites[0];
  const whole = site ? canonical(site.spray.value) : 0;
  return {
    filled,
    applied,
    inTank,
    products:
      site && whole > 0
        ? products.map(({ name }, i) => {
            const of = (mL: number) => amountText(site.totals[i]!, mL / whole);
            return { name, filled: of(filled), applied: of(applied), inTank: of(inTank) };
          })
        : [],
  };
}
