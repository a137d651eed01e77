"use client";

import dynamic from "next/dynamic";
import { Box, chakra, ClientOnly, VisuallyHidden } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useMemo, useState, type ReactNode } from "react";
import type { AreaRate } from "@/core/labels/active";
import type { Kit } from "@/core/calibration/kit";
import { allFillings } from "@/core/mixing/column";
import type { FullTank } from "@/core/mixing/full-tank";
import { planLines } from "@/core/mixing/mix";
import type { MixPlan } from "@/core/mixing/plan";
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
import { dayWords } from "../data/dates";
import { useInHand, type InHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { AirAtMix } from "../weather/at-mix";
import { ActBar } from "../parts/act-bar";
import { ChoiceBox } from "../parts/choice-box";
import { Button } from "../parts/controls";
import { Fold } from "../parts/fold";
import { lackIn, NeedHand } from "../parts/need-hand";
import { Known, ToKnow } from "../parts/to-know";
import { Notice } from "../parts/notices";
import { besideOf } from "./about-filling";
import { briefOf } from "./brief";
import { BudgetBars } from "./budget-bars";
import { Choices } from "./choices";
import { ChooseProducts, firstChoice } from "./choose-products";
import {
  dateOf,
  draftOf,
  followGround,
  stopsOf,
  tankKey,
  turfsOf,
  tankOf,
  zonesOfStops,
  type Chosen as ChosenProduct,
  type Draft,
  type MixRecords,
  type TankDraft,
} from "./draft";
import { HeadSetting } from "./head-setting";
import { Held } from "./held";
import { SiteCautions } from "./site-cautions";
import { LabelCautions, UnfitForHead } from "./label-cautions";
import { Locked } from "./locked";
import { LawMissing } from "./law-missing";
import { LastLoadAsk } from "./last-load-ask";
import { measuresOf, soundKit } from "./measures";
import { OnePlan } from "./one-plan";
import { createPreview, type Preview } from "./preview";
import { RigNotes } from "./rig-notes";
import { DayPicture } from "./day-picture";
import { productWords, whereWords } from "./chosen-words";
import { AboutAmounts } from "./beside-the-loads";
import { TooLittle } from "./totals";
import { WhichLawn } from "./which-lawn";
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
  const lines = planned
    ? planLines(planned.plan, hand.system, besideOf(planned.job, planned.calibration, allFillings(planned.plan)))
    : [];
  const loads = mixed && plan!.reasons.length === 0;
  const jar = rig?.rig.head !== undefined;
  return (
    <Room working={lines}>
      <VisuallyHidden as="h1">{titleOf(draft, site?.site.name)}</VisuallyHidden>
      <Chosen
        what={{
          draft,
          change,
          hand,
          tank,
          tankName: keys.length > 1 ? name(tank) : undefined,
          chosen,
          putTank,
          records,
          preview,
        }}
        planned={planned}
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
          tank={name(tank)}
          lastLoad={mixed && <LastLoadOf mixed={mixed} draft={draft} change={change} kit={kit} system={hand.system} />}
        />
        {loads && <Headline plan={plan!} system={hand.system} jar={jar} />}
        {loads && <Loads mixed={mixed} kit={kit} system={hand.system} jar={jar} />}
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

interface KnownProps {
  readonly hand: InHand;
  /** The name of the tank. */
  readonly tank: string;
  readonly products: Parameters<typeof RigNotes>[0]["products"];
  /** The tools of the kit that failed their last proof. */
  readonly failed: readonly string[];
  readonly planned: MixWorked | undefined;
  /** The question of the last load, where there is one. */
  readonly lastLoad: ReactNode;
}

/** What is to be known of a mix: of its rig and kit, its plan, its last load, its amounts, the weather. */
function KnownOfMix({ hand, tank, products, failed, planned, lastLoad }: KnownProps) {
  const { rig, system } = hand;
  const poured = planned && planned.plan.sites.length > 0 && planned.plan.reasons.length === 0;
  return (
    <ToKnow>
      {rig && products.length > 0 && <RigNotes rig={rig} tank={tank} products={products} />}
      {failed.length > 0 && (
        <Known rank="before" brief="a measure that failed" state="act">
          {failed.join(", ")} failed its last proof: nothing is measured with it until it passes.
        </Known>
      )}
      {planned && <OfThePlan worked={planned} hand={hand} />}
      {lastLoad}
      {poured && <AboutAmounts plan={planned.plan} fillings={allFillings(planned.plan)} job={planned.job} system={system} />}
      {poured && <TooLittle plan={planned.plan} system={system} />}
      <AirAtMix products={products} sites={planned?.job.file.sites ?? []} />
      {rig && rigRules(rig.rig.kind).head && <UnfitForHead products={products} />}
    </ToKnow>
  );
}

interface ChosenProps {
  readonly what: {
    readonly draft: Draft;
    readonly change: (next: Partial<Draft>) => void;
    readonly hand: InHand;
    readonly tank: string;
    /** Named where a rig has more than one tank. */
    readonly tankName: string | undefined;
    readonly chosen: readonly ChosenProduct[];
    readonly putTank: (next: TankDraft) => void;
    readonly records: MixRecords;
    readonly preview: Preview;
  };
  readonly planned: MixWorked | undefined;
}

/** Where, and of what: two lines that open in place. What is missing is open by itself, and stays so until somebody closes it. */
function Chosen({ what, planned }: ChosenProps) {
  const { draft, change, hand, tank, tankName, chosen, putTank, records, preview } = what;
  const { site, system } = hand;
  const { sites } = records;
  const several = draft.purpose === "sites" || draft.purpose === "day";
  const noWhere = several ? draft.stops.length === 0 : !site;
  const [open, setOpen] = useState<Readonly<Record<"where" | "products", boolean>>>({
    where: noWhere,
    products: !noWhere && chosen.length === 0,
  });
  // Once there is a ground, what goes on it is asked.
  const [asked, setAsked] = useState(noWhere);
  if (asked && !noWhere) {
    setAsked(false);
    if (chosen.length === 0) setOpen({ ...open, products: true });
  }
  const toggle = (one: "where" | "products") => setOpen({ ...open, [one]: !open[one] });
  return (
    <Box display="grid" gap="8px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" }}>
      <ChoiceBox
        name="Where and when"
        {...whereWords(draft, tank, site, sites, system)}
        open={open.where}
        onToggle={() => toggle("where")}
      >
        {noWhere && !several && (
          <WhichLawn
            onPick={(siteId) => {
              hand.choose({ siteId });
              setOpen({ where: false, products: chosen.length === 0 });
            }}
          />
        )}
        <Choices draft={draft} change={change} hand={hand} tank={tank} preview={preview} />
      </ChoiceBox>
      <ChoiceBox
        name={tankName ? `Products in the ${tankName} tank` : "Products and rates"}
        {...productWords(chosen, tankName)}
        open={open.products}
        onToggle={() => toggle("products")}
      >
        <ChooseProducts
          tank={tankName}
          chosen={chosen}
          site={several ? sites.find((s) => s.id === draft.stops[0]) : site}
          turfs={turfsOf(draft, tank, site?.id, sites)}
          mix={tankOf(draft, tank)}
          date={draft.date}
          change={putTank}
          counted={records.counted}
          zoneIds={zonesOfStops(stopsOf(draft, tank, site?.id, zonesOfSite(sites)), sites)}
          warnings={planned && planned.plan.reasons.length === 0 ? planned.plan.warnings : []}
        />
        {planned && planned.plan.reasons.length === 0 && chosen.length > 0 && (
          <Box marginTop="12px">
            <Button onClick={() => setOpen({ where: false, products: false })}>Show the loads</Button>
          </Box>
        )}
      </ChoiceBox>
    </Box>
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

/** What is to be known of a plan, of its labels, its places and its law. */
function OfThePlan({ worked: { plan, job }, hand }: { worked: MixWorked; hand: InHand }) {
  const { standing } = hand.calibrated!;
  return (
    <>
      {plan.warnings
        .filter((w) => !ASKED.includes(w.code))
        .map((w) => (
          <Known key={mixWarningText(w, hand.system)} {...briefOf(w)} state="act">
            {mixWarningText(w, hand.system)}
          </Known>
        ))}
      <LawMissing job={job.file} person={hand.person} date={job.file.date ?? todayDate()} />
      {standing.state === "expired" && (
        <Known rank="before" brief="time the pace again" state="act">
          This calibration was {standing.reasons[0]}. Mix from it only if nothing has changed.
        </Known>
      )}
      {plan.sites.length > 0 && <SiteCautions job={job.file} plan={plan} timedOn={hand.calibrated?.entry.ground} />}
    </>
  );
}

interface HeldProps {
  readonly worked: MixWorked;
  readonly hand: InHand;
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly onLower: (product: string, most: AreaRate) => void;
  /** Takes a product out of the mix. */
  readonly onWithout: (product: string) => void;
  readonly sites: readonly SiteEntry[];
}

/** Why a plan is held, and the ways out of it, each at a press. */
function WhyHeld({ worked: { plan }, hand, draft, change, onLower, onWithout, sites }: HeldProps) {
  const siteName = (id: string) => sites.find((s) => s.id === id)?.site.name ?? "";
  const several = draft.purpose === "sites" || draft.purpose === "day";
  const days = plan.reasons.flatMap((r) => r.earliest ?? []).sort();
  // It takes the last of them for all of it to be allowed; one without a day isn't helped by waiting.
  const from = plan.reasons.every((r) => r.earliest !== undefined) ? days.at(-1) : undefined;
  const held = [...new Set(plan.reasons.map((r) => r.product))];
  const others = plan.products.map((p) => p.name).filter((one) => !held.includes(one));
  return (
    <Held plan={plan} system={hand.system} onLower={onLower}>
      {from !== undefined && from > dateOf(draft) && (
        <Button onClick={() => change({ date: from })}>Put it on {dayWords(from)}</Button>
      )}
      {held.length === 1 && others.length > 0 && (
        <Button onClick={() => onWithout(held[0]!)}>Mix {others.join(" and ")} alone</Button>
      )}
      {several && plan.sites.length > 0 && plan.held.length > 0 && (
        <Button onClick={() => change({ stops: draft.stops.filter((id) => !plan.held.includes(siteName(id))) })}>
          Leave {plan.held.join(", ")} out
        </Button>
      )}
    </Held>
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
