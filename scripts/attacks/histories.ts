import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import fc from "fast-check";
import { closeRecords, openRecords, type Records } from "@/records/database";
import { putSetting } from "@/records/settings";
import { recordsInMemory } from "@/records/whole";
import { holdClock } from "@/services/clock";
import { anAct, play } from "@/services/testing/histories";
import { town } from "@/services/testing/town";

const BEGINS = "2026-03-02T08:00:00.000Z";
/** Of one batch, whose lawns know of one another. */
const BATCH = 20;

/**
 * Random histories of lawns against a naive book, as `npm test` plays some of them: every tenth batch with its records on disk.
 * @param histories how many at least @returns what was played @throws Error where the book says otherwise
 */
export function histories(count: number): { histories: number; opened: number; held: number; onDisk: number } {
  const all = { histories: 0, opened: 0, held: 0, onDisk: 0 };
  for (let batch = 0; all.histories < count; batch++) {
    const onDisk = batch % 10 === 9;
    const folder = onDisk ? mkdtempSync(path.join(tmpdir(), "careful-gauge-histories-")) : undefined;
    const db: Records = folder === undefined ? recordsInMemory() : openRecords(folder);
    holdClock(BEGINS);
    putSetting(db, "time-zone", "UTC", BEGINS);
    town(db);
    let [k, clock] = [0, Date.parse(BEGINS)];
    fc.assert(
      fc.property(fc.array(anAct, { minLength: 6, maxLength: 24 }), (acts) => {
        const { opened, held, until } = play(db, ++k, acts, clock);
        clock = until;
        all.opened += opened;
        all.held += held;
      }),
      { seed: batch + 1, numRuns: BATCH },
    );
    all.histories += BATCH;
    if (folder === undefined) db.$client.close();
    else {
      all.onDisk += BATCH;
      closeRecords(db);
      rmSync(folder, { recursive: true, force: true });
    }
  }
  holdClock(undefined);
  return all;
}
