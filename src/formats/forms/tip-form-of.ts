import type { TipText } from "../rig-setup";
import type { TipForm } from "./tip";

/** The form of a tip that exists, or an empty one. */
export function tipFormOf(tip: Partial<TipText> = {}): TipForm {
  return {
    name: tip.name ?? "",
    size: tip.size ?? "",
    angle: tip.angle === undefined ? "" : String(tip.angle),
    rows: (tip.rows ?? [{ pressure: "", flow: "" }]).map((r) => ({
      pressure: r.pressure,
      flow: r.flow,
      droplet: r.droplet ?? "",
    })),
  };
}
