"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import type { RigEntry } from "@/formats/entries";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import type { Session } from "@/formats/session";
import { readTyped } from "@/formats/typed";
import { sentences, useSend } from "../data/records";
import { useSystem } from "../data/units";
import { Button, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";

interface ToSetProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
  readonly rig: RigEntry;
}

/** What the rig is to be set to for this reading. It is noted on the rig once it is on, a pressure as the gauge reads it there. */
export function ToSet({ session, change, rig }: ToSetProps) {
  const { size, pressure } = session.toSet ?? {};
  const [typed, setTyped] = useState("");
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const system = useSystem();
  const send = useSend();
  if (size === undefined && pressure === undefined) return null;
  const read = typed.trim() === "" ? undefined : readTyped("pressure", typed);
  const note = async () => {
    const set = {
      // A chart belongs to its size.
      ...(size !== undefined && { tipSize: size, chart: "" }),
      ...(read?.ok && { pressure: read.value.text }),
    };
    const result = await send("/api/keep/rigs", { id: rig.id, form: { ...rigFormOf(rig.rig), ...set } });
    if (!result.ok) return setTrouble(sentences(result.issues));
    change({ toSet: undefined });
  };
  return (
    <Box as="section" aria-label="To set on the rig" border="2px solid" borderColor="ink" padding="12px 14px" marginBottom="14px">
      <SubHeading>To set on the rig first</SubHeading>
      <Column gap="10px" marginTop="8px">
        {size !== undefined && <Box>Put size {size} on every outlet.</Box>}
        {pressure !== undefined && (
          <>
            <Box>
              Set {pressure} at the tip, spraying, and no more than the pump, the tip and the hose bear. Then read the gauge.
            </Box>
            <Box maxW="240px">
              <TextField
                label="The gauge at the tip reads"
                quantity="pressure"
                value={typed}
                error={read && !read.ok ? wordsFor(read.issues[0]!, system) : undefined}
                onChange={(e) => setTyped(e.target.value)}
              />
            </Box>
          </>
        )}
        {trouble.map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
        <Row flexWrap="wrap" gap="8px">
          <Button disabled={pressure !== undefined && !read?.ok} onClick={() => void note()}>
            It is on: note it on the rig
          </Button>
          <Button look="quiet" onClick={() => change({ toSet: undefined, lever: null })}>
            Leave the rig as it is
          </Button>
        </Row>
      </Column>
    </Box>
  );
}
