import { act, renderHook } from "@testing-library/react";
import { useStorageFull, keep, keptKeys, readKept, useKept } from "./kept-here";

beforeEach(() => localStorage.clear());

test("what is kept is there for whoever asks next, and everyone is told", () => {
  const first = renderHook(() => useKept<{ rate: string }>("draft"));
  const second = renderHook(() => useKept<{ rate: string }>("draft"));
  expect(first.result.current[0]).toBeUndefined();
  act(() => first.result.current[1]({ rate: "0.3" }));
  expect(second.result.current[0]).toEqual({ rate: "0.3" });
  expect(JSON.parse(localStorage.getItem("draft")!)).toEqual({ rate: "0.3" });
  act(() => second.result.current[1](undefined));
  expect(first.result.current[0]).toBeUndefined();
  expect(localStorage.getItem("draft")).toBeNull();
});

test("the same text is the same value, so that nothing is drawn anew for nothing", () => {
  keep("draft", { a: 1 });
  expect(readKept("draft")).toBe(readKept("draft"));
});

test("another tab's change is seen", () => {
  const { result } = renderHook(() => useKept<number>("draft"));
  act(() => {
    localStorage.setItem("draft", "7");
    window.dispatchEvent(new StorageEvent("storage", { key: "draft" }));
  });
  expect(result.current[0]).toBe(7);
});

test("what can't be read is as if it weren't there", () => {
  localStorage.setItem("draft", "{");
  expect(readKept("draft")).toBeUndefined();
});

test("keys by their beginning", () => {
  keep("session:a:b", 1);
  keep("mix", 1);
  expect(keptKeys("session:")).toEqual(["session:a:b"]);
});

test("where this browser has no room left, what is typed stands as long as the page does, and that is said", () => {
  const setItem = jest.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
    throw new DOMException("full", "QuotaExceededError");
  });
  const { result } = renderHook(() => [useKept<string>("draft"), useStorageFull()] as const);
  act(() => result.current[0][1]("half a form"));
  expect(result.current[0][0]).toBe("half a form");
  expect(result.current[1]).toBe(true);
  setItem.mockRestore();
  act(() => result.current[0][1]("the whole form"));
  expect([result.current[0][0], result.current[1]]).toEqual(["the whole form", false]);
  expect(localStorage.getItem("draft")).toBe('"the whole form"');
});
