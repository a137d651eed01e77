import { calibrationSources, explainAll, type Calibration, type Line, type System } from "@/core/contents";

/** The working of a calibration: pace, speed where it is known, flow, spray volume. */
export const calibrationWorking = (made: Calibration, system: System): readonly Line[] =>
  explainAll(calibrationSources(made), system);
