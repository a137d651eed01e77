import { bad, good } from "@/core/issue";
import { answerTo } from "./answer";

const opened = jest.fn(() => ({ records: true }));
jest.mock("@/records/database", () => ({ records: () => opened() }));
const revisions = jest.fn(() => new Map([["people", 0]]));
jest.mock("@/records/revision", () => ({ revisionsOf: () => revisions() }));

const request = (body: string, headers: Record<string, string> = {}) =>
  new Request("http://127.0.0.1:3000/api/keep/people", {
    method: "POST",
    body,
    headers: { host: "127.0.0.1:3000", "content-type": "application/json", ...headers },
  });

describe("answering a request to keep something", () => {
  beforeEach(() => opened.mockClear());

  test("a value is 200, issues are 422, both in full", async () => {
    const value = await answerTo(request(`{"a":1}`), (_db, body) => good(body));
    expect([value.status, await value.json()]).toEqual([200, { ok: true, value: { a: 1 } }]);
    const issue = { path: "name", code: "missing", received: "", expected: `"a name"` } as const;
    const refused = await answerTo(request("{}"), () => bad(issue));
    expect([refused.status, await refused.json()]).toEqual([422, { ok: false, issues: [issue] }]);
  });

  test("what it changed is told, so that no more than that is read again", async () => {
    revisions
      .mockReturnValueOnce(
        new Map([
          ["people", 4],
          ["log", 7],
        ]),
      )
      .mockReturnValueOnce(
        new Map([
          ["people", 5],
          ["log", 7],
        ]),
      );
    const kept = await answerTo(request("{}"), () => good(1));
    expect(kept.headers.get("x-touched")).toBe("people");
  });

  test("a page of another site is turned away before anything is read", async () => {
    const strangers: Record<string, string>[] = [
      { origin: "http://elsewhere.example" },
      { origin: "null" },
      { origin: "http://127.0.0.1:9999" },
      { "content-type": "text/plain" },
      { "content-type": "application/jsonp" },
      { "content-type": "application/json-x; charset=utf-8" },
    ];
    for (const headers of strangers) {
      const response = await answerTo(request("{}", headers), () => good(1));
      expect(response.status).toBe(403);
    }
    expect(opened).not.toHaveBeenCalled();
  });

  test("the app's own page is let in by whatever name it was reached", async () => {
    const own = await answerTo(request("{}", { host: "shed.local:3000", origin: "http://shed.local:3000" }), () => good(1));
    expect(own.status).toBe(200);
  });

  test("a type is the same with its characters said, and in capitals", async () => {
    const said = await answerTo(request("{}", { "content-type": "Application/JSON; charset=utf-8" }), () => good(1));
    expect(said.status).toBe(200);
  });

  test("a key that there isn't is said once, and cut", async () => {
    const key = "k".repeat(5000);
    const fault = { path: `rig.${key}`, code: "unknown-key", received: key, expected: "" } as const;
    const text = await (await answerTo(request("{}"), () => bad(fault))).text();
    expect(text.length).toBeLessThan(400);
    expect(text.match(/k{20,}/g)).toHaveLength(1);
  });

  test("what is no JSON is a fault, not a crash", async () => {
    const response = await answerTo(request("{"), () => good(1));
    expect([response.status, (await response.json()).issues[0].code]).toEqual([400, "not-json"]);
  });

  test("what breaks inside stays inside", async () => {
    const log = jest.spyOn(console, "error").mockImplementation(() => {});
    const response = await answerTo(request("{}"), () => {
      throw new Error("UNIQUE constraint failed: people.name, parameters: secret");
    });
    const text = await response.text();
    expect(response.status).toBe(500);
    expect(text).not.toMatch(/UNIQUE|secret/);
    expect(log).toHaveBeenCalled();
    log.mockRestore();
  });
});
