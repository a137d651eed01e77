import { namesOf, OPEN_FLAG, refusalOf } from "./door";

const asked = (host: string | undefined, more: object = {}) => ({ method: "GET", url: "/api/book", host, ...more });

describe("the door", () => {
  test.each(["localhost", "localhost:3000", "LOCALHOST:3000", "127.0.0.1:3000", "127.9.9.9", "[::1]:3000", "gauge.localhost"])(
    "%s is let in",
    (host) => expect(refusalOf(asked(host), [])).toBeUndefined(),
  );
  test.each([
    undefined,
    "",
    ":3000",
    "evil.example",
    "localhost.evil.example",
    "127.0.0.1.evil.example",
    "192.168.1.20:3000",
    "[fe80::1]",
    "localhost@evil.example",
    "127.0.0.1:3000:80",
  ])("%s is not", (host) => expect(refusalOf(asked(host), [])?.status).toBe(421));
  test("names that the owner lists are, and the machine's own addresses where it was opened", () => {
    const names = namesOf({ CAREFUL_GAUGE_HOSTS: "shed.example, Truck.example" });
    expect(names).toEqual(["shed.example", "truck.example"]);
    expect(refusalOf(asked("truck.example:3000"), names)).toBeUndefined();
    expect(namesOf({ [OPEN_FLAG]: "1" })).toEqual([]);
    expect(namesOf({ [OPEN_FLAG]: "yes" })).toContain("127.0.0.1");
  });
  test.each(["TRACE", "PUT", "DELETE", "CONNECT", undefined])("%s is no method here", (method) =>
    expect(refusalOf(asked("localhost", { method }), [])?.status).toBe(405),
  );
  test("a request that names two hosts means neither", () => {
    expect(refusalOf(asked("localhost", { hosts: 2 }), [])?.status).toBe(400);
    expect(refusalOf(asked("localhost", { hosts: 1 }), [])).toBeUndefined();
  });
  test("an address that is none is told as such", () => {
    expect(refusalOf(asked("localhost", { url: "/api/sheets/%ff" }), [])?.status).toBe(400);
    expect(refusalOf(asked("localhost", { url: "/mix/sheet?id=%ff" }), [])).toBeUndefined();
  });
});
