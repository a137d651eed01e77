import { make, raw, type Quantity } from "../quantity/kinds";
import { EVEN } from "./warnings";
import { wearOf, type Wear } from "./tips";
import { isWithin } from "../quantity/slack";

/** A boom check: every outlet against the mean of all, and against its tip's rated flow at the working pressure. */
export interface BoomCheck {
  /** Of the outlets that have a reading. */
  readonly mean: Quantity<"flow">;
  readonly outlets: readonly OutletCheck[];
  /** Mean of each half of the boom, seen from behind; null for a boom of one, the middle outlet belongs to neither. */
  readonly sides: { readonly left: Quantity<"flow">; readonly right: Quantity<"flow">; readonly apart: number } | null;
  /** Numbers of outlets, from 1 at the left. */
  readonly toClean: readonly number[];
  readonly toReplace: readonly number[];
}

export interface OutletCheck {
  readonly flow: Quantity<"flow">;
  /** Over the mean: 1.07 is 7 % above. */
  readonly ofMean: number;
  readonly even: boolean;
  /** Over the rated flow; null where no tip and pressure are known. */
  readonly ofRated: number | null;
  readonly wear: Wear | null;
}

/**
 * Judges a boom outlet by outlet. ±5 % of the mean is even; beyond ±10 % of rated a tip is worn or blocked (ISO 16122-2
 * and extension handbooks, from memory). Too little is cleaned first, too much is worn and replaced.
 * @param flows one an outlet, from the left as seen from behind · @throws RangeError for an empty boom
 */
export function boomCheck(flows: readonly Quantity<"flow">[], rated?: Quantity<"flow">): BoomCheck {
  if (flows.length === 0) throw new RangeError("no outlets");
  const mean = meanOf(flows);
  const outlets = flows.map((flow): OutletCheck => {
    const ofMean = raw(flow) / raw(mean);
    const wear = rated === undefined ? null : wearOf(flow, rated);
    return {
      flow,
      ofMean,
      even: isWithin(ofMean, EVEN),
      ofRated: wear?.ratio ?? null,
      wear: wear?.wear ?? null,
    };
  });
  const numbers = (is: (outlet: OutletCheck) => boolean) => outlets.flatMap((o, i) => (is(o) ? [i + 1] : []));
  const worn = (o: OutletCheck) => o.wear === "worn" || (o.wear !== "blocked" && !o.even && o.ofMean > 1);
  return {
    mean,
    outlets,
    sides: sidesOf(flows),
    toReplace: numbers(worn),
    toClean: numbers((o) => !worn(o) && (o.wear === "blocked" || !o.even)),
  };
}

const meanOf = (flows: readonly Quantity<"flow">[]) => make<"flow">(flows.reduce((sum, f) => sum + raw(f), 0) / flows.length);

function sidesOf(flows: readonly Quantity<"flow">[]): BoomCheck["sides"] {
  const half = Math.floor(flows.length / 2);
  if (half === 0) return null;
  const left = meanOf(flows.slice(0, half));
  const right = meanOf(flows.slice(-half));
  return { left, right, apart: (raw(left) - raw(right)) / ((raw(left) + raw(right)) / 2) };
}
