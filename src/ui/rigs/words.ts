import type { RigKind } from "@/core/calibration/evidence";
import type { RigText } from "@/formats/job-file/types";
import { setupOf } from "@/formats/rig-setup";

export const KIND_WORDS: Record<RigKind, string> = {
  backpack: "Backpack",
  "hand-can": "Hand can",
  "hose-end": "Hose-end head",
  boom: "Boom",
  "spray-truck": "Spray truck, gun and hose",
};

/** A rig in one line: what it is and what it stands on. */
export function rigLine(rig: RigText): string {
  const tanks = (rig.tanks ?? []).map((t) => t.usable).join(" and ");
  const outlets =
    (rig.outlets?.count ?? 1) > 1
      ? `${rig.outlets!.count} outlets${rig.outlets?.spacing ? ` at ${rig.outlets.spacing}` : ""}`
      : "";
  const tip = rig.tip?.size ? `tip ${rig.tip.size}${rig.tip.pressure ? ` at ${rig.tip.pressure}` : ""}` : rig.tip?.pressure;
  const head = rig.head?.kind === "dial" ? `dial ${rig.head.setting}` : rig.head && `feed ${rig.head.feed}`;
  const setup = setupOf(rig);
  return [KIND_WORDS[rig.kind], tanks, outlets, tip, head, setup.dedication].filter(Boolean).join(" · ");
}
