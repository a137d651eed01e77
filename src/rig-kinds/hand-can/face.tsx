import type { RigFace } from "../face";
import { Fan, line } from "../strokes";

export const handCan: RigFace = {
  word: "Hand can",
  drawing: () => (
    <>
      <path d="M12 26 q0 -6 6 -6 h18 q6 0 6 6 v26 H12 z M27 20 V8 M20 8 h14 M12 42 h30" {...line} />
      <path d="M42 40 q12 4 18 -10 L84 18" {...line} />
      <Fan x={84} y={18} />
    </>
  ),
  before: (strokes) => [
    `Pump ${strokes ?? "to the same strokes each time"} and re-pump as in work. Never over-pressurise; release before opening.`,
  ],
};
