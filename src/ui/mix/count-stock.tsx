"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import type { LabelEntry } from "@/formats/entries";
import { sentences } from "../data/records";
import { nowMoment } from "../data/clock";
import { useSaveOnce } from "../data/save-id";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import type { Form } from "@/core/labels/label-rate";
import type { System } from "@/core/working/units";
import { amountText } from "../shelf/amount-text";
import { useSystem } from "../data/units";
import { amountField } from "@/core/quantity/ranges";

interface Counted {
  readonly off: number | null;
}

/** How far a count was from what the log and the deliveries let expect. */
const offWords = (off: number, form: Form, system: System): string =>
  `${amountText(Math.abs(off), form, system)} ${off < 0 ? "less" : "more"} than the log lets expect.`;

/** Counting what is on the shelf: what goes down after it is taken off. */
export function CountStock({ label, again = false }: { label: LabelEntry; again?: boolean }) {
  const saveOnce = useSaveOnce();
  const [open, setOpen] = useState(false);
  const [amount, setAmount] = useState("");
  const [error, setError] = useState<string>();
  const [said, setSaid] = useState<string>();
  const system = useSystem();
  const keep = async () => {
    const content = { labelId: label.id, amount };
    const result = await saveOnce<Counted>("/api/stock", `stock:${label.id}`, content, { countedAt: nowMoment() });
    if (!result.ok) return setError(sentences(result.issues)[0]);
    const { off } = result.value;
    setSaid(off === null || Math.abs(off) < 1 ? undefined : offWords(off, label.card.form, system));
    setOpen(false);
    setAmount("");
    setError(undefined);
  };
  if (!open)
    return (
      <>
        <Button look="inline" onClick={() => setOpen(true)}>
          {again ? "Count again" : "Count what is on hand"}
        </Button>
        <Box as="span" role="status" color="act">
          {said}
        </Box>
      </>
    );
  return (
    <chakra.form
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
      display="flex"
      gap="10px"
      alignItems="flex-end"
      flexWrap="wrap"
    >
      <Box width="200px">
        <TextField
          label="On hand"
          of={label.card.name}
          value={amount}
          error={error}
          quantity={amountField(label.card.form)}
          onChange={(e) => setAmount(e.target.value)}
          autoFocus
        />
      </Box>
      <Button type="submit">Keep the count</Button>
    </chakra.form>
  );
}
