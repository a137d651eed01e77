import type { Calibration } from "@/core/calibration/calibrate";
import { impliedSwath } from "@/core/calibration/nomogram";
import type { Quantity } from "@/core/quantity/kinds";

/** The swath that a calibration's pace and speed go with; undefined where no speed is known. */
export const swathOf = ({ timePer1000, speed }: Calibration): Quantity<"length"> | undefined =>
  timePer1000 && speed ? impliedSwath(timePer1000.value, speed.value) : undefined;
