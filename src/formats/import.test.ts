import { EMPTY_BOOK, type SiteEntry } from "./book";
import { alikeAreas, groundsFor } from "./grounds";
import { differencesOf } from "./import";

describe("where a file and the records differ", () => {
  test("place by place, in words; ids and history are no part of it", () => {
    const here = {
      name: "Green",
      "x-id": "a",
      zones: [{ name: "north", area: "6200 ft2", "x-seeded": "2026-08-20", applied: [1] }],
    };
    const file = {
      name: "Green",
      "x-id": "b",
      zones: [
        { name: "north", area: "6400 ft2" },
        { name: "strip", area: "90 ft2" },
      ],
    };
    expect(differencesOf(here, file)).toEqual([
      { place: "zone 1 area", here: "6200 ft2", file: "6400 ft2" },
      { place: "zone 1 seeded", here: "2026-08-20", file: "–" },
      { place: "zone 2 name", here: "–", file: "strip" },
      { place: "zone 2 area", here: "–", file: "90 ft2" },
    ]);
    expect(differencesOf(here, { ...here, "x-id": "c" })).toEqual([]);
    expect(differencesOf({ limits: [{ perYear: "1 oz" }] }, { limits: [] })[0]!.place).toBe("limit 1 per year");
  });
});

describe("the ground that a zone may be", () => {
  const site = (id: string, more: Partial<SiteEntry> = {}): SiteEntry => ({
    id,
    retired: false,
    site: { name: id, zones: [{ name: "lawn", area: "6200 ft2", "x-id": `${id}.0` }] },
    former: [{ id: `${id}.1`, name: "bed", area: "900 ft2" }],
    ...more,
  });
  const counted = (zoneId: string) => ({
    siteId: "",
    zoneIds: [zoneId],
    zone: "",
    sheetId: null,
    applied: { of: "", active: "", amount: "", date: "" },
  });
  const book = {
    ...EMPTY_BOOK,
    sites: [site("a"), site("b", { retired: true }), site("c")],
    counted: [counted("b.0"), counted("c.1")],
  };
  const names = (of: SiteEntry | undefined, area: string) => groundsFor(book, of, area).map((ground) => ground.name);
  test("any of its own site, also taken out; elsewhere what is gone, of its area, where something went down", () => {
    expect(names(book.sites[0], "5000")).toEqual(["lawn", "bed, taken out"]);
    expect(names(undefined, "6,250 sq ft")).toEqual(["lawn of b"]);
    expect(names(undefined, "905")).toEqual(["bed of c"]);
    expect(names(undefined, "")).toEqual([]);
  });
  test("two per cent apart is one ground measured twice", () =>
    expect([alikeAreas(100, 102), alikeAreas(100, 103)]).toEqual([true, false]));
});
