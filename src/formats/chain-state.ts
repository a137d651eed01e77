import { nameOf } from "./record-kinds";

/** How the chain of the records stands, as a screen is told. */

/** Something that isn't as it was when it came. */
export type ChainFault =
  | {
      readonly what: "altered" | "gone";
      readonly kind: string;
      readonly record: string;
      readonly place: number;
      readonly log?: true;
    }
  | { readonly what: "outside"; readonly kind: string; readonly count: number }
  | { readonly what: "cut"; readonly count: number };

export interface ChainEntry {
  readonly faults: readonly ChainFault[];
  /** The last digest, and how many rows are in the chain. */
  readonly head: string;
  readonly rows: number;
  /** Somebody went on past just these, with a reason. */
  readonly accepted: { readonly at: string; readonly why: string } | null;
}

/** A fault in words. */
export function faultWords(fault: ChainFault): string {
  switch (fault.what) {
    case "altered":
      return `${nameOf(fault.kind)} ${fault.record} was altered (place ${fault.place} of ${fault.log ? "the log" : "the chain"})`;
    case "gone":
      return `${nameOf(fault.kind)} ${fault.record} was taken out (place ${fault.place} of the chain)`;
    case "outside":
      return `${fault.count} × ${nameOf(fault.kind)} came in beside this program`;
    case "cut":
      return `the last ${fault.count} places of the chain were cut off`;
  }
}
