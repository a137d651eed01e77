"use client";

import { useState } from "react";
import { Box } from "@chakra-ui/react";
import { Choose, type Option } from "../parts/choose";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column } from "../parts/layout";

const WHERE = {
  left: "left in the tank",
  disposed: "disposed of",
  unaccounted: "nobody knows",
  "never-opened": "nothing was opened: ticked by mistake",
} as const;
export type Where = keyof typeof WHERE;

const HINTS: Readonly<Record<Where, string>> = {
  left: "goes on the hedge by the slip tomorrow",
  disposed: "sprayed out over the same lawn, as its label has it",
  unaccounted: "the tank was empty when we came back",
  "never-opened": "wrong sheet in hand, the jug stayed shut",
};

interface AskProps {
  readonly label: string;
  readonly of: readonly Where[];
  readonly press: string;
  readonly onSay: (what: Where, says: string) => void;
}

/** Asks where what was poured and didn't go down is, in words. */
export function AskRest({ label, of, press, onSay }: AskProps) {
  const [what, setWhat] = useState<Where | "">("");
  const [says, setSays] = useState("");
  const options: readonly Option<Where | "">[] = [["", "say where it is"], ...of.map((one): Option<Where> => [one, WHERE[one]])];
  return (
    <Column gap="8px" borderLeft="6px solid" borderColor="act" paddingLeft="14px" paddingY="6px" maxW="560px">
      <Choose label={label} value={what} options={options} onPick={setWhat} />
      <TextField
        label="In words"
        placeholder={what === "" ? undefined : HINTS[what]}
        hint={what === "unaccounted" ? "it goes on counting against limits until it is known" : undefined}
        value={says}
        maxLength={300}
        onChange={(e) => setSays(e.target.value)}
      />
      <Box>
        <Button disabled={what === "" || says.trim().length < 3} onClick={() => what !== "" && onSay(what, says.trim())}>
          {press}
        </Button>
      </Box>
    </Column>
  );
}
