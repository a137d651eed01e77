"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import { NUMBERS, type FirmNumbers, type NumberOf } from "@/formats/firm-numbers";
import { useSend, useSlice } from "../data/records";
import { Button, Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Row } from "../parts/layout";

/** Whom the firm calls when something goes wrong: shown at one press from every page. */
export function FirmNumbersForm() {
  const stands = useSlice("firm", {}).value?.numbers ?? {};
  const send = useSend();
  const [typed, setTyped] = useState<FirmNumbers>({});
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const [saved, setSaved] = useState(false);
  const type = (name: NumberOf, text: string) => {
    setTyped({ ...typed, [name]: text });
    setSaved(false);
  };
  const save = async () => {
    const result = await send("/api/settings/numbers", { ...stands, ...typed });
    setFaults(result.ok ? {} : Object.fromEntries(result.issues.map((issue) => [issue.path, wordsFor(issue)])));
    setSaved(result.ok);
  };
  return (
    <chakra.form
      aria-label="Numbers to call"
      display="grid"
      gap="10px"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <Note>Whom to call when something goes wrong. “Trouble”, on every page, shows them.</Note>
      <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr", md: "1fr 1fr" }}>
        {NUMBERS.map(([name, words]) => (
          <TextField
            key={name}
            label={words}
            type="tel"
            placeholder="000 555 0142"
            value={typed[name] ?? stands[name] ?? ""}
            error={faults[name]}
            onChange={(e) => type(name, e.target.value)}
          />
        ))}
      </Box>
      <Row>
        <Button type="submit">Save the numbers</Button>
        {saved && <span role="status">Saved.</span>}
      </Row>
    </chakra.form>
  );
}
