import type { IncomingMessage, ServerResponse } from "node:http";
import { slicePath } from "@/formats/slices";
import { openRecords } from "@/records/database";
import { put } from "@/services/keep-up";
import { freshRecords, ids, must, town } from "@/services/testing/town";
import { GET as wholeLogOf } from "./api/log/route";
import { answerKept, showSlice } from "./shown";

const held = freshRecords();
jest.mock("@/records/database", () => {
  const actual = jest.requireActual<typeof import("@/records/database")>("@/records/database");
  return { ...actual, records: () => held.db };
});

/** Asks at the door, with a tag where the page has one already. */
function atTheDoor(url: string, tag?: string, accepts = "") {
  const said = { status: 0, headers: {} as Record<string, unknown>, body: "" };
  const response = {
    writeHead: (status: number, headers: object) => Object.assign(said, { status, headers }),
    end: (body?: Buffer) => Object.assign(said, { body: body?.toString("utf8") ?? "" }),
  } as unknown as ServerResponse;
  const headers = { "if-none-match": tag, "accept-encoding": accepts };
  const answered = answerKept({ method: "GET", url, headers } as unknown as IncomingMessage, response);
  return { answered, ...said };
}

const rename = (name: string) => must(put(held.db, "people", { id: ids.people, form: { name } }));

describe("an answer and its tag", () => {
  const people = slicePath("people", {});
  const rigs = slicePath("rigs", {});
  test("who has it already is told so at the door, until something that it is made of changes", async () => {
    town(held.db);
    expect(atTheDoor(people).answered).toBe(false);
    const first = showSlice(people);
    expect(await first.json()).toMatchObject({ value: [{ name: "Odile Marsh" }], aside: [] });
    const tag = first.headers.get("etag")!;
    expect(atTheDoor(people, tag)).toMatchObject({ answered: true, status: 304, body: "" });
    // Another kind of record changes nothing of it.
    const rigTag = showSlice(rigs).headers.get("etag")!;
    rename("Odile Reed");
    expect(atTheDoor(rigs, rigTag)).toMatchObject({ status: 304 });
    expect(atTheDoor(people, tag).answered).toBe(false);
    const next = showSlice(people);
    expect(next.headers.get("etag")).not.toBe(tag);
    expect(await next.json()).toMatchObject({ value: [{ name: "Odile Reed" }] });
    // Who has an older one is given the new one, without its being worked out again.
    expect(JSON.parse(atTheDoor(people, tag).body)).toMatchObject({ value: [{ name: "Odile Reed" }] });
  });
  test("a change by another program on the same file is seen", () => {
    town(held.db);
    const tag = showSlice(people).headers.get("etag");
    const other = openRecords(held.folder);
    must(put(other, "people", { id: "person-00000002", form: { name: "Bram Tolliver" } }));
    other.$client.close();
    expect(showSlice(people).headers.get("etag")).not.toBe(tag);
  });
  test("what isn't there is nobody's answer, and is not kept", () => {
    for (const path of [
      "/api/read/nothing",
      slicePath("sheet", { id: "sheet-0000000009" }),
      "/api/read/log?q=%ff",
      "/api/health",
    ]) {
      expect(showSlice(path).status).toBe(404);
      expect(atTheDoor(path).answered).toBe(false);
    }
    expect(atTheDoor("/mix").answered).toBe(false);
  });
  test("a clock of the server goes with every answer, and nobody keeps one on the way", () => {
    const { headers } = showSlice(slicePath("firm", {}));
    expect(Number(headers.get("x-server-time"))).toBeGreaterThan(Date.parse("2026-01-01"));
    expect(headers.get("cache-control")).toBe("no-store");
  });
});

test("the whole log goes out as one table, its columns named once", async () => {
  town(held.db);
  const insert = held.db.$client.prepare(
    `insert into applications (id, date, site_id, zone_id, zone, area, product, label_id, rate, total, actives, person_id, source, void, created_at)
     values (?, ?, ?, ?, 'north', '6200 ft2', 'Granule', ?, '0.1 oz/1000 ft2', '0.62 oz', '[]', ?, 'hand', 0, ?)`,
  );
  for (let i = 0; i < 1203; i++)
    insert.run(`entry-${i}`, "2026-05-01", ids.sites, `${ids.sites}.0`, ids.labels, ids.people, "2026-05-01T10:00:00.000Z");
  const log = (query: string) => wholeLogOf(new Request(`http://127.0.0.1/api/log${query}`));
  const response = await log("");
  expect(response.headers.get("content-disposition")).toContain("log.csv");
  const lines = (await response.text()).trim().split("\n");
  expect(lines.length).toBe(1204);
  expect(lines[0]).toBe("date,site,zone,product,amount,person,note");
  expect(new Set(lines.slice(1))).toEqual(new Set(["2026-05-01,Green,north,Granule,0.1 oz/1000 ft2,Odile Marsh,"]));
  // As JSON with the chain, which these rows, put in beside the app, are no part of; in full, and of nothing but a part.
  const file = (await (await log("?as=json")).json()) as { records: unknown[]; chain: object };
  expect(file.records).toHaveLength(1203);
  expect(file.chain).toMatchObject({ records: 1203, broken: null, outside: 0 });
  const full = (await (await log("?as=details")).text()).trim().split("\n");
  expect(full).toHaveLength(1204);
  expect(full[0]).toContain("registration,restricted");
  const none = `&q=${encodeURIComponent(JSON.stringify({ from: "2026-06-01" }))}`;
  expect(await (await log(`?as=json${none}`)).json()).toMatchObject({ records: [], asked: { from: "2026-06-01" } });
  for (const wrong of ["?as=xml", "?q=x", `?q=${encodeURIComponent('{"rig":1}')}`, `?q=${encodeURIComponent('{"after":["x"]}')}`])
    expect((await log(wrong)).status).toBe(404);
}, 60_000);
