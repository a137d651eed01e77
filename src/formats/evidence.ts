import type { LoadEvidence } from "@/core/outcome/evidence";
import { fromCanonical } from "@/core/quantity/arithmetic";
import type { LoadsEntry } from "./entries";

/** What loads did, as core pools it. */
export const evidenceOf = ({ sprayed, covered, ratio }: Pick<LoadsEntry, "sprayed" | "covered" | "ratio">): LoadEvidence => ({
  sprayed: fromCanonical<"volume">(sprayed),
  covered: fromCanonical<"area">(covered),
  ratio,
});
