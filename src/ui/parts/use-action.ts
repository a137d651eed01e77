"use client";

import { useState } from "react";

/**
 * Something that a press begins and that may fail: fetching a library, writing a file, the clipboard. While it goes on
 * nothing begins twice; where it fails that is said, and all that was typed stays as it is.
 * @param failed what is said then
 */
export function useAction(failed: string) {
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const run = async (work: () => Promise<unknown> | unknown): Promise<boolean> => {
    if (busy) return false;
    setBusy(true);
    try {
      await work();
      setTrouble(undefined);
      return true;
    } catch {
      setTrouble(failed);
      return false;
    } finally {
      setBusy(false);
    }
  };
  return { busy, trouble, run };
}
