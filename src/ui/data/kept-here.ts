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

/** What this browser has no room for: it lives as long as the page does. */
const overflow = new Map<string, unknown>();
const fullListeners = new Set<() => void>();

/** Whether this browser has no room left: what is typed now is lost by a reload. */
export const useStorageFull = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      fullListeners.add(listener);
      return () => void fullListeners.delete(listener);
    },
    () => overflow.size > 0,
    () => false,
  );

export function readKept<T>(key: string): T | undefined {
  if (overflow.has(key)) return overflow.get(key) as T;
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
  const wasFull = overflow.size > 0;
  overflow.delete(key);
  if (value === undefined) window.localStorage.removeItem(key);
  else
    try {
      window.localStorage.setItem(key, JSON.stringify(value));
    } catch {
      // Full, or not allowed: what was kept before under this key would be older than what is typed.
      window.localStorage.removeItem(key);
      overflow.set(key, value);
    }
  if (wasFull !== overflow.size > 0) fullListeners.forEach((listener) => listener());
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
