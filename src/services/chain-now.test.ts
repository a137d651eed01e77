import { evidenceState } from "@/records/evidence";
import { faultWords } from "@/formats/chain-state";
import { doJob } from "./background/jobs";
import { chainFaults, chainIs, chainNow, goOn } from "./chain-now";
import { saveCalibration } from "./save-calibration";
import { faults, freshRecords, must, NOW, session, town } from "./testing/town";

const records = freshRecords();
beforeEach(() => {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
});
afterEach(() => chainIs(undefined));

const tampered = () =>
  records.db.$client.exec(
    "drop trigger trials_keep; update trials set time = '1 s' where rowid = 1; drop trigger trials_evidence",
  );
const WHY = "the stopwatch was read wrong, and mended in the file";

test("until it was worked out nothing is said; records as they were have no faults and nothing to go on past", () => {
  expect(chainNow(records.db)).toBeNull();
  chainIs(chainFaults(records.db));
  expect(chainNow(records.db)).toMatchObject({ faults: [], accepted: null, head: evidenceState(records.db).digest });
  expect(faults(goOn(records.db, { why: WHY }))).toEqual([" already-done"]);
});
test("what was altered is told until somebody goes on with a reason, which stays, and is in the chain itself", async () => {
  tampered();
  chainIs(must(await doJob({ what: "chain", folder: records.folder }, () => {})).chain);
  const told = () => chainNow(records.db)!;
  expect(told().faults.map(faultWords)).toEqual([
    expect.stringMatching(/^trial of a calibration 1 was altered \(place \d+ of the chain\)$/),
  ]);
  expect(faults(goOn(records.db, { why: "ok" }))).toEqual(["why reason-needed"]);
  expect(told().accepted).toBeNull();
  must(goOn(records.db, { why: WHY }));
  expect(told().accepted).toMatchObject({ why: WHY });
  const { rows } = evidenceState(records.db);
  expect(records.db.$client.prepare("select kind from evidence where place = ?").pluck().get(rows)).toBe("chain_events");
  expect(() => records.db.$client.prepare("delete from chain_events").run()).toThrow(/append-only/);
});
test("another fault than that somebody went on past is told again; nothing is taken in by itself", () => {
  tampered();
  chainIs(chainFaults(records.db));
  must(goOn(records.db, { why: WHY }));
  records.db.$client.exec(
    "insert into trials (calibration_id, position, of, time) select calibration_id, 40, of, time from trials limit 1",
  );
  chainIs(chainFaults(records.db));
  expect(chainNow(records.db)).toMatchObject({
    accepted: null,
    faults: [{ what: "altered" }, { what: "outside", kind: "trials", count: 1 }],
  });
});
