import { asRead } from "@/core/working/as-read";
import type { System } from "@/core/working/units";
import type { RigText } from "@/formats/job-file/types";
import { setupOf } from "@/formats/rig-setup";
import { FACES } from "@/rig-kinds/faces";

/** A rig in one line: what it is and what it stands on. */
export function rigLine(rig: RigText, system: System): string {
  const pressure = rig.tip?.pressure && asRead(rig.tip.pressure, ["pressure"], system);
  const tanks = (rig.tanks ?? []).map((t) => asRead(t.usable, ["volume"], system)).join(" and ");
  const outlets =
    (rig.outlets?.count ?? 1) > 1
      ? `${rig.outlets!.count} outlets${rig.outlets?.spacing ? ` at ${asRead(rig.outlets.spacing, ["length"], system)}` : ""}`
      : "";
  const tip = rig.tip?.size ? `tip ${rig.tip.size}${pressure ? ` at ${pressure}` : ""}` : pressure;
  const head =
    rig.head?.kind === "dial"
      ? `dial ${asRead(rig.head.setting, ["strengthByVolume"], system)}`
      : rig.head && `feed ${asRead(rig.head.feed, ["flow"], system)}`;
  const setup = setupOf(rig);
  return [FACES[rig.kind].word, tanks, outlets, tip, head, setup.dedication].filter(Boolean).join(" · ");
}
