"use client";

import dynamic from "next/dynamic";
import { Box, chakra, ClientOnly, VisuallyHidden } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useMemo, useState } from "react";
import type { AreaRate } from "@/core/labels/active";
import type { Kit } from "@/core/calibration/kit";
import { allFillings, type Filling } from "@/core/mixing/column";
import type { FullTank } from "@/core/mixing/full-tank";
import { planLines } from "@/core/mixing/mix";
import type { MixPlan } from "@/core/mixing/plan";
import { writeNumber } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { kindOf } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import { reasonWords } from "@/core/words/reasons";
import { Faults as JobFaults } from "@/formats/job-file/faults";
import { readProduct } from "@/formats/job-file/read-product";
import type { LabelEntry, SiteEntry } from "@/formats/entries";
import { kitOf } from "@/formats/rig-setup";
import { sentences, useRead, useRigs, useSlice } from "../data/records";
import { useInHand, type InHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { ActBar } from "../parts/act-bar";
import { Fold } from "../parts/fold";
import { lackIn, NeedHand } from "../parts/need-hand";
import { Notice } from "../parts/notices";
import { besideOf } from "./about-filling";
import { BudgetBars } from "./budget-bars";
import { firstChoice } from "./choose-products";
import {
  draftOf,
  followGround,
  tankKey,
  tankOf,
  type Chosen as ChosenProduct,
  type Draft,
  type MixRecords,
  type TankDraft,
} from "./draft";
import { Chosen } from "./chosen";
import { HeadSetting } from "./head-setting";
import { KnownOfMix } from "./known-of-mix";
import { WhyHeld } from "./why-held";
import { LabelCautions } from "./label-cautions";
import { Locked } from "./locked";
import { LastLoadAsk } from "./last-load-ask";
import { measuresOf, soundKit } from "./measures";
import { OnePlan } from "./one-plan";
import { createPreview, type Preview } from "./preview";
import { DayPicture } from "./day-picture";
import { SaveSheet } from "./save-sheet";
import { SpreadMix } from "./spread-mix";
import { sheetLine } from "./sheet-line";
import { useMixRecords } from "./mix-records";
import { FullTankBox } from "./full-tank";
import { chosenOf, fullOf, lockWords, rigAsSet, workMix, type MixWorked, type Worked } from "./work-mix";
import { Column } from "../parts/layout";

const CheckLoad = dynamic(() => import("./check-load").then((m) => m.CheckLoad), { ssr: false });

export function MixRoom() {
  const known = useRead("firm", "rigs", "people", "labels", "sites");
  const { read } = useInHand();
  // What is in hand is known before anything is asked; once begun, another rig that is still being read takes nothing away.
  const [begun, setBegun] = useState(false);
  if (known && read && !begun) setBegun(true);
  if (!begun) return <Room working={[]}>{null}</Room>;
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
  const fillings = planned ? allFillings(planned.plan) : [];
  const lines = planned ? planLines(planned.plan, hand.system, besideOf(planned.job, planned.calibration, fillings)) : [];
  const loads = mixed && plan!.reasons.length === 0;
  const jar = rig?.rig.head !== undefined;
  return (
    <Room working={lines}>
      <VisuallyHidden as="h1">{titleOf(draft, site?.site.name)}</VisuallyHidden>
      <Chosen
        {...{ draft, change, hand, tank, chosen, putTank, records, preview, planned }}
        tankName={keys.length > 1 ? name(tank) : undefined}
      />
      <Column marginTop="8px" gap="8px">
        <BeforeThePlan draft={draft} change={change} hand={hand} tank={tank} chosen={chosen}>
          {locked}
        </BeforeThePlan>
        {rigs.length === 0 && <NothingYet />}
        {!worked && !locked && <TankAlone full={fullOf(hand, draft, tank, chosen)} hand={hand} />}
        {worked && <Faults worked={worked} />}
        {planned && plan!.reasons.length > 0 && (
          <WhyHeld
            worked={planned}
            hand={hand}
            draft={draft}
            change={change}
            onLower={lower}
            onWithout={(product) => putTank(withoutProduct(tankOf(draft, tank), labels, product))}
            sites={sites}
          />
        )}
        <KnownOfMix
          {...{ hand, products, failed, planned }}
          fillings={loads ? fillings : []}
          tank={name(tank)}
          lastLoad={mixed && <LastLoadOf mixed={mixed} draft={draft} change={change} kit={kit} system={hand.system} />}
        />
        {loads && <Headline plan={plan!} system={hand.system} jar={jar} />}
        {loads && <Loads mixed={mixed} fillings={fillings} kit={kit} system={hand.system} jar={jar} />}
        <Days draft={draft} tanks={tanks} nameOf={name} sites={sites} preview={preview} system={hand.system} />
        {others.map(({ key, worked: one }) => one && <OtherTank key={key} tank={name(key)} worked={one} hand={hand} />)}
        {plan && (
          <Fold strong title="What the year still allows" must={plan.reasons.some((r) => r.code === "over-year-limit")}>
            <BudgetBars budgets={plan.budgets} system={hand.system} />
          </Fold>
        )}
        <LabelCautions products={products} sites={planned?.job.file.sites ?? []} />
        {mixed && (
          <ActBar>
            <SaveSheet draft={draft} hand={hand} tanks={tanks} nameOf={name} onSaved={() => keepDraft(undefined)} />
          </ActBar>
        )}
      </Column>
    </Room>
  );
}

/** The plan in two sizes: how many loads, and of how much on how much ground. */
function Headline({ plan, system, jar }: { plan: MixPlan; system: System; jar: boolean }) {
  const lines = sheetLine(plan, system, jar).split("\n");
  return (
    <Box as="section" aria-label="The mix">
      {lines.map((line) => {
        const [count] = /^[^,·]+/.exec(line)!;
        return (
          <Box key={line}>
            <chakra.strong
              fontSize={lines.length === 1 ? { base: "1.625rem", lg: "2.25rem" } : "1.375rem"}
              lineHeight="1.15"
              whiteSpace="nowrap"
            >
              {count.trimEnd()}
            </chakra.strong>
            {line.slice(count.trimEnd().length)}
          </Box>
        );
      })}
    </Box>
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
  readonly chosen: readonly ChosenProduct[];
  readonly worked: Worked | undefined;
}

interface BeforeProps {
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly hand: InHand;
  readonly tank: string;
  readonly chosen: readonly ChosenProduct[];
  /** Why nothing may be mixed from this rig now, in words. */
  readonly children: string | undefined;
}

/** What goes into a full tank, while no site is picked. */
const TankAlone = ({ full, hand }: { full: FullTank | undefined; hand: InHand }) =>
  full ? <FullTankBox full={full} system={hand.system} jar={hand.rig?.rig.head !== undefined} /> : null;

/** What has to be so before there is a plan: a calibration that is good, everything chosen, the head set. */
function BeforeThePlan({ draft, change, hand, tank, chosen, children: locked }: BeforeProps) {
  const { rig } = hand;
  const lacks = lackIn(hand);
  const products = chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []));
  return (
    <>
      {locked && lacks && hand.read && <NeedHand lacks={lacks} />}
      {locked && !lacks && <Locked hand={hand}>{locked}</Locked>}
      {!locked && <Missing draft={draft} hand={hand} tank={tank} />}
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

interface LoadsProps {
  readonly mixed: MixWorked;
  readonly fillings: readonly Filling[];
  readonly kit: Kit | undefined;
  readonly system: System;
  readonly jar: boolean;
}

/** What is poured, load by load, and what a load that was poured can be checked against. */
function Loads({ mixed: { plan, job, calibration }, fillings, kit, system, jar }: LoadsProps) {
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

/** A mix without one of its products. @param product its name */
const withoutProduct = (mix: TankDraft, labels: readonly LabelEntry[], product: string): TankDraft => ({
  ...mix,
  products: mix.products.filter((p) => labels.find((l) => l.id === p.labelId)?.card.name !== product),
});

/** A fresh mix: an only product of the shelf is in it. */
function withOnly(labels: readonly LabelEntry[], site: SiteEntry | undefined): Draft {
  const shelf = labels.filter((l) => !l.retired);
  const draft = draftOf({});
  if (shelf.length !== 1) return draft;
  const product = firstChoice(shelf[0]!, site?.site.zones[0]?.turf);
  return { ...draft, tanks: { "": { products: [product], without: [] } } };
}

function titleOf({ purpose, stops }: Draft, site: string | undefined): string {
  if (purpose === "day")
    return stops.length > 0 ? `Mix for the day, ${stops.length} ${stops.length === 1 ? "stop" : "stops"}` : "Mix for the day";
  if (purpose === "sites") return stops.length > 1 ? `Mix for ${stops.length} sites` : "Mix for several sites";
  if (purpose === "spot") return site ? `Spot mix for ${site}` : "Spot mix";
  return site ? `Mix for ${site}` : "Mix";
}

/** What is still to be chosen, one thing at a time. */
function Missing({ draft, hand, tank }: { draft: Draft; hand: InHand; tank: string }) {
  const { purpose } = draft;
  const one = purpose === "site" || purpose === "spot";
  const { without } = tankOf(draft, tank);
  if (one && !hand.site) return null;
  if (!one && draft.stops.length === 0) return <Notice state="act">Add a stop.</Notice>;
  if (purpose === "site" && hand.site?.site.zones.every((z) => without.includes(z.id)))
    return <Notice state="act">Tick the zones that this mix is for.</Notice>;
  if (purpose === "spot" && draft.spot.volume.trim() === "") return <Notice state="act">Choose how much it makes up to.</Notice>;
  return null;
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
