"use client";

import dynamic from "next/dynamic";
import { Box, ClientOnly } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useMemo, useState } from "react";
import type { AreaRate } from "@/core/labels/active";
import type { Kit } from "@/core/calibration/kit";
import { allFillings } from "@/core/mixing/column";
import type { FullTank } from "@/core/mixing/full-tank";
import { planLines } from "@/core/mixing/mix";
import { writeNumber } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { kindOf } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import { reasonWords } from "@/core/words/reasons";
import { mixWarningText } from "@/core/words/mix-warnings";
import { Faults as JobFaults } from "@/formats/job-file/faults";
import { readProduct } from "@/formats/job-file/read-product";
import type { LabelEntry, SiteEntry } from "@/formats/entries";
import { kitOf } from "@/formats/rig-setup";
import { sentences, useRead, useRigs, useSlice } from "../data/records";
import { todayDate } from "../data/clock";
import { useInHand, type InHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { AirAtMix } from "../weather/at-mix";
import { Button, Heading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { besideOf } from "./about-filling";
import { BudgetBars } from "./budget-bars";
import { Choices } from "./choices";
import { ChooseProducts, firstChoice } from "./choose-products";
import {
  draftOf,
  followGround,
  stopsOf,
  tankKey,
  turfsOf,
  tankOf,
  zonesOfStops,
  type Chosen,
  type Draft,
  type MixRecords,
  type TankDraft,
} from "./draft";
import { HeadSetting } from "./head-setting";
import { Held } from "./held";
import { SiteCautions } from "./site-cautions";
import { LabelCautions } from "./label-cautions";
import { LawMissing } from "./law-missing";
import { LastLoadAsk } from "./last-load-ask";
import { measuresOf, soundKit } from "./measures";
import { OnePlan } from "./one-plan";
import { createPreview, type Preview } from "./preview";
import { RigNotes } from "./rig-notes";
import { DayPicture } from "./day-picture";
import { SaveSheet } from "./save-sheet";
import { SpreadMix } from "./spread-mix";
import { sheetLine } from "./sheet-line";
import { useMixRecords } from "./mix-records";
import { FullTankBox } from "./full-tank";
import { chosenOf, fullOf, lockWords, rigAsSet, workMix, zonesOfSite, type MixWorked, type Worked } from "./work-mix";
import { Column } from "../parts/layout";
import { rigRules } from "@/rig-kinds/rules";

const CheckLoad = dynamic(() => import("./check-load").then((m) => m.CheckLoad), { ssr: false });

export function MixRoom() {
  const read = useRead("firm", "rigs", "people", "labels", "sites");
  if (!read) return <Room working={[]}>{null}</Room>;
  return (
    <ClientOnly>
      <Mixing />
    </ClientOnly>
  );
}

/** The tanks of the rig that have a mix, each worked out, and the one that is looked at. */
function useTanks(hand: InHand, draft: Draft, records: MixRecords, kit: Kit | undefined, locked: string | undefined) {
  const { rig } = hand;
  const keys = useMemo(() => (rig?.rig.tanks ?? [{}]).map((_, i, tanks) => tankKey(tanks, i)), [rig]);
  const tank = keys.includes(draft.tank) ? draft.tank : (keys[0] ?? "");
  const tanks = useMemo(
    () =>
      keys
        .filter((key) => key === tank || tankOf(draft, key).products.length > 0)
        .map((key): TankWorked => {
          const chosen = chosenOf(draft, key, records);
          return { key, chosen, worked: locked ? undefined : workMix(hand, draft, key, chosen, records, kit) };
        }),
    [keys, tank, draft, records, kit, hand, locked],
  );
  return { keys, tank, tanks };
}

/** The kit of the rig in hand, without what failed its last proof. */
function useKit({ rig }: InHand) {
  const proofs = useSlice("proofs", rig ? { rig: rig.id } : null).value;
  return useMemo(
    () => (rig && proofs ? soundKit(kitOf(rig.rig), rig.id, proofs) : { kit: undefined, failed: [] }),
    [rig, proofs],
  );
}

function Mixing() {
  const hand = useInHand();
  const [kept, keepDraft] = useKept<Partial<Draft>>("mix");
  const records = useMixRecords([hand.site?.id ?? "", ...(kept?.stops ?? [])]);
  const { labels, sites } = records;
  const rigs = useRigs();
  const draft = useMemo(
    () => followGround(kept ? draftOf(kept) : withOnly(labels, hand.site), hand.site?.id, { labels, sites }),
    [kept, hand.site, labels, sites],
  );
  /** The order of the stops while one of them is dragged. */
  const [preview] = useState(createPreview);
  const change = (next: Partial<Draft>) => keepDraft({ ...draft, ...next });
  const { rig, site } = hand;
  const locked = hand.read ? lockWords(hand) : undefined;
  const { kit, failed } = useKit(hand);
  const { keys, tank, tanks } = useTanks(hand, draft, records, kit, locked);
  if (draft.purpose === "spread")
    return (
      <SpreadMix
        records={records}
        draft={draft}
        change={change}
        hand={hand}
        preview={preview}
        onSaved={() => keepDraft(undefined)}
      />
    );
  const { chosen, worked } = tanks.find((t) => t.key === tank)!;
  const planned = worked && "plan" in worked ? worked : undefined;
  const others = tanks.filter((t) => t.key !== tank);
  const putTank = (next: TankDraft) => change({ tanks: { ...draft.tanks, [tank]: next } });
  const name = (key: string) => (rig?.rig.tanks ?? [])[keys.indexOf(key)]?.name ?? "main";
  const lower = (product: string, most: AreaRate) => putTank(lowered(tankOf(draft, tank), labels, product, most));
  const plan = planned?.plan;
  /** What there are amounts of. */
  const mixed = planned && planned.plan.sites.length > 0 ? planned : undefined;
  const products = chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []));
  const lines = planned
    ? planLines(planned.plan, hand.system, besideOf(planned.job, planned.calibration, allFillings(planned.plan)))
    : [];
  return (
    <Room working={lines}>
      <Heading>{titleOf(draft, site?.site.name)}</Heading>
      <Choices draft={draft} change={change} hand={hand} tank={tank} preview={preview} />
      <Box marginTop="16px">
        <ChooseProducts
          {...(keys.length > 1 && { tank: name(tank) })}
          chosen={chosen}
          site={draft.purpose === "site" || draft.purpose === "spot" ? site : sites.find((s) => s.id === draft.stops[0])}
          turfs={turfsOf(draft, tank, site?.id, sites)}
          mix={tankOf(draft, tank)}
          date={draft.date}
          change={putTank}
          counted={records.counted}
          zoneIds={zonesOfStops(stopsOf(draft, tank, site?.id, zonesOfSite(sites)), sites)}
          warnings={planned && planned.plan.reasons.length === 0 ? planned.plan.warnings : []}
        />
      </Box>
      <Column marginTop="22px" gap="18px">
        <BeforeThePlan draft={draft} change={change} hand={hand} tank={tank} name={name(tank)} chosen={chosen} failed={failed}>
          {locked}
        </BeforeThePlan>
        {rigs.length === 0 && <NothingYet />}
        {!worked && !locked && <TankAlone full={fullOf(hand, draft, tank, chosen)} hand={hand} />}
        {worked && <Faults worked={worked} />}
        {planned && (
          <Stands
            worked={planned}
            hand={hand}
            onLower={lower}
            onLeaveOut={(held) =>
              change({ stops: draft.stops.filter((id) => !held.includes(sites.find((s) => s.id === id)?.site.name ?? "")) })
            }
          />
        )}
        {mixed && <LastLoadOf mixed={mixed} draft={draft} change={change} kit={kit} system={hand.system} />}
        <Days draft={draft} tanks={tanks} nameOf={name} sites={sites} preview={preview} system={hand.system} />
        {others.map(({ key, worked: one }) => one && <OtherTank key={key} tank={name(key)} worked={one} hand={hand} />)}
        {mixed && <SaveSheet draft={draft} hand={hand} tanks={tanks} nameOf={name} onSaved={() => keepDraft(undefined)} />}
        {mixed && <SiteCautions job={mixed.job.file} plan={mixed.plan} timedOn={hand.calibrated?.entry.ground} />}
        {mixed && <Loads mixed={mixed} kit={kit} system={hand.system} jar={rig?.rig.head !== undefined} />}
        {plan && <BudgetBars budgets={plan.budgets} system={hand.system} />}
        <AirAtMix products={products} sites={planned?.job.file.sites ?? []} />
        <LabelCautions
          products={products}
          sites={planned?.job.file.sites ?? []}
          head={rig !== undefined && rigRules(rig.rig.kind).head}
        />
      </Column>
    </Room>
  );
}

interface LastLoadProps {
  readonly mixed: MixWorked;
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly kit: Kit | undefined;
  readonly system: System;
}

/** A day's rest rides to the next stop: it is asked about of one site, or of a spot. */
function LastLoadOf({ mixed, draft, change, kit, system }: LastLoadProps) {
  if (draft.purpose === "day") return null;
  return (
    <LastLoadAsk
      planned={mixed}
      without={draft.purpose === "site" ? undefined : "less"}
      said={draft.oneLess !== undefined || draft.loads === "equal"}
      choose={(way) => change({ oneLess: way === "less", loads: way === "equal" ? "equal" : "full-then-part" })}
      measured={kit && ((plan) => measuresOf(plan, kit, system))}
      system={system}
    />
  );
}

const NothingYet = () => (
  <Notice state="plain">
    Nothing on record yet? <PageLink href="/mix/quick">A mix on one page</PageLink> needs no records, and makes them if you like.
  </Notice>
);

/** A tank of the rig: what is chosen for it, and what that comes to. */
interface TankWorked {
  readonly key: string;
  readonly chosen: readonly Chosen[];
  readonly worked: Worked | undefined;
}

interface BeforeProps {
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly hand: InHand;
  readonly tank: string;
  readonly name: string;
  readonly chosen: readonly Chosen[];
  /** The tools of the kit that failed their last proof. */
  readonly failed: readonly string[];
  /** Why nothing may be mixed from this rig now, in words. */
  readonly children: string | undefined;
}

/** What goes into a full tank, while no site is picked. */
const TankAlone = ({ full, hand }: { full: FullTank | undefined; hand: InHand }) =>
  full ? <FullTankBox full={full} system={hand.system} jar={hand.rig?.rig.head !== undefined} /> : null;

/** What has to be so before there is a plan: a calibration that stands, a fit rig and kit, everything picked, the head set. */
function BeforeThePlan({ draft, change, hand, tank, name, chosen, failed, children: locked }: BeforeProps) {
  const { rig } = hand;
  const products = chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []));
  return (
    <>
      {locked && <Notice state="act">{locked}</Notice>}
      {rig && products.length > 0 && <RigNotes rig={rig} tank={name} products={products} />}
      {failed.length > 0 && (
        <Notice state="act">{failed.join(", ")} failed its last proof: nothing is measured with it until it passes.</Notice>
      )}
      {!locked && <Missing draft={draft} hand={hand} empty={chosen.length === 0} tank={tank} />}
      {rig?.rig.head && !locked && hand.calibrated && (
        <HeadSetting
          rig={rigAsSet(rig, draft)}
          made={hand.calibrated.made}
          products={products.flatMap((p, i) => readProduct(p, i, new JobFaults()) ?? [])}
          system={hand.system}
          onSet={(head) => change({ head, headRig: rig.id })}
        />
      )}
    </>
  );
}

interface StandsProps {
  readonly worked: MixWorked;
  readonly hand: InHand;
  readonly onLower: (product: string, most: AreaRate) => void;
  /** Takes the sites of these names out of the mix. */
  readonly onLeaveOut: (held: readonly string[]) => void;
}

/** The plan in a line, why it is held, and what is to be known of it. */
function Stands({ worked: { plan, job }, hand, onLower, onLeaveOut }: StandsProps) {
  const { standing } = hand.calibrated!;
  return (
    <>
      {plan.sites.length > 0 && (
        <Box textStyle="lead" whiteSpace="pre-line">
          {sheetLine(plan, hand.system, job.rig.head !== undefined)}
        </Box>
      )}
      {plan.reasons.length > 0 && <Held plan={plan} system={hand.system} onLower={onLower} />}
      {plan.sites.length > 0 && plan.held.length > 0 && (
        <Box>
          <Button onClick={() => onLeaveOut(plan.held)}>Leave {plan.held.join(", ")} out</Button>
        </Box>
      )}
      {plan.warnings
        .filter((w) => !ASKED.includes(w.code))
        .map((w) => (
          <Notice key={mixWarningText(w, hand.system)} state="act">
            {mixWarningText(w, hand.system)}
          </Notice>
        ))}
      <LawMissing job={job.file} person={hand.person} date={job.file.date ?? todayDate()} />
      {standing.state === "expired" && (
        <Notice state="act">This calibration was {standing.reasons[0]}. Mix from it only if nothing has changed.</Notice>
      )}
    </>
  );
}

interface LoadsProps {
  readonly mixed: MixWorked;
  readonly kit: Kit | undefined;
  readonly system: System;
  readonly jar: boolean;
}

/** What is poured, load by load, and what a load that was poured can be checked against. */
function Loads({ mixed: { plan, job, calibration }, kit, system, jar }: LoadsProps) {
  const fillings = useMemo(() => allFillings(plan), [plan]);
  return (
    <>
      {kit && <OnePlan plan={plan} fillings={fillings} job={job} calibration={calibration} kit={kit} system={system} />}
      <CheckLoad plan={plan} system={system} jar={jar} />
    </>
  );
}

interface DaysProps {
  readonly draft: Draft;
  readonly tanks: readonly TankWorked[];
  readonly nameOf: (key: string) => string;
  readonly sites: readonly SiteEntry[];
  readonly preview: Preview;
  readonly system: System;
}

/** The day of each tank that goes from stop to stop, drawn. */
function Days({ draft, tanks, nameOf, sites, preview, system }: DaysProps) {
  const stops = draft.stops.map((id) => sites.find((s) => s.id === id)?.site.name ?? "");
  return tanks.map(({ key, worked }) =>
    worked && "plan" in worked && worked.plan.run && worked.plan.sites.length > 0 ? (
      <DayPicture
        key={key}
        plan={worked.plan}
        input={worked.input}
        tank={tanks.length > 1 ? nameOf(key) : undefined}
        stops={stops}
        preview={preview}
        system={system}
      />
    ) : null,
  );
}

/** A mix with the rate of a product lowered to the most that is allowed, rounded down: a limit is never rounded up past. */
const lowered = (mix: TankDraft, labels: readonly LabelEntry[], product: string, most: AreaRate): TankDraft => ({
  ...mix,
  products: mix.products.map((p) => {
    const label = labels.find((l) => l.id === p.labelId)?.card.name;
    return label === product ? { ...p, rate: roundedDown(most), choice: { ...p.choice, point: "typed" as const } } : p;
  }),
});

/** A fresh mix: an only product of the shelf is in it. */
function withOnly(labels: readonly LabelEntry[], site: SiteEntry | undefined): Draft {
  const shelf = labels.filter((l) => !l.retired);
  const draft = draftOf({});
  if (shelf.length !== 1) return draft;
  const product = firstChoice(shelf[0]!, site?.site.zones[0]?.turf);
  return { ...draft, tanks: { "": { products: [product], without: [] } } };
}

/** Slips are asked about beside the field that they were typed into, a second dose beside its product. */
const ASKED: readonly string[] = ["per-acre-slip", "unit-slip", "unusual-rate", "same-day"];

function titleOf({ purpose, stops }: Draft, site: string | undefined): string {
  if (purpose === "day")
    return stops.length > 0 ? `Mix for the day, ${stops.length} ${stops.length === 1 ? "stop" : "stops"}` : "Mix for the day";
  if (purpose === "sites") return stops.length > 1 ? `Mix for ${stops.length} sites` : "Mix for several sites";
  if (purpose === "spot") return site ? `Spot mix for ${site}` : "Spot mix";
  return site ? `Mix for ${site}` : "Mix";
}

/** What is still to be chosen, one thing at a time. */
function Missing({ draft, hand, empty, tank }: { draft: Draft; hand: InHand; empty: boolean; tank: string }) {
  const { purpose } = draft;
  const one = purpose === "site" || purpose === "spot";
  const { without } = tankOf(draft, tank);
  if (one && !hand.site) return <Notice state="act">Pick the site.</Notice>;
  if (!one && draft.stops.length === 0) return <Notice state="act">Add a stop.</Notice>;
  if (purpose === "site" && hand.site?.site.zones.every((z) => without.includes(z.id)))
    return <Notice state="act">Tick the zones that this mix is for.</Notice>;
  if (purpose === "spot" && draft.spot.volume.trim() === "") return <Notice state="act">Pick how much it makes up to.</Notice>;
  return empty ? <Notice state="act">Add a product from the shelf.</Notice> : null;
}

function Faults({ worked }: { worked: Worked }) {
  if (!("issues" in worked)) return null;
  return worked.issues.map((issue) => (
    <Notice key={issue.path + issue.code} state="stop">
      {sentences([issue])[0]}
    </Notice>
  ));
}

/** Another tank of the rig with a mix of its own, in a line. */
function OtherTank({ tank, worked, hand }: { tank: string; worked: Worked; hand: InHand }) {
  if ("issues" in worked) return <Faults worked={worked} />;
  const { plan, job } = worked;
  if (plan.reasons.length > 0)
    return (
      <Notice state="stop">
        The mix of the {tank} tank is held: {reasonWords(plan.reasons[0]!, hand.system).text} Pick that tank above to see it.
      </Notice>
    );
  return (
    <Notice state="plain">
      {tank} tank: {plan.products.map((p) => p.name).join(", ")} ·{" "}
      {sheetLine(plan, hand.system, job.rig.head !== undefined).replace(/\n/g, "; ")}
    </Notice>
  );
}

/** A rate as it is typed, to four figures, never up. */
function roundedDown(rate: AreaRate): string {
  const dry = kindOf(rate) === "rateByWeight";
  const number = dry
    ? valueIn(rate.value as Quantity<"rateByWeight">, "oz/1000 ft2")
    : valueIn(rate.value as Quantity<"rateByVolume">, "fl oz/1000 ft2");
  return `${writeNumber(number, { figures: 4, down: true })} ${dry ? "oz" : "fl oz"}/1000 ft2`;
}
