import { slicePath, type Answer, type Cursor, type SliceName, type Slices } from "@/formats/slices";
import { addApplications, type NewApplication } from "@/records/applications";
import { entered } from "@/core/quantity/parse";
import { revisionsOf } from "@/records/revision";
import { recordSheet } from "../record-sheet";
import { saveApplication } from "../save-application";
import { saveCalibration } from "../save-calibration";
import { saveKitCheck, saveQuickCheck } from "../save-check";
import { saveSheet, saveSheets } from "../save-sheet";
import { saveRinse, saveStockCount } from "../save-stock";
import { tellStop } from "../day-stops";
import { withdraw } from "../withdraw";
import { tickStep } from "../tick-step";
import { put, retire } from "../keep-up";
import {
  add,
  faults,
  freshRecords,
  gearOn,
  ids,
  KIT_CHECK,
  LABEL,
  must,
  NOW,
  QUICK_CHECK,
  RIG,
  session,
  sheet,
  SITE,
  town,
} from "../testing/town";
import { QUERIES } from "../testing/queries";
import { kindsAt, readSlice } from "./read-slice";

const records = freshRecords();

/** Reads a slice as a screen does: through its address. */
function read<S extends SliceName>(slice: S, query: Slices[S]["query"]): Slices[S]["value"] {
  const answer = readSlice(records.db, slicePath(slice, query)) as Answer<S> | undefined;
  if (!answer) throw new Error(`no answer: ${slicePath(slice, query)}`);
  return answer.value;
}

const calibrate = (more: object = {}, madeAt = NOW) => must(saveCalibration(records.db, { session: session(more), madeAt }));

/** Puts some hundred entries on record, as a file would. */
function fill(count: number, more: Partial<NewApplication> = {}): void {
  const one = (i: number): NewApplication => ({
    covered: entered("6200 ft2", "area"),
    id: `entry-${String(i).padStart(5, "0")}`,
    date: `2026-0${1 + (i % 8)}-${String(1 + (i % 28)).padStart(2, "0")}`,
    siteId: ids.sites,
    zoneId: `${ids.sites}.${i % 2}`,
    zone: i % 2 === 0 ? "north" : "south",
    area: entered("6200 ft2", "area"),
    product: "Granule",
    labelId: ids.labels,
    rate: "0.1 oz/1000 ft2",
    total: "0.62 oz",
    actives: [],
    gravity: null,
    personId: ids.people,
    source: "file",
    sheetId: null,
    note: null,
    why: null,
    alsoOn: null,
    corrects: null,
    isVoid: false,
    facts: null,
    ...more,
  });
  addApplications(
    records.db,
    Array.from({ length: count }, (_, i) => one(i)),
    NOW,
  );
}

describe("an address", () => {
  test("is the same for the same question, and anything else there is no answer", () => {
    expect(slicePath("log", { site: "a", label: "b" })).toBe(slicePath("log", { label: "b", site: "a" }));
    expect(slicePath("sites", { search: "", retired: false })).toBe("/api/read/sites");
    for (const path of [
      "/api/read/nothing",
      "/api/read/constructor",
      "/api/read/site",
      "/api/read/sheet",
      "/api/read/sheet?q=%7B",
      "/api/read/sheet?q=[]",
      `/api/read/firm?q=${encodeURIComponent('{"rig":"x"}')}`,
      `/api/read/counted?q=${encodeURIComponent('{"sites":"x"}')}`,
      `/api/read/counted?q=${encodeURIComponent(JSON.stringify({ sites: Array(300).fill("x") }))}`,
    ])
      expect([path, readSlice(records.db, path)]).toEqual([path, undefined]);
  });
});

describe("lists by pages", () => {
  test("the log: every record once, newest first, whatever comes in between; by site and by product", () => {
    town(records.db);
    fill(130);
    const seen: string[] = [];
    let after: Cursor | undefined;
    do {
      const page = read("log", { ...(after && { after }) });
      expect(page.rows.length).toBeLessThanOrEqual(50);
      seen.push(...page.rows.map((row) => `${row.date} ${row.id}`));
      // What comes in meanwhile stands before the place where the next page begins.
      if (after === undefined)
        must(
          saveApplication(records.db, {
            id: "entry-by-hand-1",
            date: "2026-09-01",
            siteId: ids.sites,
            zoneId: `${ids.sites}.0`,
            labelId: ids.labels,
            amount: "1 oz",
            personId: null,
            note: "",
            corrects: null,
          }),
        );
      after = page.next ?? undefined;
    } while (after);
    expect(seen.length).toBe(130);
    expect(new Set(seen).size).toBe(130);
    expect(seen.map((s) => s.slice(0, 10))).toEqual([...seen.map((s) => s.slice(0, 10))].sort().reverse());
    expect(read("log", { label: ids.labels }).rows.length).toBe(50);
    expect(read("log", { site: "site-0000000009" })).toEqual({ rows: [], next: null });
  });
  test("sites: found by the beginnings of words, accents and capitals aside; retired ones by themselves", () => {
    town(records.db);
    const names = ["Ferry green", "Old ferry cemetery", "École du Port", "Quay 12", "Strand"];
    names.forEach((name, i) => must(add(records.db, "sites", { ...SITE, name }, `site-000000000${i + 2}`)));
    const found = (search: string) => read("sites", { search }).rows.map((s) => s.site.name);
    expect(found("fer")).toEqual(["Ferry green", "Old ferry cemetery"]);
    expect(found("cem old")).toEqual(["Old ferry cemetery"]);
    expect(found("ecole")).toEqual(["École du Port"]);
    expect(found("12")).toEqual(["Quay 12"]);
    expect(found('"*) OR')).toEqual([]);
    must(retire(records.db, "sites", { id: "site-0000000002", retired: true }));
    expect(found("ferry")).toEqual(["Old ferry cemetery"]);
    expect(read("sites", { retired: true }).rows.map((s) => s.site.name)).toEqual(["Ferry green"]);
    must(add(records.db, "sites", { ...SITE, name: "Harbour" }, "site-0000000003"));
    expect([found("ferry"), found("harb")]).toEqual([[], ["Harbour"]]);
  });
  test("open sheets: all of them, however many", () => {
    town(records.db);
    calibrate();
    for (let i = 10; i < 33; i++)
      must(
        saveSheet(
          records.db,
          sheet({ id: `sheet-00000000${i}`, products: [{ labelId: ids.labels, rate: "0.001 oz/1000 ft2" }] }),
        ),
      );
    const first = read("openSheets", {});
    const second = read("openSheets", { after: first.next! });
    expect([first.rows.length, second.rows.length, second.next]).toEqual([20, 3, null]);
    must(withdraw(records.db, "sheet-0000000010", {}));
    expect(read("openSheets", { after: first.next! }).rows.length).toBe(2);
  });
});

describe("what counts of a rig", () => {
  test("is nobody else's where a person carries it, and anyone's on a governed machine", () => {
    town(records.db);
    must(add(records.db, "people", { name: "Bram Tolliver" }, "person-00000002"));
    calibrate();
    expect(read("inForce", { rig: ids.rigs, person: ids.people })?.entry.id).toBe("calibration-00001");
    expect(read("inForce", { rig: ids.rigs, person: "person-00000002" })).toBeNull();
    expect(read("inForce", { rig: ids.rigs })).toBeNull();
    expect(read("standings", {})).toMatchObject([{ rigId: ids.rigs, personId: ids.people, standing: { state: "stands" } }]);
    const boom = { ...RIG, name: "Green boom", kind: "boom", outlets: "12", spacing: "20 in" };
    must(add(records.db, "rigs", boom, "rig-0000000002"));
    calibrate({
      id: "calibration-00002",
      rigId: "rig-0000000002",
      personId: null,
      method: "straight-course",
      pace: "timed-run",
      area: "",
      distance: "200 ft",
    });
    expect(read("inForce", { rig: "rig-0000000002", person: "person-00000002" })?.entry.id).toBe("calibration-00002");
  });
  test("checks of an older calibration are carried over by its own flow; another tip begins a new series", () => {
    town(records.db);
    // 35 fl oz then, 33 now.
    calibrate({ catches: [{ volume: "35", time: "62 s" }] }, "2026-08-01T10:00:00.000Z");
    must(saveQuickCheck(records.db, { ...QUICK_CHECK, volume: "35", time: "62 s", madeAt: "2026-08-02T10:00:00.000Z" }));
    calibrate({ id: "calibration-00002" }, "2026-08-20T10:00:00.000Z");
    must(
      saveQuickCheck(records.db, {
        ...QUICK_CHECK,
        id: "quick-check-0002",
        calibrationId: "calibration-00002",
        volume: "33",
        time: "62 s",
      }),
    );
    const series = () => read("series", { calibration: "calibration-00002" });
    expect(series().points.map((p) => p.ratio)).toEqual([expect.closeTo(35 / 33, 9), expect.closeTo(1, 9)]);
    must(add(records.db, "rigs", { ...RIG, tipSize: "03" }));
    calibrate({ id: "calibration-00003" });
    expect(read("series", { calibration: "calibration-00003" }).points).toEqual([]);
    // All of them stay in the list.
    expect(read("series", { calibration: "calibration-00003" }).checks.length).toBe(2);
  });
});

describe("facts that a list of the newest would lose", () => {
  const ticked = (id: string) => {
    gearOn(records.db, id);
    must(tickStep(records.db, id, { step: "1.1.product-1", done: true }));
  };
  test("what was mixed before, and what was in the tank last, however many sheets came after", () => {
    town(records.db);
    calibrate();
    must(add(records.db, "labels", { ...LABEL, name: "Dye", formulation: "" }, "label-000000002"));
    const both = [ids.labels, "label-000000002"].map((labelId) => ({ labelId, rate: "0.001 oz/1000 ft2" }));
    must(saveSheet(records.db, sheet({ id: "sheet-first-00001", products: both })));
    expect(read("mixedBefore", { labels: [ids.labels, "label-000000002"] })).toBe(false);
    ticked("sheet-first-00001");
    for (let i = 10; i < 60; i++) must(saveSheet(records.db, sheet({ id: `sheet-00000000${i}`, products: [both[0]] })));
    expect(read("mixedBefore", { labels: [ids.labels, "label-000000002"] })).toBe(true);
    expect(read("mixedBefore", { labels: [ids.labels] })).toBe(false);
    const last = () => read("lastMix", { rig: ids.rigs, tank: "main" });
    expect(last()).toMatchObject({ sheetId: "sheet-first-00001", products: ["Granule", "Dye"] });
    // Another name is no other product.
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, name: "Granule 2" } }));
    expect([...last()!.labelIds].sort()).toEqual([ids.labels, "label-000000002"].sort());
    expect(read("lastMix", { rig: ids.rigs, tank: "main", except: "sheet-first-00001" })).toBeNull();
    must(
      saveRinse(records.db, {
        id: "rinse-000000001",
        rigId: ids.rigs,
        tank: "main",
        personId: null,
        rinsedAt: new Date(Date.parse(NOW) + 60_000).toISOString(),
      }),
    );
    expect(last()).toBeNull();
  });
  test("the last proof of a tool, and that a record was corrected", () => {
    town(records.db);
    must(saveKitCheck(records.db, { ...KIT_CHECK, shown: "40 fl oz" }));
    for (let i = 10; i < 30; i++)
      must(
        saveKitCheck(records.db, {
          ...KIT_CHECK,
          id: `kit-check-000${i}`,
          of: "scale",
          tool: "bench scale",
          known: "16 oz",
          shown: "16 oz",
        }),
      );
    expect(read("proofs", { rig: ids.rigs }).map((p) => [p.tool, p.good])).toEqual([
      ["bench scale", true],
      ["jug", false],
    ]);
    fill(60, { date: "2026-05-01" });
    const old = read("log", {}).next!;
    const first = read("log", { after: old }).rows.at(-1)!;
    must(
      saveApplication(records.db, {
        id: "correction-0001",
        why: "the day was misread",
        date: "2026-09-01",
        siteId: ids.sites,
        zoneId: first.zoneId,
        labelId: ids.labels,
        amount: "0.2 oz/1000 ft2",
        personId: null,
        note: "",
        corrects: first.id,
      }),
    );
    expect(read("log", { after: old }).rows.find((row) => row.id === first.id)?.corrected).toBe(true);
  });
});

describe("what counts against a zone", () => {
  test("of the sites in hand, and only as far back as a limit can see", () => {
    town(records.db);
    must(add(records.db, "sites", { ...SITE, name: "Elsewhere" }, "site-0000000002"));
    fill(1, { id: "old", date: "2024-01-05" });
    fill(1, { id: "new", date: "2025-10-05" });
    fill(1, { id: "far", date: "2026-05-05", siteId: "site-0000000002", zoneId: "site-0000000002.0" });
    const dates = () => read("counted", { sites: [ids.sites] }).map((c) => c.applied.date);
    expect(dates()).toEqual(["2025-10-05"]);
    // A label that waits longer sees farther.
    const limits = [{ product: "", intervalAtLeast: "1200 days" }];
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, limits } }));
    expect(dates()).toEqual(["2024-01-05", "2025-10-05"]);
    expect(read("counted", { sites: [] })).toEqual([]);
  });
});

describe("several sheets in one request", () => {
  test("are kept together or not at all", () => {
    town(records.db);
    calibrate();
    const whole = [sheet({ dayId: "day-0000000001" }), sheet({ id: "sheet-0000000002", dayId: "day-0000000001" })];
    const half = { sheets: [whole[0], { ...whole[1], calibrationId: "calibration-00009" }] };
    expect(faults(saveSheets(records.db, half))).toEqual(["sheets[1] unknown-name"]);
    expect(read("openSheets", {}).rows).toEqual([]);
    expect(must(saveSheets(records.db, { sheets: whole })).ids).toEqual(["sheet-0000000001", "sheet-0000000002"]);
    // The same again is the same.
    expect(must(saveSheets(records.db, { sheets: whole })).ids.length).toBe(2);
    expect(read("openSheets", {}).rows.length).toBe(2);
    expect(faults(saveSheets(records.db, { sheets: [] }))).toEqual(["sheets wrong-type"]);
  });
  test("a stop that is skipped is skipped in every tank of the day, or in none", () => {
    town(records.db);
    must(add(records.db, "sites", { ...SITE, name: "Court" }, "site-0000000002"));
    calibrate();
    const day = (id: string) =>
      sheet({ id, dayId: "day-0000000001", run: true, stops: [{ siteId: ids.sites }, { siteId: "site-0000000002" }] });
    must(saveSheets(records.db, { sheets: [day("sheet-0000000001"), day("sheet-0000000002")] }));
    must(tellStop(records.db, "sheet-0000000001", { what: "skipped", site: "Court", everywhere: true }));
    const state = (id: string) => read("sheet", { id }).run!.stops.find((s) => s.site === "Court")!.state;
    expect([state("sheet-0000000001"), state("sheet-0000000002")]).toEqual(["skipped", "skipped"]);
    must(withdraw(records.db, "sheet-0000000002", {}));
    const back = { what: "back", site: "Court", everywhere: true };
    expect(faults(tellStop(records.db, "sheet-0000000001", back))).toEqual([" already-done"]);
    expect(state("sheet-0000000001")).toBe("skipped");
  });
});

describe("two editors of one record", () => {
  test("the second is told, not written over; who saves the same is not bothered", () => {
    town(records.db);
    const { revision } = read("labels", {})[0]!;
    const change = (name: string, of: number | undefined) =>
      put(records.db, "labels", { id: ids.labels, form: { ...LABEL, name }, revision: of });
    must(change("First", revision));
    expect(faults(change("Second", revision))).toEqual([" changed-meanwhile"]);
    expect(read("labels", {})[0]!.card.name).toBe("First");
    must(change("First", revision));
    const now = read("labels", {})[0]!.revision;
    must(change("Second", now));
    expect(read("labels", {})[0]!.card.name).toBe("Second");
  });
});

describe("an answer stands as long as what it is made of", () => {
  test("a save changes the kinds that it touched, and no other", () => {
    town(records.db);
    calibrate();
    const touched = (work: () => void) => {
      const before = revisionsOf(records.db);
      work();
      return [...revisionsOf(records.db)].filter(([kind, n]) => n !== before.get(kind)).map(([kind]) => kind);
    };
    expect(touched(() => must(saveSheet(records.db, sheet())))).toEqual(["sheets"]);
    expect(touched(() => gearOn(records.db, "sheet-0000000001"))).toEqual(["ticks"]);
    expect(touched(() => must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true })))).toEqual(["log"]);
    expect(touched(() => must(saveQuickCheck(records.db, QUICK_CHECK)))).toEqual(["checks"]);
    expect(
      touched(() =>
        must(saveStockCount(records.db, { id: "count-000000001", labelId: ids.labels, amount: "80", countedAt: NOW })),
      ),
    ).toEqual(["stock"]);
    expect(touched(() => must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, name: "Green two" } })))).toEqual([
      "sites",
    ]);
    expect(kindsAt(slicePath("log", {}))).toEqual(expect.arrayContaining(["log", "sites", "people"]));
  });
});

describe("every answer is made of what it says", () => {
  test("whatever is saved, an answer of other kinds stays as it is", () => {
    town(records.db);
    calibrate();
    must(saveSheets(records.db, { sheets: [sheet()] }));
    const all = () =>
      Object.entries(QUERIES).flatMap(([slice, list]) =>
        list.map((query) => {
          const path = slicePath(slice as SliceName, query as never);
          return [path, JSON.stringify(readSlice(records.db, path))] as const;
        }),
      );
    const form = { ...LABEL, name: "Granule two" };
    const outcome = [1, 2].map((load) => ({ site: "Green", load, left: "0 gal", covered: "3900 ft2" }));
    const saves: readonly (() => unknown)[] = [
      () => gearOn(records.db, "sheet-0000000001"),
      () => must(tickStep(records.db, "sheet-0000000001", { step: "1.1.product-1", done: true })),
      () => calibrate({ id: "calibration-00002" }),
      () => must(saveQuickCheck(records.db, QUICK_CHECK)),
      () => must(saveKitCheck(records.db, KIT_CHECK)),
      () => must(saveStockCount(records.db, { id: "count-000000001", labelId: ids.labels, amount: "80", countedAt: NOW })),
      () => must(saveRinse(records.db, { id: "rinse-000000001", rigId: ids.rigs, tank: "main", personId: null, rinsedAt: NOW })),
      () => must(put(records.db, "people", { id: ids.people, form: { name: "Odile Reed" } })),
      () => must(put(records.db, "labels", { id: ids.labels, form })),
      () => must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, name: "Green two" } })),
      () => must(put(records.db, "rigs", { id: ids.rigs, form: { ...RIG, name: "Red backpack" } })),
      () => must(saveSheets(records.db, { sheets: [sheet({ id: "sheet-0000000002", calibrationId: "calibration-00002" })] })),
      () => must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true, outcome, why: "as it was read" })),
      () => must(withdraw(records.db, "sheet-0000000002", {})),
      () => must(retire(records.db, "people", { id: ids.people, retired: true })),
    ];
    for (const save of saves) {
      const before = new Map(all());
      const counts = revisionsOf(records.db);
      save();
      const now = revisionsOf(records.db);
      const moved = all().filter(([path, answer]) => answer !== before.get(path));
      // What was answered otherwise has a kind that was changed.
      const stale = moved.filter(([path]) => !kindsAt(path)!.some((kind) => counts.get(kind) !== now.get(kind)));
      expect(stale.map(([path]) => path)).toEqual([]);
    }
  });
});

describe("no query looks through all of what grows", () => {
  const GROWING =
    /^SCAN (sites|zones|applications|mix_sheets|sheet_sites|calibrations|trials|quick_checks|kit_checks|ticks|weather_seen|stop_events|fills|rinses|stock_counts|withdrawals|load_ends|calibration_withdrawals|spreadings|spreading_ends|dismissals|revisions|record_names|saved_requests|same_ground|still_open|sheet_tanks|sheet_products|record_actives|outcomes|looks|photos|areas_before|site_numbers|planned_days|waterings|deliveries|practices|calendar_events|[a-z]\d?)\b/;
  /** Walked in the order of a list, as far as a page goes. */
  const PAGE = /USING (COVERING )?INDEX (sites_live|sites_retired|applications_by_day|applications_restricted|looks_by_day)\b/;
  /** These hold no more than what is asked for: what is retired. */
  const RETIRED = /USING INDEX (sites_retired|zones_retired)\b/;
  test("of every slice and every save", () => {
    const { $client } = records.db;
    const asked = new Set<string>();
    const prepare = $client.prepare.bind($client);
    jest.spyOn($client, "prepare").mockImplementation((text: string) => {
      asked.add(text);
      return prepare(text);
    });
    town(records.db);
    calibrate();
    must(saveSheets(records.db, { sheets: [sheet()] }));
    gearOn(records.db, "sheet-0000000001");
    must(tickStep(records.db, "sheet-0000000001", { step: "1.1.product-1", done: true }));
    must(saveQuickCheck(records.db, QUICK_CHECK));
    must(saveKitCheck(records.db, KIT_CHECK));
    must(saveStockCount(records.db, { id: "count-000000001", labelId: ids.labels, amount: "80", countedAt: NOW }));
    must(saveRinse(records.db, { id: "rinse-000000001", rigId: ids.rigs, tank: "main", personId: null, rinsedAt: NOW }));
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, name: "Green two" } }));
    for (const [slice, list] of Object.entries(QUERIES))
      for (const query of list as object[]) read(slice as SliceName, query as never);
    jest.restoreAllMocks();
    const scans = [...asked]
      .filter((text) => !/ where false\b/.test(text) && /^\s*(select|with|insert|update|delete)/i.test(text))
      .flatMap((text) => {
        const plan = prepare(`explain query plan ${text}`).all(...Array(text.split("?").length - 1).fill("x")) as {
          detail: string;
        }[];
        const full = plan
          .map((row) => row.detail)
          .filter(
            (detail) =>
              GROWING.test(detail) &&
              !RETIRED.test(detail) &&
              !/CONSTANT ROW|VIRTUAL TABLE/.test(detail) &&
              !(PAGE.test(detail) && / limit \?$/.test(text)),
          );
        return full.map((detail) => `${detail}  ←  ${text}`);
      });
    expect(asked.size).toBeGreaterThan(60);
    expect(scans).toEqual([]);
  });
});
