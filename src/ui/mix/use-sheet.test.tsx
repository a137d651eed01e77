import { act, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { SWRConfig } from "swr";
import { keep, readKept } from "../data/kept-here";
import { useSheet } from "./use-sheet";

/** A server that is away for ticks until it is let answer; it keeps what it was told, in order. */
let told: string[];
let answers: (() => void)[];
let away: boolean;
const SHEET = { id: "sheet-1", done: [], others: [], run: null };

beforeEach(() => {
  localStorage.clear();
  [told, answers, away] = [[], [], true];
  global.fetch = jest.fn((_url: string, init?: { body?: string }) => {
    const response = (body: object) => ({ ok: true, headers: new Map(), json: () => Promise.resolve(body) });
    if (!init?.body) return Promise.resolve(response({ value: { ...SHEET, done: [...told] }, aside: [] }));
    const { step } = JSON.parse(init.body) as { step: string };
    return new Promise((resolve, reject) => {
      answers.push(() => {
        if (away) return reject(new TypeError("Failed to fetch"));
        told.push(step);
        resolve(response({ ok: true, value: { done: [...told] } }));
      });
    });
  }) as never;
});

const wrapper = ({ children }: { children: ReactNode }) => (
  <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>{children}</SWRConfig>
);
const queue = () => (readKept<{ step: string }[]>("ticks:sheet-1") ?? []).map((tick) => tick.step);
async function answerAll() {
  await act(async () => {
    for (const answer of answers.splice(0)) answer();
    await Promise.resolve();
  });
}
async function opened() {
  const { result } = renderHook(() => useSheet("sheet-1"), { wrapper });
  await waitFor(() => expect(result.current.sheet).toBeDefined());
  return result;
}

test("two ticks that are both under way while the server is away are both kept, in their order", async () => {
  const result = await opened();
  act(() => void result.current.tick("one", true));
  act(() => void result.current.tick("two", true));
  await waitFor(() => expect(answers).toHaveLength(2));
  await answerAll();
  await waitFor(() => expect(queue()).toEqual(["one", "two"]));
  expect(result.current.sheet!.done).toEqual(["one", "two"]);
  expect(result.current.trouble.join()).toContain("2 ticks are kept here");
});

test("a tick that comes while an earlier one is told again is told after it, and none is lost", async () => {
  keep("ticks:sheet-1", [{ step: "one", done: true }]);
  const result = await opened();
  // It is told again, and the answer is on its way.
  await waitFor(() => expect(answers).toHaveLength(1), { timeout: 6000 });
  act(() => void result.current.tick("two", true));
  away = false;
  await answerAll();
  await waitFor(() => expect(queue()).toEqual(["two"]));
  await waitFor(() => expect(answers).toHaveLength(1), { timeout: 6000 });
  await answerAll();
  await waitFor(() => expect(queue()).toEqual([]));
  expect(told).toEqual(["one", "two"]);
}, 20_000);

test("what another page has told meanwhile is not taken off twice", async () => {
  keep("ticks:sheet-1", [
    { step: "one", done: true },
    { step: "two", done: true },
  ]);
  await opened();
  await waitFor(() => expect(answers).toHaveLength(1), { timeout: 6000 });
  // Another page told the first one, and took it off.
  act(() =>
    keep("ticks:sheet-1", [
      { step: "two", done: true },
      { step: "three", done: true },
    ]),
  );
  away = false;
  await answerAll();
  await act(async () => Promise.resolve());
  expect(queue()).toEqual(["two", "three"]);
}, 20_000);
