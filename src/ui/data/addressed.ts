"use client";

import { useSearchParams } from "next/navigation";
import { useCallback } from "react";

type Address = Readonly<Record<string, string | undefined>>;

/**
 * What a room is at, named in its address: back, reload and a link that was passed on find it again.
 *
 * @returns what the address says under a name, and how to go on: what is undefined is taken out of it, the rest stays
 */
export function useAddress(): readonly [says: (name: string) => string | undefined, go: (next: Address) => void] {
  const asked = useSearchParams();
  const says = useCallback((name: string) => asked.get(name) ?? undefined, [asked]);
  const go = useCallback((next: Address) => {
    const url = new URL(window.location.href);
    for (const [name, value] of Object.entries(next)) {
      if (value === undefined) url.searchParams.delete(name);
      else url.searchParams.set(name, value);
    }
    if (url.href !== window.location.href) window.history.pushState(null, "", url);
    window.scrollTo(0, 0);
  }, []);
  return [says, go];
}

/** Stands for the id of what isn't on record yet. */
const NEW = "new";

/** Which of a room's things is open, by its address: one on record, a new one, or none. */
export interface Open {
  readonly id: string | undefined;
  readonly adding: boolean;
  readonly open: (id: string) => void;
  readonly add: () => void;
  readonly close: () => void;
}

/** @param name what it is called in the address: `id`, or another where a room lists two kinds of things */
export function useOpen(name = "id"): Open {
  const [says, go] = useAddress();
  const id = says(name);
  return {
    id: id === NEW ? undefined : id,
    adding: id === NEW,
    open: (one) => go({ [name]: one }),
    add: () => go({ [name]: NEW }),
    close: () => go({ [name]: undefined }),
  };
}
