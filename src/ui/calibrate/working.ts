import { calibrationSources, type Calibration } from "@/core/calibration/calibrate";
import { explainAll, type Line } from "@/core/working/explain";
import type { System } from "@/core/working/units";

/** The working of a calibration: pace, speed where it is known, flow, spray volume. */
export const calibrationWorking = (made: Calibration, system: System): readonly Line[] =>
  explainAll(calibrationSources(made), system);
