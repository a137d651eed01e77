import { dayIn } from "@/formats/day";
import { EMPTY_BOOK } from "@/formats/book";
import { calibrationOn, PERSON, RIG } from "../testing/show";
import { calibratedFor, workOut } from "./in-hand";

const TODAY = dayIn("2026-09-02T10:00:00Z", "UTC");
const book = (...calibrations: ReturnType<typeof calibrationOn>[]) => ({
  ...EMPTY_BOOK,
  rigs: [RIG],
  people: [PERSON],
  calibrations,
});

describe("the calibration in hand", () => {
  test("is the newest of this rig and this person", () => {
    const newest = calibrationOn("2026-09-01T08:00:00Z");
    const found = calibratedFor(book(newest, calibrationOn("2026-08-01T08:00:00Z")), RIG, { personId: PERSON.id }, TODAY);
    expect(found).toMatchObject({ entry: { id: newest.id }, standing: { state: "stands", daysLeft: 29 }, unsure: false });
  });

  test("is nobody else's on a rig that a person carries", () => {
    expect(calibratedFor(book(calibrationOn("2026-09-01T08:00:00Z")), RIG, { personId: "person-2" }, TODAY)).toBeUndefined();
    expect(calibratedFor(book(calibrationOn("2026-09-01T08:00:00Z")), RIG, {}, TODAY)).toBeUndefined();
  });

  test("is anyone's on a governed machine", () => {
    const boom = { ...RIG, rig: { ...RIG.rig, kind: "boom" as const } };
    const entry = calibrationOn("2026-09-01T08:00:00Z", { personId: null, rig: boom.rig });
    expect(calibratedFor({ ...book(entry), rigs: [boom] }, boom, { personId: "person-2" }, TODAY)?.entry.id).toBe(entry.id);
  });

  test("runs out, and goes stale with the rig", () => {
    const entry = calibrationOn("2026-07-01T08:00:00Z");
    expect(calibratedFor(book(entry), RIG, { personId: PERSON.id }, TODAY)?.standing.state).toBe("expired");
    const changed = { ...RIG, rig: { ...RIG.rig, tip: { size: "03", pressure: "40 psi" } } };
    expect(calibratedFor(book(entry), changed, { personId: PERSON.id }, TODAY)?.standing).toMatchObject({
      state: "stale",
      reasons: ["tip 03, was 025"],
    });
  });

  test("is no calibration yet where its trials disagree", () => {
    const entry = calibrationOn("2026-09-01T08:00:00Z", {
      calibration: { ...calibrationOn("x").calibration, pace: { kind: "timed-area", area: "250 ft2", times: ["55 s", "66 s"] } },
    });
    expect(calibratedFor(book(entry), RIG, { personId: PERSON.id }, TODAY)?.unsure).toBe(true);
  });

  test("is worked out once", () => {
    const entry = calibrationOn("2026-09-01T08:00:00Z");
    expect(workOut(entry)).toBe(workOut(entry));
  });
});
