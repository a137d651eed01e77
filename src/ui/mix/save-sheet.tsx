"use client";

import { Box } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { sentences, useSend } from "../data/book";
import type { InHand } from "../data/in-hand";
import { Button } from "../parts/controls";
import { Notice } from "../parts/notices";
import type { Draft } from "./draft";

/** Keeps the mix as a sheet and goes to pour it. The server works every amount out again. */
export function SaveSheet({ draft, hand, onSaved }: { draft: Draft; hand: InHand; onSaved: () => void }) {
  const router = useRouter();
  const send = useSend();
  const [id] = useState(() => nanoid());
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const save = async () => {
    setBusy(true);
    const result = await send<{ id: string }>("/api/sheets", {
      id,
      madeAt: new Date().toISOString(),
      siteId: hand.site!.id,
      rigId: hand.rig!.id,
      personId: hand.person?.id ?? null,
      calibrationId: hand.calibrated!.entry.id,
      tank: draft.tank,
      without: draft.without ?? [],
      loads: draft.loads,
      products: draft.products,
    });
    setBusy(false);
    if (!result.ok) return setTrouble(sentences(result.issues));
    onSaved();
    router.push(`/mix/sheet?id=${id}`);
  };
  return (
    <Box display="grid" gap="8px">
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      <Box>
        <Button look="act" onClick={save} disabled={busy}>
          Save the sheet and pour
        </Button>
      </Box>
    </Box>
  );
}
