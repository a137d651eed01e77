import { tipFormOf } from "@/formats/forms/tip-form-of";
import type { Records } from "@/records/database";
import { moveWork } from "../move-work";
import { saveWatering } from "../after-work";
import { tellCalendar } from "../calendar";
import { tellStop } from "../day-stops";
import { put } from "../keep-up";
import { mergeSites } from "../merge-sites";
import { giveToRound, programOf, saveProgram } from "../program";
import { recordSheet } from "../record-sheet";
import { saveApplication } from "../save-application";
import { saveCalibration, withdrawCalibrationOf } from "../save-calibration";
import { saveKitCheck, saveQuickCheck } from "../save-check";
import { saveIncident } from "../save-incident";
import { saveLook } from "../save-look";
import { savePractice } from "../save-practice";
import { saveSheet } from "../save-sheet";
import { saveRinse, saveStockCount } from "../save-stock";
import { saveSpreadWeather, saveWeather } from "../save-weather";
import { saveDelivery } from "../shelf";
import { recordSpread, saveSpread } from "../spread";
import { tickStep } from "../tick-step";
import { withdraw } from "../withdraw";
import { add, entry, gearOn, ids, KIT_CHECK, LABEL, must, NOW, QUICK_CHECK, session, sheet, SITE, spreadOut, town } from "./town";

/** A made-up season of the test town: something of every kind on record, through the services' own doors. */
export function lived(db: Records): void {
  town(db);
  const tip = { ...tipFormOf(), name: "Fan", size: "025", rows: [{ pressure: "40", flow: "0.25", droplet: "medium" }] };
  must(add(db, "tips", tip));
  must(saveCalibration(db, { session: session(), madeAt: NOW }));
  must(saveCalibration(db, { session: session({ id: "calibration-00002" }), madeAt: NOW }));
  must(withdrawCalibrationOf(db, { id: "calibration-00002", why: "the wrong tip was on" }));
  must(saveQuickCheck(db, QUICK_CHECK));
  must(saveKitCheck(db, KIT_CHECK));
  sprayed(db);
  spread(db);
  upkeep(db);
}

function sprayed(db: Records): void {
  const seen = { when: "day", wind: "4 mph", air: "68 °F" };
  must(saveSheet(db, sheet()));
  must(saveWeather(db, "sheet-0000000001", { id: "weather-00000001", at: NOW, seen }));
  gearOn(db, "sheet-0000000001");
  must(tickStep(db, "sheet-0000000001", { step: "1.1.product-1", done: true }));
  const outcome = [{ site: "Green", load: 1, left: "1 gal", covered: "3000 ft2" }];
  const rest = { what: "left", says: "goes on the hedge by the slip" };
  must(recordSheet(db, "sheet-0000000001", { date: NOW.slice(0, 10), all: true, outcome, rest, why: "as it was read" }));
  must(saveApplication(db, entry({ personId: ids.people })));
  must(saveApplication(db, entry({ id: "application-0002", amount: "0.2 oz/1000 ft2", corrects: "application-0001", why: "the scale was off" }))); // prettier-ignore
  // A truck's day, half done, and a sheet that was poured and withdrawn.
  must(saveSheet(db, sheet({ id: "sheet-0000000002", run: true })));
  gearOn(db, "sheet-0000000002");
  for (const step of ["water", "product-1", "rinse", "top-up"])
    must(tickStep(db, "sheet-0000000002", { step: `run.1.${step}`, done: true }));
  must(tellStop(db, "sheet-0000000002", { what: "skipped", site: "Green" }));
  must(saveSheet(db, sheet({ id: "sheet-0000000003" })));
  must(withdraw(db, "sheet-0000000003", {}));
  must(saveRinse(db, { id: "rinse-000000001", rigId: ids.rigs, tank: "main", personId: null, rinsedAt: NOW }));
}

function spread(db: Records): void {
  const prill = "label-000000002";
  must(
    add(db, "labels", { ...LABEL, name: "Prill", formulation: "g", actives: [{ name: "demo active", content: "2 %" }] }, prill),
  );
  const products = [{ labelId: prill, rate: "0.3 oz/1000 ft2", choice: { row: 0, point: "typed" } }];
  for (const id of ["spreading-000001", "spreading-000002"])
    must(saveSpread(db, { id, personId: ids.people, stops: [{ siteId: ids.sites }], products: products.map((one) => ({ ...one, choice: { ...one.choice, again: "another pass is wanted" } })) })); // prettier-ignore
  must(saveSpreadWeather(db, "spreading-000001", { id: "weather-00000002", at: NOW, seen: { when: "day", wind: "4 mph" } }));
  spreadOut(db, "spreading-000001");
  must(recordSpread(db, "spreading-000001", { date: NOW.slice(0, 10), all: true }));
}

function upkeep(db: Records): void {
  must(saveStockCount(db, { id: "count-000000001", labelId: ids.labels, amount: "80", countedAt: NOW }));
  must(saveDelivery(db, { id: "delivery-000001", labelId: ids.labels, lot: "L-1", content: "80 oz", count: 1, price: "64", came: "2026-08-01", opened: null, useBy: null })); // prettier-ignore
  const on = { siteId: ids.sites, zoneId: `${ids.sites}.0`, date: NOW.slice(0, 10), personId: ids.people };
  must(saveIncident(db, { id: "incident-00001", kind: "spill", date: NOW.slice(0, 10), siteId: ids.sites, labelId: ids.labels, personId: ids.people, says: { what: "A jug fell over by the tap.", amount: "half a pint", told: "the office, at once" }, corrects: null })); // prettier-ignore
  must(saveLook(db, { id: "look-000000001", kind: "scout", ...on, says: { target: "crabgrass", cover: "30 %" } }));
  must(saveLook(db, { id: "look-000000002", kind: "inspection", ...on, recordId: "application-0002", says: { control: "80 %", injury: "0" } })); // prettier-ignore
  must(saveWatering(db, { id: "water-00000001", siteIds: [ids.sites], kind: "rain", at: "2026-09-02T09:50:00.000Z", depth: "0.3 in" })); // prettier-ignore
  const walks = ["10.1 s", "10.0 s", "10.2 s"].map((time) => ({ time, beat: false }));
  must(savePractice(db, { id: "practice-000001", personId: ids.people, ground: "turf", what: { kind: "pace", course: "44 ft", wanted: "10 s", walks } })); // prettier-ignore
  const round = { name: "feed", label: ids.labels, rate: "0.3 oz/1000 ft2", opens: { date: "09-07" }, closes: { date: "11-30" } };
  const late = { ...round, name: "late feed", label: "label-000000003" };
  must(add(db, "labels", { ...LABEL, name: "Late feed", visible: "after 14 days" }, late.label));
  must(saveProgram(db, { rounds: [round, late], soil: [] }));
  must(moveWork(db, { id: "move-000000001", year: 2026, moves: [{ siteId: ids.sites, round: "late feed", day: "2026-10-05" }] }));
  const { id: given } = programOf(db).rounds[0]!;
  must(giveToRound(db, { id: "given-00000001", recordId: "application-0002", round: given }));
  tellCalendar(db);
  const other = "site-0000000002";
  must(add(db, "sites", { name: "Quay", zones: [{ name: "a", area: "1800 sq ft", ground: "new" }] }, other));
  must(mergeSites(db, { keep: ids.sites, other, zones: { [`${other}.0`]: `${ids.sites}.1` } }));
  const zones = SITE.zones.map((zone, i) => ({ ...zone, id: `${ids.sites}.${i}`, ...(i === 1 && { area: "1700 sq ft" }) }));
  must(put(db, "sites", { id: ids.sites, form: { ...SITE, name: "Green two", zones } }));
  must(put(db, "people", { id: ids.people, form: { name: "Odile Reed" } }));
}
