import { judge } from "@/formats/standing";
import { dayNow } from "../data/clock";
import { calibrationOn, RIG } from "../testing/show";
import { standingMark, standingText, standingWords } from "./standing-words";

const now = new Date().toISOString();
const one = (...of: Parameters<typeof calibrationOn>) => judge(RIG.rig, calibrationOn(...of), undefined, dayNow());
const evidence = (walks: string[], catches: number) => ({
  calibration: {
    pace: { kind: "timed-area" as const, area: "250 ft2", times: walks },
    flow: {
      kind: "timed-catch" as const,
      catches: Array.from({ length: catches }, () => ({ volume: "32 fl oz", time: "62 s" })),
    },
  },
});
const WALKS = ["62 s", "61 s", "63 s"];

test("what was measured once only goes on being said, without a ✓", () => {
  expect(standingWords(one(now, evidence(WALKS, 3)))).toMatch(/^✓ good until/);
  expect(standingWords(one(now, evidence(WALKS, 1)))).toMatch(/^! one catch only · good until/);
  expect(standingWords(one(now, evidence(["62 s"], 1)))).toMatch(/^! one walk only · one catch only · good until/);
});

test("what has lapsed has no ✓; what nothing is mixed from has a ✕", () => {
  const old = one("2026-01-02T08:00:00Z", evidence(WALKS, 3));
  expect([standingMark(old), standingText(old)]).toEqual([
    "!",
    expect.stringMatching(/^expired: time the pace again, was good until/),
  ]);
  expect(standingMark(one(now, evidence(["62 s", "80 s"], 3)))).toBe("✕");
});
