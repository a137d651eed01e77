"use client";

import { Box } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { useState } from "react";
import type { Issue } from "@/core/issue";
import { plainOf, rateContextOf } from "@/core/mixing/judge";
import { sameName } from "@/core/names";
import { entered, parseAs, type Entered } from "@/core/quantity/parse";
import { spokenToWritten } from "@/core/quantity/spoken";
import { slipsOfForm } from "@/core/slips/of-load";
import { slipsOfBound } from "@/core/slips/of-bound";
import { rateBounds, slipsOfRate } from "@/core/slips/of-rate";
import { slipsOfTotal } from "@/core/slips/of-total";
import type { Slip } from "@/core/slips/slip";
import type { ApplicationEntry, BrokenEntry, LabelEntry } from "@/formats/entries";
import { productOf } from "@/formats/card/product-of";
import { rowRates } from "@/formats/card/choice";
import { toldOf } from "@/formats/facts";
import { readRate } from "@/formats/forms/rate";
import { Faults } from "@/formats/job-file/faults";
import { readProduct } from "@/formats/job-file/read-product";
import { sentences, useLabels, usePeople, useSite } from "../data/records";
import { todayDate } from "../data/clock";
import { unitsInHand } from "../data/units";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { useSaveOnce } from "../data/save-id";
import { rateWords, shorter } from "../labels/words";
import { Choose, type Option } from "../parts/choose";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";
import { ShelfPick, SitePick } from "../parts/pickers";
import { Fold } from "../parts/fold";
import { SlipAsk, SlipKeeper, type Dismissed } from "../parts/slip-ask";
import { FactFields, factsOf, type Told } from "./fact-fields";
import { ounceOf, isRateText } from "@/core/labels/label-rate";
import { amountField } from "@/core/quantity/ranges";
import { Column, Row } from "../parts/layout";

/** An application in the making, kept in this browser until it is saved. */
interface EntryDraft {
  readonly id: string;
  readonly date: string;
  readonly siteId: string;
  readonly zoneId: string;
  readonly labelId: string;
  readonly amount: string;
  /** The ground that was covered; empty where it is the whole zone. */
  readonly covered?: string;
  readonly personId: string;
  readonly note: string;
  /** Why it is put on a day before its sheet's. */
  readonly why?: string;
  readonly facts?: Told;
  readonly corrects: string | null;
  readonly dismissed: readonly Dismissed[];
}

/** A record as a correction begins with it. */
type Before = Pick<ApplicationEntry, "id" | "date" | "siteId" | "zoneId" | "labelId" | "product" | "rate" | "personId"> &
  Partial<Pick<ApplicationEntry, "covered" | "area" | "facts">>;

/** A record that can't be read whole, as it is written anew. */
export const beforeOf = (id: string, record: BrokenEntry): Before => ({
  ...record,
  id,
  date: record.date ?? todayDate(),
  rate: record.rate ?? "",
});

interface EnterProps {
  /** The record that is corrected; a new one where it is left out. */
  readonly corrects: Before | undefined;
  readonly onDone: () => void;
}

/** The application in the making, kept up as it is typed, and what it is saved with. */
function useEntry({ corrects, onDone }: EnterProps) {
  const labels = useLabels();
  const hand = useInHand();
  const saveOnce = useSaveOnce();
  const blank = (): EntryDraft => ({
    id: nanoid(),
    date: corrects?.date ?? todayDate(),
    siteId: corrects?.siteId ?? hand.site?.id ?? "",
    zoneId: corrects?.zoneId ?? "",
    labelId: corrects?.labelId ?? labels.find((l) => corrects && sameName(l.card.name, corrects.product))?.id ?? "",
    amount: corrects ? shorter(corrects.rate) : "",
    covered: corrects?.covered !== undefined && corrects.covered !== corrects.area ? corrects.covered : "",
    personId: corrects?.personId ?? hand.person?.id ?? "",
    note: "",
    ...(corrects?.facts && { facts: toldOf(corrects.facts) }),
    corrects: corrects?.id ?? null,
    dismissed: [],
  });
  const key = `draft:application:${corrects?.id ?? "new"}`;
  const [kept, setKept] = useKept<EntryDraft>(key);
  const [start] = useState(blank);
  const draft = kept ?? start;
  const set = (next: Partial<EntryDraft>) => setKept({ ...draft, ...next });
  const [issues, setIssues] = useState<readonly Issue[]>([]);
  const site = useSite(draft.siteId);
  const zones = [
    ...(site?.site.zones ?? []),
    // What went down on a zone that was taken out since did go down there.
    ...(site?.former.filter((z) => z.id === corrects?.zoneId).map((z) => ({ ...z, id: z.id })) ?? []),
  ];
  const zone = zones.find((z) => z.id === draft.zoneId) ?? (zones.length === 1 ? zones[0] : undefined);
  const save = async () => {
    const { id: _, ...rest } = draft;
    // As it was shown it is as it was: a correction of the date is none of the amount.
    const amount = corrects && draft.amount === shorter(corrects.rate) ? corrects.rate : draft.amount;
    const content = {
      ...rest,
      amount,
      covered: rest.covered?.trim() === "" ? undefined : rest.covered,
      zoneId: zone?.id ?? draft.zoneId,
      personId: draft.personId === "" ? null : draft.personId,
      ...(draft.facts && { facts: factsOf(draft.facts) }),
    };
    const result = await saveOnce("/api/applications", key, content);
    if (!result.ok) return setIssues(result.issues);
    setIssues([]);
    setKept(undefined);
    onDone();
  };
  const label = labels.find((l) => l.id === draft.labelId);
  const drop = () => {
    setKept(undefined);
    onDone();
  };
  return { draft, set, zones, zone, label, issues, save, drop };
}

/** Entering what went down, or correcting what was entered: the old record stays, the new one names it. */
export function Enter({ corrects, onDone }: EnterProps) {
  const { draft, set, zones, zone, label, issues, save, drop } = useEntry({ corrects, onDone });
  const errorOf = (path: string) => {
    const issue = issues.find((i) => i.path === path);
    return issue && sentences([issue])[0];
  };
  const placed = ["date", "amount", "covered", "zoneId", "labelId", "why"];
  return (
    <form
      aria-label={corrects ? "Correct a record" : "Enter what went down"}
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
      noValidate
    >
      <Column gap="14px">
        <EntryFields draft={draft} set={set} zones={zones} zone={zone} label={label} errorOf={errorOf} />
        <SlipKeeper dismissed={draft.dismissed} dismiss={(more) => set({ dismissed: [...draft.dismissed, ...more] })}>
          <SlipAsk
            field="amount"
            typed={draft.amount}
            slips={amountSlips(draft.amount, label, zone?.area)}
            words={rateWords}
            onTake={(amount) => set({ amount })}
          />
        </SlipKeeper>
        {(corrects || issues.some((i) => i.path === "why")) && (
          <TextField
            label="Why"
            value={draft.why ?? ""}
            maxLength={300}
            hint={corrects && "needed where less counts than before, or elsewhere"}
            error={errorOf("why")}
            onChange={(e) => set({ why: e.target.value })}
          />
        )}
        <Fold title="Times, weather, what it was against" begun={Object.keys(draft.facts ?? {}).length > 0}>
          <FactFields told={draft.facts ?? {}} set={(facts) => set({ facts })} errorOf={errorOf} />
        </Fold>
        <TextField label="Note" value={draft.note} maxLength={400} onChange={(e) => set({ note: e.target.value })} />
        {sentences(issues.filter((i) => !placed.includes(i.path) && !i.path.startsWith("facts."))).map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
        <Row alignItems="stretch" flexWrap="wrap">
          <Button look="act" type="submit">
            {corrects ? "Save the correction" : "Put on record"}
          </Button>
          <Button look="quiet" type="button" onClick={drop}>
            {corrects ? "Leave it as it was" : "Clear"}
          </Button>
        </Row>
      </Column>
    </form>
  );
}

interface EntryFieldsProps extends Pick<ReturnType<typeof useEntry>, "draft" | "set" | "zones" | "zone" | "label"> {
  readonly errorOf: (path: string) => string | undefined;
}

/** Which day, where, what, by whom and how much. */
function EntryFields({ draft, set, zones, zone, label, errorOf }: EntryFieldsProps) {
  const people = usePeople();
  const amount = amountField(label?.card.form ?? "dry");
  return (
    <Box display="grid" gap="12px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }}>
      <TextField
        label="Went down on"
        type="date"
        value={draft.date}
        error={errorOf("date")}
        onChange={(e) => set({ date: e.target.value })}
      />
      <SitePick value={draft.siteId} onPick={(siteId) => set({ siteId, zoneId: "" })} />
      <Choose
        label="Zone"
        error={errorOf("zoneId")}
        value={zone?.id ?? ""}
        options={[["", "pick a zone"], ...zones.map((z): Option => [z.id, `${z.name}, ${z.area}`])]}
        onPick={(zoneId) => set({ zoneId })}
      />
      <ShelfPick label="Product" value={draft.labelId} onPick={(labelId) => set({ labelId })} />
      <Choose
        label="By"
        value={draft.personId}
        options={[["", "not noted"], ...people.filter((p) => !p.retired).map((p): Option => [p.id, p.name])]}
        onPick={(personId) => set({ personId })}
      />
      <TextField
        label="Amount"
        placeholder={label?.card.form === "liquid" ? "6 fl oz" : "4 oz"}
        quantity={amount}
        hint="the zone's total, or a rate"
        value={draft.amount}
        error={errorOf("amount")}
        onChange={(e) => set({ amount: e.target.value })}
      />
      <TextField
        label="Ground covered"
        quantity="zoneArea"
        placeholder={zone?.area ?? "6,200 sq ft"}
        hint="all of the zone, where it is left out"
        value={draft.covered ?? ""}
        error={errorOf("covered")}
        onChange={(e) => set({ covered: e.target.value })}
      />
    </Box>
  );
}

/** What a typed amount may have been meant to be: a rate by the label, a total by the label and the zone. */
function amountSlips(typed: string, label: LabelEntry | undefined, zoneArea: string | undefined): Slip[] {
  if (!label || typed.trim() === "") return [];
  const { form } = label.card;
  const wrong = slipsOfForm(spokenToWritten(typed), form);
  if (wrong.length > 0) return wrong;
  const product = productOf(label.card, rowRates(label.card, 0)!.least.text);
  const mixed = product.ok ? readProduct(product.value, 0, new Faults()) : undefined;
  if (!mixed) return [];
  const context = rateContextOf(mixed);
  const area = zoneArea === undefined ? undefined : entered(zoneArea, "area").value;
  if (isRateText(typed)) {
    const rate = readRate(typed, form);
    if (!rate.ok) return [];
    const found = slipsOfRate(rate.value, { ...context, area });
    if (found.length > 0 || rateBounds(rate.value.kind, context)) return found;
    return slipsOfBound(rate.value, plainOf(mixed), context, unitsInHand());
  }
  const read = parseAs<"mass" | "volume">(typed, [form === "dry" ? "mass" : "volume"], {
    dialect: "screen",
    bare: ounceOf(form),
  });
  return read.ok && area ? slipsOfTotal(read.value as Entered<"mass"> | Entered<"volume">, { ...context, area }) : [];
}
