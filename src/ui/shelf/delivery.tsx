"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import { amountField } from "@/core/quantity/ranges";
import type { ShelfProduct } from "@/formats/entries";
import { todayDate } from "../data/clock";
import { useKept } from "../data/kept-here";
import { useCurrency, useLabels } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { useSystem } from "../data/units";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { Row } from "../parts/layout";

interface Draft {
  readonly lot: string;
  readonly content: string;
  readonly count: string;
  readonly price: string;
  readonly came: string;
  readonly opened: string;
  readonly useBy: string;
}

interface DeliveryProps {
  readonly labelId: string;
  /** What is put right. */
  readonly was?: ShelfProduct["lots"][number];
  readonly onKept?: () => void;
}

/** Packages that came in, with their lot; or one entry of them put right. */
export function Delivery({ labelId, was, onKept }: DeliveryProps) {
  const system = useSystem();
  const save = useSaveOnce();
  const currency = useCurrency();
  const label = useLabels().find((one) => one.id === labelId);
  const key = `draft:delivery:${was?.id ?? labelId}`;
  const [kept, keep] = useKept<Draft>(key);
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const [saved, setSaved] = useState(false);
  if (!label) return null;
  const first = label.card.packages[0];
  const draft = kept ?? {
    lot: was?.lot ?? "",
    content: was?.content ?? first?.content ?? "",
    count: was ? String(was.count) : "1",
    price: (was ? was.price : first?.price) ?? "",
    came: was?.came ?? todayDate(),
    opened: was?.opened ?? "",
    useBy: was?.useBy ?? "",
  };
  const field = (name: keyof Draft, says: string, more: object = {}) => (
    <TextField
      label={says}
      value={draft[name]}
      error={faults[name]}
      onChange={(e) => {
        setSaved(false);
        keep({ ...draft, [name]: e.target.value });
      }}
      {...more}
    />
  );
  const submit = async () => {
    const or = (text: string) => (text.trim() === "" ? null : text.trim());
    const content = {
      labelId,
      lot: draft.lot.trim(),
      content: draft.content,
      count: /^\d+$/.test(draft.count.trim()) ? Number(draft.count) : draft.count,
      price: or(draft.price.replace(/^\D\s*/, "")),
      came: draft.came,
      opened: or(draft.opened),
      useBy: or(draft.useBy),
      corrects: was?.id ?? null,
    };
    const result = await save("/api/deliveries", key, content);
    setFaults(result.ok ? {} : Object.fromEntries(result.issues.map((issue) => [issue.path || "lot", wordsFor(issue, system)])));
    setSaved(result.ok);
    if (!result.ok) return;
    keep(undefined);
    onKept?.();
  };
  return (
    <chakra.form
      marginTop="8px"
      display="grid"
      gap="10px"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr 1fr", md: "repeat(4, minmax(0,1fr))" }}>
        {field("lot", "Lot", { placeholder: "L-4471" })}
        {field("content", "A package holds", { quantity: amountField(label.card.form) })}
        {field("count", "How many", { inputMode: "numeric" })}
        {field("price", `Price of one, ${currency}`, { inputMode: "decimal" })}
        {field("came", "Came on", { type: "date" })}
        {field("opened", "Opened on", { type: "date" })}
        {field("useBy", "Good until", { type: "date" })}
      </Box>
      <Row>
        <Button type="submit">{was ? "Put it right" : "Keep it"}</Button>
        <Box role="status" alignSelf="center" fontWeight="700">
          {saved && "✓ Kept"}
        </Box>
      </Row>
    </chakra.form>
  );
}
