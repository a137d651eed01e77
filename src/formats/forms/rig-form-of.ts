import type { RigText } from "../job-file/types";
import { setupOf } from "../rig-setup";
import type { RigForm } from "./rig";

/** The form of a rig that exists, or an empty one. */
export function rigFormOf(rig: Partial<RigText> = {}): RigForm {
  const setup = setupOf(rig as RigText);
  const head = rig.head;
  const jar = head?.jar;
  return {
    name: rig.name ?? "",
    kind: rig.kind ?? "backpack",
    outlets: String(rig.outlets?.count ?? 1),
    spacing: rig.outlets?.spacing ?? "",
    tipSize: rig.tip?.size ?? "",
    pressure: rig.tip?.pressure ?? "",
    tanks: (rig.tanks ?? [{ usable: "" }]).map((t, i) => ({
      name: t.name ?? "main",
      usable: t.usable,
      capacity: setup.capacities?.[i] ?? "",
      leastMix: t.leastMix ?? "",
    })),
    head: {
      kind: head?.kind ?? "dial",
      feed: head?.kind === "metered" ? head.feed : "",
      setting: head?.kind === "dial" ? head.setting : "",
      settings: (setup.settings ?? []).join(", "),
      product: jar?.product ?? "",
      water: jar?.water ?? "",
    },
    chart: setup.chart ?? "",
    pump: setup.pump ?? "",
    regulator: setup.regulator ?? "",
    mostPressure: setup.mostPressure ?? "",
    pumpServiced: setup.pumpServiced ?? "",
    engineSpeed: setup.engineSpeed ?? "",
    gear: setup.gear ?? "",
    throttle: setup.throttle ?? "",
    sections: setup.sections ?? "",
    height: setup.height ?? "",
    swath: setup.swath ?? "",
    strokes: setup.strokes ?? "",
    nozzle: setup.nozzle ?? "",
    ground: setup.ground ?? "",
    dedication: setup.dedication ?? "",
    uses: [...(setup.uses ?? [])],
    hoseDiameter: setup.hose?.diameter ?? "",
    hoseLength: setup.hose?.length ?? "",
    setups: (setup.setups ?? []).map((one) => ({
      name: one.name,
      size: one.size ?? "",
      pressure: one.pressure ?? "",
      nozzle: one.nozzle ?? "",
      swath: one.swath ?? "",
    })),
    scales: (setup.kit?.scales ?? []).map((s) => ({ ...s })),
    cups: (setup.kit?.cups ?? []).map((c) => ({ ...c })),
    vessels: (setup.kit?.vessels ?? []).map((v) => ({ ...v })),
  };
}
