import type { ReactNode } from "react";
import type { RigText } from "@/formats/job-file/types";

/** How a kind of rig looks and is spoken of on screens. */
export interface RigFace {
  /** What it is called in a list. */
  readonly word: string;
  /** Its outline, on 104 × 60. */
  readonly drawing: (rig: RigText) => ReactNode;
  /** Of a rig whose calibration is nobody's own: why. */
  readonly anyones?: string;
  /** What is minded beside the steps of every calibration. @param strokes as they are noted on the rig */
  readonly before?: (strokes: string | undefined) => readonly string[];
}
