"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import type { LabelEntry } from "@/formats/entries";
import { sentences } from "../data/records";
import { nowMoment } from "../data/clock";
import { useSaveOnce } from "../data/save-id";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { amountField } from "@/core/quantity/ranges";

/** Counting what is on the shelf: what goes down after it is taken off. */
export function CountStock({ label, again = false }: { label: LabelEntry; again?: boolean }) {
  const saveOnce = useSaveOnce();
  const [open, setOpen] = useState(false);
  const [amount, setAmount] = useState("");
  const [error, setError] = useState<string>();
  const keep = async () => {
    const content = { labelId: label.id, amount };
    const result = await saveOnce("/api/stock", `stock:${label.id}`, content, { countedAt: nowMoment() });
    if (!result.ok) return setError(sentences(result.issues)[0]);
    setOpen(false);
    setAmount("");
    setError(undefined);
  };
  if (!open)
    return (
      <Button look="inline" onClick={() => setOpen(true)}>
        {again ? "Count again" : "Count what is on hand"}
      </Button>
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
