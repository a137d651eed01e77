import { act, renderHook } from "@testing-library/react";
import { useAction } from "./use-action";

test("what fails is said, and the next try takes it back; nothing begins twice", async () => {
  const { result } = renderHook(() => useAction("It could not be made."));
  await act(async () => {
    expect(await result.current.run(() => Promise.reject(new Error("no server")))).toBe(false);
  });
  expect([result.current.trouble, result.current.busy]).toEqual(["It could not be made.", false]);
  let finish = () => {};
  const work = jest.fn(() => new Promise<void>((resolve) => (finish = resolve)));
  let first: Promise<boolean> | undefined;
  act(() => void (first = result.current.run(work)));
  expect(result.current.busy).toBe(true);
  await act(async () => {
    expect(await result.current.run(work)).toBe(false);
  });
  await act(async () => {
    finish();
    expect(await first).toBe(true);
  });
  expect(work).toHaveBeenCalledTimes(1);
  expect([result.current.trouble, result.current.busy]).toEqual([undefined, false]);
});
