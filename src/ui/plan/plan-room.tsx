"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { useMemo } from "react";
import type { RigEntry } from "@/formats/entries";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { Heading, Note, Select, SubHeading } from "../parts/controls";
import { Field } from "../parts/field";
import { lackIn, NeedHand } from "../parts/need-hand";
import { Cautions } from "../parts/notices";
import { explainAll } from "@/core/working/explain";
import { Backwards } from "./backwards";
import { useTips } from "../data/records";
import { backwardsOf } from "./backwards-of";
import { EMPTY_WISH, type Wish } from "./wish";
import { Quickest } from "./quickest";
import { Rounds } from "./rounds";
import { Column, Row } from "../parts/layout";

const WISHES: Record<Wish["kind"], string> = {
  backwards: "A spray volume: what must each outlet give?",
  coverage: "A round coverage: so much liquid does so much ground",
  round: "Round measuring numbers",
  quickest: "The quickest way over a site",
};

/** Working forwards from a wish: what to set so that a calibration comes out as wanted. Picking one opens its proof. */
export function PlanRoom() {
  const hand = useInHand();
  if (!hand.read) return <Room working={[]}>{null}</Room>;
  const lacks = lackIn(hand);
  return (
    <ClientOnly>
      {lacks || !hand.rig ? (
        <Room>
          <Heading>Plan</Heading>
          <NeedHand lacks={lacks ?? "rig"} />
        </Room>
      ) : (
        <Planning rig={hand.rig} />
      )}
    </ClientOnly>
  );
}

function Planning({ rig }: { rig: RigEntry }) {
  const { system } = useInHand();
  const [kept, setWish] = useKept<Wish>(`wish:${rig.id}`);
  const wish = useMemo(() => ({ ...EMPTY_WISH, ...kept }), [kept]);
  const change = (next: Partial<Wish>) => setWish({ ...wish, ...next });
  const worked = backwardsOf(wish, rig, useTips());
  return (
    <Room working={explainAll(worked.sources, system)}>
      <Row justifyContent="space-between" alignItems="baseline" gap="4px 12px" flexWrap="wrap">
        <Heading>Plan {rig.rig.name}</Heading>
      </Row>
      <Box maxW="560px" marginTop="12px">
        <Field label="What is wished for">
          {(props) => (
            <Select {...props} value={wish.kind} onChange={(e) => change({ kind: e.target.value as Wish["kind"] })}>
              {Object.entries(WISHES).map(([kind, words]) => (
                <option key={kind} value={kind}>
                  {words}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </Box>
      <Column marginTop="18px" gap="18px">
        {(wish.kind === "backwards" || wish.kind === "coverage") && (
          <Backwards wish={wish} change={change} rig={rig} worked={worked} />
        )}
        {wish.kind === "round" && <Rounds wish={wish} change={change} rig={rig} />}
        {wish.kind === "quickest" && <Quickest wish={wish} change={change} rig={rig} />}
        <Box>
          <SubHeading>Mind</SubHeading>
          <Note marginTop="8px">
            A plan is arithmetic on rated flows. Nothing is mixed from it: picking a setting opens the calibration that proves it.
          </Note>
        </Box>
        <Cautions mixing={false} />
      </Column>
    </Room>
  );
}
