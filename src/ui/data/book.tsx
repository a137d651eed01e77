"use client";

import { createContext, useContext, type ReactNode } from "react";
import useSWR, { useSWRConfig } from "swr";
import { wordsFor, type Issue, type Result } from "@/core/contents";
import { EMPTY_BOOK, type Book } from "@/formats/book";

const BOOK = "/api/book";

export async function fetchJson<T>(url: string): Promise<T> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(String(response.status));
  return (await response.json()) as T;
}

interface Reading {
  readonly book: Book;
  /** Whether the book has been read at all; until then nothing is known to be missing. */
  readonly read: boolean;
  /** The server can't be reached: what is shown may be old. */
  readonly lost: boolean;
}

const Shown = createContext<Reading>({ book: EMPTY_BOOK, read: false, lost: false });

/** Reads the book once for all screens, again when the window is looked at, and after every save. */
export function BookProvider({ children }: { children: ReactNode }) {
  const { data, error } = useSWR<Book>(BOOK, fetchJson, { revalidateOnFocus: true, keepPreviousData: true });
  return <Shown value={{ book: data ?? EMPTY_BOOK, read: data !== undefined, lost: error !== undefined }}>{children}</Shown>;
}

export const useBook = () => useContext(Shown);

/** Sends something to be kept. A lost connection is an issue like any other: what was typed stays where it is. */
export async function send<T>(path: string, body: unknown): Promise<Result<T>> {
  try {
    const response = await fetch(path, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    return (await response.json()) as Result<T>;
  } catch {
    const issue: Issue = {
      path: "",
      code: "conflict",
      received: "the server can't be reached",
      expected: "nothing is lost here: try again when it is back",
    };
    return { ok: false, issues: [issue] };
  }
}

/** Sends, and has the book read again where it was kept. */
export function useSend() {
  const { mutate } = useSWRConfig();
  return async <T,>(path: string, body: unknown): Promise<Result<T>> => {
    const result = await send<T>(path, body);
    if (result.ok) await mutate(BOOK);
    return result;
  };
}

/** Issues as sentences, for a message that stands by itself. */
export const sentences = (issues: readonly Issue[]) => issues.map((issue) => capital(wordsFor(issue)));
const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
