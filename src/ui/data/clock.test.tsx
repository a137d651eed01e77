import { act, renderHook } from "@testing-library/react";
import { dateOf } from "@/core/calendar";
import { clockIsOff, dayHere, nowMoment, setFirmZone, setServerTime, today, todayDate, wallClock } from "./clock";
import { forgetId, saveId, useSaveOnce } from "./save-id";

describe("what time it is", () => {
  beforeEach(() => jest.useFakeTimers({ now: Date.parse("2027-01-01T10:00:00Z") }));
  afterEach(() => {
    jest.useRealTimers();
    setServerTime(Date.now());
    setFirmZone("UTC");
  });
  test("is the server's, carried on by this device", () => {
    setServerTime(Date.parse("2026-12-31T11:00:00Z"));
    expect(clockIsOff()).toBe(23 * 3_600_000);
    jest.advanceTimersByTime(60_000);
    expect(nowMoment()).toBe("2026-12-31T11:01:00.000Z");
    setServerTime(Number.NaN);
    expect(nowMoment()).toBe("2026-12-31T11:01:00.000Z");
  });
  test("and the day is the firm's, also on the wall", () => {
    setServerTime(Date.parse("2027-01-01T00:30:00Z"));
    setFirmZone("America/Los_Angeles");
    expect([todayDate(), dateOf(today()), dateOf(dayHere("2027-01-01T09:00:00Z"))]).toEqual([
      "2026-12-31",
      "2026-12-31",
      "2027-01-01",
    ]);
    expect([wallClock().getHours(), wallClock().getMinutes(), wallClock().getDate()]).toEqual([16, 30, 31]);
  });
});

describe("the id of what is saved", () => {
  beforeEach(() => localStorage.clear());
  test("is the same for the same, also after a reload; another for anything else", () => {
    const first = saveId("draft", { amount: "3 oz" });
    expect(saveId("draft", { amount: "3 oz" })).toBe(first);
    expect(saveId("other", { amount: "3 oz" })).not.toBe(first);
    const second = saveId("draft", { amount: "4 oz" });
    expect(second).not.toBe(first);
    forgetId("draft");
    expect(saveId("draft", { amount: "4 oz" })).not.toBe(second);
  });
  test("is kept until an answer says that it was kept", async () => {
    const bodies: { id: string }[] = [];
    let fails = true;
    global.fetch = jest.fn((_url: string, init: { body: string }) => {
      bodies.push(JSON.parse(init.body) as { id: string });
      if (fails) return Promise.reject(new Error("lost"));
      return Promise.resolve({ ok: true, headers: new Map(), json: () => Promise.resolve({ ok: true, value: {} }) });
    }) as never;
    const { result } = renderHook(() => useSaveOnce());
    const save = (amount: string) => act(() => result.current("/api/x", "draft", { amount }, { at: Math.random() }));
    await save("3 oz");
    fails = false;
    await save("3 oz");
    await save("3 oz");
    expect(bodies[1]!.id).toBe(bodies[0]!.id);
    expect(bodies[2]!.id).not.toBe(bodies[0]!.id);
  });
});
