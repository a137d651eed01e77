"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { sameName } from "@/core/names";
import type { LabelEntry, PersonEntry, RigEntry } from "@/formats/entries";
import type { Imported } from "@/formats/import";
import type { RecordText } from "@/formats/job-file/types";
import { rateAt, rowName } from "@/formats/card/choice";
import { fetchSlice, sentences, unreachable, useLabels, usePeople, useRigs, useSend, useSlice } from "../data/records";
import { nowMoment } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { keep } from "../data/kept-here";
import { draftOf } from "../mix/draft";
import { Button, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";
import { quickFile, type Quick } from "./quick-job";

interface KeepProps {
  readonly quick: Quick;
  readonly set: (next: Partial<Quick>) => void;
  readonly onKept: () => void;
}

const NAMES: readonly (readonly [keyof Quick["names"], string, string])[] = [
  ["rig", "The sprayer is called", "Blue backpack"],
  ["person", "You are", "Odile Marsh"],
  ["product", "The product", "as on its label"],
  ["site", "The place", "Ferry green"],
];

/**
 * Makes the sprayer, the person, the calibration, the label and the place of it in one go: by the same door as a job file,
 * all or nothing. Then the mix goes on where limits are counted.
 */
export function KeepIt({ quick, set, onKept }: KeepProps) {
  const router = useRouter();
  const rigs = useRigs();
  const people = usePeople();
  const labels = useLabels();
  const { site: siteName } = quick.names;
  const site = useSlice("siteCalled", siteName.trim() === "" ? null : { name: siteName }).value ?? undefined;
  const { choose } = useInHand();
  const send = useSend();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const missing = NAMES.some(([key]) => quick.names[key].trim() === "");
  const here = onRecord({ rigs, people, labels }, quick.names);
  const taken = [here.rig?.rig.name, here.label?.card.name, site?.site.name].filter((name) => name !== undefined);
  const save = async () => {
    const file = quickFile(quick);
    if (!file?.ok) return;
    setBusy(true);
    const record: RecordText = {
      person: quick.names.person.trim(),
      madeAt: nowMoment(),
      method: quick.course ? "straight-course" : "area-catch",
    };
    const text = JSON.stringify({ ...file.value, calibration: { ...file.value.calibration, record } });
    const result = await send<Imported>("/api/jobs", { text });
    if (!result.ok) {
      setBusy(false);
      return setTrouble(sentences(result.issues));
    }
    // It is kept by now: where the server went away since, what it made can't be taken in hand yet, and that is said.
    const found = await Promise.all([newest(), fetchSlice("siteCalled", { name: siteName })]).catch(() => undefined);
    setBusy(false);
    if (!found) return setTrouble(sentences(unreachable.issues));
    const [known, { value: place }] = found;
    const { rig, person, label } = onRecord(known, quick.names);
    if (rig && person && place) choose({ rigId: rig.id, personId: person.id, siteId: place.id });
    if (label) {
      const choice = { row: 0, point: "least", from: rowName(label.card, 0) } as const;
      const products = [{ labelId: label.id, rate: rateAt(label.card, 0, "least", false), choice }];
      keep("mix", { ...draftOf({}), tanks: { "": { products, without: [] } } });
    }
    onKept();
    router.push("/mix");
  };
  return (
    <Box as="section" aria-label="Keep it" display="grid" gap="12px" borderTop="3px solid" borderColor="ink" paddingTop="10px">
      <SubHeading>Keep it</SubHeading>
      <Note>Sprayer, person, calibration, label and place in one go; nothing is typed twice.</Note>
      <Box display="grid" gap="10px 14px" gridTemplateColumns={{ base: "minmax(0,1fr)", sm: "1fr 1fr" }}>
        {NAMES.map(([key, label, example]) => (
          <TextField
            key={key}
            label={label}
            placeholder={example}
            value={quick.names[key]}
            maxLength={60}
            onChange={(e) => set({ names: { ...quick.names, [key]: e.target.value } })}
          />
        ))}
      </Box>
      {taken.length > 0 && (
        <Notice state="act">{taken.join(", ")}: on record already. Give another name, or mix with what is there.</Notice>
      )}
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      <Box>
        <Button look="act" disabled={missing || busy || taken.length > 0} onClick={() => void save()}>
          {busy ? "Keeping it …" : "Keep it, and mix"}
        </Button>
      </Box>
    </Box>
  );
}

interface Known {
  readonly rigs: readonly RigEntry[];
  readonly people: readonly PersonEntry[];
  readonly labels: readonly LabelEntry[];
}

/** What is on record now that it was kept. */
async function newest(): Promise<Known> {
  const [rigs, people, labels] = await Promise.all([fetchSlice("rigs", {}), fetchSlice("people", {}), fetchSlice("labels", {})]);
  return { rigs: rigs.value, people: people.value, labels: labels.value };
}

/** What stands on record under the names of a mix. */
function onRecord({ rigs, people, labels }: Known, names: Quick["names"]) {
  const is = (name: string, key: keyof Quick["names"]) => sameName(name, names[key]);
  return {
    rig: rigs.find((r) => is(r.rig.name, "rig")),
    person: people.find((p) => is(p.name, "person")),
    label: labels.find((l) => is(l.card.name, "product")),
  };
}
