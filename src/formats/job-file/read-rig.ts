import type { RigBasics } from "@/core/calibration/evidence";
import { parseField } from "@/core/quantity/ranges";
import type { Head } from "@/core/hose-end/head";
import { chartOf, setupOf } from "../rig-setup";
import { maybe, value, type Faults } from "./faults";
import type { RigText } from "./types";
import { rigRules } from "@/rig-kinds/rules";

/** A rig as it is written → as values; what two places make wrong together goes to the faults, where there are any. */
export function readRig(rig: RigText, faults?: Faults): RigBasics {
  const head = readHead(rig, faults);
  const chart = chartOf(rig.tip?.chart);
  const spacing = maybe(rig.outlets?.spacing, "length");
  const pressure = maybe(rig.tip?.pressure, "pressure");
  const mostPressure = setupOf(rig).mostPressure;
  const most = mostPressure === undefined ? undefined : parseField("pressure", mostPressure);
  if (faults && rig.outlets?.spacing !== undefined && !rigRules(rig.kind).spaced)
    faults.add("rig.outlets.spacing", "contradiction", `a ${rig.kind} has no spacing`, "only outlets on a boom have one");
  return {
    kind: rig.kind,
    outlets: { count: rig.outlets?.count ?? 1, ...(spacing && { spacing }) },
    ...(rig.tip &&
      (rig.tip.chart === undefined || Object.keys(rig.tip).length > 1) && {
        tip: {
          ...(rig.tip.size !== undefined && { size: rig.tip.size }),
          ...(pressure && { pressure }),
          ...(chart && chart.size === rig.tip.size && { chart }),
        },
      }),
    ...(most?.ok && { mostPressure: most.value }),
    ...(head && { head }),
  };
}

function readHead({ kind, head }: RigText, faults?: Faults): Head | undefined {
  if (!rigRules(kind).head) {
    if (head) faults?.add("rig.head", "contradiction", `a ${kind} has no head`, "only a hose-end rig has one");
    return undefined;
  }
  if (!head) {
    faults?.add("rig.head", "missing", "", `{ "kind": "dial", "setting": "2 fl oz/gal" }`);
    return undefined;
  }
  const { product, water } = head.jar ?? {};
  if (head.jar && (product === undefined || water === undefined))
    faults?.add(`rig.head.jar.${product === undefined ? "product" : "water"}`, "missing", "", `"8 fl oz"`);
  const jar =
    product !== undefined && water !== undefined
      ? { product: value(product, "volume"), water: value(water, "volume", true) }
      : undefined;
  if (head.kind === "metered") return { kind: "metered", feed: value(head.feed, "flow"), ...(jar && { jar }) };
  return { kind: "dial", setting: value(head.setting, "strengthByVolume"), ...(jar && { jar }) };
}
