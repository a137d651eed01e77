import { expose } from "comlink";
import { lawnUnder, type Boom, type Outcome } from "@/core/pattern/boom";

/** The door to a boom that something is wrong with: off the page's own thread. */
const door = {
  /** @param onProgress told the part that is done */
  async run(boom: Boom, onProgress: (part: number) => void): Promise<Outcome> {
    const run = lawnUnder(boom);
    for (;;) {
      const next = run.next();
      if (next.done) return next.value;
      onProgress(next.value);
    }
  },
};
export type BoomDoor = typeof door;
expose(door);
