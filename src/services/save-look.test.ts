import sharp from "sharp";
import { GET } from "@/app/api/looks/photo/[id]/route";
import { dateOf, dayOf } from "@/core/calendar";
import { isLook, MOST_PHOTO_BYTES, MOST_PHOTOS, shareOf } from "@/formats/looks";
import { findPhoto } from "@/records/looks";
import { results, looks, toJudge, toLookAt } from "./slices/looks";
import { put } from "./keep-up";
import { saveApplication, voidApplication } from "./save-application";
import { saveLook, savePhoto } from "./save-look";
import { add, faults, freshRecords, ids, LABEL, must, NOW, town } from "./testing/town";

const mockOpen = jest.fn();
jest.mock("@/records/database", () => ({
  ...jest.requireActual<object>("@/records/database"),
  records: () => mockOpen() as unknown,
}));

const records = freshRecords();
/** The day of the town's clock. */
const TODAY = "2026-09-02";
const ago = (days: number) => dateOf(dayOf(TODAY) - days);
const down = (days: number, more: object = {}) => ({
  id: "entry-000000001",
  date: ago(days),
  siteId: ids.sites,
  zoneId: `${ids.sites}.0`,
  labelId: ids.labels,
  amount: "1 oz",
  personId: ids.people,
  note: "",
  corrects: null,
  ...more,
});
const scout = (more: object = {}) => ({
  id: "look-000000001",
  kind: "scout",
  siteId: ids.sites,
  zoneId: `${ids.sites}.0`,
  date: TODAY,
  personId: ids.people,
  says: { target: "crabgrass", stage: "2 leaves", cover: "30 %", soil: "moist" },
  ...more,
});
const inspection = (more: object = {}) => ({
  id: "look-000000002",
  kind: "inspection",
  recordId: "entry-000000001",
  date: TODAY,
  personId: null,
  says: { control: "80 %", injury: "0" },
  ...more,
});
/** A small picture, with where and with what it was taken. */
const picture = (shade: number, more: { readonly orientation?: number } = {}) =>
  sharp({ create: { width: 40, height: 30, channels: 3, background: { r: shade, g: 120, b: 60 } } })
    .withExif({ IFD0: { Make: "Lens", Model: "made up" }, IFD3: { GPSLatitude: "51/1 30/1 0/1", GPSLongitude: "0/1 7/1 0/1" } })
    .withMetadata({ ...(more.orientation && { orientation: more.orientation }) })
    .jpeg()
    .toBuffer();
let JPEG: Buffer;
beforeAll(async () => void (JPEG = await picture(40)));
const photo = (more: object = {}) => ({
  id: "photo-00000001",
  lookId: "look-000000001",
  image: JPEG.toString("base64"),
  ...more,
});

beforeEach(() => {
  jest.useFakeTimers({ now: new Date(NOW), doNotFake: ["nextTick", "setImmediate"] });
  town(records.db);
  must(add(records.db, "labels", { ...LABEL, visible: "after 14 days", suppresses: "nutsedge" }));
});
afterEach(() => void jest.useRealTimers());

describe("a look at a zone", () => {
  test("is kept as it was said, once; what was seen before stands beside what came of it", () => {
    must(saveLook(records.db, scout({ date: ago(25) })));
    must(saveLook(records.db, scout({ date: ago(25) })));
    must(saveApplication(records.db, down(20)));
    must(saveLook(records.db, inspection()));
    const [after, before] = looks(records.db, {}, []).rows;
    expect(before).toMatchObject({ kind: "scout", zone: "north", says: scout().says, person: "Odile Marsh", of: null });
    expect(after).toMatchObject({
      kind: "inspection",
      zone: "north",
      labelId: ids.labels,
      before: { date: ago(25), says: { target: "crabgrass" } },
      of: { product: "Granule", date: ago(20), from: ago(6), suppresses: "nutsedge" },
    });
    expect(faults(saveLook(records.db, scout({ date: ago(24) })))).toEqual(["id kept-otherwise"]);
    expect(() => records.db.$client.exec("update looks set date = '2026-01-01'")).toThrow(/append-only/);
    expect(() => records.db.$client.exec("delete from looks")).toThrow(/append-only/);
  });
  test.each<[string, object, string]>([
    ["a day to come", scout({ date: "2026-09-03" }), "date bad-date"],
    ["a day that never was", scout({ date: "2026-02-30" }), "date bad-date"],
    ["another zone", scout({ zoneId: "x" }), "zoneId unknown-name"],
    ["no zone, where there are two", scout({ zoneId: "" }), "zoneId missing"],
    ["nobody", scout({ personId: "person-99999999" }), "personId unknown-name"],
    ["nothing seen", scout({ says: { soil: "dry" } }), "says.target missing"],
    ["more than all of the ground", scout({ says: { target: "x", cover: "130 %" } }), "says.cover not-a-choice"],
    ["another soil", scout({ says: { target: "x", soil: "soaked" } }), "says.soil not-a-choice"],
    ["a result before anything went down", scout({ says: { target: "x", control: "80 %" } }), "says.control unknown-key"],
    ["no record", inspection({ recordId: "entry-999999999" }), "recordId unknown-name"],
    ["a cause of no kind", inspection({ says: { control: "1", causes: ["ghosts"] } }), "says.causes not-a-choice"],
    ["a look before it went down", inspection({ date: ago(21) }), "date bad-date"],
    ["no judgement", inspection({ says: {} }), "says.control missing"],
    ["another kind", scout({ kind: "stroll" }), " wrong-type"],
  ])("%s is refused with its place, and nothing is kept", (_what, look, expected) => {
    must(saveApplication(records.db, down(20)));
    expect(faults(saveLook(records.db, look))).toEqual([expected]);
    expect(looks(records.db, {}, []).rows).toEqual([]);
  });
  test.each([null, "x", {}, scout({ says: null }), scout({ says: [] })])("%j is no look", (input) =>
    expect(saveLook(records.db, input).ok).toBe(false),
  );
  test.each([
    ["30 %", 30],
    ["30", 30],
    ["2.5%", 2.5],
    ["2,5 %", 2.5],
    ["100", 100],
    ["100.1", undefined],
    ["-1", undefined],
    ["half", undefined],
    ["", undefined],
  ])("%s of the whole is %s", (text, share) => expect(shareOf(text)).toBe(share));
  test("what is no look isn't read as one", () => {
    for (const value of [null, [], "x", { target: "" }, { causes: "dog" }, { followUp: "soon" }, { other: "x" }])
      expect(isLook(value)).toBe(false);
    expect(isLook({ causes: ["dog"], followUp: "2026-10-01", control: "5" })).toBe(true);
  });
});

describe("photos of a look", () => {
  test("are kept, so many and no more; the same sent again is one", async () => {
    must(saveLook(records.db, scout()));
    for (let i = 1; i <= MOST_PHOTOS; i++) must(await savePhoto(records.db, photo({ id: `photo-0000000${i}` })));
    must(await savePhoto(records.db, photo()));
    expect(looks(records.db, {}, []).rows[0]!.photos).toHaveLength(MOST_PHOTOS);
    expect(faults(await savePhoto(records.db, photo({ id: "photo-00000009" })))).toEqual([" too-many"]);
    const other = (await picture(200)).toString("base64");
    expect(faults(await savePhoto(records.db, photo({ image: other })))).toEqual(["id kept-otherwise"]);
  });
  test("are made anew: the picture, turned as it was held, and nothing of place, device or what stands behind it", async () => {
    must(saveLook(records.db, scout()));
    const sent = Buffer.concat([await picture(40, { orientation: 6 }), Buffer.from("PK and a page <script>")]);
    expect([(await sharp(sent).metadata()).exif !== undefined, sent.includes("Lens")]).toEqual([true, true]);
    must(await savePhoto(records.db, photo({ image: sent.toString("base64") })));
    const kept = findPhoto(records.db, "photo-00000001")!;
    const seen = await sharp(kept.bytes).metadata();
    expect([seen.format, seen.width, seen.height, seen.exif, seen.icc, seen.xmp]).toEqual([
      "jpeg",
      30,
      40,
      undefined,
      undefined,
      undefined,
    ]);
    expect([kept.bytes.includes("Lens"), kept.bytes.includes("script"), kept.plain]).toEqual([false, false, true]);
  });
  test("of before that are made anew when they are shown", async () => {
    must(saveLook(records.db, scout()));
    records.db.$client
      .prepare("insert into photos (id, look_id, bytes, created_at) values ('photo-00000007', 'look-000000001', ?, ?)")
      .run(JPEG, NOW);
    mockOpen.mockReturnValue(records.db);
    const shown = await GET(new Request("http://127.0.0.1/"), { params: Promise.resolve({ id: "photo-00000007" }) });
    const bytes = Buffer.from(await shown.arrayBuffer());
    expect([shown.headers.get("content-type"), bytes.includes("Lens"), (await sharp(bytes).metadata()).exif]).toEqual([
      "image/jpeg",
      false,
      undefined,
    ]);
  });
  test.each<[string, object, string]>([
    ["a page", { image: Buffer.from("<svg onload=x>").toString("base64") }, "image wrong-type"],
    ["nothing", { image: "" }, "image wrong-type"],
    ["more than a lawn's worth", { image: Buffer.alloc(MOST_PHOTO_BYTES + 1, 0xff).toString("base64") }, "image too-big"],
    ["of another look", { lookId: "look-999999999" }, "lookId unknown-name"],
    ["no text", { image: 7 }, " wrong-type"],
    [
      "a beginning without a picture",
      { image: Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]).toString("base64") },
      "image wrong-type",
    ],
  ])("%s is refused", async (_what, more, expected) => {
    must(saveLook(records.db, scout()));
    expect(faults(await savePhoto(records.db, photo(more)))).toEqual([expected]);
  });
  test("another kind of picture is refused", async () => {
    must(saveLook(records.db, scout()));
    const png = await sharp(JPEG).png().toBuffer();
    expect(faults(await savePhoto(records.db, photo({ image: png.toString("base64") })))).toEqual(["image wrong-type"]);
  });
});

describe("what the bench asks to look at", () => {
  const due = () => toLookAt(records.db, {}, []).map((one) => [one.what, one.zone, one.since]);
  test("what went down, from the day on which its effect can be seen, until it is judged", () => {
    must(saveApplication(records.db, down(13)));
    expect(due()).toEqual([]);
    must(saveApplication(records.db, down(14, { id: "entry-000000002", corrects: "entry-000000001", why: "misread" })));
    expect(due()).toEqual([["inspection", "north", TODAY]]);
    must(saveLook(records.db, inspection({ recordId: "entry-000000002" })));
    expect(due()).toEqual([]);
  });
  test("a look that came too early doesn't count as one; it is asked again", () => {
    must(saveApplication(records.db, down(20)));
    must(saveLook(records.db, inspection({ date: ago(10) })));
    expect(due()).toEqual([["inspection", "north", ago(6)]]);
    // A correction of the record doesn't make it forgotten, nor is what was struck asked for.
    must(saveApplication(records.db, down(20, { id: "entry-000000002", amount: "2 oz", corrects: "entry-000000001" })));
    expect(due()).toEqual([["inspection", "north", ago(6)]]);
    must(voidApplication(records.db, { id: "void-000000001", corrects: "entry-000000002", why: "the wrong lawn" }));
    expect(due()).toEqual([]);
  });
  test("long after nobody asks any more; of a label that says nothing of it neither", () => {
    must(saveApplication(records.db, down(45)));
    expect(due()).toEqual([]);
    must(put(records.db, "labels", { id: ids.labels, form: LABEL }));
    must(saveApplication(records.db, down(20, { id: "entry-000000002" })));
    expect(due()).toEqual([]);
  });
  test("a follow-up that was planned, a week ahead, until something goes down there", () => {
    must(saveApplication(records.db, down(30)));
    must(saveLook(records.db, inspection({ date: ago(3), says: { control: "40 %", followUp: "2026-09-20" } })));
    expect(due()).toEqual([]);
    must(saveLook(records.db, inspection({ id: "look-000000003", date: ago(2), says: { note: "x", followUp: "2026-09-09" } })));
    expect(due()).toEqual([["follow-up", "north", "2026-09-09"]]);
    must(saveApplication(records.db, down(0, { id: "entry-000000003" })));
    expect(due()).toEqual([]);
  });
});

describe("what it teaches", () => {
  test("the last look at a record counts, as the record stands now; too early or struck teaches nothing", () => {
    must(saveApplication(records.db, down(40)));
    must(saveLook(records.db, inspection({ date: ago(20), says: { control: "50 %" } })));
    must(saveLook(records.db, inspection({ id: "look-000000003", says: { control: "90 %" } })));
    const said = () => results(records.db, {}, []).map((one) => [one.by, one.of, one.control?.mean, one.leftOut]);
    expect(said()).toEqual([
      ["product", "Granule", 90, 0],
      ["rate", expect.stringMatching(/^0\.16\d* oz\/1000 ft2$/), 90, 0],
    ]);
    must(saveApplication(records.db, down(5, { id: "entry-000000002", corrects: "entry-000000001", why: "misread" })));
    expect(said()[0]).toEqual(["product", "Granule", undefined, 1]);
    must(voidApplication(records.db, { id: "void-000000001", corrects: "entry-000000002", why: "the wrong lawn" }));
    expect(said()).toEqual([]);
  });
});

describe("a record to be judged", () => {
  test("is the one that stands, with what was seen of its ground", () => {
    must(saveLook(records.db, scout({ date: ago(25) })));
    must(saveApplication(records.db, down(20)));
    must(saveLook(records.db, inspection()));
    must(saveApplication(records.db, down(20, { id: "entry-000000002", amount: "2 oz", corrects: "entry-000000001" })));
    expect(toJudge(records.db, { record: "entry-000000001" })).toMatchObject({
      id: "entry-000000002",
      site: "Green",
      of: { from: ago(6) },
      seen: [{ kind: "inspection" }, { kind: "scout" }],
    });
    expect(toJudge(records.db, { record: "entry-999999999" })).toBeNull();
  });
});
