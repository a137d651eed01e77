"use client";

import { useEffect, useState } from "react";
import useSWR from "swr";
import type { Issue } from "@/core/issue";
import type { Sheet } from "@/formats/entries";
import { slicePath, type Answer } from "@/formats/slices";
import { readSlice, send, sentences, unreachable } from "../data/records";
import { keep, readKept, useKept } from "../data/kept-here";

/** How often another device's ticks are looked for, ms. */
const LOOK_AGAIN = 2500;

/** How often a server that was away is told again, ms. */
const TELL_AGAIN = 2000;

interface Tick {
  readonly step: string;
  readonly done: boolean;
}

/** The ticks that wait, as they are kept now: what a screen was drawn with may be of before. */
const queueOf = (key: string): readonly Tick[] => readKept<readonly Tick[]>(key) ?? [];

/** A sheet with its ticks, kept on the server: a reload loses none, two devices agree. */
export function useSheet(id: string | null) {
  const url = `/api/sheets/${encodeURIComponent(id ?? "")}`;
  const answer = useSWR<Answer<"sheet">>(id === null ? null : slicePath("sheet", { id }), readSlice, {
    refreshInterval: LOOK_AGAIN,
    keepPreviousData: true,
  });
  const { error, mutate } = answer;
  const data = answer.data?.value;
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  /** Ticks that the server hasn't heard of yet, in their order: it was away. */
  const key = `ticks:${id ?? ""}`;
  const [waiting = []] = useKept<readonly Tick[]>(key);
  const wait = (tick: Tick) => keep(key, [...queueOf(key), tick]);

  const tick = async (step: string, done: boolean) => {
    if (!data) return;
    // One after the other: what came first is told first.
    if (queueOf(key).length > 0) return wait({ step, done });
    const before = answer.data!;
    const withDone = (of: Answer<"sheet">, next: readonly string[]) => ({ ...of, value: { ...of.value, done: next } });
    const ticked = (of: Answer<"sheet">) =>
      withDone(of, done ? [...of.value.done, step] : of.value.done.filter((s) => s !== step));
    // Until the answer is there a poll doesn't count: it may be of before the tick.
    await mutate(
      async (known) => {
        const result = await send<{ done: string[] }>(`${url}/ticks`, { step, done });
        if (result === unreachable) {
          wait({ step, done });
          return known ?? before;
        }
        setTrouble(result.ok ? [] : sentences(result.issues));
        return result.ok ? withDone(known ?? before, result.value.done) : (known ?? before);
      },
      { optimisticData: (committed, shown) => ticked(shown ?? committed ?? before), revalidate: false },
    );
    // The last step of a fill changes the day behind it.
    if (data.run && step.endsWith(".top-up")) await mutate();
  };
  // What waits is told as soon as the server answers again; what it refuses then is said, and taken off.
  const anyWaits = waiting.length > 0;
  useEffect(() => {
    if (!anyWaits) return;
    let telling = false;
    const tellNext = async () => {
      const [next] = queueOf(key);
      if (!next || telling) return;
      telling = true;
      const result = await send<{ done: string[] }>(`${url}/ticks`, next);
      telling = false;
      if (result === unreachable) return;
      setTrouble(result.ok ? [] : sentences(result.issues));
      // The line may have grown meanwhile, or another page have told the first of it.
      const [first, ...rest] = queueOf(key);
      if (first?.step === next.step && first.done === next.done) keep(key, rest.length > 0 ? rest : undefined);
      await mutate();
    };
    const timer = setInterval(() => void tellNext(), TELL_AGAIN);
    return () => clearInterval(timer);
  }, [anyWaits, key, url, mutate]);
  const shown: Sheet | undefined = data && {
    ...data,
    done: waiting.reduce<readonly string[]>(
      (done, tick) => (tick.done ? [...done.filter((s) => s !== tick.step), tick.step] : done.filter((s) => s !== tick.step)),
      data.done,
    ),
  };
  /** Tells what became of a stop: to this sheet, or to every tank of the day. */
  const tell = async (event: object, everywhere = false): Promise<readonly Issue[]> => {
    // Every tank of the day hears it, or none does.
    const result = await send(`${url}/stops`, everywhere ? { ...event, everywhere } : event);
    await mutate();
    return result.ok ? [] : result.issues;
  };
  const away =
    waiting.length === 0
      ? []
      : [
          `The server is away: ${waiting.length} ${waiting.length === 1 ? "tick is" : "ticks are"} kept here and told when it is back.`,
        ];
  return {
    sheet: shown,
    missing: id === null || (error !== undefined && !data),
    tick,
    tell,
    trouble: [...trouble, ...away],
    again: () => void mutate(),
  };
}
