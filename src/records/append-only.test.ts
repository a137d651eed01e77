import { tellStop } from "@/services/day-stops";
import { saveCalibration } from "@/services/save-calibration";
import { saveKitCheck, saveQuickCheck } from "@/services/save-check";
import { saveSheet } from "@/services/save-sheet";
import { saveRinse, saveStockCount } from "@/services/save-stock";
import { saveWeather } from "@/services/save-weather";
import { tickStep } from "@/services/tick-step";
import { freshRecords, gearOn, ids, KIT_CHECK, must, NOW, QUICK_CHECK, session, sheet, town } from "@/services/testing/town";

const records = freshRecords();

describe("what happened is never changed", () => {
  test.each([
    "calibrations",
    "trials",
    "mix_sheets",
    "sheet_sites",
    "ticks",
    "weather_seen",
    "stop_events",
    "fills",
    "rinses",
    "stock_counts",
    "quick_checks",
    "kit_checks",
  ])("%s refuse update and delete", (table) => {
    town(records.db);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet({ run: true })));
    gearOn(records.db, "sheet-0000000001");
    must(tickStep(records.db, "sheet-0000000001", { step: "run.1.top-up", done: true }));
    must(saveWeather(records.db, "sheet-0000000001", { id: "weather-0000001", at: NOW, seen: { when: "day", wind: "4 mph" } }));
    must(tellStop(records.db, "sheet-0000000001", { what: "skipped", site: "Green" }));
    const at = { personId: null, rinsedAt: NOW };
    must(saveRinse(records.db, { id: "rinse-00000001", rigId: ids.rigs, tank: "main", ...at }));
    must(saveStockCount(records.db, { id: "count-00000001", labelId: ids.labels, amount: "8 oz", countedAt: NOW }));
    must(saveQuickCheck(records.db, QUICK_CHECK));
    must(saveKitCheck(records.db, KIT_CHECK));
    expect(() => records.db.$client.prepare(`delete from ${table}`).run()).toThrow(/append-only/);
    const column = {
      calibrations: "made_at",
      trials: "time",
      mix_sheets: "made_at",
      sheet_sites: "site_id",
      stop_events: "what",
      fills: "adds",
      rinses: "tank",
      stock_counts: "amount",
      ticks: "at",
      weather_seen: "at",
      quick_checks: "time",
      kit_checks: "known",
    }[table];
    expect(() => records.db.$client.prepare(`update ${table} set ${column} = 'x'`).run()).toThrow(/append-only/);
  });
  test("the database itself refuses an impossible number", () => {
    town(records.db);
    expect(() => records.db.$client.prepare("update tanks set usable_ml = -1").run()).toThrow(/CHECK/);
    expect(() => records.db.$client.prepare("update zones set area_m2 = 1e12").run()).toThrow(/CHECK/);
  });
});
