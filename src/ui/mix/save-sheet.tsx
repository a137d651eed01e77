"use client";

import { Box } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { sentences, useSend } from "../data/book";
import type { InHand } from "../data/in-hand";
import { Button } from "../parts/controls";
import { Notice } from "../parts/notices";
import { tankOf, type Chosen, type Draft } from "./draft";
import type { Worked } from "./work-mix";

interface SaveProps {
  readonly draft: Draft;
  readonly hand: InHand;
  readonly tanks: readonly { readonly key: string; readonly chosen: readonly Chosen[]; readonly worked: Worked | undefined }[];
  readonly nameOf: (key: string) => string;
  readonly onSaved: () => void;
}

/** Keeps the mix as a sheet, one for each tank that has one, and goes to pour it. The server works every amount out again. */
export function SaveSheet({ draft, hand, tanks, nameOf, onSaved }: SaveProps) {
  const router = useRouter();
  const send = useSend();
  // Made once: a save whose answer got lost can be sent again without doubling.
  const [ids] = useState(() => new Map<string, string>());
  const [dayId] = useState(() => nanoid());
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const mixed = tanks.filter((t) => t.chosen.length > 0);
  const held = mixed.filter(({ worked }) => !worked || !("plan" in worked) || worked.plan.reasons.length > 0);
  const idOf = (key: string) => {
    const id = ids.get(key) ?? nanoid();
    ids.set(key, id);
    return id;
  };
  const save = async () => {
    setBusy(true);
    for (const { key, worked } of mixed) {
      const result = await send<{ id: string }>("/api/sheets", {
        id: idOf(key),
        madeAt: new Date().toISOString(),
        rigId: hand.rig!.id,
        personId: hand.person?.id ?? null,
        calibrationId: hand.calibrated!.entry.id,
        dayId: mixed.length > 1 ? dayId : null,
        tank: key,
        loads: draft.loads,
        run: draft.purpose === "day",
        overage: draft.purpose === "spot" ? "" : draft.overage,
        mixedFor: draft.mixedFor,
        stops: worked && "plan" in worked ? worked.stops : [],
        products: tankOf(draft, key).products,
      });
      if (!result.ok) {
        setBusy(false);
        return setTrouble(sentences(result.issues).map((text) => (mixed.length > 1 ? `${nameOf(key)} tank: ${text}` : text)));
      }
    }
    setBusy(false);
    onSaved();
    router.push(`/mix/sheet?id=${idOf(mixed[0]!.key)}`);
  };
  return (
    <Box display="grid" gap="8px">
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      {held.length > 0 && mixed.length > 1 && (
        <Notice state="act">
          The mix of the {held.map((t) => nameOf(t.key)).join(" and ")} tank has no plan yet: nothing is saved before it has.
        </Notice>
      )}
      <Box>
        <Button look="act" onClick={save} disabled={busy || held.length > 0}>
          {mixed.length > 1 ? `Save the ${mixed.length} sheets and pour` : "Save the sheet and pour"}
        </Button>
      </Box>
    </Box>
  );
}
