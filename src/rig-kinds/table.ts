import { backpack } from "./backpack/rules";
import { boom } from "./boom/rules";
import { handCan } from "./hand-can/rules";
import { hoseEnd } from "./hose-end/rules";
import type { RigRules } from "./kind";
import { sprayTruck } from "./spray-truck/rules";

/** Every kind of rig, by the name that files and records have for it; in the order in which a list shows them. */
export const RULES = {
  backpack,
  "hand-can": handCan,
  "hose-end": hoseEnd,
  boom,
  "spray-truck": sprayTruck,
} satisfies Record<string, RigRules>;
