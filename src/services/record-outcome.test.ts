import { chainState } from "@/records/chain";
import { logPage } from "./slices/log";
import { readSheet } from "./slices/sheets";
import { put } from "./keep-up";
import { recordSheet } from "./record-sheet";
import { saveApplication, voidApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { add, faults, freshRecords, ids, LABEL, must, NOW, session, sheet, SITE, town } from "./testing/town";

const records = freshRecords();
const ID = "sheet-0000000001";
const TODAY = "2026-09-02";

function begun(): void {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  must(saveSheet(records.db, sheet()));
}
const log = () => logPage(records.db, {}, []).rows;
const rest = { what: "left", says: "goes on the hedge by the slip" };
const record = (more: object) => recordSheet(records.db, ID, { date: TODAY, rest, ...more });

/** What the site of the sheet is called. */
const planned = () => readSheet(records.db, ID)!.job.sites![0]!.name;

describe("a sheet is put on record as it was", () => {
  test("what was told stays with the sheet, and each record says so", () => {
    begun();
    const told = { site: planned(), load: 1, left: "1 gal", covered: "1000 ft2" };
    must(record({ outcome: [told] }));
    expect(readSheet(records.db, ID)).toMatchObject({ state: "recorded", outcome: [told] });
    const rows = log();
    expect(rows).toHaveLength(2);
    for (const row of rows) {
      expect(row.note).toMatch(/^told load by load: .* % of the calibrated spray volume went down/);
      expect(row.note).toContain("1,000 sq ft of 8,000 sq ft was covered");
    }
    // Sent again, as after an answer that got lost, it is on record once.
    must(record({ outcome: [told] }));
    expect(log()).toHaveLength(2);
  });
  test("the rate is that of the ground that was covered; the totals of the zones add up to what left the tank", () => {
    begun();
    const site = planned();
    must(record({ outcome: [{ site, load: 1, left: "1 gal", covered: "1000 ft2" }] }));
    const rows = log();
    const ounces = (text: string) => Number(text.split(" ")[0]);
    // 3 of the tank's 4 gal on 1,000 sq ft: the rate is as many times the label's as 3 gal are the calibrated volume.
    const { sprayVolume } = records.db.$client.prepare("select spray_volume as sprayVolume from outcomes").get() as {
      sprayVolume: number;
    };
    const perThousand = (sprayVolume * 92.90304) / 3785.411784;
    expect(perThousand).toBeCloseTo(3, 9);
    for (const row of rows) expect(ounces(row.rate) / 0.3).toBeCloseTo(3 / calibrated(), 6);
    const total = rows.reduce((sum, row) => sum + ounces(row.total), 0);
    expect(total).toBeCloseTo((3 / calibrated()) * 0.3, 6);
    // By area: 6,200 and 1,800 sq ft.
    const of = (zone: string) => ounces(rows.find((row) => row.zone === zone)!.total);
    expect(of("north") / of("south")).toBeCloseTo(6200 / 1800, 6);
  });
  test("what can't be is refused with its place, and nothing is on record", () => {
    begun();
    const site = planned();
    expect(faults(record({ outcome: [{ site, load: 99, left: "0 gal", covered: "10 ft2" }] }))).toEqual([
      "outcome[0].load out-of-range",
    ]);
    expect(faults(record({ outcome: [{ site, load: 1, left: "4 oz", covered: "10 ft2" }] }))[0]).toContain("outcome[0].left");
    expect(faults(record({ outcome: "x" }))).not.toEqual([]);
    expect(faults(record({ all: true, facts: { wind: "4 oz" } }))).toEqual(["facts.wind not-a-choice"]);
    expect(faults(record({ all: true, facts: { weather: "fine" } }))).toEqual(["facts.weather unknown-key"]);
    expect(log()).toEqual([]);
    expect(readSheet(records.db, ID)!.state).toBe("open");
  });
  test("a day run tells of its stops as they come along", () => {
    town(records.db);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet({ run: true })));
    expect(recordSheet(records.db, ID, { date: TODAY, outcome: [] }).ok).toBe(false);
  });
});

/** The spray volume that the town's calibration comes to, gal per 1,000 sq ft. */
function calibrated(): number {
  const row = records.db.$client.prepare("select spray_volume as v from calibrations").get() as { v: number };
  return (row.v * 92.90304) / 3785.411784;
}

describe("facts of a record", () => {
  const restricted = { ...LABEL, registration: "DEMO-101", restricted: "restricted use" };
  const certificate = {
    kind: "certificate",
    number: "FT-1042",
    where: "Ferry county",
    categories: "core, turf",
    ends: "2027-03-31",
  };
  const told = { started: "07:40", ended: "08:25", wind: "4 mph", windFrom: "SW", air: "68 °F", target: "crabgrass" };

  function restrictedTown(): void {
    town(records.db);
    must(add(records.db, "labels", restricted));
    must(put(records.db, "people", { id: ids.people, form: { name: "Odile Marsh", papers: [certificate] } }));
    const zones = SITE.zones.map((zone, i) => ({ ...zone, id: `${ids.sites}.${i}`, turf: "ryegrass" }));
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones } }));
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet()));
  }

  test("are what stood on that day, and a card, a certificate, a turf that change later change no record", () => {
    restrictedTown();
    must(record({ all: true, facts: told }));
    const expected = {
      registration: "DEMO-101",
      restricted: "yes",
      certificate: "FT-1042",
      certifiedBy: "Ferry county",
      categories: "core, turf",
      certificateEnds: "2027-03-31",
      rig: "Blue backpack",
      turf: "ryegrass",
      ...told,
    };
    expect(log()[0]!.facts).toEqual(expected);
    must(add(records.db, "labels", { ...restricted, registration: "DEMO-999" }));
    must(put(records.db, "people", { id: ids.people, form: { name: "Odile Marsh", papers: [] } }));
    expect(log()[0]!.facts).toEqual(expected);
  });

  test("a correction of one thing leaves the rest as it was told", () => {
    restrictedTown();
    must(record({ all: true, facts: told }));
    const [first] = log();
    must(
      saveApplication(records.db, {
        id: "entry-000000001",
        date: TODAY,
        siteId: ids.sites,
        zoneId: first!.zoneId,
        labelId: ids.labels,
        amount: "1 oz",
        personId: ids.people,
        note: "the scale was off",
        corrects: first!.id,
        facts: { wind: "6 mph" },
      }),
    );
    const now = log().find((row) => row.id === "entry-000000001")!;
    expect(now.facts).toMatchObject({ ...told, wind: "6 mph", certificate: "FT-1042", rig: "Blue backpack" });
  });

  test("a correction keeps the card, the ground and the certificate of that day; of another product it takes that one's", () => {
    restrictedTown();
    must(record({ all: true, facts: told }));
    const [first] = log();
    must(add(records.db, "labels", { ...restricted, registration: "DEMO-999", actives: [{ name: "Quarril", content: "1 %" }] }));
    must(add(records.db, "labels", { ...LABEL, name: "Other", registration: "DEMO-5" }, "label-000000002"));
    const papers = [{ ...certificate, number: "FT-2000", ends: "2030-03-31" }];
    must(put(records.db, "people", { id: ids.people, form: { name: "Odile Marsh", papers } }));
    const zones = SITE.zones.map((z, i) => ({ ...z, id: `${ids.sites}.${i}`, turf: "bentgrass", area: "3000 sq ft" }));
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones } }));
    const correct = (id: string, more: object) =>
      must(
        saveApplication(records.db, {
          id,
          date: TODAY,
          siteId: ids.sites,
          zoneId: first!.zoneId,
          labelId: ids.labels,
          amount: "1 oz",
          personId: ids.people,
          note: "the scale was off",
          why: "the scale was off",
          ...more,
        }),
      );
    correct("entry-000000001", { corrects: first!.id });
    const now = log().find((row) => row.id === "entry-000000001")!;
    const { facts, area, actives, zone, product } = first!;
    expect(now).toMatchObject({ facts, area, actives, zone, product });
    // Put down by somebody else, of another product: theirs, and what was told stays.
    correct("entry-000000002", { corrects: "entry-000000001", labelId: "label-000000002", personId: null });
    const other = log().find((row) => row.id === "entry-000000002")!;
    expect(other.facts).toEqual({ ...told, turf: "ryegrass", rig: "Blue backpack", registration: "DEMO-5" });
    expect(other.product).toBe("Other");
    // A certificate that had ended by then isn't the one of that day.
    correct("entry-000000003", { corrects: "entry-000000002", personId: ids.people });
    expect(log().find((row) => row.id === "entry-000000003")!.facts).toMatchObject({ certificate: "FT-2000" });
  });

  test("the log is found by active, by person, by day and by restricted use", () => {
    restrictedTown();
    must(add(records.db, "labels", { ...restricted, actives: [{ name: "Quarril", content: "40 %" }] }));
    must(
      saveApplication(records.db, {
        id: "entry-000000001",
        date: "2026-08-01",
        siteId: ids.sites,
        zoneId: `${ids.sites}.0`,
        labelId: ids.labels,
        amount: "1 oz",
        personId: null,
        note: "",
        corrects: null,
      }),
    );
    must(record({ all: true }));
    const found = (asked: object) => logPage(records.db, asked, []).rows.map((row) => row.date);
    expect(found({})).toEqual([TODAY, TODAY, "2026-08-01"]);
    // The sheet was made before the card named its active: it is not among them.
    expect(found({ active: "quarril" })).toEqual(["2026-08-01"]);
    expect(found({ person: ids.people })).toEqual([TODAY, TODAY]);
    expect(found({ restricted: true })).toHaveLength(3);
    expect(found({ from: "2026-08-02" })).toEqual([TODAY, TODAY]);
    expect(found({ to: "2026-08-02", restricted: true })).toEqual(["2026-08-01"]);
  });
});

describe("the chain of the log", () => {
  const entry = (n: number) => ({
    id: `entry-00000000${n}`,
    date: TODAY,
    siteId: ids.sites,
    zoneId: `${ids.sites}.0`,
    labelId: ids.labels,
    amount: `${n} oz`,
    personId: null,
    note: "",
    corrects: null,
  });
  const altered = (sql: string) => {
    // As somebody would who holds the file: the triggers stand in nobody's way there.
    records.db.$client.exec(
      "drop trigger applications_keep; drop trigger applications_numbers; drop trigger applications_stay; drop trigger log_chain_stay;",
    );
    records.db.$client.exec(sql);
    return chainState(records.db);
  };

  beforeEach(() => {
    town(records.db);
    for (const n of [1, 2, 3]) must(saveApplication(records.db, entry(n)));
    must(voidApplication(records.db, { id: "entry-000000009", corrects: "entry-000000002", why: "rained off" }));
  });

  test("holds every record, corrections too, in the order in which they came", () => {
    const state = chainState(records.db);
    expect(state).toMatchObject({ records: 4, broken: null, outside: 0 });
    must(saveApplication(records.db, entry(5)));
    const next = chainState(records.db);
    expect(next).toMatchObject({ records: 5, broken: null });
    expect(next.digest).not.toBe(state.digest);
  });
  test.each([
    ["an amount", "update applications set rate = '0.1 oz/1000 ft2' where id = 'entry-000000002'", 2],
    ["a date", "update applications set date = '2026-01-01' where id = 'entry-000000001'", 1],
    ["facts", "update applications set facts = null where id = 'entry-000000003'", 3],
  ])("%s that was altered is found at its place", (_what, sql, place) => {
    expect(altered(sql).broken).toEqual({ place, recordId: `entry-00000000${place}` });
  });
  test("a record that was taken out is found: what came after it doesn't fit", () => {
    const before = chainState(records.db).digest;
    const gone = altered(
      "pragma foreign_keys = off; delete from log_chain where record_id = 'entry-000000003'; delete from applications where id = 'entry-000000003'",
    );
    expect(gone.broken).not.toBeNull();
    expect(gone.digest).toBe(before);
  });
  test("a record that came in beside the app stands in no place of the chain", () => {
    const columns =
      "date, site_id, zone_id, zone, area, product, label_id, rate, total, measured, rate_canonical, total_canonical, actives, source, void, created_at";
    records.db.$client.exec("drop trigger applications_log_chain");
    records.db.$client.exec(
      `insert into applications (id, ${columns}) select 'entry-beside-01', ${columns} from applications where id = 'entry-000000001'`,
    );
    expect(chainState(records.db)).toMatchObject({ records: 4, broken: null, outside: 1 });
  });
});
