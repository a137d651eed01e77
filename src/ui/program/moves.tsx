"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Result } from "@/core/issue";
import { sentences, useSend } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { useSystem } from "../data/units";
import { Notice } from "../parts/notices";
import { WHY } from "./why";

/** What a move did: what fits no more, what fits again, what its label kept where it was. */
interface Moved {
  readonly moved: number;
  readonly worse: readonly Misfit[];
  readonly better: readonly Misfit[];
  readonly stayed: readonly { readonly site: string; readonly round: string; readonly why: string; readonly metric: string }[];
}
interface Misfit {
  readonly site: string;
  readonly round: string;
  readonly reasons: readonly (keyof typeof WHY)[];
}

export interface Moves {
  readonly said: { readonly moved?: Moved; readonly trouble: readonly string[] } | undefined;
  readonly move: (moves: readonly { siteId: string; round: string; day: string | null }[]) => Promise<void>;
  readonly shift: (rounds: readonly string[], days: number) => Promise<void>;
  readonly undo: (batch: string) => Promise<void>;
}

/** Moving work in a year: what it did is said where it was moved. */
export function useMoves(year: number): Moves {
  const save = useSaveOnce();
  const send = useSend();
  const [said, setSaid] = useState<Moves["said"]>(undefined);
  const tell = (result: Result<unknown>) =>
    setSaid(result.ok ? { moved: result.value as Moved, trouble: [] } : { trouble: sentences(result.issues) });
  return {
    said,
    move: async (moves) => tell(await save("/api/season/moves", "moves", { year, moves })),
    shift: async (rounds, days) => tell(await save("/api/season/shift", "shift", { year, rounds, days })),
    undo: async (id) => tell(await send("/api/season/undo", { id, year })),
  };
}

/** As many as are named. */
const NAMED = 5;

const misfitWords = (list: readonly Misfit[]): string =>
  list
    .slice(0, NAMED)
    .map(({ site, round, reasons }) => `${site}, ${round}: ${reasons.map((reason) => WHY[reason]).join(", ")}`)
    .join("; ") + (list.length > NAMED ? `; and ${(list.length - NAMED).toLocaleString("en-US")} more` : "");

export function MovedWords({ moves: { said } }: { moves: Moves }) {
  const system = useSystem();
  return (
    <Box role="status" display="grid" gap="6px">
      {said?.trouble.map((words) => (
        <Notice key={words} state="stop">
          Left where it was: {words}
        </Notice>
      ))}
      {said?.moved && said.moved.worse.length === 0 && said.moved.stayed.length === 0 && <Box fontWeight="700">✓ Moved</Box>}
      {said?.moved && said.moved.worse.length > 0 && (
        <Notice state="act">Moved. What fits no more: {misfitWords(said.moved.worse)}.</Notice>
      )}
      {said?.moved && said.moved.better.length > 0 && <Box>What fits again: {misfitWords(said.moved.better)}.</Box>}
      {said?.moved?.stayed.map(({ site, round, why, metric }) => (
        <Notice key={`${site} ${round}`} state="stop">
          {site}, {round}, stays where it was: {system === "metric" ? metric : why}
        </Notice>
      ))}
    </Box>
  );
}
