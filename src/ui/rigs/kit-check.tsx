"use client";

import { Box } from "@chakra-ui/react";
import { format } from "../data/dates";
import { useState } from "react";
import { showChange } from "@/core/quantity/format";
import type { RigEntry } from "@/formats/entries";
import { setupOf } from "@/formats/rig-setup";
import { Typed } from "../calibrate/typed";
import { sentences, useSlice } from "../data/records";
import { nowMoment, wallClock } from "../data/clock";
import { useSaveOnce } from "../data/save-id";
import { Choose } from "../parts/choose";
import { Button, Note, SubHeading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { Stamp } from "../parts/stamp";

/** The two-minute proof of the measuring kit: a known weight on the scale, a known volume in the vessel. */
export function KitCheck({ rig }: { rig: RigEntry }) {
  const proofs = useSlice("proofs", { rig: rig.id }).value ?? [];
  const saveOnce = useSaveOnce();
  const kit = setupOf(rig.rig).kit;
  const tools = [
    ...(kit?.vessels ?? []).map((v) => ({ of: "vessel" as const, name: v.name, mark: v.graduation })),
    ...(kit?.scales ?? []).map((s) => ({ of: "scale" as const, name: s.name, mark: s.step })),
  ];
  const [chosen, setChosen] = useState("");
  const [typed, setTyped] = useState({ known: "", shown: "" });
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const tool = tools.find((t) => `${t.of}:${t.name}` === chosen) ?? tools[0];
  if (!tool) return null;
  const save = async () => {
    const proof = { rigId: rig.id, of: tool.of, tool: tool.name, ...typed };
    const result = await saveOnce("/api/kit-checks", `kit:${rig.id}`, proof, { madeAt: nowMoment() });
    if (result.ok) setTyped({ known: "", shown: "" });
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  const field = tool.of === "scale" ? "knownWeight" : "catchVolume";
  return (
    <Box>
      <SubHeading>Prove the kit of {rig.rig.name}</SubHeading>
      <Note marginY="8px">
        Two minutes, once: put a known weight on the scale (a full pound of something, coins by the count), pour a known volume
        into the vessel (a litre of water weighs 998 g). Within 2 % or half a mark it is good.
      </Note>
      <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr" alignItems="start">
        <Choose
          label="Tool"
          value={`${tool.of}:${tool.name}`}
          options={tools.map((t) => [`${t.of}:${t.name}`, `${t.name}, ${t.of}`])}
          onPick={setChosen}
        />
        <Typed
          key={`known${tool.of}`}
          label="Known"
          field={field}
          value={typed.known}
          onChange={(known) => setTyped({ ...typed, known })}
        />
        <Typed
          key={`shown${tool.of}`}
          label="It shows"
          field={field}
          value={typed.shown}
          onChange={(shown) => setTyped({ ...typed, shown })}
        />
        <Button marginTop="25px" onClick={() => void save()}>
          Keep the proof
        </Button>
      </Box>
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      <Box as="ul" listStyleType="none" aria-label="Kit proofs" marginTop="10px">
        {tools.map((t) => {
          const proof = proofs.find((c) => c.of === t.of && c.tool === t.name);
          return (
            <Box
              as="li"
              key={`${t.of}${t.name}`}
              display="grid"
              gap="0 12px"
              gridTemplateColumns="1fr auto"
              alignItems="center"
              paddingY="6px"
              borderBottom="1px solid"
              borderColor="line"
              minHeight="44px"
            >
              <Box fontWeight="700">
                {t.name}
                <Box as="span" color="soft" fontWeight="400">
                  , marks of {t.mark}
                </Box>
              </Box>
              {proof ? (
                <>
                  <Stamp state={proof.good ? "good" : "stop"}>{proof.good ? "proved" : "off"}</Stamp>
                  <Box color="soft" textStyle="note" gridColumn="1 / -1">
                    {proof.shown} for {proof.known} ({showChange(proof.ratio - 1)}),{" "}
                    {format(wallClock(proof.madeAt), "d MMM yyyy")}
                  </Box>
                </>
              ) : (
                <Stamp state="act">not proved</Stamp>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
