"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { useInHand } from "../data/in-hand";
import { sentences, useSend } from "../data/records";
import { Button, Note } from "../parts/controls";
import { Row } from "../parts/layout";
import { Notice } from "../parts/notices";

/** The swath goes to the rig in hand: its calibrations stood on another one. */
export function TakeSwath({ wide, uneven }: { wide: string; uneven: boolean }) {
  const { rig } = useInHand();
  const send = useSend();
  const [said, setSaid] = useState<{ readonly ok: boolean; readonly words: readonly string[] }>();
  if (!rig) return <Note>Pick a rig above to take the swath to it.</Note>;
  const take = async () => {
    const result = await send("/api/keep/rigs", {
      id: rig.id,
      revision: rig.revision,
      form: { ...rigFormOf(rig.rig), swath: wide },
    });
    setSaid(
      result.ok
        ? {
            ok: true,
            words: [
              `✓ ${rig.rig.name} has a swath of ${wide} now. What was calibrated with another is out of date: calibrate again.`,
            ],
          }
        : { ok: false, words: sentences(result.issues) },
    );
  };
  return (
    <Row flexWrap="wrap" alignItems="center">
      <Button look="act" disabled={uneven} onClick={() => void take()}>
        Take {wide} to {rig.rig.name}
      </Button>
      <Box role="status">
        {said?.ok ? (
          <strong>{said.words}</strong>
        ) : (
          said?.words.map((words) => (
            <Notice key={words} state="stop">
              {words}
            </Notice>
          ))
        )}
      </Box>
    </Row>
  );
}
