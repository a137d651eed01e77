"use client";

import { Box } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { sentences, useSend } from "../data/records";
import { nowMoment, todayDate } from "../data/clock";
import type { InHand } from "../data/in-hand";
import { forgetId, saveId } from "../data/save-id";
import { Button } from "../parts/controls";
import { Notice } from "../parts/notices";
import { headFor, tankOf, type Chosen, type Draft } from "./draft";
import type { Worked } from "./work-mix";
import { Column } from "../parts/layout";

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
    const sheets = mixed.map(({ key, worked }) => {
      const content = {
        rigId: hand.rig!.id,
        personId: hand.person?.id ?? null,
        calibrationId: hand.calibrated!.entry.id,
        dayId: mixed.length > 1 ? dayId : null,
        tank: key,
        ...(draft.date > todayDate() && { date: draft.date }),
        loads: worked && "job" in worked ? worked.job.loads : draft.loads,
        run: draft.purpose === "day",
        overage: draft.purpose === "spot" ? "" : draft.overage,
        mixedFor: draft.mixedFor,
        ...(worked && "job" in worked && worked.job.oneLess && { oneLess: true }),
        ...(draft.waterFirst && { waterFirst: draft.waterFirst }),
        ...(headFor(draft, hand.rig!) && { head: headFor(draft, hand.rig!) }),
        stops: worked && "plan" in worked ? worked.stops : [],
        products: tankOf(draft, key).products,
      };
      return { id: saveId(`sheet:${key}`, content), madeAt: nowMoment(), ...content };
    });
    const result = await send<{ ids: readonly string[] }>("/api/sheets", { sheets });
    setBusy(false);
    if (!result.ok) {
      const tankAt = (path: string) => mixed[Number(/^sheets\[(\d+)\]/.exec(path)?.[1] ?? 0)]!.key;
      return setTrouble(
        result.issues.map((issue) => `${mixed.length > 1 ? `${nameOf(tankAt(issue.path))} tank: ` : ""}${sentences([issue])[0]}`),
      );
    }
    for (const { key } of mixed) forgetId(`sheet:${key}`);
    onSaved();
    router.push(`/mix/sheet?id=${result.value.ids[0]}`);
  };
  return (
    <Column gap="8px">
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
          {mixed.length > 1 ? `Start mixing: ${mixed.length} sheets` : "Start mixing"}
        </Button>
      </Box>
    </Column>
  );
}
