import type { RigFace } from "../face";
import { Fan, line } from "../strokes";

export const backpack: RigFace = {
  word: "Backpack",
  drawing: () => (
    <>
      <path d="M10 14 q0 -5 5 -5 h20 q5 0 5 5 v34 q0 5 -5 5 H15 q-5 0 -5 -5 z M20 9 V5 h10 v4 M10 40 h30" {...line} />
      <path d="M40 44 q14 8 20 -8 L84 18" {...line} />
      <Fan x={84} y={18} />
    </>
  ),
};
