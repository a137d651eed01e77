import Database from "better-sqlite3";
import { keepStatements } from "./kept-statements";

function open() {
  const client = new Database(":memory:");
  client.exec("create table jugs (id integer primary key, name text); insert into jugs (name) values ('a'), ('b')");
  keepStatements(client);
  return client;
}
const ALL = "select id, name from jugs order by id";

test("a text is compiled once, and handed out as if it were new", () => {
  const client = open();
  const first = client.prepare(ALL);
  expect(client.prepare(ALL)).toBe(first);
  expect(client.prepare(ALL).raw().all()).toEqual([
    [1, "a"],
    [2, "b"],
  ]);
  expect(client.prepare(ALL).all()).toEqual([
    { id: 1, name: "a" },
    { id: 2, name: "b" },
  ]);
  expect(client.prepare(ALL).pluck().all()).toEqual([1, 2]);
  expect(client.prepare(ALL).expand().get()).toEqual({ jugs: { id: 1, name: "a" } });
  expect(client.prepare(ALL).get()).toEqual({ id: 1, name: "a" });
});

test("one that is being read from is compiled again", () => {
  const client = open();
  const seen = [];
  for (const row of client.prepare(ALL).iterate()) seen.push([row, client.prepare(ALL).all().length]);
  expect(seen).toHaveLength(2);
  expect(seen.map(([, all]) => all)).toEqual([2, 2]);
});

test("a changed schema is seen, and no more are kept than there is use for", () => {
  const client = open();
  const every = "select * from jugs where id = ?";
  expect(client.prepare(every).get(1)).toEqual({ id: 1, name: "a" });
  client.exec("alter table jugs add column size text");
  expect(client.prepare(every).get(1)).toEqual({ id: 1, name: "a", size: null });
  const first = client.prepare(ALL);
  for (let i = 0; i < 1000; i++) client.prepare(`select ${i} as n`).get();
  expect(client.prepare(ALL)).not.toBe(first);
  const write = "insert into jugs (name) values (?)";
  for (const name of ["c", "d"]) client.prepare(write).run(name);
  expect(client.prepare("select count(*) from jugs").pluck().get()).toBe(4);
});
