import { act, render } from "@testing-library/react";
import { openWorker, useWorker } from "./worker";

/** A worker that hears nothing and answers nobody. */
function silent() {
  const worker = {
    onerror: null as null | (() => void),
    terminate: jest.fn(),
    addEventListener: jest.fn(),
    removeEventListener: jest.fn(),
    postMessage: jest.fn(),
  };
  return worker as typeof worker & Worker;
}
interface Door {
  readonly add: (a: number, b: number) => number;
}

test("a worker that can't be fetched is ended and says so, once", () => {
  const worker = silent();
  const lost = jest.fn();
  const { isOver } = openWorker<Door>(worker, lost);
  expect(isOver()).toBe(false);
  act(() => worker.onerror?.(undefined as never));
  act(() => worker.onerror?.(undefined as never));
  expect([isOver(), lost.mock.calls.length, worker.terminate.mock.calls.length]).toEqual([true, 1, 1]);
});

test("one that was ended says nothing of what happens to it then", () => {
  const worker = silent();
  const lost = jest.fn();
  openWorker<Door>(worker, lost).end();
  worker.onerror?.(undefined as never);
  expect(lost).not.toHaveBeenCalled();
  expect(worker.terminate).toHaveBeenCalledTimes(1);
});

test("a new one ends the one before, leaving the screen ends the last", () => {
  const [first, second] = [silent(), silent()];
  const seen: ReturnType<typeof useWorker<Door>>[] = [];
  function Room() {
    seen.push(useWorker<Door>());
    return null;
  }
  const { unmount } = render(<Room />);
  const { begin, atWork, end } = seen[0]!;
  expect(atWork()).toBeNull();
  const one = begin(first, jest.fn());
  expect(atWork()).toBe(one);
  const two = begin(second, jest.fn());
  expect([one.isOver(), two.isOver(), atWork()]).toEqual([true, false, two]);
  end();
  expect(atWork()).toBeNull();
  const third = silent();
  begin(third, jest.fn());
  unmount();
  expect(third.terminate).toHaveBeenCalledTimes(1);
  expect(second.terminate).toHaveBeenCalledTimes(1);
});
