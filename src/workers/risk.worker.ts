import { expose } from "comlink";
import { drawRisk, type Risk, type RiskInput } from "@/core/risk/risk";

/** The door to core for drawing a risk: off the page's own thread, with word of how far it is. */
const door = {
  /** @param onProgress told the part that is done · whoever needs no answer any more ends the worker */
  async draw(input: RiskInput, samples: number, seed: number, onProgress: (part: number) => void): Promise<Risk> {
    const drawing = drawRisk(input, samples, seed);
    for (;;) {
      const next = drawing.next();
      if (next.done) return next.value;
      onProgress(next.value);
    }
  },
};
export type RiskDoor = typeof door;
expose(door);
