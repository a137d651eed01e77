import type { Calibration, CalibrationInput } from "@/core/calibration/calibrate";
import { pressureForFlow, speedAtPace, tooFastOnFoot } from "@/core/calibration/nomogram";
import { dropChange } from "@/core/calibration/tips";
import type { Quantity } from "@/core/quantity/kinds";
import { dropText } from "@/core/words/levers";
import { read, type System } from "@/core/working/units";
import { swathOf } from "./swath";
import { onFoot } from "@/rig-kinds/rules";

interface Line {
  readonly pace: Quantity<"time">;
  readonly flow: Quantity<"flow">;
}

/** What it takes to get from one line of the chart to another: a speed, a pressure, and what speaks against them. */
export function whatIf(from: Line, to: Line, made: Calibration, input: CalibrationInput, system: System): string[] {
  const lines: string[] = [];
  const swath = swathOf(made);
  if (to.pace !== from.pace && swath) {
    const speed = speedAtPace(to.pace, swath);
    const fast = onFoot(input.rig.kind) && tooFastOnFoot(speed) ? " Too fast on foot." : "";
    lines.push(`Go at ${read(speed, "speed", system)}.${fast}`);
  }
  const pressure = input.rig.tip?.pressure?.value;
  if (to.flow !== from.flow && pressure !== undefined) {
    const needed = pressureForFlow(pressure, from.flow, to.flow);
    lines.push(`Pressure ${read(needed, "pressure", system)}. ${dropText(dropChange(pressure, needed, input.rig.tip?.chart))}`);
  }
  return lines;
}
