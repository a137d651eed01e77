"use client";

import { useState } from "react";
import useSWR from "swr";
import type { Issue } from "@/core/contents";
import type { Sheet } from "@/formats/book";
import { fetchJson, send, sentences } from "../data/book";

/** How often another device's ticks are looked for, ms. */
const LOOK_AGAIN = 2500;

/** A sheet with its ticks, kept on the server: a reload loses none, two devices agree. */
export function useSheet(id: string | null) {
  const url = `/api/sheets/${encodeURIComponent(id ?? "")}`;
  const { data, error, mutate } = useSWR<Sheet>(id === null ? null : url, fetchJson, {
    refreshInterval: LOOK_AGAIN,
    keepPreviousData: true,
  });
  const [trouble, setTrouble] = useState<readonly string[]>([]);

  const tick = async (step: string, done: boolean) => {
    if (!data) return;
    const ticked = (of: Sheet): Sheet => ({ ...of, done: done ? [...of.done, step] : of.done.filter((s) => s !== step) });
    // Until the answer is there a poll doesn't count: it may be of before the tick.
    await mutate(
      async (known) => {
        const result = await send<{ done: string[] }>(`${url}/ticks`, { step, done });
        setTrouble(result.ok ? [] : sentences(result.issues));
        return result.ok ? { ...(known ?? data), done: result.value.done } : (known ?? data);
      },
      { optimisticData: (committed, shown) => ticked(shown ?? committed ?? data), revalidate: false },
    );
    // The last step of a fill changes the day behind it.
    if (data.run && step.endsWith(".top-up")) await mutate();
  };
  /** Tells what became of a stop: to this sheet, or to every tank of the day. */
  const tell = async (event: object, everywhere = false): Promise<readonly Issue[]> => {
    const sheets = [id!, ...(everywhere ? (data?.others ?? []).map((o) => o.id) : [])];
    const issues: Issue[] = [];
    for (const sheet of sheets) {
      const result = await send(`/api/sheets/${encodeURIComponent(sheet)}/stops`, event);
      if (!result.ok) issues.push(...result.issues);
    }
    await mutate();
    return issues;
  };
  return { sheet: data, missing: id === null || (error !== undefined && !data), tick, tell, trouble, again: () => void mutate() };
}
