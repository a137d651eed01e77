"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useSearchParams } from "next/navigation";
import { useEffect, useLayoutEffect, useMemo, useState, type ReactNode } from "react";
import type { Sheet } from "@/formats/entries";
import { tankName } from "@/formats/job-file/assemble";
import { readRig } from "@/formats/job-file/read-rig";
import { planOfSheet, type SheetPlan } from "@/formats/sheet-plan";
import { useSlice } from "../data/records";
import { nowMoment } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { isTyping } from "../frame/keys";
import { Room } from "../frame/room";
import { AirSaid } from "../mix/air-now";
import { Held } from "../mix/held";
import { afterLine, weatherLines } from "../mix/field-words";
import { UnfitForHead } from "../mix/label-cautions";
import { headLine } from "../mix/head-setting";
import { kitNow, measuresOf } from "../mix/measures";
import { Stopped } from "../mix/stopped";
import { useSheet } from "../mix/use-sheet";
import { Button, Heading } from "../parts/controls";
import { FirstThing, Notice } from "../parts/notices";
import { AskEmpty } from "./ask-empty";
import { LoadTimer } from "./load-timer";
import { asksEmpty, loadInTank, nextWords, pourSteps, type PourStep } from "./pour-steps";
import { useSystem } from "../data/units";
import { useAwake, useVoice } from "./voice";
import { Column, Row } from "../parts/layout";
import { useAirBeside } from "../weather/beside";
import { rigRules } from "@/rig-kinds/rules";

/** Pouring with gloves on: one step at a time, large, spoken, the screen kept awake. */
export function PourRoom() {
  const id = useSearchParams().get("id");
  const { sheet, missing, tick, trouble } = useSheet(id);
  if (missing)
    return (
      <Room>
        <FirstThing>
          There is no such mix sheet. <PageLink href="/mix">Mix one</PageLink>
        </FirstThing>
      </Room>
    );
  if (!sheet) return <Room>{null}</Room>;
  return (
    <ClientOnly>
      <Pouring sheet={sheet} tick={tick} trouble={trouble} />
    </ClientOnly>
  );
}

interface PouringProps {
  readonly sheet: Sheet;
  readonly tick: (step: string, done: boolean) => Promise<void>;
  readonly trouble: readonly string[];
}

function Pouring({ sheet, tick, trouble }: PouringProps) {
  const { system } = useInHand();
  const proofs = useSlice("proofs", { rig: sheet.rigId }).value;
  const worked = useMemo(() => planOfSheet(sheet.job, sheet.run), [sheet.job, sheet.run]);
  const closed = sheet.state !== "open";
  const held = worked.plan.reasons.length > 0 || sheet.stopped.length > 0;
  const steps = useMemo(() => {
    const kit = kitNow(sheet.job.rig, sheet.rigId, proofs);
    return pourSteps(sheet, worked, measuresOf(worked.plan, kit, system), system);
  }, [sheet, worked, proofs, system]);
  const done = useMemo(() => new Set(sheet.done), [sheet.done]);
  const voice = useVoice();
  const at = steps.findIndex((s) => !done.has(s.key));
  const step = steps[at];
  const last = [...steps.slice(0, at < 0 ? steps.length : at)].reverse().find((s) => done.has(s.key));
  const { press, busy, asking, stopAsking } = usePress(sheet, worked, tick);
  const { say, on: speaking } = voice;
  const spoken = step?.spoken ?? `All poured. ${nextWords(worked)}`;
  useEffect(() => {
    if (speaking) say(spoken);
    // Said when the step changes, not when the screen is drawn again.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [spoken, speaking]);
  const onBack = last && (() => void press(last.key, false));
  usePourKeys(held || closed ? {} : { onDone: step && (() => void press(step.key, true)), onBack });
  const inTank = useMemo(() => loadInTank(sheet, worked, system), [sheet, worked, system]);
  const pouring = !closed && !held;
  return (
    <Room>
      <AboveTheStep sheet={sheet} voice={voice} />
      {!closed && inTank && (
        <LoadTimer
          key={inTank.key}
          name={`${sheet.id}.${inTank.key}`}
          number={inTank.number}
          lasts={inTank.seconds}
          words={inTank.words}
          course={inTank.course}
          say={(text) => voice.on && voice.say(text)}
        />
      )}
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      {closed && <Notice state="act">This sheet is closed: nothing more is poured from it.</Notice>}
      {!closed && <Stopped issues={sheet.stopped} />}
      {!closed && worked.plan.reasons.length > 0 && <Held plan={worked.plan} system={system} />}
      <Heading fontSize={{ base: "1.0625rem", lg: "1.375rem" }} paddingTop="6px">
        {placeWords(sheet)}
      </Heading>
      {pouring && step && <AirSaid of={sheet} />}
      {pouring && step && <FieldLines sheet={sheet} />}
      {pouring && step && (
        <StepNow
          step={step}
          at={at}
          of={steps.length}
          busy={busy}
          onDone={() => void press(step.key, true)}
          onBack={onBack}
          onSay={voice.has ? () => say(spoken) : undefined}
        >
          {asking === step.key && <AskEmpty onYes={() => void press(step.key, true, true)} onNo={stopAsking} />}
        </StepNow>
      )}
      {pouring && !step && <AllPoured sheet={sheet} next={nextWords(worked)} onBack={onBack} />}
    </Room>
  );
}

/** Ticks a step off or takes it back, one at a time; asks first where it matters that the tank is empty. */
function usePress(sheet: Sheet, worked: SheetPlan, tick: PouringProps["tick"]) {
  const [busy, setBusy] = useState(false);
  const [asking, setAsking] = useState<string>();
  /** The fills of which it was said that the tank was empty: asked once each. */
  const [empty = [], setEmpty] = useKept<readonly string[]>(`empty:${sheet.id}`);
  const press = async (key: string, on: boolean, sure = false) => {
    if (busy) return;
    // A fill in the middle of the ground is worked out for an empty tank: what is left in it would be poured on.
    if (on && !sure && !empty.includes(key) && asksEmpty(key, worked)) return setAsking(key);
    if (sure) setEmpty([...empty, key]);
    setAsking(undefined);
    setBusy(true);
    await tick(key, on);
    setBusy(false);
  };
  return { press, busy, asking, stopAsking: () => setAsking(undefined) };
}

/** Space and Enter tick the step off, Backspace takes the last one back. */
function usePourKeys({ onDone, onBack }: { onDone?: (() => void) | undefined; onBack?: (() => void) | undefined }) {
  // With the drawing itself, so that a key pressed at once finds the step that is seen.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || (event.target as HTMLElement).closest?.("button, a, summary")) return;
      if (!onDone && !onBack) return;
      if (event.key === " " || event.key === "Enter") {
        event.preventDefault();
        onDone?.();
      }
      if (event.key === "Backspace") onBack?.();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
}

/** The way back, and whether the screen stays on and speaks. */
function AboveTheStep({ sheet, voice }: { sheet: Sheet; voice: ReturnType<typeof useVoice> }) {
  const awake = useAwake();
  return (
    <Row justifyContent="space-between" flexWrap="wrap">
      <PageLink href={`/mix/sheet?id=${sheet.id}`} style={{ textDecoration: "underline" }}>
        Back to the sheet
      </PageLink>
      <Box textStyle="small" color="soft">
        {awake === true && "the screen stays on"}
        {awake === false && "the screen may go dark: touch it now and then"}
        {awake === null && "this browser can't keep the screen on: set it in the phone"}
      </Box>
      {voice.has && (
        <Button aria-pressed={voice.on} onClick={() => voice.setOn(!voice.on)}>
          {voice.on ? "Voice on" : "Voice off"}
        </Button>
      )}
    </Row>
  );
}

interface StepProps {
  readonly step: PourStep;
  readonly at: number;
  readonly of: number;
  readonly busy: boolean;
  readonly onDone: () => void;
  readonly onBack: (() => void) | undefined;
  readonly onSay: (() => void) | undefined;
  /** What is asked before the step counts. */
  readonly children: ReactNode;
}

/** The one step that is done now, as large as it goes. */
function StepNow({ step: { part, text }, at, of, busy, onDone, onBack, onSay, children }: StepProps) {
  return (
    <Box
      as="section"
      aria-label="Step"
      display="flex"
      flexDirection="column"
      minH={{ base: "calc(100dvh - 330px)", lg: "62dvh" }}
    >
      <Box display="flex" justifyContent="space-between" fontSize="1.0625rem" color="soft" paddingY="10px">
        <span>{part}</span>
        <span>
          {at + 1} of {of}
        </span>
      </Box>
      <Progress part={at / of} />
      <Box flex="1" paddingY="18px" aria-live="polite">
        <Box fontSize={{ base: "1.625rem", lg: "1.625rem" }}>{text.what}</Box>
        <Box
          fontFamily="reading"
          fontWeight="700"
          fontSize={text.amount.length > 14 ? { base: "2.25rem", lg: "2.25rem" } : { base: "56px", lg: "84px" }}
          lineHeight="1.1"
          overflowWrap="anywhere"
        >
          {text.amount}
        </Box>
        {text.how.map((how) => (
          <Box key={how} fontSize={{ base: "1.375rem", lg: "1.625rem" }} marginTop="8px">
            {how}
          </Box>
        ))}
        {text.needs && (
          <Box fontSize="1.375rem" fontWeight="700" color="stop" marginTop="8px">
            ✕ This kit can&apos;t: {text.needs}.
          </Box>
        )}
      </Box>
      {children}
      <Big type="button" disabled={busy} onClick={onDone}>
        Poured
      </Big>
      <Row alignItems="stretch" marginTop="10px">
        <Button flex="1" minHeight="64px" disabled={!onBack || busy} onClick={onBack}>
          Back
        </Button>
        {onSay && (
          <Button flex="1" minHeight="64px" onClick={onSay}>
            Say it
          </Button>
        )}
      </Row>
    </Box>
  );
}

interface AllPouredProps {
  readonly sheet: Sheet;
  readonly next: string;
  readonly onBack: (() => void) | undefined;
}

function AllPoured({ sheet, next, onBack }: AllPouredProps) {
  return (
    <Column gap="14px" paddingTop="30px">
      <Box fontSize="2.25rem" fontWeight="700">
        All poured ✓
      </Box>
      {next && <Box fontSize="1.375rem">{next}</Box>}
      <FieldLines sheet={sheet} after />
      <Box>
        <Button look="act" minHeight="64px" asChild>
          <PageLink href={`/mix/sheet?id=${sheet.id}`}>{sheet.run ? "To the stops" : "To the sheet"}</PageLink>
        </Button>
      </Box>
      {onBack && (
        <Box>
          <Button minHeight="64px" onClick={onBack}>
            Back
          </Button>
        </Box>
      )}
    </Column>
  );
}

/** What is poured, into what: the strip above says what is in hand, which may be another rig. */
const placeWords = ({ job, run }: Sheet): string => {
  const sites = job.sites ?? [];
  const tanks = (job.rig.tanks?.length ?? 0) > 1 ? `, ${tankName(job)} tank` : "";
  return `${run ? `the day, ${sites.length} stops` : sites.map((s) => s.name).join(", ")} · ${job.rig.name}${tanks}`;
};

/** The weather that the labels want while it is poured; what the ground gets, once it is. */
function FieldLines({ sheet, after = false }: { sheet: Sheet; after?: boolean }) {
  const system = useSystem();
  const products = sheet.job.products ?? [];
  const { rules = [] } = useAirBeside(sheet.job.sites ?? []);
  const head = headLine(sheet.job.rig.head && readRig(sheet.job.rig).head, planOfSheet(sheet.job, sheet.run).calibration, system);
  const care = after ? afterLine(products, nowMoment()) : undefined;
  const lines = [...(care ? [care] : []), ...weatherLines(products, system, rules, true)];
  return (
    <Column textStyle="note" color="soft" gap="2px">
      {head && <strong>{head}</strong>}
      {!after && rigRules(sheet.job.rig.kind).head && <UnfitForHead products={products} />}
      {after
        ? lines.map(([what, says]) => (
            <Box
              key={what + says}
              fontSize={what === "Afterwards" ? "1.375rem" : ".9375rem"}
              color={what === "Afterwards" ? "ink" : "soft"}
            >
              {what}: {says}
            </Box>
          ))
        : lines.map(([what, says]) => `${what} ${says}`).join(" · ")}
    </Column>
  );
}

function Progress({ part }: { part: number }) {
  return (
    <Box height="10px" border="2px solid" borderColor="ink" aria-hidden>
      <Box height="100%" background="ink" width={`${part * 100}%`} />
    </Box>
  );
}

/** For a thumb in a glove. */
const Big = chakra("button", {
  base: {
    width: "100%",
    minHeight: "112px",
    background: "act",
    color: "onAct",
    border: "none",
    fontFamily: "body",
    fontWeight: "700",
    fontSize: "2.25rem",
    cursor: "pointer",
    _disabled: { opacity: 0.6, cursor: "wait" },
  },
});
