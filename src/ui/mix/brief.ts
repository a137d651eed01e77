import type { MixWarning } from "@/core/mixing/plan";
import type { Rank } from "../parts/to-know";

const BRIEF: Partial<Record<MixWarning["code"], readonly [Rank, string]>> = {
  "turf-unknown": ["before", "the turf isn't noted"],
  "jurisdiction-unknown": ["before", "the county rules aren't noted"],
  "water-deadline-open": ["after", "by when to water in"],
  "second-half-late": ["before", "the second half is late"],
  "not-to-be-judged-yet": ["before", "too early to judge the last one"],
  "active-not-noted": ["before", "an active isn't noted"],
  "too-thick": ["before", "too thick to be so"],
  "under-label-range": ["amounts", "under the label's lowest"],
  "ground-open": ["before", "what a gallon covers"],
  "below-least-mix": ["before", "too little to agitate"],
  "mixed-for-another-volume": ["before", "mixed at another spray volume"],
};

/** What a warning of a plan is about, in a few words, and where it belongs among what is to be known. */
export function briefOf({ code }: MixWarning): { readonly rank: Rank; readonly brief: string } {
  const [rank, brief] = BRIEF[code] ?? (["before", code.replaceAll("-", " ")] as const);
  return { rank, brief };
}
