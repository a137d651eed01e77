"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { useMemo } from "react";
import { calibrationSources } from "@/core/calibration/calibrate";
import { allFillings } from "@/core/mixing/column";
import { planLines } from "@/core/mixing/mix";
import { explainAll } from "@/core/working/explain";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { besideOf } from "../mix/about-filling";
import { Button, Heading } from "../parts/controls";
import { Cautions } from "../parts/notices";
import { Answer, SoFar } from "./answer";
import { Fields, KindPick } from "./fields";
import { KeepIt } from "./keep-it";
import { openAsks } from "./quick-slips";
import { BLANK, quickAnswer, type Quick } from "./quick-job";
import { Column, Row } from "../parts/layout";

/** A mix on one page: what is measured on one side, the answer growing on the other. Needs no records; can become them. */
export function QuickRoom() {
  return (
    <ClientOnly>
      <OnePage />
    </ClientOnly>
  );
}

function OnePage() {
  const { system } = useInHand();
  const [kept, setKept] = useKept<Partial<Quick>>("quick");
  const [before, setBefore] = useKept<Partial<Quick>>("quick-before");
  const quick = useMemo<Quick>(() => ({ ...BLANK, ...kept, names: { ...BLANK.names, ...kept?.names } }), [kept]);
  const set = (next: Partial<Quick>) => setKept({ ...quick, ...next });
  const answer = useMemo(() => quickAnswer(quick), [quick]);
  const { planned, made } = answer;
  const lines = planned
    ? planLines(planned.plan, system, besideOf(planned.job, planned.calibration, allFillings(planned.plan)))
    : made
      ? explainAll(calibrationSources(made), system)
      : [];
  const clear = () => {
    setBefore(quick);
    // The sprayer and the plot are the same next time; what was read and asked for is not.
    setKept({
      kind: quick.kind,
      tank: quick.tank,
      course: quick.course,
      plot: quick.plot,
      distance: quick.distance,
      swath: quick.swath,
    });
  };
  return (
    <Room working={lines}>
      <Row justifyContent="space-between" alignItems="baseline" gap="4px 12px" flexWrap="wrap">
        <Heading>A mix on one page</Heading>
        <Box display="flex">
          {kept && (
            <Button look="quiet" onClick={clear}>
              Begin again
            </Button>
          )}
          {before && !made && (
            <Button
              look="quiet"
              onClick={() => {
                setKept(before);
                setBefore(undefined);
              }}
            >
              Take the last one back
            </Button>
          )}
        </Box>
      </Row>
      <Box
        display="grid"
        gap="20px 36px"
        gridTemplateColumns={{ base: "minmax(0,1fr)", xl: "minmax(0,460px) minmax(0,1fr)" }}
        alignItems="start"
        marginTop="12px"
      >
        <Column gap="14px">
          <KindPick value={quick.kind} onPick={(kind) => set({ kind })} />
          <Fields quick={quick} set={set} />
          <SoFar answer={answer} system={system} />
        </Column>
        <Box display="grid" gap="16px" position={{ xl: "sticky" }} top="16px" gridTemplateColumns="minmax(0,1fr)">
          <Answer quick={quick} set={set} answer={answer} system={system} />
          {planned && planned.plan.reasons.length === 0 && openAsks(quick, system).length === 0 && (
            <KeepIt quick={quick} set={set} onKept={() => setKept(undefined)} />
          )}
          <Cautions mixing />
        </Box>
      </Box>
    </Room>
  );
}
