"use client";

import { nanoid } from "nanoid";
import type { Result } from "@/core/issue";
import { useSend } from "./records";
import { keep, readKept } from "./kept-here";

interface Sent {
  readonly id: string;
  readonly content: string;
}

/**
 * The id under which something is saved: the same as long as it is the same (its answer may have got lost, and it is sent
 * again), another as soon as anything of it was changed. Kept in this browser, so that a reload in between makes no double.
 * @param key of the draft · @param content all that is saved, but for the id and the time
 */
export function saveId(key: string, content: unknown): string {
  const text = JSON.stringify(content);
  const last = readKept<Sent>(`sent:${key}`);
  if (last?.content === text) return last.id;
  const id = nanoid();
  keep(`sent:${key}`, { id, content: text } satisfies Sent);
  return id;
}

/** It was kept: what comes next under this key is another thing. */
export const forgetId = (key: string): void => keep(`sent:${key}`, undefined);

/** Saves something once: sent again as it was it is the same record, changed it is another. @param more what isn't part of it: the time */
export function useSaveOnce() {
  const send = useSend();
  return async <T>(path: string, key: string, content: object, more: object = {}): Promise<Result<T>> => {
    const result = await send<T>(path, { id: saveId(key, content), ...content, ...more });
    if (result.ok) forgetId(key);
    return result;
  };
}
