/** What the outlines of rigs are drawn with. */
export const line = {
  fill: "none",
  stroke: "currentColor",
  strokeWidth: 2.2,
  strokeLinecap: "round",
  strokeLinejoin: "round",
} as const;

/** Spray out of a tip. */
export const Fan = ({ x, y }: { x: number; y: number }) => (
  <path d={`M${x} ${y} l-7 14 M${x} ${y} v15 M${x} ${y} l7 14`} {...line} strokeWidth={1.4} strokeDasharray="1 4" />
);
