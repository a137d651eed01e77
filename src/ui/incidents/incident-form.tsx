"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Issue } from "@/core/issue";
import { INCIDENT_KINDS, INCIDENT_NAMES, INCIDENT_PARTS, type IncidentKind, type IncidentText } from "@/formats/incidents";
import type { IncidentEntry } from "@/formats/entries";
import { todayDate } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { sentences, useLabels, usePeople } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { Choose, type Option } from "../parts/choose";
import { Button, Lines, Note } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Column } from "../parts/layout";
import { Notice } from "../parts/notices";
import { SitePick } from "../parts/pickers";

/** An incident in the making, kept in this browser until it is saved. */
interface IncidentDraft {
  readonly kind: IncidentKind;
  readonly date: string;
  readonly siteId: string;
  readonly labelId: string;
  readonly personId: string;
  readonly says: { readonly [K in keyof IncidentText]: string };
}

const draftOf = ({ kind, date, siteId, labelId, personId, says }: IncidentEntry): IncidentDraft => ({
  ...{ kind, date, says },
  ...{ siteId: siteId ?? "", labelId: labelId ?? "", personId: personId ?? "" },
});

interface IncidentFormProps {
  readonly kind?: IncidentKind;
  readonly labelId?: string;
  /** What is told anew. */
  readonly of?: IncidentEntry | undefined;
  readonly onDone: () => void;
}

/** The incident in the making, and what it is saved with. */
function useIncident({ kind = "spill", labelId = "", of, onDone }: IncidentFormProps) {
  const key = `incident:${of?.id ?? "new"}`;
  const hand = useInHand();
  const saveOnce = useSaveOnce();
  const [issues, setIssues] = useState<readonly Issue[]>([]);
  const [kept, setKept] = useKept<IncidentDraft>(key);
  const inHand = { siteId: hand.site?.id ?? "", labelId, personId: hand.person?.id ?? "" };
  const draft: IncidentDraft = kept ?? (of ? draftOf(of) : { kind, date: todayDate(), ...inHand, says: { what: "" } });
  const set = (next: Partial<IncidentDraft>) => setKept({ ...draft, ...next });
  const say = (next: Partial<IncidentDraft["says"]>) => set({ says: { ...draft.says, ...next } });
  const save = async () => {
    const { siteId, labelId: product, personId, ...rest } = draft;
    const ids = { siteId: siteId || null, labelId: product || null, personId: personId || null, corrects: of?.id ?? null };
    const result = await saveOnce<{ id: string }>("/api/incidents", key, { ...rest, ...ids });
    if (!result.ok) return setIssues(result.issues);
    setKept(undefined);
    setIssues([]);
    onDone();
  };
  return { draft, set, say, save, issues };
}

/** What is wrong with these is told at them. */
const AT_FIELDS = ["date", "says.what", "says.time"];

/** Puts what went wrong on record. Nobody takes it away again; what was told wrong is told anew. */
export function IncidentForm(props: IncidentFormProps) {
  const people = usePeople();
  const labels = useLabels();
  const { draft, set, say, save, issues } = useIncident(props);
  const errorOf = (path: string) => sentences(issues.filter((one) => one.path === path))[0];
  const words = (part: keyof IncidentText, label: string) => (
    <Field label={label}>
      {(props) => (
        <Lines
          {...props}
          rows={2}
          maxLength={INCIDENT_PARTS[part]}
          value={draft.says[part] ?? ""}
          onChange={(e) => say({ [part]: e.target.value })}
        />
      )}
    </Field>
  );
  return (
    <Column as="section" aria-label="Put it on record" gap="12px">
      <Choose
        label="What it was"
        value={draft.kind}
        options={INCIDENT_KINDS.map((one): Option => [one, INCIDENT_NAMES[one]])}
        onPick={(next) => set({ kind: next as IncidentKind })}
      />
      <Field label="What happened" error={errorOf("says.what")}>
        {(props) => (
          <Lines
            {...props}
            rows={4}
            maxLength={INCIDENT_PARTS.what}
            value={draft.says.what}
            onChange={(e) => say({ what: e.target.value })}
          />
        )}
      </Field>
      <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr">
        <TextField
          label="On"
          type="date"
          max={todayDate()}
          value={draft.date}
          error={errorOf("date")}
          onChange={(e) => set({ date: e.target.value })}
        />
        <TextField
          label="At"
          type="time"
          value={draft.says.time ?? ""}
          error={errorOf("says.time")}
          onChange={(e) => say({ time: e.target.value })}
        />
      </Box>
      <SitePick empty="at no site" value={draft.siteId} onPick={(siteId) => set({ siteId })} />
      <TextField
        label="Where there, on the way, at the shed"
        value={draft.says.where ?? ""}
        onChange={(e) => say({ where: e.target.value })}
      />
      <Choose
        label="Product"
        value={draft.labelId}
        options={[["", "none, or not known"], ...labels.map(({ id, card }): Option => [id, card.name])]}
        onPick={(next) => set({ labelId: next })}
      />
      <TextField label="How much of it" value={draft.says.amount ?? ""} onChange={(e) => say({ amount: e.target.value })} />
      <TextField label="Weather as it was" value={draft.says.weather ?? ""} onChange={(e) => say({ weather: e.target.value })} />
      {words("done", "What was done")}
      {words("told", "Who was told, and when")}
      <Choose
        label="Told by"
        value={draft.personId}
        options={[["", "not noted"], ...people.filter((one) => !one.retired).map((one): Option => [one.id, one.name])]}
        onPick={(personId) => set({ personId })}
      />
      {sentences(issues.filter((one) => !AT_FIELDS.includes(one.path))).map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      <Note>Nothing takes it off the record again. What turns out otherwise is told anew, beside it.</Note>
      <Box>
        <Button look="act" onClick={() => void save()}>
          {props.of ? "Put it on record anew" : "Put it on record"}
        </Button>
      </Box>
    </Column>
  );
}
