"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import Link from "next/link";
import { useEffect, useMemo, useState } from "react";
import { belongsToPerson, explainAll, read } from "@/core/contents";
import type { RigEntry } from "@/formats/book";
import { emptySession, type Session } from "@/formats/session";
import { useBook } from "../data/book";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { isTyping } from "../frame/keys";
import { Room } from "../frame/room";
import { Button, Heading } from "../parts/controls";
import { Cautions, FirstThing } from "../parts/notices";
import { CatchStep } from "./catch-step";
import { MarkStep } from "./mark-step";
import { Outcome } from "./outcome";
import { OutletStep, UsedStep } from "./outlet-step";
import { Story } from "./story";
import { WalkStep } from "./walk-step";
import type { StepName } from "./steps";
import { calibrationWorking } from "./working";
import { expectedOf, workedOut } from "./worked-out";

/** The key under which a run sheet in the making is kept: one for each rig and person. */
export const sessionKey = (rigId: string, personId: string | undefined) => `session:${rigId}:${personId ?? ""}`;

export function CalibrateRoom() {
  const { book, read: known } = useBook();
  const { rig, person } = useInHand();
  if (!known) return <Room working={[]}>{null}</Room>;
  const needsPerson = rig && belongsToPerson(rig.rig.kind);
  if (!rig || (needsPerson && !person))
    return (
      <Room>
        <Heading>Calibrate</Heading>
        <Box marginTop="14px">
          <FirstThing>
            {book.rigs.length === 0 ? (
              <>
                First <Link href="/rigs">add the rig</Link> that you will calibrate.
              </>
            ) : !rig ? (
              "Pick the rig in the strip above."
            ) : book.people.length === 0 ? (
              <>
                A pace is a person&apos;s own: first <Link href="/rigs">add who sprays</Link>.
              </>
            ) : (
              "Who holds the wand today? Pick the person in the strip above: a pace is a person's own."
            )}
          </FirstThing>
        </Box>
      </Room>
    );
  const personId = needsPerson ? person!.id : undefined;
  return (
    <ClientOnly>
      <RunSheet key={sessionKey(rig.id, personId)} rig={rig} personId={personId} />
    </ClientOnly>
  );
}

function stepsOfSession(session: Session): readonly (readonly [StepName, string])[] {
  if (session.direct)
    return [
      ["mark", "Mark out"],
      ["catch", "Use up"],
      ["result", "Result"],
    ];
  const walk: readonly [StepName, string] = ["walk", session.outlets.length > 1 ? "Drive" : "Walk"];
  return [["mark", "Mark out"], ...(session.pace === "speed" ? [] : [walk]), ["catch", "Catch"], ["result", "Result"]];
}

function RunSheet({ rig, personId }: { rig: RigEntry; personId: string | undefined }) {
  const { system } = useInHand();
  const boom = rig.rig.kind === "boom";
  const blank = () => emptySession(nanoid(), rig.id, personId ?? null, boom, rig.rig.outlets?.count ?? 1);
  const [kept, setKept] = useKept<Session>(sessionKey(rig.id, personId));
  const [fresh, setFresh] = useState(blank);
  const session = kept ?? fresh;
  const change = (next: Partial<Session>) => setKept({ ...session, ...next });
  const steps = stepsOfSession(session);
  const [step, setStep] = useKept<StepName>(`step:${session.id}`);
  const at = steps.some(([name]) => name === step) ? step! : "mark";
  useStepKeys(steps, setStep);

  const worked = useMemo(() => workedOut(rig, session), [rig, session]);
  const expected = at === "catch" ? expectedOf(session, worked.pace) : undefined;
  const lines = worked.made
    ? calibrationWorking(worked.made, system)
    : explainAll(
        [worked.pace?.timePer1000, worked.flow, expected].filter((source) => source !== undefined),
        system,
      );
  const [away, setAway] = useKept<Session>(`away:${sessionKey(rig.id, personId)}`);
  const startOver = (keepOld: boolean) => {
    setAway(keepOld ? session : undefined);
    setKept(undefined);
    setFresh(blank());
  };
  const next = steps[steps.findIndex(([name]) => name === at) + 1];

  return (
    <Room working={lines}>
      <Box display="flex" justifyContent="space-between" alignItems="baseline" gap="12px" flexWrap="wrap">
        <Heading>Calibrate {rig.rig.name}</Heading>
        {kept && at === "mark" && (
          <Button look="quiet" onClick={() => startOver(true)}>
            Start a new run sheet
          </Button>
        )}
        {!kept && away && (
          <Button
            look="quiet"
            onClick={() => {
              setKept(away);
              setAway(undefined);
            }}
          >
            Take the last run sheet back
          </Button>
        )}
      </Box>
      <StepLine steps={steps} at={at} onGo={setStep} />
      {at === "mark" && <MarkStep session={session} change={change} system={system} boom={boom} />}
      {at === "walk" && <WalkStep session={session} change={change} />}
      {at === "catch" &&
        (session.direct ? (
          <UsedStep session={session} change={change} />
        ) : session.flow === "outlet-catches" ? (
          <OutletStep session={session} change={change} />
        ) : (
          <CatchStep session={session} change={change} expected={expected && read(expected.value, "volume", system)} />
        ))}
      {at === "result" && (
        <Outcome worked={worked} session={session} onSaved={() => startOver(false)} system={system} onGo={setStep} />
      )}
      {next && (
        <Box marginTop="22px">
          <Button look={at === "mark" ? "act" : "plain"} onClick={() => setStep(next[0])}>
            {next[1]} →
          </Button>
        </Box>
      )}
      {at === "mark" && <Story rig={rig} personId={personId} />}
      <Box marginTop="24px">
        <Cautions mixing={false} />
      </Box>
    </Room>
  );
}

const Tab = chakra("button", {
  base: {
    flex: "1 1 0",
    minHeight: "48px",
    background: "transparent",
    color: "soft",
    border: "none",
    borderBottom: "4px solid",
    borderColor: "line",
    fontFamily: "body",
    fontWeight: "700",
    fontSize: { base: "15px", lg: "17px" },
    textAlign: "left",
    cursor: "pointer",
    "&[aria-current=step]": { color: "ink", borderColor: "act" },
  },
});

function StepLine({
  steps,
  at,
  onGo,
}: {
  steps: readonly (readonly [StepName, string])[];
  at: StepName;
  onGo: (step: StepName) => void;
}) {
  return (
    <Box as="nav" aria-label="Steps of the run sheet" display="flex" gap="6px" marginTop="10px" marginBottom="18px">
      {steps.map(([name, words], i) => (
        <Tab key={name} type="button" aria-current={name === at ? "step" : undefined} onClick={() => onGo(name)}>
          <chakra.span fontFamily="reading">{i + 1}</chakra.span> {words}
        </Tab>
      ))}
    </Box>
  );
}

function useStepKeys(steps: readonly (readonly [StepName, string])[], go: (step: StepName) => void) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const step = !isTyping(event) && steps[Number(event.key) - 1];
      if (step) go(step[0]);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [steps, go]);
}
