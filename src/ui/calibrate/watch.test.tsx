import { act, renderHook } from "@testing-library/react";
import { useWatch } from "./watch";

let now = 0;
beforeEach(() => {
  localStorage.clear();
  now = 5000;
  jest.spyOn(performance, "now").mockImplementation(() => now);
  jest.spyOn(Date, "now").mockImplementation(() => 1_700_000_000_000 + now);
});
afterEach(() => jest.restoreAllMocks());

test("counts from press to press, however late either was handled", () => {
  const { result } = renderHook(() => useWatch("watch"));
  // The press happened at 5,000 ms and was handled 40 ms later.
  now = 5040;
  act(() => void result.current.press(5000));
  expect(result.current.running).toBe(true);
  now = 41_090;
  let seconds: number | undefined;
  act(() => void (seconds = result.current.press(41_000)));
  expect(seconds).toBeCloseTo(36, 10);
  expect(result.current.running).toBe(false);
});

test("goes on counting after a reload", () => {
  const before = renderHook(() => useWatch("watch"));
  act(() => void before.result.current.press(5000));
  before.unmount();
  // The page's own clock starts again; the one on the wall goes on.
  jest.spyOn(Date, "now").mockImplementation(() => 1_700_000_000_000 + 15_000);
  now = 300;
  const after = renderHook(() => useWatch("watch"));
  expect(after.result.current.running).toBe(true);
  expect(after.result.current.seconds()).toBeCloseTo(10, 10);
  let seconds: number | undefined;
  act(() => void (seconds = after.result.current.press(26_300)));
  expect(seconds).toBeCloseTo(36, 10);
});

test("a run that is thrown away leaves nothing", () => {
  const { result } = renderHook(() => useWatch("watch"));
  act(() => void result.current.press(5000));
  act(() => result.current.abandon());
  expect([result.current.running, localStorage.getItem("watch")]).toEqual([false, null]);
});

test("two watches don't know one another", () => {
  const walk = renderHook(() => useWatch("walk"));
  const one = renderHook(() => useWatch("catch"));
  act(() => void walk.result.current.press(5000));
  expect([walk.result.current.running, one.result.current.running]).toEqual([true, false]);
});
