import { ringOnEarth } from "@/core/area/geodesic";
import { NOTHING_WALKED, walkOn } from "@/core/area/walk";
import { simulatedWalk } from "./position";

test("a simulated walk stands in for a phone: its jump and its unsure fix are left out, the lawn is near 600 m²", () => {
  jest.useFakeTimers();
  let walked = NOTHING_WALKED;
  const end = simulatedWalk(10).watch(
    (one) => (walked = walkOn(walked, one)),
    () => undefined,
  );
  jest.advanceTimersByTime(20_000);
  end();
  jest.useRealTimers();
  expect(walked.dropped).toBe(2);
  expect(Math.abs(ringOnEarth(walked.points).area / 600 - 1)).toBeLessThan(0.1);
});
