import type { RigFace } from "../face";
import { Fan, line } from "../strokes";

export const sprayTruck: RigFace = {
  word: "Spray truck, gun and hose",
  drawing: ({ tanks }) => (
    <>
      <path d="M4 46 V22 h34 v24 M4 36 h34" {...line} />
      {(tanks?.length ?? 0) > 1 && <path d="M21 22 V46" {...line} />}
      <path d="M38 46 V28 h9 l6 8 v10 z M2 46 h54" {...line} />
      <circle cx="13" cy="50" r="5" {...line} />
      <circle cx="45" cy="50" r="5" {...line} />
      <path d="M21 22 q4 -14 24 -14 t39 10" {...line} />
      <Fan x={84} y={18} />
    </>
  ),
};
