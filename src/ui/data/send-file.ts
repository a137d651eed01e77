"use client";

import type { Result } from "@/core/issue";
import type { Choices, Imported } from "@/formats/import";
import { unreachable } from "./records";

interface Sending {
  readonly signal: AbortSignal;
  readonly said?: Choices;
  readonly progress: (done: number, of: number) => void;
}

/** Sends a file to be looked at (`said`: what was said of how it is to be read), or, with what was chosen, to be kept; tells how far it is. */
export async function sendFile(
  kind: string,
  file: File,
  choices: Choices | undefined,
  { signal, progress, said }: Sending,
): Promise<Result<Imported>> {
  const wish = choices === undefined ? { look: true, said } : { choices };
  try {
    const response = await fetch(`/api/files/${kind}`, {
      method: "POST",
      headers: { "content-type": "application/octet-stream" },
      body: new Blob([`${JSON.stringify(wish)}\n`, file]),
      signal,
    });
    if (!response.ok) return (await response.json()) as Result<Imported>;
    let rest = "";
    const lines = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    for (;;) {
      const { value, done } = await lines.read();
      rest += value ?? "";
      const all = rest.split("\n");
      rest = all.pop()!;
      for (const line of all) {
        const said = JSON.parse(line) as { progress?: [number, number]; result?: Result<Imported> };
        if (said.result) return said.result;
        if (said.progress) progress(...said.progress);
      }
      if (done) return unreachable;
    }
  } catch {
    if (!signal.aborted) return unreachable;
    return {
      ok: false,
      issues: [{ path: "", code: "stopped", received: "stopped", expected: "nothing of it was kept" }],
    };
  }
}
