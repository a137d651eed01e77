"use client";

import { Box } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { sentences, useSend } from "../data/book";
import { nowMoment, todayDate } from "../data/clock";
import type { InHand } from "../data/in-hand";
import { forgetId, saveId } from "../data/save-id";
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
  const [dayId] = useState(() => nanoid());
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const mixed = tanks.filter((t) => t.chosen.length > 0);
  const held = mixed.filter(({ worked }) => !worked || !("plan" in worked) || worked.plan.reasons.length > 0);
  const save = async () => {
    setBusy(true);
    const kept: string[] = [];
    for (const { key, worked } of mixed) {
      const content = {
        rigId: hand.rig!.id,
        personId: hand.person?.id ?? null,
        calibrationId: hand.calibrated!.entry.id,
        dayId: mixed.length > 1 ? dayId : null,
        tank: key,
        ...(draft.date > todayDate() && { date: draft.date }),
        loads: draft.loads,
        run: draft.purpose === "day",
        overage: draft.purpose === "spot" ? "" : draft.overage,
        mixedFor: draft.mixedFor,
        ...(draft.oneLess && draft.purpose === "site" && { oneLess: true }),
        ...(draft.waterFirst && { waterFirst: draft.waterFirst }),
        ...(draft.head && { head: draft.head }),
        stops: worked && "plan" in worked ? worked.stops : [],
        products: tankOf(draft, key).products,
      };
      const result = await send<{ id: string }>("/api/sheets", {
        id: saveId(`sheet:${key}`, content),
        madeAt: nowMoment(),
        ...content,
      });
      if (!result.ok) {
        setBusy(false);
        return setTrouble(sentences(result.issues).map((text) => (mixed.length > 1 ? `${nameOf(key)} tank: ${text}` : text)));
      }
      kept.push(result.value.id);
    }
    setBusy(false);
    for (const { key } of mixed) forgetId(`sheet:${key}`);
    onSaved();
    router.push(`/mix/sheet?id=${kept[0]}`);
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
