import type { Finding } from "../finding";
import type { AreaRate } from "../labels/active";
import type { Quantity } from "../quantity/kinds";

/** What should be known of what really went down. Nothing is held: it has happened. */
export interface OutcomeWarningValues {
  /** The first passes went down off the calibrated spray volume by over 5 %. */
  readonly "too-heavy": Off;
  readonly "too-light": Off;
  readonly "left-over": { readonly site: string; readonly left: Quantity<"volume"> };
  readonly "second-pass": { readonly site: string };
  /** Against the label's range, or its limit at once. */
  readonly "put-down-over-label": AgainstLabel;
  readonly "put-down-under-label": AgainstLabel;
  readonly "not-all-covered": { readonly site: string; readonly covered: Quantity<"area">; readonly area: Quantity<"area"> };
}

interface Off {
  readonly site: string;
  readonly sprayVolume: Quantity<"sprayVolume">;
  /** Over the calibrated one. */
  readonly ratio: number;
}

interface AgainstLabel {
  readonly site: string;
  readonly product: string;
  readonly putDown: AreaRate;
  /** Over the label's most, or its least. */
  readonly ratio: number;
}

export type OutcomeWarning = Finding<OutcomeWarningValues>;
