"use client";

import { Box, chakra } from "@chakra-ui/react";
import { createContext, useContext, useState, type ReactNode } from "react";
import type { Slip, SlipCode } from "@/core/slips/slip";
import { Button, Input } from "./controls";
import { Row } from "./layout";

/** A slip that was asked about and meant. It is kept with the record, and never asked about again. */
export interface Dismissed {
  readonly field: string;
  readonly slip: SlipCode;
  readonly typed: string;
  readonly reason: string;
}

interface Kept {
  readonly dismissed: readonly Dismissed[];
  /** All that one answer dismisses, at once. */
  readonly dismiss: (more: readonly Dismissed[]) => void;
}

const Slips = createContext<Kept>({ dismissed: [], dismiss: () => undefined });

/** Where what was meant is kept until its record is saved: a form's draft, a run sheet, a mix. */
export function SlipKeeper({ dismissed, dismiss, children }: Kept & { children: ReactNode }) {
  return <Slips value={{ dismissed, dismiss }}>{children}</Slips>;
}

interface AskProps {
  /** The field, as the record names it. */
  readonly field: string;
  readonly typed: string;
  /** What the field is called, where the question doesn't stand beside it. */
  readonly about?: string;
  readonly slips: readonly Slip[];
  readonly words?: (text: string) => string;
  readonly onTake: (corrected: string) => void;
}

/** What probably happened to a typed value, and what to put in its place; or it was meant, and why. Never silent, once. */
export function SlipAsk({ field, typed, about, slips, onTake, words = (text) => text }: AskProps) {
  const { dismissed, dismiss } = useContext(Slips);
  const [why, setWhy] = useState<string>();
  const open = slips.filter((s) => !dismissed.some((d) => d.field === field && d.slip === s.code && d.typed === typed));
  const first = open[0];
  if (!first) return null;
  const keep = () => {
    const reason = (why ?? "").trim();
    if (reason === "") return;
    dismiss(open.map((slip) => ({ field, slip: slip.code, typed, reason })));
    setWhy(undefined);
  };
  return (
    <Box
      role="alert"
      aria-label="A slip?"
      borderLeft="6px solid"
      borderColor="act"
      background="sheet"
      padding="8px 12px"
      marginTop="6px"
      textStyle="note"
    >
      <chakra.strong color="act">! Slip? </chakra.strong>
      {about !== undefined && (
        <chakra.strong>
          {about}, {typed}:{" "}
        </chakra.strong>
      )}
      {first.says.charAt(0).toUpperCase() + first.says.slice(1)}.
      <Row alignItems="stretch" flexWrap="wrap" gap="8px" marginTop="8px">
        {open.map(
          (slip) =>
            slip.corrected !== null && (
              <Button key={slip.code + slip.corrected} type="button" onClick={() => onTake(slip.corrected!)}>
                Take {words(slip.corrected)}
              </Button>
            ),
        )}
        {why === undefined && (
          <Button look="quiet" type="button" onClick={() => setWhy("")}>
            It is meant
          </Button>
        )}
      </Row>
      {why !== undefined && (
        <Row gap="8px" marginTop="8px" alignItems="flex-end" flexWrap="wrap">
          <Box flex="1 1 200px">
            <chakra.label display="block" textStyle="label">
              Why it is meant
              <Input
                value={why}
                autoFocus
                maxLength={300}
                placeholder="e.g. the label's spot rate"
                onChange={(e) => setWhy(e.target.value)}
                onKeyDown={(e) => {
                  if (e.key !== "Enter") return;
                  e.preventDefault();
                  keep();
                }}
              />
            </chakra.label>
          </Box>
          <Button type="button" onClick={keep} disabled={why.trim() === ""}>
            Keep it
          </Button>
        </Row>
      )}
    </Box>
  );
}
