import type { RigFace } from "../face";
import { line } from "../strokes";

export const boom: RigFace = {
  word: "Boom",
  drawing: ({ outlets }) => {
    const shown = Math.min(Math.max(outlets?.count ?? 3, 2), 9);
    return (
      <>
        <path d="M34 8 h36 v20 H34 z M34 20 h36 M52 28 v8 M6 36 h92" {...line} />
        {Array.from({ length: shown }, (_, i) => {
          const x = 8 + (88 * i) / (shown - 1);
          return <path key={i} d={`M${x} 36 v4 l-5 12 M${x} 40 l5 12`} {...line} strokeWidth={1.5} />;
        })}
      </>
    );
  },
  anyones: "a governed machine goes as fast with anyone.",
};
