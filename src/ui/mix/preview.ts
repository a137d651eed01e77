"use client";

import { useSyncExternalStore } from "react";

/**
 * The order of the stops while one of them is dragged, by the names of the sites. Apart from what is kept and worked out:
 * only what draws the day listens, so that a long day follows the finger.
 */
export interface Preview {
  readonly set: (order: readonly string[] | undefined) => void;
  readonly read: () => readonly string[] | undefined;
  readonly subscribe: (listener: () => void) => () => void;
}

export function createPreview(): Preview {
  let order: readonly string[] | undefined;
  const listeners = new Set<() => void>();
  return {
    set: (next) => {
      order = next;
      listeners.forEach((listener) => listener());
    },
    read: () => order,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}

const NONE = createPreview();

export const usePreviewed = (preview: Preview = NONE): readonly string[] | undefined =>
  useSyncExternalStore(preview.subscribe, preview.read, () => undefined);
