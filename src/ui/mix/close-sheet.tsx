"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { dateOf } from "@/core/contents";
import { sentences, useSend } from "../data/book";
import { today } from "../data/in-hand";
import { Button, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";

/** What becomes of a sheet: on record as sprayed, or withdrawn. Until then it counts as planned. */
export function CloseSheet({
  id,
  held,
  day = false,
  onClosed,
}: {
  id: string;
  held: boolean;
  day?: boolean;
  onClosed: () => void;
}) {
  const send = useSend();
  const [date, setDate] = useState(dateOf(today()));
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const close = async (how: "record" | "withdraw") => {
    const result = await send(`/api/sheets/${encodeURIComponent(id)}/${how}`, how === "record" ? { date } : {});
    setTrouble(result.ok ? [] : sentences(result.issues));
    if (result.ok) onClosed();
  };
  return (
    <Box className="no-print" display="grid" gap="10px">
      <SubHeading>When it is sprayed</SubHeading>
      <Note>
        {held
          ? "If it went down all the same, put it on record: what follows is held by it. Else withdraw it."
          : day
            ? "When every stop is done or skipped, put the day on record: done stops as planned, or as the tank was read. Until then it counts as planned; withdraw it if it isn't poured."
            : "Put it on record, so that the next plan counts it. Until then it counts as planned; withdraw it if it isn't poured."}
      </Note>
      <Box display="flex" gap="10px" alignItems="flex-end" flexWrap="wrap">
        <Box width="190px">
          <TextField label="Sprayed on" type="date" value={date} onChange={(e) => setDate(e.target.value)} />
        </Box>
        <Button onClick={() => void close("record")}>Put on record</Button>
        <Button look="quiet" onClick={() => void close("withdraw")}>
          Withdraw the sheet
        </Button>
      </Box>
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
    </Box>
  );
}
