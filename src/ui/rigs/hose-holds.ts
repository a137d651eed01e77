import { holdUp } from "@/core/calibration/required-flow";
import { readTyped } from "@/formats/typed";
import { given } from "@/core/working/rule";
import { read, type System } from "@/core/working/units";

/** What a hose holds, in words; undefined where its size can't be read. Texts as typed or as kept. */
export function hoseHolds(diameter: string | undefined, length: string | undefined, system: System): string | undefined {
  const [wide, long] = [readTyped("hoseDiameter", diameter ?? ""), readTyped("hoseLength", length ?? "")];
  if (!wide.ok || !long.ok) return undefined;
  return read(holdUp(given(wide.value, "inside diameter"), given(long.value, "length")).value, "volume", system);
}
