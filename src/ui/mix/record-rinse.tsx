"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { RigEntry } from "@/formats/entries";
import { Typed } from "../calibrate/typed";
import { nowMoment } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { sentences } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { readTyped } from "@/formats/typed";
import { Check } from "../parts/choose";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Column } from "../parts/layout";
import { Notice } from "../parts/notices";

interface Cleaned {
  readonly water: string;
  readonly rinsate: string;
  readonly containers: boolean;
  readonly strainer: boolean;
}
const NOTHING: Cleaned = { water: "", rinsate: "", containers: false, strainer: false };

/** Puts a rinse on record in one press; with how it was done where somebody says so. */
export function RecordRinse({ rig, tank }: { rig: RigEntry; tank: string }) {
  const saveOnce = useSaveOnce();
  const { person } = useInHand();
  const key = `rinse:${rig.id}:${tank}`;
  const [cleaned = NOTHING, setCleaned] = useKept<Cleaned>(`cleaned:${rig.id}:${tank}`);
  const [trouble, setTrouble] = useState<string>();
  const set = (next: Partial<Cleaned>) => setCleaned({ ...cleaned, ...next });
  const keep = async () => {
    const water = cleaned.water.trim() === "" ? undefined : readTyped("left", cleaned.water);
    if (water && !water.ok) return setTrouble(sentences(water.issues)[0]);
    const facts = {
      ...(water && { water: water.value.text }),
      ...(cleaned.rinsate.trim() !== "" && { rinsate: cleaned.rinsate.trim() }),
      ...(cleaned.containers && { containers: true }),
      ...(cleaned.strainer && { strainer: true }),
    };
    const rinse = { rigId: rig.id, tank, personId: person?.id ?? null, ...(Object.keys(facts).length > 0 && { facts }) };
    const result = await saveOnce("/api/rinses", key, rinse, { rinsedAt: nowMoment() });
    if (result.ok) setCleaned(undefined);
    setTrouble(result.ok ? undefined : sentences(result.issues)[0]);
  };
  return (
    <Column gap="6px">
      <Box>
        <Button look="inline" onClick={() => void keep()}>
          It was rinsed three times: put that on record
        </Button>
      </Box>
      <Fold title="How it was cleaned" begun={cleaned !== NOTHING}>
        <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr", md: "1fr 2fr" }} paddingTop="6px">
          <Typed
            label="Water, each of the three times"
            field="left"
            value={cleaned.water}
            onChange={(water) => set({ water })}
            placeholder="1 qt"
            optional
          />
          <TextField
            label="Where the rinsate went"
            placeholder="onto the treated lawn; into the next like mix"
            hint="onto ground that its label allows, never away"
            maxLength={200}
            value={cleaned.rinsate}
            onChange={(e) => set({ rinsate: e.target.value })}
          />
        </Box>
        <Check checked={cleaned.containers} onChange={(e) => set({ containers: e.target.checked })}>
          Empty containers rinsed three times and punctured
        </Check>
        <Check checked={cleaned.strainer} onChange={(e) => set({ strainer: e.target.checked })}>
          Strainer and tip cleaned
        </Check>
      </Fold>
      {trouble && <Notice state="stop">{trouble}</Notice>}
    </Column>
  );
}
