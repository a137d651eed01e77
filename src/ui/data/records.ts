"use client";

import { useSyncExternalStore } from "react";
import useSWR, { useSWRConfig } from "swr";
import { wordsFor, type Issue, type Result } from "@/core/issue";
import { DEFAULT_CURRENCY } from "@/formats/currency";
import { MADE_OF, sliceAt, slicePath, type Answer, type SliceKind, type SliceName, type Slices } from "@/formats/slices";
import type { AsideEntry } from "@/formats/entries";
import { setFirmZone, setServerTime } from "./clock";
import { unitsInHand } from "./units";

/** The records as a room needs them: slice by slice, asked for anew only where something of it may have changed. */

/** The server is there and can't work: why, and what to do. */
class ServerFault extends Error {
  constructor(readonly issue: Issue) {
    super(issue.received);
  }
}

/** How the last request went. */
interface Connection {
  /** The server can't be reached: what is shown may be old. */
  readonly lost: boolean;
  /** The server can't open its records, or can't write them. */
  readonly fault: Issue | undefined;
}
const REACHED: Connection = { lost: false, fault: undefined };
let connection = REACHED;
const listeners = new Set<() => void>();

function setConnection(next: Connection): void {
  if (next.lost === connection.lost && next.fault?.received === connection.fault?.received) return;
  connection = next;
  listeners.forEach((listener) => listener());
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

export const useConnection = (): Connection =>
  useSyncExternalStore(
    subscribe,
    () => connection,
    () => REACHED,
  );

const read = new Map<string, { readonly tag: string; readonly value: unknown }>();
const MOST_READ = 200;

/** Reads something of the server's; what hasn't changed since isn't sent again, and is the same value as before. */
async function fetchJson<T>(url: string): Promise<T> {
  const known = read.get(url);
  let response: Response;
  try {
    response = await fetch(url, known && { headers: { "if-none-match": known.tag } });
  } catch (error) {
    setConnection({ lost: true, fault: undefined });
    throw error;
  }
  const time = response.headers.get("x-server-time");
  if (time !== null) setServerTime(Number(time));
  if (response.status === 304 && known) {
    setConnection(REACHED);
    return known.value as T;
  }
  if (!response.ok) {
    const fault = (await response.json().catch(() => null)) as { issues?: readonly Issue[] } | null;
    const issue = fault?.issues?.[0];
    // What isn't on record is no fault of the server's.
    setConnection(response.status === 404 ? REACHED : { lost: issue === undefined, fault: issue });
    throw issue ? new ServerFault(issue) : new Error(String(response.status));
  }
  const value = (await response.json()) as T;
  setConnection(REACHED);
  const tag = response.headers.get("etag");
  if (tag !== null) {
    if (read.size >= MOST_READ) read.delete(read.keys().next().value!);
    read.set(url, { tag, value });
  }
  return value;
}

export const readSlice = async <S extends SliceName>(url: string): Promise<Answer<S>> => {
  const answer = await fetchJson<Answer<S>>(url);
  if (sliceAt(url)?.slice === "firm") setFirmZone((answer as Answer<"firm">).value.zone);
  return answer;
};

/** A slice as it is on record at this moment. @throws where the server can't be reached */
export const fetchSlice = <S extends SliceName>(slice: S, query: Slices[S]["query"]): Promise<Answer<S>> =>
  readSlice<S>(slicePath(slice, query));

/** How often a server that is away is looked for, ms. */
const TRY_AGAIN = 3000;

/** A slice as it is known here. */
interface Shown<S extends SliceName> {
  /** Undefined until it is read. */
  readonly value: Slices[S]["value"] | undefined;
  /** The rows of it that can't be read. */
  readonly aside: readonly AsideEntry[];
}
const NONE: readonly AsideEntry[] = [];

/**
 * A slice of the records: read once for all who ask the same, again when the window is looked at and after every save that
 * touched it.
 * @param query nothing is asked for while it is null
 */
export function useSlice<S extends SliceName>(slice: S, query: Slices[S]["query"] | null): Shown<S> {
  const { data } = useSWR<Answer<S>, Error>(query === null ? null : slicePath(slice, query), readSlice, {
    revalidateOnFocus: true,
    // The banner goes as soon as the server is back.
    onErrorRetry: (failed, _key, _config, again, { retryCount }) => {
      if (failed.message !== "404") setTimeout(() => void again({ retryCount }), TRY_AGAIN);
    },
  });
  return { value: data?.value, aside: data?.aside ?? NONE };
}

const NO_ROWS: readonly never[] = [];

/** A list that every room may need: empty until it is read. */
function useList<S extends "people" | "rigs" | "tips" | "labels" | "stock">(slice: S) {
  return (useSlice(slice, {}).value ?? NO_ROWS) as NonNullable<Shown<S>["value"]>;
}
export const usePeople = () => useList("people");
export const useRigs = () => useList("rigs");
export const useTips = () => useList("tips");
export const useLabels = () => useList("labels");
export const useStock = () => useList("stock");
/** What the firm buys in (ISO 4217). */
export const useCurrency = (): string => useSlice("firm", {}).value?.currency ?? DEFAULT_CURRENCY;

/** Whether some slices have been read: until then nothing is known to be missing. */
export function useRead(...slices: readonly ("firm" | "people" | "rigs" | "labels" | "sites")[]) {
  const known = {
    firm: useSlice("firm", slices.includes("firm") ? {} : null).value,
    people: useSlice("people", slices.includes("people") ? {} : null).value,
    rigs: useSlice("rigs", slices.includes("rigs") ? {} : null).value,
    labels: useSlice("labels", slices.includes("labels") ? {} : null).value,
    sites: useSlice("sites", slices.includes("sites") ? {} : null).value,
  };
  return slices.every((slice) => known[slice] !== undefined);
}

/** Some sites, in the order of their ids; those that can't be found are left out. */
export function useSites(ids: readonly string[]) {
  const wanted = ids.filter((id) => id !== "");
  const found = useSlice("sitesById", wanted.length > 0 ? { ids: [...new Set(wanted)].sort() } : null);
  const sites = found.value ?? NO_ROWS;
  return { sites, read: wanted.length === 0 || found.value !== undefined };
}

/** One site; undefined while there is none. */
export const useSite = (id: string | undefined) => useSites(id === undefined ? [] : [id]).sites[0];

/** What was sent, and which kinds of record it changed. */
interface Sent<T> {
  readonly result: Result<T>;
  readonly touched: readonly SliceKind[];
}

/** Sends something to be kept, and leaves what is shown as it is. */
export const send = async <T>(path: string, body: unknown): Promise<Result<T>> => (await post<T>(path, body)).result;

async function post<T>(path: string, body: unknown): Promise<Sent<T>> {
  try {
    const response = await fetch(path, {
      method: "POST",
      headers: { "content-type": "application/json", "x-units": unitsInHand() },
      body: JSON.stringify(body),
    });
    const touched = (response.headers.get("x-touched") ?? "").split(",").filter(Boolean) as SliceKind[];
    return { result: (await response.json()) as Result<T>, touched };
  } catch {
    // No answer, or one that is none of ours.
    return { result: unreachable, touched: [] };
  }
}

/** The server doesn't answer: an issue like any other. What was typed stays where it is. */
export const unreachable: { readonly ok: false; readonly issues: readonly Issue[] } = {
  ok: false,
  issues: [
    {
      path: "",
      code: "unreachable",
      received: "the server can't be reached",
      expected: "nothing is lost here: try again when it is back",
    },
  ],
};

const madeOf = (key: unknown, kinds: readonly SliceKind[]): boolean => {
  const at = typeof key === "string" ? sliceAt(key) : undefined;
  return at !== undefined && MADE_OF[at.slice].some((kind) => kinds.includes(kind));
};

/** Has everything that is shown asked for again: what is as it was costs no more than the question. */
export function useReadAgain(): () => Promise<void> {
  const { mutate } = useSWRConfig();
  return async () => void (await mutate((key) => typeof key === "string" && sliceAt(key) !== undefined));
}

/** Sends something to be kept, and has what it touched read again. A lost connection is an issue like any other. */
export function useSend() {
  const { mutate } = useSWRConfig();
  return async <T>(path: string, body: unknown): Promise<Result<T>> => {
    const { result, touched } = await post<T>(path, body);
    if (touched.length > 0) await mutate((key) => madeOf(key, touched));
    return result;
  };
}

/** Issues as sentences, for a message that stands by itself. */
export const sentences = (issues: readonly Issue[]) => issues.map((issue) => capital(wordsFor(issue, unitsInHand())));
const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.?!]$/.test(text) ? "" : "."}`;
