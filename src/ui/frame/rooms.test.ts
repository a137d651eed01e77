import fc from "fast-check";
import { existsSync } from "node:fs";
import { foundBy } from "./found-by";
import { ALL, placeOf, ROOMS, UNDER_THUMB } from "./rooms";

const PAGES = ROOMS.flatMap((room) => room.pages);

test("every page that is listed is there, under one name in its room; a room's own name leads to one of its pages", () => {
  for (const { path } of [...PAGES, ALL]) expect([path, existsSync(`src/app${path}/page.tsx`)]).toEqual([path, true]);
  for (const room of ROOMS) {
    expect(new Set(room.pages.map((page) => page.name)).size).toBe(room.pages.length);
    expect(room.pages.map((page) => page.path)).toContain(room.path);
  }
  expect(new Set(ROOMS.map((room) => room.key)).size).toBe(ROOMS.length);
  for (const names of Object.values(UNDER_THUMB))
    for (const name of names) expect(ROOMS.map((room) => room.name)).toContain(name);
});

test("a path belongs to the page that it goes on from, the nearest one", () => {
  const at = (path: string) => [placeOf(path)?.room.name, placeOf(path)?.page.name];
  expect(at("/")).toEqual(["Today", "Today"]);
  expect(at("/mix/sheet")).toEqual(["Mix", "Sites and routes"]);
  expect(at("/sites/program/year")).toEqual(["Season", "Week and year"]);
  expect(at("/sites/program")).toEqual(["Season", "Program"]);
  expect(at("/calibrate/practice/swing")).toEqual(["Calibrate", "Practice"]);
  expect(at("/log/looks")).toEqual(["Sites", "Scouting"]);
  expect(at("/labelsome")).toEqual([undefined, undefined]);
});

test("something is found by the beginnings of its words, in any order; by its name first", () => {
  const places = [
    { name: "Shelf", kind: "page", path: "/a", also: "bowling" },
    { name: "Old bowling green", kind: "site", path: "/b" },
    { name: "Bowling green", kind: "site", path: "/c" },
  ];
  expect(foundBy("bow", places).map((p) => p.path)).toEqual(["/c", "/b", "/a"]);
  expect(foundBy("gre bow", places).map((p) => p.path)).toEqual(["/b", "/c"]);
  expect(foundBy("site gre", places).map((p) => p.path)).toEqual(["/b", "/c"]);
  expect(foundBy("  ", places)).toEqual([]);
  expect(foundBy("lawn", places)).toEqual([]);
  // Each place is found by its own name, whatever that is, as far as it has a letter or a figure.
  fc.assert(
    fc.property(fc.array(fc.string(), { minLength: 1 }), (names) => {
      const all = names.map((name, i) => ({ name, kind: "x", path: String(i) }));
      for (const one of all) if (/[\p{L}\p{N}]/u.test(one.name)) expect(foundBy(one.name, all)).toContain(one);
    }),
  );
});
