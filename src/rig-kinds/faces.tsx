import { backpack } from "./backpack/face";
import { boom } from "./boom/face";
import type { RigFace } from "./face";
import { handCan } from "./hand-can/face";
import { hoseEnd } from "./hose-end/face";
import type { RigKind } from "./rules";
import { sprayTruck } from "./spray-truck/face";

/** The faces of the kinds of rig: the compiler asks for one of each. */
export const FACES: Readonly<Record<RigKind, RigFace>> = {
  backpack,
  "hand-can": handCan,
  "hose-end": hoseEnd,
  boom,
  "spray-truck": sprayTruck,
};
