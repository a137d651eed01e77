"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { faultWords, type ChainEntry } from "@/formats/chain-state";
import { sentences, useSend } from "../data/records";
import { Button } from "../parts/controls";
import { AskWhy } from "../parts/ask-why";
import { Notice } from "../parts/notices";

/** As long as it is being worked out at the server's start. */
const AGAIN = 15_000;

/** What of the records isn't as it was when it came: told on every page until somebody goes on, with a reason. */
export function ChainNotice() {
  const [chain, setChain] = useState<ChainEntry | null>(null);
  const [asking, setAsking] = useState(false);
  const [round, setRound] = useState(0);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const send = useSend();
  useEffect(() => {
    let over = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    void fetch("/api/chain")
      .then((answer) => (answer.ok ? (answer.json() as Promise<ChainEntry | null>) : null))
      .then((found) => {
        if (over) return;
        setChain(found);
        if (found === null) timer = setTimeout(() => setRound((n) => n + 1), AGAIN);
      })
      // The server that can't be reached is told of elsewhere.
      .catch(() => undefined);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [round]);
  if (!chain || chain.faults.length === 0 || chain.accepted) return null;
  const goOn = async (why: string) => {
    const result = await send("/api/chain", { why });
    setTrouble(result.ok ? [] : sentences(result.issues));
    if (result.ok) setRound((n) => n + 1);
  };
  return (
    <Box padding="10px 16px" maxW="860px" className="no-print">
      <Notice state="stop">
        The records are not as they were when they came:
        <chakra.ul paddingLeft="18px">
          {chain.faults.map((fault) => (
            <li key={faultWords(fault)}>{faultWords(fault)}</li>
          ))}
        </chakra.ul>
        Somebody changed the file with another program, or the disk is failing. A backup has them as they were.
      </Notice>
      {asking ? (
        <AskWhy
          label="How did that come? It stays on record."
          placeholder="the disk was changed, and a copy put back"
          press="Go on with them as they are"
          onSay={(why) => void goOn(why)}
        />
      ) : (
        <Button look="quiet" onClick={() => setAsking(true)}>
          Go on with them as they are
        </Button>
      )}
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
    </Box>
  );
}
