"use client";

import { releaseProxy, wrap, type Remote } from "comlink";
import { useEffect, useRef } from "react";

/** A worker that is at work behind its door. */
export interface AtWork<D> {
  readonly door: Remote<D>;
  /** It was ended, or is lost: what it still answers is nobody's. */
  readonly isOver: () => boolean;
  readonly end: () => void;
}

/**
 * Opens the door of a worker.
 * @param onLost it can't be fetched, or broke down: it is ended by then, and answers nobody
 */
export function openWorker<D>(worker: Worker, onLost: () => void): AtWork<D> {
  const door = wrap<D>(worker);
  let over = false;
  const end = () => {
    if (over) return;
    over = true;
    door[releaseProxy]();
    worker.terminate();
  };
  worker.onerror = () => {
    if (over) return;
    end();
    onLost();
  };
  return { door, isOver: () => over, end };
}

/** One worker at a time: a new one ends the one before, leaving the screen ends the last. */
export function useWorker<D>() {
  const now = useRef<AtWork<D> | null>(null);
  useEffect(() => () => now.current?.end(), []);
  return {
    begin: (worker: Worker, onLost: () => void): AtWork<D> => {
      now.current?.end();
      now.current = openWorker<D>(worker, onLost);
      return now.current;
    },
    /** The one that is at work; null where none is. */
    atWork: (): AtWork<D> | null => (now.current?.isOver() === false ? now.current : null),
    end: () => now.current?.end(),
  };
}
