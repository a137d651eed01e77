"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useMemo, useState, type ReactNode } from "react";
import { currencies } from "@/formats/currency";
import { sentences, useCurrency, useSend, useSlice } from "../data/records";
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
  return (
    <Setting
      name="The firm's time zone"
      asking={asking}
      says={
        asking ? (
          <Box>
            <chakra.strong>Which day is it, and where?</chakra.strong> A limit for the year, a wait of so many days: they go by
            the day where your grounds are. This machine says {firm?.zone}.
          </Box>
        ) : (
          <Note>Limits, waits and records go by the day of this time zone, whatever a phone&apos;s clock says.</Note>
        )
      }
      field="Time zone of the grounds"
      choices={zones()}
      stands={firm?.zone ?? "UTC"}
      press={asking ? "That is right" : "Save the time zone"}
      to="/api/settings"
      as="zone"
      why={{
        label: "Why another time zone?",
        placeholder: "it was guessed wrongly at the first start",
        press: "Save the time zone",
      }}
    />
  );
}

/** What the firm buys in: every price on record is in it. */
export function FirmCurrency() {
  const names = useMemo(() => new Intl.DisplayNames("en", { type: "currency" }), []);
  return (
    <Setting
      name="The firm's currency"
      says={<Note>What packages cost, on every card and delivery.</Note>}
      field="Currency of the prices"
      choices={currencies()}
      worded={(code) => `${code} · ${names.of(code)}`}
      stands={useCurrency()}
      press="Save the currency"
      to="/api/settings/currency"
      as="currency"
      why={{ label: "Why another currency?", placeholder: "the prices were euros all along", press: "Save the currency" }}
    />
  );
}

interface SettingProps {
  readonly name: string;
  readonly asking?: boolean;
  readonly says: ReactNode;
  readonly field: string;
  readonly choices: readonly string[];
  readonly worded?: (choice: string) => string;
  /** As it is settled, or guessed. */
  readonly stands: string;
  readonly press: string;
  /** Where it is sent, and under which key. */
  readonly to: string;
  readonly as: string;
  /** How a reason is asked for, where the server wants one. */
  readonly why: { readonly label: string; readonly placeholder: string; readonly press: string };
}

/** One of the firm's settings that is picked from a list, and changed with a reason once something hangs on it. */
function Setting({ name, asking, says, field, choices, worded, stands, press, to, as, why: ask }: SettingProps) {
  const send = useSend();
  const [picked, setPicked] = useState<string>();
  const value = picked ?? stands;
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [saved, setSaved] = useState(false);
  const [asksWhy, setAsksWhy] = useState(false);
  const save = async (why?: string) => {
    const result = await send(to, { [as]: value, ...(why !== undefined && { why }) });
    const issues = result.ok ? [] : result.issues;
    setAsksWhy(issues.some((issue) => issue.path === "why"));
    setTrouble(sentences(issues));
    setSaved(result.ok);
  };
  const pick = (next: string) => {
    setPicked(next);
    setSaved(false);
    setAsksWhy(false);
    setTrouble([]);
  };
  return (
    <Box
      as="section"
      aria-label={name}
      display="grid"
      gap="10px"
      {...(asking && { borderLeft: "6px solid", borderColor: "act", background: "sheet", padding: "12px 16px" })}
    >
      {says}
      <Row flexWrap="wrap" alignItems="flex-end">
        <Box minW="260px">
          <Field label={field}>
            {(props) => (
              <Select {...props} value={value} onChange={(e) => pick(e.target.value)}>
                {(choices.includes(value) ? choices : [value, ...choices]).map((one) => (
                  <option key={one} value={one}>
                    {worded ? worded(one) : one}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
        <Button look={asking ? "act" : "plain"} onClick={() => void save()}>
          {press}
        </Button>
        {saved && <span role="status">Saved.</span>}
      </Row>
      {trouble.map((text) => (
        <Notice key={text} state={asksWhy ? "act" : "stop"}>
          {text}
        </Notice>
      ))}
      {asksWhy && <AskWhy {...ask} onSay={(why) => void save(why)} />}
    </Box>
  );
}
