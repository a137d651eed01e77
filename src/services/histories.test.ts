import fc from "fast-check";
import { putSetting } from "@/records/settings";
import { recordsInMemory } from "@/records/whole";
import { holdClock } from "./clock";
import { anAct, play } from "./testing/histories";
import { town } from "./testing/town";

/**
 * Two properties, by a naive book: no container ever opens past a limit, against the calibration in force, the ground, the weather or
 * what is retired; and what was poured is always what went down, is left, was disposed of, or is unaccounted for. The attacks play as
 * many more as they are asked for, some of them on disk.
 */
const BEGINS = "2026-03-02T08:00:00.000Z";
const BATCHES = 5;
/** Of a batch, whose lawns know of one another. */
const HISTORIES = 20;

afterAll(() => holdClock(undefined));

test(`no container opens that the book holds, and the ledger balances: ${BATCHES * HISTORIES} random histories`, () => {
  const all = { opened: 0, held: 0 };
  for (let batch = 0; batch < BATCHES; batch++) {
    const db = recordsInMemory();
    holdClock(BEGINS);
    putSetting(db, "time-zone", "UTC", BEGINS);
    town(db);
    let k = 0;
    let clock = Date.parse(BEGINS);
    fc.assert(
      fc.property(fc.array(anAct, { minLength: 6, maxLength: 16 }), (acts) => {
        const { opened, held, until } = play(db, ++k, acts, clock);
        clock = until;
        all.opened += opened;
        all.held += held;
      }),
      { seed: 20260902 + batch, numRuns: HISTORIES },
    );
    db.$client.close();
  }
  // A property of nothing would hold.
  expect(all.opened).toBeGreaterThan((BATCHES * HISTORIES) / 4);
  expect(all.held).toBeGreaterThan((BATCHES * HISTORIES) / 10);
});
