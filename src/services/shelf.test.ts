import { holdClock } from "./clock";
import { firmCurrency, saveCurrency } from "./currency";
import { firmNumbers, saveNumbers } from "./firm-numbers";
import { saveProgram } from "./program";
import { saveApplication } from "./save-application";
import { saveStockCount, stockNow } from "./save-stock";
import { recall, saveDelivery, shelf } from "./shelf";
import { yearOfSite } from "./slices/season";
import { faults, freshRecords, ids, must, NOW, town } from "./testing/town";

const records = freshRecords();
const empty = freshRecords();
const OUNCE = 28.349523125;
let n = 0;
const later = () => holdClock(new Date(Date.parse(NOW) + ++n * 60_000).toISOString());
const came = (more: object = {}) =>
  saveDelivery(records.db, { id: `delivery-00000${n}`, labelId: ids.labels, lot: "L-1", content: "80 oz", count: 1, price: "64", came: "2026-08-01", opened: null, useBy: null, ...more }); // prettier-ignore
const down = (id: string, amount: string, more: object = {}) =>
  must(saveApplication(records.db, { id, date: "2026-09-01", siteId: ids.sites, zoneId: `${ids.sites}.0`, labelId: ids.labels, amount, personId: null, note: "", corrects: null, ...more })); // prettier-ignore
const one = () => shelf(records.db).products[0]!;
const ounces = (grams: number | null) => grams && Number((grams / OUNCE).toFixed(3));

beforeEach(() => {
  n = 0;
  town(records.db);
});

test("what came, less what went down; a count says how far it is off, and counts from then on", () => {
  expect(shelf(records.db).products).toEqual([]);
  must(came());
  later();
  down("entry-00000001", "20 oz");
  expect(ounces(one().left)).toBe(60);
  later();
  const counted = must(
    saveStockCount(records.db, { id: "count-00000001", labelId: ids.labels, amount: "55 oz", countedAt: NOW }),
  );
  expect(ounces(counted.off)).toBe(-5);
  later();
  down("entry-00000002", "5 oz");
  must(came({ lot: "L-2" }));
  expect(ounces(one().left)).toBe(130);
  expect(ounces(stockNow(records.db)[0]!.left)).toBe(130);
  later();
  down("entry-00000003", "200 oz");
  expect(one()).toMatchObject({ left: 0, short: true });
});

test("putting a delivery right after a count doesn't bring it in once more", () => {
  must(came());
  later();
  must(saveStockCount(records.db, { id: "count-00000001", labelId: ids.labels, amount: "70 oz", countedAt: NOW }));
  later();
  must(came({ price: "70", corrects: "delivery-000000" }));
  expect(ounces(one().left)).toBe(70);
  expect(one().lots.map(({ price }) => price)).toEqual(["70"]);
  later();
  expect(faults(came({ price: "71", corrects: "delivery-000000" }))).toEqual(["corrects changed-meanwhile"]);
});

test("what the season takes, what it costs by round, and the cheapest packages for what is missing", () => {
  const round = { name: "feed", label: ids.labels, rate: "0.3 oz/1000 ft2", opens: { date: "09-07" }, closes: { date: "11-30" } };
  const late = { ...round, name: "late feed", opens: { date: "11-02" } };
  must(saveProgram(records.db, { rounds: [round, late, { ...late, name: "uncounted", rate: undefined }], soil: [] }));
  must(came({ content: "1 oz", price: "6.4" }));
  const product = one();
  // 8,000 sq ft at 0.3 oz a thousand, twice.
  expect([ounces(product.soon), ounces(product.all)]).toEqual([2.4, 4.8]);
  expect(product.rounds.map(({ need, cost }) => [ounces(need), cost && Number(cost.toFixed(2))])).toEqual([
    [2.4, 15.36],
    [2.4, 15.36],
    [null, null],
  ]);
  // By lawn: 2.4 oz at 6.40 an ounce on the one there is.
  const { items } = yearOfSite(records.db, { site: ids.sites }, [])!;
  expect(items.map(({ cost }) => cost && Number(cost.toFixed(2)))).toEqual([15.36, 15.36, null]);
  // The card sells 80 oz for 64.
  expect(product.buy).toMatchObject({ packages: [{ content: "80 oz", count: 1 }], price: 64 });
  expect(ounces(product.buy!.missing)).toBe(3.8);
});

test("a lot that is called back names the lawns that surely had it, and those that may have", () => {
  must(came({ lot: "L-4471", came: "2026-08-15" }));
  down("entry-00000001", "1 oz", { date: "2026-08-10" });
  down("entry-00000002", "1 oz", { date: "2026-08-20" });
  down("entry-00000003", "1 oz", { facts: { lot: "l-4471" } });
  down("entry-00000004", "1 oz", { facts: { lot: "L-9" } });
  const found = recall(records.db, { label: ids.labels, lot: "L-4471" })!;
  expect([found.surely.map(({ id }) => id), found.perhaps.map(({ id }) => id)]).toEqual([["entry-00000003"], ["entry-00000002"]]);
  expect(found.surely[0]).toMatchObject({ site: "Green", zone: "north", date: "2026-09-01" });
  expect(recall(records.db, { label: ids.labels, lot: "L-7" })).toMatchObject({ known: false, surely: [], perhaps: [] });
  expect(recall(records.db, { label: "label-999999999", lot: "L-7" })).toBeUndefined();
});

test("a lot is found however it was written: surely as it is called, perhaps where only the letters before it or its dashes differ", () => {
  must(came({ lot: "L 4471", came: "2026-08-15" }));
  const spelt = ["L 4471", "L4471", "l-4471", "Lot L-4471", "batch no. L.4471", "4471", "L-44711"];
  spelt.forEach((lot, i) => down(`entry-0000000${i + 1}`, "1 oz", { date: "2026-08-20", facts: { lot } }));
  const found = recall(records.db, { label: ids.labels, lot: "L4471" })!;
  expect([found.lot, found.known]).toEqual(["L 4471", true]);
  expect(found.surely.map(({ id }) => id)).toEqual(["entry-00000002"]);
  expect(found.perhaps.map(({ id }) => id).sort()).toEqual([1, 3, 4, 5].map((n) => `entry-0000000${n}`));
});

test("what can't be a delivery is refused, every fault at once; the same sent twice came once", () => {
  expect(faults(came({ lot: " ", content: "80 fl oz", count: 1.5, price: "much", came: "2026-09-03", useBy: "soon" }))).toEqual([
    "lot missing",
    "content volume-on-dry",
    "count out-of-range",
    "price not-a-number",
    "came bad-date",
    "useBy bad-date",
  ]);
  must(came());
  must(came());
  expect(ounces(one().left)).toBe(80);
  expect(faults(came({ count: 2 }))).toEqual(["id kept-otherwise"]);
  // No shed holds that.
  expect(faults(came({ id: "delivery-000002", content: "99999999999 oz" }))).toEqual(["content out-of-range"]);
  const counted = {
    id: "count-00000001",
    labelId: ids.labels,
    amount: "99,999,999,999 oz",
    countedAt: "2026-09-02T10:00:00.000Z",
  };
  expect(faults(saveStockCount(records.db, counted))).toEqual(["amount out-of-range"]);
  expect(() => records.db.$client.prepare("delete from deliveries").run()).toThrow(/append-only/);
});

test("next year is asked for on what the rest of this one leaves", () => {
  const round = { name: "feed", label: ids.labels, rate: "0.3 oz/1000 ft2", opens: { date: "09-07" }, closes: { date: "11-30" } };
  must(saveProgram(records.db, { rounds: [round], soil: [] }));
  must(came({ content: "4 oz" }));
  expect(ounces(one().all)).toBe(2.4);
  const [next] = shelf(records.db, [], true).products;
  expect([ounces(next!.left), ounces(next!.all), ounces(next!.buy!.missing)]).toEqual([1.6, 2.4, 0.8]);
});

test("what the firm buys in is settled freely until there is a price; then with a reason, which stays on record", () => {
  must(saveCurrency(empty.db, { currency: "SEK" }));
  expect(firmCurrency(empty.db)).toBe("SEK");
  expect(firmCurrency(records.db)).toBe("USD");
  expect(faults(saveCurrency(records.db, { currency: "euro" }))).toEqual(["currency not-a-choice"]);
  must(saveCurrency(records.db, { currency: "CAD", why: "the card's price is in it" }));
  must(came());
  expect(saveCurrency(records.db, { currency: "EUR" })).toMatchObject({
    ok: false,
    issues: [{ path: "why", code: "reason-needed", received: "2 prices on record are in CAD" }],
  });
  expect(firmCurrency(records.db)).toBe("CAD");
  must(saveCurrency(records.db, { currency: "CAD" }));
  must(saveCurrency(records.db, { currency: "EUR", why: "they were euros all along" }));
  expect(firmCurrency(records.db)).toBe("EUR");
  expect(records.db.$client.prepare("select kind, was from revisions where kind like 'currency%' order by id").all()).toEqual([
    { kind: "currency", was: "USD" },
    { kind: "currency-why", was: "the card's price is in it" },
    { kind: "currency", was: "CAD" },
  ]);
});

test("whom to call is settled by name; what is no number is told at its own, and nothing changes", () => {
  expect(firmNumbers(records.db)).toEqual({});
  must(saveNumbers(records.db, { emergency: " 911 ", poison: "000 555 0100, day and night", vet: "" }));
  const settled = { emergency: "911", poison: "000 555 0100, day and night" };
  expect(firmNumbers(records.db)).toEqual(settled);
  expect(faults(saveNumbers(records.db, { emergency: "the yard", office: 12, boss: "911" }))).toEqual([
    "emergency not-a-number",
    "office not-a-number",
    "boss unknown-key",
  ]);
  expect(faults(saveNumbers(records.db, null))).toEqual([" wrong-type"]);
  expect(firmNumbers(records.db)).toEqual(settled);
});
