"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { format } from "../data/dates";
import dynamic from "next/dynamic";
import { PageLink } from "../parts/page-link";
import { useSearchParams } from "next/navigation";
import { useMemo, useState } from "react";
import { areaAsRead } from "@/core/working/as-read";
import { planLines } from "@/core/mixing/mix";
import type { System } from "@/core/working/units";
import { mixWarningText } from "@/core/words/mix-warnings";
import type { Sheet } from "@/formats/entries";
import { choiceWords, isChoice } from "@/formats/card/choice";
import { gearOf } from "@/formats/gear";
import { tankName } from "@/formats/job-file/assemble";
import { gearMissing, planOfSheet, type SheetPlan } from "@/formats/sheet-plan";
import { useRigs, useSlice } from "../data/records";
import { todayDate, wallClock } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { Room } from "../frame/room";
import { Heading, Note } from "../parts/controls";
import { FirstThing, Notice } from "../parts/notices";
import { besideOf } from "./about-filling";
import { AirNow } from "./air-now";
import { WorkOutAnew } from "./anew";
import { WashFirst } from "../after/wash-first";
import { CloseSheet } from "./close-sheet";
import { DayPicture } from "./day-picture";
import { DayStops, type Tell } from "./day-stops";
import { DayTank } from "./day-tank";
import { GearList } from "./gear-list";
import { Lots } from "./lots";
import { headLine } from "./head-setting";
import { Held } from "./held";
import { SiteCautions } from "./site-cautions";
import { LabelCautions, UnfitForHead } from "./label-cautions";
import { AboutAmounts } from "./beside-the-loads";
import { briefOf } from "./brief";
import { TooLittle } from "./totals";
import { Known, ToKnow } from "../parts/to-know";
import { kitNow } from "./measures";
import { LoadEnds } from "./load-ends";
import { OnePlan } from "./one-plan";
import { createPreview } from "./preview";
import { EndOfDay, RigNotes } from "./rig-notes";
import { SheetFiles } from "./sheet-files";
import { sheetLine } from "./sheet-line";
import { Stopped } from "./stopped";
import { AskEmpty } from "../pour/ask-empty";
import { asksEmpty } from "../pour/pour-steps";
import { useSheet } from "./use-sheet";
import { Column } from "../parts/layout";
import { rigRules } from "@/rig-kinds/rules";

const ToldOutcome = dynamic(() => import("./different").then((m) => m.ToldOutcome), { ssr: false });

/** A mix sheet: what is poured, ticked off; a day's stops as they come along. */
export function SheetRoom() {
  const { sheet, missing, tick, tell, trouble, again } = useSheet(useSearchParams().get("id"));
  if (missing)
    return (
      <Room>
        <FirstThing>
          There is no such mix sheet. <PageLink href="/mix">Mix one</PageLink>
        </FirstThing>
      </Room>
    );
  if (!sheet) return <Room working={[]}>{null}</Room>;
  return (
    <ClientOnly>
      <Poured sheet={sheet} onTick={(step, done) => void tick(step, done)} tell={tell} trouble={trouble} onClosed={again} />
    </ClientOnly>
  );
}

interface PouredProps {
  readonly sheet: Sheet;
  readonly onTick: (step: string, done: boolean) => void;
  readonly tell: Tell;
  readonly trouble: readonly string[];
  readonly onClosed: () => void;
}

function Poured({ sheet, onTick, tell, trouble, onClosed }: PouredProps) {
  const { system } = useInHand();
  const rigs = useRigs();
  const proofs = useSlice("proofs", { rig: sheet.rigId }).value;
  /** The order of the stops while one of them is dragged. */
  const [preview] = useState(createPreview);
  const { run } = sheet;
  const worked = useMemo(() => planOfSheet(sheet.job, run), [sheet.job, run]);
  const { job, plan, input, calibration, fillings } = worked;
  const done = useMemo(() => new Set(sheet.done), [sheet.done]);
  const rig = rigs.find((r) => r.id === sheet.rigId);
  const kit = useMemo(() => kitNow(sheet.job.rig, sheet.rigId, proofs), [sheet.job.rig, sheet.rigId, proofs]);
  const gear = useMemo(() => gearOf(sheet.job.products ?? []), [sheet.job.products]);
  // A withdrawn sheet has given its budget back: its amounts are nobody's to pour any more.
  const poured = sheet.state !== "withdrawn";
  const held = plan.reasons.length > 0;
  // Nor are those of one that the world has overtaken.
  const shown = poured && sheet.stopped.length === 0;
  const missing = gearMissing(sheet.job, done).length > 0;
  const windy = sheet.weatherHolds.length > 0;
  // Once something is filled the stops are what the page is about; once all is done, putting it on record.
  const begun = (run?.filled.length ?? 0) > 0;
  const allDone = run
    ? run.stops.every((stop) => stop.state !== "todo")
    : fillings.length > 0 && fillings.every((f) => done.has(`${f.key}.top-up`));
  const lines = useMemo(
    () => (shown ? planLines(plan, system, besideOf(job, calibration, fillings)) : []),
    [shown, plan, job, calibration, fillings, system],
  );
  return (
    <Room working={lines}>
      <SheetHead sheet={sheet} system={system} />
      <Column gap="16px" marginTop="14px">
        {shown && plan.sites.length > 0 && (
          <Box textStyle="lead" whiteSpace="pre-line">
            {sheetLine(plan, system, sheet.job.rig.head !== undefined)}
          </Box>
        )}
        {shown && job.rig.head && <Box textStyle="lead">{headLine(job.rig.head, calibration, system)}</Box>}
        <Overtaken sheet={sheet} />
        {held && shown && <Held plan={plan} system={system} />}
        {sheet.state !== "open" && <Notice state="plain">{CLOSED[sheet.state]}</Notice>}
        <WhatBecame sheet={sheet} system={system} />
        {trouble.map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
        <KnownOfSheet sheet={sheet} worked={worked} shown={shown && !held} />
        {allDone && sheet.state === "open" && (
          <CloseSheet sheet={sheet} worked={worked} held={held || !shown} ready onClosed={onClosed} />
        )}
        {begun && poured && run && sheet.state === "open" && (
          <DayStops job={sheet.job} run={run} system={system} tell={tell} onPreview={preview.set} />
        )}
        {poured && run && <DayTank job={sheet.job} run={run} system={system} />}
        {shown && !held && sheet.state === "open" && <AirNow of={sheet} under="sheets" />}
        {shown && <SheetFiles sheet={sheet} worked={worked} kit={kit} system={system} />}
        {shown && !held && <GearList gear={gear} done={done} onTick={onTick} />}
        {shown && !held && sheet.state === "open" && <Lots of={sheet.id} products={sheet.job.products ?? []} />}
        {run && poured && (
          <>
            {sheet.state === "open" && !begun && (
              <DayStops job={sheet.job} run={run} system={system} tell={tell} onPreview={preview.set} />
            )}
            {shown && plan.run && (plan.run.loads.length > 0 || plan.run.begun.length > 0) && (
              <DayPicture
                plan={plan}
                input={input}
                stops={run.stops.map((s) => s.site)}
                preview={preview}
                inTank={run.inTank}
                system={system}
              />
            )}
          </>
        )}
        {shown && !held && (
          <Amounts
            sheet={sheet}
            worked={worked}
            kit={kit}
            done={done}
            onTick={onTick}
            locked={missing ? "gear first" : windy ? "the weather says no" : undefined}
          />
        )}
        {rig && run && <EndOfDay rig={rig} />}
        {sheet.state === "open" && !allDone && (
          <CloseSheet sheet={sheet} worked={worked} held={held || !shown} onClosed={onClosed} />
        )}
        <LabelCautions products={sheet.job.products ?? []} sites={sheet.job.sites ?? []} />
      </Column>
    </Room>
  );
}

interface KnownProps {
  readonly sheet: Sheet;
  readonly worked: SheetPlan;
  /** Its amounts are shown. */
  readonly shown: boolean;
}

/** What is to be known of a sheet, one in sight, the rest in a line. */
function KnownOfSheet({ sheet, worked: { job, plan, fillings }, shown }: KnownProps) {
  const { system } = useInHand();
  const rig = useRigs().find((r) => r.id === sheet.rigId);
  const products = sheet.job.products ?? [];
  const poured = sheet.state !== "withdrawn";
  return (
    <ToKnow>
      {poured && sheet.state === "open" && rig && (
        <RigNotes rig={rig} tank={tankName(sheet.job)} products={products} except={sheet.id} />
      )}
      {plan.warnings.map((w) => (
        <Known key={mixWarningText(w, system)} {...briefOf(w)} state="act">
          {mixWarningText(w, system)}
        </Known>
      ))}
      {poured && <SiteCautions job={sheet.job} plan={plan} />}
      {shown && <AboutAmounts plan={plan} fillings={fillings} job={job} system={system} />}
      {shown && <TooLittle plan={plan} system={system} />}
      {poured && rigRules(sheet.job.rig.kind).head && <UnfitForHead products={products} />}
    </ToKnow>
  );
}

/** What has changed since, and the way on from it. */
function Overtaken({ sheet }: { sheet: Sheet }) {
  return (
    <>
      <Stopped issues={sheet.stopped} />
      <WorkOutAnew sheet={sheet} />
    </>
  );
}

/** Of a closed sheet: what really went down, and what became of each load. */
function WhatBecame({ sheet, system }: { sheet: Sheet; system: System }) {
  return (
    <>
      {sheet.state === "recorded" && <WashFirst />}
      {sheet.outcome.length > 0 && <ToldOutcome sheet={sheet} />}
      <LoadEnds ends={sheet.ends} system={system} />
    </>
  );
}

/** What the sheet is of: when and with what it was made. */
function SheetHead({ sheet, system }: { sheet: Sheet; system: System }) {
  const { run } = sheet;
  const sites = sheet.job.sites ?? [];
  const title = run ? `The day, ${sites.length} ${sites.length === 1 ? "stop" : "stops"}` : sites.map((s) => s.name).join(", ");
  const dated = sheet.job.date ?? "";
  // A sheet of a later day says so; today's, and one that was left open, doesn't need to.
  const planned = dated > todayDate() ? format(new Date(`${dated}T12:00:00`), "d MMMM yyyy") : undefined;
  return (
    <>
      <Heading>{title}</Heading>
      <Note>
        {format(wallClock(sheet.madeAt), "d MMMM yyyy, HH:mm")} · {sheet.job.rig.name}
        {(sheet.job.rig.tanks?.length ?? 0) > 1 && `, ${tankName(sheet.job)} tank`}
        {sheet.personName && `, ${sheet.personName}`}
        {planned && ` · mixed for ${planned}`} · calibrated {format(wallClock(sheet.calibrationMadeAt), "d MMM yyyy")}
        {!run && sites.length === 1 && ` · ${sites[0]!.zones.map((zone) => zoneWords(zone, system)).join(", ")}`}
      </Note>
      {sheet.others.map((other) => (
        <Note key={other.id}>
          <PageLink href={`/mix/sheet?id=${other.id}`} style={{ textDecoration: "underline" }}>
            The {other.tank} tank of the same day
          </PageLink>
        </Note>
      ))}
    </>
  );
}

interface AmountsProps extends Pick<PouredProps, "sheet" | "onTick"> {
  readonly worked: SheetPlan;
  readonly kit: ReturnType<typeof kitNow>;
  readonly done: ReadonlySet<string>;
  /** Why nothing may be ticked yet. */
  readonly locked: string | undefined;
}

/** What is poured, load by load, to be ticked off; of a day, the fill that is next and those to come. */
function Amounts({ sheet, worked, kit, done, onTick, locked }: AmountsProps) {
  const { system } = useInHand();
  const { job, plan, fillings, filled, calibration } = worked;
  const { run } = sheet;
  /** The step of a fill in the middle of the ground that was ticked: is the tank empty? */
  const [asking, setAsking] = useState<string>();
  const tickIt = (step: string, on: boolean) => (on && asksEmpty(step, worked) ? setAsking(step) : onTick(step, on));
  return (
    <>
      <Choices job={sheet.job} />
      {asking && (
        <AskEmpty
          onYes={() => {
            onTick(asking, true);
            setAsking(undefined);
          }}
          onNo={() => setAsking(undefined)}
        />
      )}
      <OnePlan
        plan={plan}
        fillings={run ? fillings.slice(0, filled + 1) : fillings}
        later={run ? fillings.slice(filled + 1) : []}
        job={job}
        calibration={calibration}
        kit={kit}
        system={system}
        done={done}
        onTick={tickIt}
        locked={locked}
      />
    </>
  );
}

const zoneWords = (zone: NonNullable<Sheet["job"]["sites"]>[number]["zones"][number], system: System) =>
  zone.spot?.volume !== undefined ? `${zone.name}, a spot` : `${zone.name} ${areaAsRead(zone.area, system)}`;

const CLOSED = {
  recorded: "On record as sprayed: it is in the log.",
  withdrawn: "Withdrawn: what it planned counts no more.",
} as const;

/** How each rate was chosen, as it was kept with the sheet. */
function Choices({ job }: { job: Sheet["job"] }) {
  const said = (job.products ?? []).flatMap((p) => {
    const choice = p.rateChoice;
    return isChoice(choice) ? [`${p.name}: ${choiceWords(choice)}`] : [];
  });
  return said.length > 0 ? <Note>{said.join(". ")}.</Note> : null;
}
