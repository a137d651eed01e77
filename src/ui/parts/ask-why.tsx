"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "./controls";
import { TextField } from "./field";
import { Column } from "./layout";

interface AskProps {
  readonly label: string;
  readonly placeholder?: string;
  readonly press: string;
  readonly onSay: (why: string) => void;
}

/** Asks for a reason before something is put on record. */
export function AskWhy({ label, placeholder, press, onSay }: AskProps) {
  const [why, setWhy] = useState("");
  return (
    <Column gap="8px" borderLeft="6px solid" borderColor="act" paddingLeft="14px" paddingY="6px" maxW="560px">
      <TextField
        label={label}
        placeholder={placeholder}
        value={why}
        maxLength={300}
        autoFocus
        onChange={(e) => setWhy(e.target.value)}
      />
      <Box>
        <Button onClick={() => onSay(why.trim())} disabled={why.trim().length < 3}>
          {press}
        </Button>
      </Box>
    </Column>
  );
}
