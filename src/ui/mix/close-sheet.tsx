"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Issue } from "@/core/issue";
import { sentences, useSend } from "../data/records";
import { todayDate } from "../data/clock";
import { AskWhy } from "../parts/ask-why";
import { Button, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";
import { Column, Row } from "../parts/layout";

interface CloseProps {
  readonly id: string;
  readonly held: boolean;
  readonly day?: boolean;
  /** All of it is done: this is what comes next. */
  readonly ready?: boolean;
  readonly onClosed: () => void;
}

/** What has to be said before a sheet is closed so. */
const ASKS = {
  record: { label: "Why did it go down before this sheet was made?", placeholder: "sprayed that day, written up later" },
  withdraw: { label: "A product was ticked as poured. What became of it?", placeholder: "ticked by mistake, nothing was opened" },
} as const;

/** What becomes of a sheet: on record as sprayed, or withdrawn. Until then it counts as planned. */
export function CloseSheet({ id, held, day = false, ready = false, onClosed }: CloseProps) {
  const send = useSend();
  const [date, setDate] = useState(todayDate());
  const [trouble, setTrouble] = useState<readonly Issue[]>([]);
  const [asked, setAsked] = useState<keyof typeof ASKS>();
  /** It was said that all of it went down, though not every step is ticked. */
  const [all, setAll] = useState(false);
  const close = async (how: keyof typeof ASKS, why?: string, whole = all) => {
    const said = how === "record" ? { date, ...(why && { why }), ...(whole && { all: true }) } : why ? { became: why } : {};
    const result = await send(`/api/sheets/${encodeURIComponent(id)}/${how}`, said);
    const issues = result.ok ? [] : result.issues;
    setAsked(issues.some((issue) => issue.code === "reason-needed" && issue.path !== "all") ? how : undefined);
    setTrouble(issues);
    if (result.ok) onClosed();
  };
  const unticked = trouble.find((issue) => issue.path === "all");
  return (
    <Column className="no-print" gap="10px">
      <SubHeading>{ready ? "All done: put it on record" : "When it is sprayed"}</SubHeading>
      <Note>
        {held
          ? "If it went down all the same, put it on record: what follows is held by it. Else withdraw it."
          : day
            ? "When every stop is done or skipped, put the day on record: done stops as planned, or as the tank was read. Until then it counts as planned; withdraw it if it isn't poured."
            : "Put it on record, so that the next plan counts it. Until then it counts as planned; withdraw it if it isn't poured."}
      </Note>
      <Row alignItems="flex-end" flexWrap="wrap">
        <Box width="190px">
          <TextField
            label="Sprayed on"
            type="date"
            max={todayDate()}
            value={date}
            onChange={(e) => {
              setDate(e.target.value);
              setAsked(undefined);
            }}
          />
        </Box>
        <Button look={ready ? "act" : "plain"} onClick={() => void close("record")}>
          Put on record
        </Button>
        <Button look="quiet" onClick={() => void close("withdraw")}>
          Withdraw the sheet
        </Button>
      </Row>
      {unticked && (
        <Notice state="act">
          {unticked.received.charAt(0).toUpperCase() + unticked.received.slice(1)}: was it all poured and sprayed?
          <Row alignItems="stretch" gap="8px 12px" flexWrap="wrap" marginTop="8px">
            <Button
              onClick={() => {
                setAll(true);
                void close("record", undefined, true);
              }}
            >
              Yes, all of it went down
            </Button>
            <Button look="quiet" onClick={() => setTrouble([])}>
              No: leave it open
            </Button>
          </Row>
          <Note>Nothing of it went down: withdraw it. A part did: withdraw it, and enter that part in the log.</Note>
        </Notice>
      )}
      {sentences(trouble.filter((issue) => issue !== unticked)).map((text) => (
        <Notice key={text} state={asked ? "act" : "stop"}>
          {text}
        </Notice>
      ))}
      {asked && (
        <AskWhy
          key={asked}
          {...ASKS[asked]}
          press={asked === "record" ? "Put on record" : "None of it was sprayed: withdraw"}
          onSay={(why) => void close(asked, why)}
        />
      )}
    </Column>
  );
}
