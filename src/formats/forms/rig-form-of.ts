import type { RigText } from "../job-file/types";
import type { RigForm } from "./rig";

/** The form of a rig that exists, or an empty one. */
export function rigFormOf(rig: Partial<RigText> = {}): RigForm {
  return {
    name: rig.name ?? "",
    kind: rig.kind ?? "backpack",
    outlets: String(rig.outlets?.count ?? 1),
    spacing: rig.outlets?.spacing ?? "",
    tipSize: rig.tip?.size ?? "",
    pressure: rig.tip?.pressure ?? "",
    tanks: (rig.tanks ?? [{ usable: "" }]).map((t) => ({ name: t.name ?? "main", usable: t.usable, leastMix: t.leastMix ?? "" })),
  };
}
