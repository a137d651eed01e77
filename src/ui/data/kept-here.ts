"use client";

import { useCallback, useSyncExternalStore } from "react";

/**
 * What is kept in this browser: what is in hand, a run sheet in the making, a half-filled form. Written through on every
 * change, so that a reload or a flat battery in the middle loses nothing.
 */
const listeners = new Map<string, Set<() => void>>();
const parsed = new Map<string, { text: string; value: unknown }>();

const announce = (key: string) => listeners.get(key)?.forEach((listener) => listener());

if (typeof window !== "undefined") window.addEventListener("storage", (event) => event.key && announce(event.key));

function subscribe(key: string, listener: () => void): () => void {
  const set = listeners.get(key) ?? new Set();
  listeners.set(key, set.add(listener));
  return () => set.delete(listener);
}

export function readKept<T>(key: string): T | undefined {
  const text = window.localStorage.getItem(key);
  if (text === null) return undefined;
  const known = parsed.get(key);
  if (known?.text === text) return known.value as T;
  try {
    const value = JSON.parse(text) as T;
    parsed.set(key, { text, value });
    return value;
  } catch {
    return undefined;
  }
}

/** Keeps a value, or forgets it where it is undefined. */
export function keep(key: string, value: unknown): void {
  if (value === undefined) window.localStorage.removeItem(key);
  else window.localStorage.setItem(key, JSON.stringify(value));
  announce(key);
}

/** A value kept under a key: undefined on the server and where there is none. */
export function useKept<T>(key: string): [T | undefined, (next: T | undefined) => void] {
  const listen = useCallback((listener: () => void) => subscribe(key, listener), [key]);
  const value = useSyncExternalStore(
    listen,
    () => readKept<T>(key),
    () => undefined,
  );
  return [value, useCallback((next) => keep(key, next), [key])];
}

/** The keys that begin with a prefix and have something kept. */
export function keptKeys(prefix: string): string[] {
  return Object.keys(window.localStorage).filter((key) => key.startsWith(prefix));
}
