"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import { methodsFor, NEEDS, type Need, methodWords } from "@/core/calibration/methods";
import { useSystem } from "../data/units";
import { useKept } from "../data/kept-here";
import { Button } from "../parts/controls";
import { Row } from "../parts/layout";
import type { MethodId } from "@/core/calibration/method-ids";
import type { RigKind } from "@/rig-kinds/rules";

const NEED_WORDS: Record<Need, string> = {
  watch: "no watch",
  tape: "no tape",
  bucket: "no bucket",
  gauge: "no gauge",
};

const Lack = chakra("button", {
  base: {
    minHeight: "48px",
    padding: { base: "4px 8px", lg: "6px 10px" },
    background: "transparent",
    color: "ink",
    border: "1px solid",
    borderColor: "field",
    fontFamily: "body",
    fontSize: { base: ".9375rem", lg: ".9375rem" },
    cursor: "pointer",
    "&[aria-pressed=true]": { background: "ink", color: "paper", fontWeight: "700" },
  },
});

const Way = chakra("button", {
  base: {
    display: "block",
    width: "100%",
    textAlign: "left",
    minHeight: "56px",
    padding: "8px 12px",
    background: "transparent",
    color: "ink",
    border: "none",
    borderBottom: "1px solid",
    borderColor: "line",
    borderLeft: "6px solid transparent",
    fontFamily: "body",
    fontSize: ".9375rem",
    cursor: "pointer",
    "&[aria-pressed=true]": { borderLeftColor: "act", background: "sheet" },
    _hover: { background: "well" },
  },
});

interface ChooserProps {
  readonly kind: RigKind;
  readonly chosen: MethodId;
  readonly onChoose: (id: MethodId) => void;
}

/** As many methods as are shown before one asks for more. */
const FEW = 3;

/** How to calibrate, by the rig and by what is not at hand: a few ways, the usual one first. */
export function Chooser({ kind, chosen, onChoose }: ChooserProps) {
  const system = useSystem();
  const [lacking = [], setLacking] = useKept<readonly Need[]>("lacking");
  const [all, setAll] = useState(false);
  const ways = methodsFor(kind, lacking, system, chosen);
  const shown = ways.filter((way, i) => all || i < FEW || way.method.id === chosen);
  const toggle = (need: Need) => setLacking(lacking.includes(need) ? lacking.filter((n) => n !== need) : [...lacking, need]);
  return (
    <Box>
      <Row gap="5px" flexWrap="wrap" marginBottom="6px" role="group" aria-label="Not at hand">
        <Box textStyle="label">I have</Box>
        {NEEDS.map((need) => (
          <Lack key={need} type="button" aria-pressed={lacking.includes(need)} onClick={() => toggle(need)}>
            {NEED_WORDS[need]}
          </Lack>
        ))}
      </Row>
      <Box borderTop="1px solid" borderColor="line">
        {shown.map(({ method, lacks }) => (
          <Way key={method.id} type="button" aria-pressed={method.id === chosen} onClick={() => onChoose(method.id)}>
            <chakra.strong fontSize="1.0625rem">{method.title}</chakra.strong>
            {lacks.length > 0 && (
              <chakra.span color="act" fontWeight="700">
                {" "}
                ! needs what you lack: {lacks.map((n) => NEED_WORDS[n].replace("no ", "")).join(", ")}
              </chakra.span>
            )}
            <Box color="soft">{methodWords(method.about, system)}</Box>
          </Way>
        ))}
      </Box>
      {ways.length > shown.length && (
        <Button look="quiet" onClick={() => setAll(true)}>
          {ways.length - shown.length} more ways
        </Button>
      )}
    </Box>
  );
}
