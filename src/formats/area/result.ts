import { total } from "@/core/quantity/arithmetic";
import { valueIn } from "@/core/quantity/quantity";
import { explain, lineText } from "@/core/working/explain";
import type { Areas } from "./read-area";

/** What `gauge area` prints. The meaning of every field is in docs/job-file.md. */
export function areaResult({ name, zones, passedOver }: Areas) {
  return {
    format: "careful-gauge-area",
    version: 1,
    ...(name !== null && { name }),
    zones: zones.map((zone) => ({
      name: zone.name,
      area: { value: valueIn(zone.area.value, "ft2"), unit: "ft2" },
      perimeter: zone.perimeter === null ? null : { value: valueIn(zone.perimeter, "ft"), unit: "ft" },
      warnings: zone.warnings,
    })),
    total: { value: valueIn(total(zones.map((zone) => zone.area.value)), "ft2"), unit: "ft2" },
    passedOver,
    working: zones.flatMap((zone) => explain(zone.area, "us").map((line) => `${zone.name}: ${lineText(line)}`)),
  };
}
