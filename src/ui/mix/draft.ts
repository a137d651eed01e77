import type { LoadMode, Result } from "@/core/contents";
import type { ChoiceText } from "@/formats/card/choice";
import type { LabelEntry } from "@/formats/book";
import type { ProductText } from "@/formats/job-file/types";

/** A product of a mix in the making: its label, the rate as typed, and how it was chosen. */
export interface DraftProduct {
  readonly labelId: string;
  readonly rate: string;
  readonly choice: ChoiceText;
}

/** A mix in the making, kept in this browser until its sheet is saved. */
export interface Draft {
  readonly products: readonly DraftProduct[];
  readonly loads: LoadMode;
  readonly tank: string;
  /** The ids of the zones that are left out of this mix. */
  readonly without?: readonly string[];
}
export const EMPTY_DRAFT: Draft = { products: [], loads: "full-then-part", tank: "" };

/** A product of the mix, with its label and as a job file writes it. */
export interface Chosen extends DraftProduct {
  readonly label: LabelEntry;
  readonly read: Result<ProductText>;
}
