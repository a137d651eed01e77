import { cleanOutWords } from "@/formats/clean-out";
import { saveRinse } from "./save-stock";
import { cleanOuts } from "./slices/upkeep";
import { faults, freshRecords, ids, must, NOW, town } from "./testing/town";

const records = freshRecords();
const rinse = (more: object) => ({
  id: "rinse-000000001",
  rigId: ids.rigs,
  tank: "main",
  personId: ids.people,
  rinsedAt: NOW,
  ...more,
});

test("how a tank was cleaned is kept with the rinse, and told in words", () => {
  town(records.db);
  const facts = { water: "1 qt", rinsate: "onto the treated lawn", containers: true, strainer: true } as const;
  must(saveRinse(records.db, rinse({ facts, rinsedAt: "2026-09-01T10:00:00.000Z" })));
  must(saveRinse(records.db, rinse({ id: "rinse-000000002", rinsedAt: NOW })));
  const [newest, older] = cleanOuts(records.db, { rig: ids.rigs }, []);
  expect(newest).toMatchObject({ id: "rinse-000000002", facts: null, person: "Odile Marsh" });
  expect(older!.facts).toEqual(facts);
  expect(cleanOutWords(facts)).toBe(
    "3 × 1 qt · rinsate: onto the treated lawn · containers rinsed and punctured · strainer and tip cleaned",
  );
});

test.each([
  [{ water: "1" }],
  [{ water: "4 oz" }],
  [{ rinsate: " " }],
  [{ rinsate: "x".repeat(201) }],
  [{ containers: "yes" }],
  [{ strainer: false }],
  [{ poured: "away" }],
  ["rinsed"],
  [null],
])("%j is no clean-out, and nothing is kept", (facts) => {
  town(records.db);
  expect(faults(saveRinse(records.db, rinse({ facts })))).toEqual(["facts wrong-type"]);
  expect(cleanOuts(records.db, { rig: ids.rigs }, [])).toEqual([]);
});
