import { calibrationSources, type Calibration } from "@/core/calibration/calibrate";
import type { Issue } from "@/core/issue";
import { showEntered } from "@/core/quantity/format";
import { entered } from "@/core/quantity/parse";
import { boundsOf, FIELDS } from "@/core/quantity/ranges";
import { canonical } from "@/core/quantity/arithmetic";
import { rulesOf } from "@/formats/job-file/assemble";
import { issue } from "./input";

/** What saving and importing a calibration share. */

/** The fault of readings that make no possible spray volume; undefined where they make one. */
export function impossible(made: Calibration, path: string): Issue | undefined {
  const sprayVolume = canonical(made.sprayVolume.value);
  const bounds = boundsOf("sprayVolume");
  if (sprayVolume >= bounds.least && sprayVolume <= bounds.most) return undefined;
  const { least, most } = FIELDS.sprayVolume;
  const range = [least, most].map((t) => showEntered(entered(t, "sprayVolume"))).join(" to ");
  const expected = `it should be from ${range}: check the units of each reading`;
  return issue(path, "not-possible", "these readings make no possible spray volume", expected);
}

/** What was worked out, as a record keeps it beside the readings. */
export function resultOf(made: Calibration) {
  return {
    sprayVolume: canonical(made.sprayVolume.value),
    relative: made.uncertainty?.relative ?? null,
    rules: rulesOf(calibrationSources(made)),
  };
}
