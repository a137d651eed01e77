"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import { sentences, useSend, useSlice } from "../data/records";
import { Button, Note, Select } from "../parts/controls";
import { Field } from "../parts/field";
import { AskWhy } from "../parts/ask-why";
import { Notice } from "../parts/notices";
import { Row } from "../parts/layout";

/** The zones that this browser knows. */
const zones = (): readonly string[] => ["UTC", ...Intl.supportedValuesOf("timeZone")];

/** Whose day counts: the firm's, wherever a device or the server is. Asked at the first start; changed here later. */
export function FirmZone({ asking = false }: { asking?: boolean }) {
  const firm = useSlice("firm", {}).value;
  const send = useSend();
  const [picked, setZone] = useState<string>();
  const zone = picked ?? firm?.zone ?? "UTC";
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [saved, setSaved] = useState(false);
  const [asksWhy, setAsksWhy] = useState(false);
  const save = async (why?: string) => {
    const result = await send("/api/settings", { zone, ...(why !== undefined && { why }) });
    const issues = result.ok ? [] : result.issues;
    setAsksWhy(issues.some((issue) => issue.path === "why"));
    setTrouble(sentences(issues));
    setSaved(result.ok);
  };
  const known = zones();
  return (
    <Box
      as="section"
      aria-label="The firm's time zone"
      display="grid"
      gap="10px"
      {...(asking && { borderLeft: "6px solid", borderColor: "act", background: "sheet", padding: "12px 16px" })}
    >
      {asking ? (
        <Box>
          <chakra.strong>Which day is it, and where?</chakra.strong> A limit for the year, a wait of so many days: they go by the
          day where your grounds are. This machine says {firm?.zone}.
        </Box>
      ) : (
        <Note>Limits, waits and records go by the day of this time zone, whatever a phone&apos;s clock says.</Note>
      )}
      <Row flexWrap="wrap" alignItems="flex-end">
        <Box minW="260px">
          <Field label="Time zone of the grounds">
            {(props) => (
              <Select
                {...props}
                value={zone}
                onChange={(e) => {
                  setZone(e.target.value);
                  setSaved(false);
                  setAsksWhy(false);
                  setTrouble([]);
                }}
              >
                {(known.includes(zone) ? known : [zone, ...known]).map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
        <Button look={asking ? "act" : "plain"} onClick={() => void save()}>
          {asking ? "That is right" : "Save the time zone"}
        </Button>
        {saved && <span role="status">Saved.</span>}
      </Row>
      {trouble.map((text) => (
        <Notice key={text} state={asksWhy ? "act" : "stop"}>
          {text}
        </Notice>
      ))}
      {asksWhy && (
        <AskWhy
          label="Why another time zone?"
          placeholder="it was guessed wrongly at the first start"
          press="Save the time zone"
          onSay={(why) => void save(why)}
        />
      )}
    </Box>
  );
}
