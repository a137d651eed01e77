import type { RigFace } from "../face";
import { Fan, line } from "../strokes";

export const hoseEnd: RigFace = {
  word: "Hose-end head",
  drawing: () => (
    <>
      <path d="M4 12 h10 v6 H4 z M14 15 q16 0 16 18 t18 14" {...line} />
      <path d="M48 40 h16 M50 44 h12 v14 H50 z M64 38 h8 l6 -4" {...line} />
      <Fan x={80} y={33} />
    </>
  ),
  anyones: "a hose-end head depends on the tap.",
  before: () => [
    "Measure through hose and head, pattern as in work: a bare tap may give three times as much. Fill the jar to a mark.",
  ],
};
