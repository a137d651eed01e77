import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { ACTS, actAt, answerAct } from "./acts";
import { statusOf } from "./answer";

const sources = readdirSync("src/ui", { recursive: true, encoding: "utf8" })
  .filter((file) => /\.tsx?$/.test(file) && !file.includes(".test."))
  .map((file) => readFileSync(path.join("src/ui", file), "utf8"))
  .join("\n");
/** What isn't asked for by the table: streams, files, and what is only read. */
const READ = /^(?:read|files|records|log|health|looks\/photo\/|sites$)/;

test("every address that a page sends to is an act", () => {
  const asked = [...sources.matchAll(/["`]\/api\/([^"`?]*)/g)].map((found) => found[1]!.replace(/\$\{.*?(\}|$)/g, "*"));
  expect(asked.length).toBeGreaterThan(40);
  const acts = Object.keys(ACTS).map((address) => address.split("/"));
  const fits = (address: string) => {
    const steps = address.replace(/\*+$/, "*").split("/");
    return acts.some(
      (act) =>
        (act.length === steps.length || steps.at(-1) === "*") &&
        steps.every((step, i) => step.includes("*") || act[i]?.startsWith(":") || act[i] === step),
    );
  };
  expect(asked.filter((address) => !READ.test(address) && !fits(address))).toEqual([]);
});

test("an address leads to one act, with what stands in it", () => {
  for (const [address, act] of Object.entries(ACTS)) expect(actAt(address.replace(/:\w+/, "some-id"))?.act).toBe(act);
  expect(actAt("sheets/sheet-0000000001/ticks")).toMatchObject({ at: "sheet-0000000001" });
  for (const none of ["", "sheet", "sheets/a/b/c", "sheets/a/nothing", "keep", "constructor", "__proto__"])
    expect(actAt(none)).toBeUndefined();
});

test("what there isn't is told by its status, and in words", async () => {
  const ask = (address: string) =>
    answerAct(
      new Request(`http://127.0.0.1:3000/api/${address}`, {
        method: "POST",
        body: "{}",
        headers: { host: "127.0.0.1:3000", "content-type": "application/json" },
      }),
    );
  const response = await ask("nothing/here");
  expect([response.status, ((await response.json()) as { issues: { code: string }[] }).issues[0]!.code]).toEqual([
    404,
    "not-found",
  ]);
});

test.each([
  [400, ["not-json"]],
  [403, ["foreign-request"]],
  [409, ["kept-otherwise"]],
  [409, ["already-done", "plan-outdated"]],
  [413, ["too-big"]],
  [422, ["missing"]],
  // What is wrong in the request itself has to be put right first.
  [422, ["already-done", "missing"]],
  [500, ["internal"]],
] as const)("%i for %j", (status, codes) => {
  expect(statusOf(codes.map((code) => ({ path: "", code, received: "", expected: "" })))).toBe(status);
});

test("an id in the address that is on no record is 404, one in the body 422", () => {
  const issue = (place: string) => ({ path: place, code: "unknown-name", received: "x", expected: "y" }) as const;
  expect([statusOf([issue("")]), statusOf([issue("labelId")])]).toEqual([404, 422]);
});
