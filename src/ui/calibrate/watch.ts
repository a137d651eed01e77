"use client";

import { useCallback, useEffect, useRef } from "react";
import { keep, useKept } from "../data/kept-here";

/**
 * A stopwatch on event timestamps: a press counts from when it happened, not from when a frame was drawn. A running
 * watch is kept as a moment of the clock on the wall, so that a reload in the middle goes on counting.
 */
interface Running {
  /** Date.now() of the start. */
  readonly since: number;
}

export interface Watch {
  readonly running: boolean;
  /** Starts; or stops and gives the seconds that were run. */
  readonly press: (timeStamp: number) => number | undefined;
  readonly abandon: () => void;
  /** Seconds now, for drawing. */
  readonly seconds: () => number;
}

export function useWatch(key: string): Watch {
  const [kept] = useKept<Running>(key);
  const started = useRef<number | undefined>(undefined);
  const running = kept !== undefined;

  /** The start on the page's own clock; after a reload it is found again from the wall clock. */
  const startStamp = useCallback(() => {
    if (kept && started.current === undefined) started.current = performance.now() - (Date.now() - kept.since);
    return started.current ?? performance.now();
  }, [kept]);

  const press = useCallback(
    (timeStamp: number) => {
      if (!kept) {
        started.current = timeStamp;
        keep(key, { since: Date.now() - (performance.now() - timeStamp) } satisfies Running);
        return undefined;
      }
      const seconds = (timeStamp - startStamp()) / 1000;
      started.current = undefined;
      keep(key, undefined);
      return seconds;
    },
    [kept, key, startStamp],
  );

  const abandon = useCallback(() => {
    started.current = undefined;
    keep(key, undefined);
  }, [key]);

  return {
    running,
    press,
    abandon,
    seconds: useCallback(() => (kept ? (performance.now() - startStamp()) / 1000 : 0), [kept, startStamp]),
  };
}

/** Calls back on every frame while something runs. */
export function useFrames(running: boolean, draw: () => void): void {
  const latest = useRef(draw);
  useEffect(() => {
    latest.current = draw;
  });
  useEffect(() => {
    if (!running) return;
    let frame = requestAnimationFrame(function next() {
      latest.current();
      frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
  }, [running]);
}

/** Seconds as a watch writes them: 62.34, or 1:02.3 from a minute up where they are only read. */
export function watchText(seconds: number, decimals = 1): string {
  const shown = Math.max(0, seconds);
  const scale = 10 ** decimals;
  const rounded = Math.floor(shown * scale + 1e-6) / scale;
  const minutes = Math.floor(rounded / 60);
  const rest = (rounded - minutes * 60).toFixed(decimals);
  return minutes === 0 ? rest : `${minutes}:${rest.padStart(decimals === 0 ? 2 : 3 + decimals, "0")}`;
}
