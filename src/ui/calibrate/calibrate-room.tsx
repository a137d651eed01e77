"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { methodOf } from "@/core/calibration/methods";
import { explainAll } from "@/core/working/explain";
import { read } from "@/core/working/units";
import { unitsInHand } from "../data/units";
import type { RigEntry } from "@/formats/entries";
import { setupOf, setupOn } from "@/formats/rig-setup";
import { practisedBeside } from "@/formats/practice-record";
import { emptySession, type Session } from "@/formats/session";
import { dayNow, todayDate } from "../data/clock";
import { ownerIn, useInHand } from "../data/in-hand";
import { keep, useKept } from "../data/kept-here";
import { useSlice } from "../data/records";
import { isTyping } from "../frame/keys";
import { Room } from "../frame/room";
import { Button, Heading } from "../parts/controls";
import { lackIn, NeedHand } from "../parts/need-hand";
import { Cautions, Notice } from "../parts/notices";
import { CatchStep } from "./catch-step";
import { FillStep } from "./fill-step";
import { ToSet } from "./to-set";
import { LEVER_WORDS } from "./levers-panel";
import { courseOf, MarkStep, usualMethod } from "./mark-step";
import { Outcome } from "./outcome";
import { OutletStep } from "./outlet-step";
import { freshId, keepPlot, lastPlot, sessionKey } from "./session-key";
import { Story } from "./story";
import { UsedStep } from "./used-step";
import { WalkStep } from "./walk-step";
import type { StepName } from "./steps";
import { calibrationWorking } from "./working";
import { SessionSlips } from "./session-slips";
import { expectedOf, workedOut } from "./worked-out";
import { Row } from "../parts/layout";
import { onFoot } from "@/rig-kinds/rules";

export function CalibrateRoom() {
  const hand = useInHand();
  const { rig } = hand;
  if (!hand.read) return <Room working={[]}>{null}</Room>;
  const lacks = lackIn(hand);
  if (!rig || lacks)
    return (
      <Room>
        <Heading>Calibrate</Heading>
        <NeedHand lacks={lacks!} />
      </Room>
    );
  const { personId, siteId } = ownerIn(hand);
  return (
    <ClientOnly>
      <RunSheet key={sessionKey(rig.id, personId, siteId)} rig={rig} personId={personId} siteId={siteId} />
    </ClientOnly>
  );
}

type Steps = readonly (readonly [StepName, string])[];

function stepsOfSession(session: Session): Steps {
  const mark: readonly [StepName, string] = ["mark", session.flow === "tip-chart" ? "Fill in" : "Mark out"];
  const result: readonly [StepName, string] = ["result", "Result"];
  if (session.direct) return [mark, ["catch", "Use up"], result];
  const walk: readonly [StepName, string] = ["walk", session.outlets.length > 1 ? "Drive" : "Walk"];
  const caught: readonly [StepName, string] = ["catch", session.flow === "metered-flow" ? "Meter" : "Catch"];
  return [
    mark,
    ...(session.pace === "speed" || session.pace === "asked" ? [] : [walk]),
    ...(session.flow === "tip-chart" ? [] : [caught]),
    result,
  ];
}

interface SheetProps {
  readonly rig: RigEntry;
  readonly personId: string | undefined;
  readonly siteId: string | undefined;
}

/** The run sheet in the making, kept up as it is gathered; the plot of last time stands in a new one. */
function useRunSheet({ rig, personId, siteId }: SheetProps) {
  const here = sessionKey(rig.id, personId, siteId);
  const outlets = rig.rig.outlets?.count ?? 1;
  const plot = lastPlot(rig.id);
  const blank = () => {
    const method = usualMethod(rig, unitsInHand());
    const whose = { rigId: rig.id, personId: personId ?? null, siteId: siteId ?? null };
    const begun = {
      ...emptySession(freshId(here), { ...whose, outlets, method, system: unitsInHand() }),
      ...courseOf(method, rig, unitsInHand()),
    };
    const set = setupOn(rig.rig);
    const swath = set?.swath ?? setupOf(rig.rig).swath ?? "";
    return begun.area === "" && begun.distance === "" && plot
      ? { ...begun, area: plot.area ?? "", distance: plot.distance ?? "", swath }
      : { ...begun, swath };
  };
  const [kept, setKept] = useKept<Session>(here);
  const [fresh, setFresh] = useState(blank);
  const session = kept ?? fresh;
  const change = (next: Partial<Session>) => {
    const now = { ...session, ...next };
    setKept(now);
    if (next.area !== undefined || next.distance !== undefined) keepPlot(rig.id, now);
  };
  const [away, setAway] = useKept<Session>(`away:${here}`);
  const startOver = (keepOld: boolean) => {
    setAway(keepOld ? session : undefined);
    setKept(undefined);
    keep(`fresh:${here}`, undefined);
    setFresh(blank());
  };
  const takeBack = () => {
    setKept(away);
    setAway(undefined);
  };
  return { session, change, kept: kept !== undefined, plot, startOver, takeBack: !kept && away ? takeBack : undefined };
}

function RunSheet({ rig, personId, siteId }: SheetProps) {
  const { system } = useInHand();
  const { session, change, kept, plot, startOver, takeBack } = useRunSheet({ rig, personId, siteId });
  const steps = stepsOfSession(session);
  const [step, setStep] = useKept<StepName>(`step:${session.id}`);
  const at = steps.some(([name]) => name === step) ? step! : "mark";
  useStepKeys(steps, setStep);

  const practice = useSlice("practice", personId ? { person: personId } : null).value;
  const worked = useMemo(() => {
    const day = { today: todayDate(), zone: dayNow().zone };
    return workedOut(rig, session, practice && practisedBeside(session, practice, day));
  }, [rig, session, practice]);
  const expected = at === "catch" ? expectedOf(session, worked.pace) : undefined;
  const lines = worked.made
    ? calibrationWorking(worked.made, system)
    : explainAll(
        [worked.pace?.timePer1000, worked.flow, expected].filter((source) => source !== undefined),
        system,
      );
  const next = steps[steps.findIndex(([name]) => name === at) + 1];

  return (
    <Room working={lines}>
      <Row justifyContent="space-between" alignItems="baseline" gap="4px 12px" flexWrap="wrap">
        <Heading>Calibrate {rig.rig.name}</Heading>
        {kept && at === "mark" && (
          <Button look="quiet" onClick={() => startOver(true)}>
            Start a new run sheet
          </Button>
        )}
        {takeBack && (
          <Button look="quiet" onClick={takeBack}>
            Take the last run sheet back
          </Button>
        )}
      </Row>
      <StepLine steps={steps} at={at} onGo={setStep} />
      {session.lever && (
        <Box marginBottom="14px">
          <Notice state="plain">
            This reading proves a lever: {LEVER_WORDS[session.lever.name].toLowerCase()} to {session.lever.setTo}.
          </Notice>
        </Box>
      )}
      <ToSet session={session} change={change} rig={rig} />
      <SessionSlips session={session} change={change} rig={rig} step={at} />
      {at === "mark" && !kept && plot && (session.area || session.distance) && !methodOf(session.method)?.area && (
        <Box marginBottom="12px">
          <Notice state="plain">
            The plot of last time stands here: {session.pace === "timed-run" ? session.distance : session.area}. Is it pegged so
            again?
          </Notice>
        </Box>
      )}
      {at === "mark" && (
        <MarkStep
          session={session}
          change={change}
          system={system}
          rig={rig}
          onBucket={steps.some(([name]) => name === "catch") && !session.direct ? () => setStep("catch") : undefined}
        />
      )}
      <StepFocus at={at}>
        {at === "walk" && <WalkStep session={session} change={change} driven={!onFoot(rig.rig.kind)} />}
        {at === "catch" && (
          <Gathered session={session} change={change} rig={rig} expected={expected && read(expected.value, "volume", system)} />
        )}
        {at === "result" && (
          <Outcome worked={worked} session={session} rig={rig} onSaved={() => startOver(false)} system={system} onGo={setStep} />
        )}
      </StepFocus>
      {next && <Onward words={next[1]} first={at === "mark"} onGo={() => setStep(next[0])} />}
      {at === "mark" && <Story rig={rig} personId={personId} siteId={siteId} />}
      <Box marginTop="24px" marginBottom={{ base: at === "mark" ? "26px" : "0", lg: "0" }}>
        <Cautions mixing={false} />
      </Box>
    </Room>
  );
}

/** On a phone the first step is long: its way on has a foot of its own above the pad's handle, and the step ends before it. */
const Foot = chakra("div", {
  base: {
    position: { base: "fixed", lg: "static" },
    left: 0,
    right: 0,
    bottom: "101px",
    zIndex: 3,
    padding: { base: "4px 14px", lg: "0" },
    background: "paper",
    borderTop: { base: "1px solid", lg: "none" },
    borderColor: "line",
    "& button": { width: { base: "100%", lg: "auto" }, minHeight: "56px" },
    // Enlarged, there is no room for it.
    "@media (max-height: 560px)": { position: "static", padding: "0", border: "none" },
  },
});

/** The way on to the next step. */
function Onward({ words, first, onGo }: { words: string; first: boolean; onGo: () => void }) {
  const act = (
    <Button look={first ? "act" : "plain"} onClick={onGo}>
      {words} →
    </Button>
  );
  return <Box marginTop="22px">{first ? <Foot>{act}</Foot> : act}</Box>;
}

/** A step that is gone to takes the focus to the first thing that is done in it; the first that is shown does not. */
function StepFocus({ at, children }: { at: StepName; children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  const shown = useRef(at);
  useEffect(() => {
    if (shown.current === at) return;
    shown.current = at;
    box.current
      ?.querySelector<HTMLElement>("button:not([disabled]), input:not([disabled]), select")
      ?.focus({ preventScroll: true });
  }, [at]);
  return <div ref={box}>{children}</div>;
}

interface GatheredProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
  readonly rig: RigEntry;
  readonly expected: string | undefined;
}

/** The second thing that a method gathers: a catch, a fill, the outlets of a boom, or what an area used up. */
function Gathered({ session, change, rig, expected }: GatheredProps) {
  const { system } = useInHand();
  if (session.direct) return <UsedStep session={session} change={change} />;
  if (session.flow === "fill-time") return <FillStep session={session} change={change} />;
  if (session.flow === "outlet-catches" || session.flow === "metered-flow")
    return <OutletStep session={session} change={change} rig={rig} system={system} />;
  return <CatchStep session={session} change={change} expected={expected} rig={rig} />;
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
    fontSize: { base: ".9375rem", lg: "1.0625rem" },
    textAlign: "left",
    cursor: "pointer",
    "&[aria-current=step]": { color: "ink", borderColor: "act" },
  },
});

function StepLine({ steps, at, onGo }: { steps: Steps; at: StepName; onGo: (step: StepName) => void }) {
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

/** Digits go to the steps. Heard from the moment the steps are on the screen: a quick hand is not ahead of it. */
function useStepKeys(steps: Steps, go: (step: StepName) => void) {
  const latest = useRef({ steps, go });
  useEffect(() => {
    latest.current = { steps, go };
  });
  useLayoutEffect(() => {
    latest.current = { steps, go };
    const onKey = (event: KeyboardEvent) => {
      const step = !isTyping(event) && latest.current.steps[Number(event.key) - 1];
      if (step) latest.current.go(step[0]);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
    // Listens once; what it hears is judged by the latest steps.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
}
