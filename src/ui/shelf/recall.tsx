"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import type { RecalledLawn } from "@/formats/entries";
import { dayWords } from "../data/dates";
import { useSlice } from "../data/records";
import { Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Row } from "../parts/layout";
import { ShelfPick } from "../parts/pickers";

/**
 * A lot that is called back: the lawns that surely had it, and those that may have.
 *
 * @param of the id of its label, and `called` the lot, as an address asks for them
 */
export function Recall({ of = "", called = "" }: { of?: string; called?: string }) {
  const [label, setLabel] = useState(of);
  const [lot, setLot] = useState(called);
  const box = useRef<HTMLDivElement>(null);
  // Whoever came for a lot is shown it: the shelf above is long.
  useEffect(() => {
    if (called !== "") box.current?.scrollIntoView();
  }, [called]);
  const asked = label !== "" && lot.trim() !== "";
  const found = useSlice("recall", asked ? { label, lot: lot.trim() } : null).value;
  return (
    <Box as="section" aria-label="A lot called back" ref={box}>
      <SubHeading>A lot is called back</SubHeading>
      <Row flexWrap="wrap" alignItems="flex-end" marginTop="8px">
        <Box width="320px" maxW="100%">
          <ShelfPick label="Product of the lot" value={label} onPick={setLabel} />
        </Box>
        <Box width="200px">
          <TextField label="Lot that is called back" placeholder="L-4471" value={lot} onChange={(e) => setLot(e.target.value)} />
        </Box>
      </Row>
      <Box role="status">
        {found && (
          <>
            {!found.known && <Note>No delivery of this lot is on record.</Note>}
            <Lawns says="It surely went down on" lawns={found.surely} none="No record of the log names this lot." />
            {found.known && (
              <Lawns
                says="It may have gone down, no lot is noted, on"
                lawns={found.perhaps}
                none="Every record since it came names another lot."
              />
            )}
          </>
        )}
      </Box>
    </Box>
  );
}

function Lawns({ says, lawns, none }: { says: string; lawns: readonly RecalledLawn[]; none: string }) {
  if (lawns.length === 0) return <Box marginTop="8px">{none}</Box>;
  return (
    <Box marginTop="8px">
      <strong>
        {says} {lawns.length.toLocaleString("en-US")} {lawns.length === 1 ? "lawn" : "lawns"}:
      </strong>
      <Box as="ul" listStyleType="none">
        {lawns.map(({ id, site, zone, date }) => (
          <li key={id}>
            {site}, {zone}: {dayWords(date)}
          </li>
        ))}
      </Box>
    </Box>
  );
}
