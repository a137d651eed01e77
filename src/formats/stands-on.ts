import { type StandsOn } from "@/core/calibration/standing";
import { readRig } from "./job-file/read-rig";
import type { RigText } from "./job-file/types";
import { heldOf } from "./rig-setup";
import { ownerOf, type RigKind } from "@/rig-kinds/rules";

/** What a calibration stands on, of a rig as it is written. */
export const standsOn = (rig: RigText): StandsOn => ({ rig: readRig(rig), held: heldOf(rig) });

interface Whose {
  readonly personId: string | null;
  readonly siteId: string | null;
}

/** Whether a calibration is that of who holds the wand, or of the tap that is used; a governed machine's is anyone's. */
export function ownedBy(kind: RigKind, calibration: Whose, hand: Whose): boolean {
  const owner = ownerOf(kind);
  if (owner === "person") return calibration.personId === hand.personId && hand.personId !== null;
  return owner === "rig" || (calibration.siteId === hand.siteId && hand.siteId !== null);
}
