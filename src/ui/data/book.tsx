"use client";

import { createContext, useContext, type ReactNode } from "react";
import useSWR, { useSWRConfig } from "swr";
import { wordsFor, type Issue, type Result } from "@/core/contents";
import { EMPTY_BOOK, type Book } from "@/formats/book";
import { setFirmZone, setServerTime } from "./clock";

const BOOK = "/api/book";

/** The server is there and can't work: why, and what to do. */
export class ServerFault extends Error {
  constructor(readonly issue: Issue) {
    super(issue.received);
  }
}

const read = new Map<string, { readonly tag: string; readonly value: unknown }>();
const MOST_READ = 30;

/** Reads something of the server's; what hasn't changed since isn't sent again, and is the same value as before. */
export async function fetchJson<T>(url: string): Promise<T> {
  const known = read.get(url);
  const response = await fetch(url, known && { headers: { "if-none-match": known.tag } });
  const time = response.headers.get("x-server-time");
  if (time !== null) setServerTime(Number(time));
  if (response.status === 304 && known) return known.value as T;
  if (!response.ok) {
    const fault = (await response.json().catch(() => null)) as { issues?: readonly Issue[] } | null;
    if (fault?.issues?.[0]) throw new ServerFault(fault.issues[0]);
    throw new Error(String(response.status));
  }
  const value = (await response.json()) as T;
  const tag = response.headers.get("etag");
  if (tag !== null) {
    if (read.size >= MOST_READ) read.delete(read.keys().next().value!);
    read.set(url, { tag, value });
  }
  return value;
}

interface Reading {
  readonly book: Book;
  /** Whether the book has been read at all; until then nothing is known to be missing. */
  readonly read: boolean;
  /** The server can't be reached: what is shown may be old. */
  readonly lost: boolean;
  /** The server can't open its records, or can't write them. */
  readonly fault: Issue | undefined;
}

const Shown = createContext<Reading>({ book: EMPTY_BOOK, read: false, lost: false, fault: undefined });

/** How often a server that is away is looked for, ms. */
const TRY_AGAIN = 3000;

/** Reads the book once for all screens, again when the window is looked at, and after every save. */
export function BookProvider({ children }: { children: ReactNode }) {
  const { data, error } = useSWR<Book, Error>(BOOK, fetchJson, {
    revalidateOnFocus: true,
    keepPreviousData: true,
    // The banner goes as soon as the server is back.
    onErrorRetry: (_error, _key, _config, again, { retryCount }) => void setTimeout(() => void again({ retryCount }), TRY_AGAIN),
  });
  if (data) setFirmZone(data.firm.zone);
  const fault = error instanceof ServerFault ? error.issue : undefined;
  return (
    <Shown value={{ book: data ?? EMPTY_BOOK, read: data !== undefined, lost: error !== undefined && !fault, fault }}>
      {children}
    </Shown>
  );
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
    // No answer, or one that is none of ours.
    return unreachable;
  }
}

/** The server doesn't answer: an issue like any other. What was typed stays where it is. */
export const unreachable: { readonly ok: false; readonly issues: readonly Issue[] } = {
  ok: false,
  issues: [
    {
      path: "",
      code: "conflict",
      received: "the server can't be reached",
      expected: "nothing is lost here: try again when it is back",
    },
  ],
};

/** Has the book read again; what was read, where it could be. */
export function useReadAgain(): () => Promise<Book | undefined> {
  const { mutate } = useSWRConfig();
  return () => mutate<Book>(BOOK);
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
const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.?!]$/.test(text) ? "" : "."}`;
