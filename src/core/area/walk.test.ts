import type { Position } from "./geodesic";
import { NOTHING_WALKED, SURE_ENOUGH, walkOn, type Fix } from "./walk";

const METRE = 1 / 111_320;
const fix = (x: number, y: number, seconds: number, accuracy = 3): Fix => ({
  at: [-74 + x * METRE, y * METRE] as Position,
  accuracy,
  time: seconds * 1000,
});
const walk = (...fixes: Fix[]) => fixes.reduce(walkOn, NOTHING_WALKED);

test("fixes are points of the ring, with what the phone says of them", () => {
  const walked = walk(fix(0, 0, 0, 3), fix(2, 0, 2, 5), fix(4, 0, 4, 4));
  expect(walked.points).toHaveLength(3);
  expect(walked).toMatchObject({ dropped: 0, accuracy: 4 });
});
test("what is too unsure, or farther than anybody walks, is left out and told; the walk goes on from the last that was kept", () => {
  const walked = walk(fix(0, 0, 0), fix(1, 0, 1, SURE_ENOUGH + 1), fix(80, 0, 2), fix(3, 0, 3), fix(4, 0, 4, NaN));
  expect(walked.points).toHaveLength(2);
  expect(walked.dropped).toBe(3);
});
test("standing still makes no points", () => {
  const still = walk(...Array.from({ length: 20 }, (_, i) => fix(0.1 * (i % 2), 0, i)));
  expect(still.points).toHaveLength(1);
  expect(still.dropped).toBe(0);
});
