import { saveCalibration } from "@/services/save-calibration";
import { saveKitCheck, saveQuickCheck } from "@/services/save-check";
import { saveSheet, tickStep } from "@/services/save-sheet";
import { freshRecords, KIT_CHECK, must, NOW, QUICK_CHECK, session, sheet, town } from "@/services/testing/town";

const records = freshRecords();

describe("what happened is never changed", () => {
  test.each(["calibrations", "trials", "mix_sheets", "ticks", "quick_checks", "kit_checks"])(
    "%s refuse update and delete",
    (table) => {
      town(records.db);
      must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
      must(saveSheet(records.db, sheet()));
      must(tickStep(records.db, "sheet-0000000001", { step: "1.1.water", done: true }));
      must(saveQuickCheck(records.db, QUICK_CHECK));
      must(saveKitCheck(records.db, KIT_CHECK));
      expect(() => records.db.$client.prepare(`delete from ${table}`).run()).toThrow(/append-only/);
      const column = {
        calibrations: "made_at",
        trials: "time",
        mix_sheets: "made_at",
        ticks: "at",
        quick_checks: "time",
        kit_checks: "known",
      }[table];
      expect(() => records.db.$client.prepare(`update ${table} set ${column} = 'x'`).run()).toThrow(/append-only/);
    },
  );
  test("the database itself refuses an impossible number", () => {
    town(records.db);
    expect(() => records.db.$client.prepare("update tanks set usable_ml = -1").run()).toThrow(/CHECK/);
    expect(() => records.db.$client.prepare("update zones set area_m2 = 1e12").run()).toThrow(/CHECK/);
  });
});
