"use client";

import dynamic from "next/dynamic";
import { Box, ClientOnly } from "@chakra-ui/react";
import Link from "next/link";
import { useMemo, useState } from "react";
import type { AreaRate } from "@/core/labels/active";
import { allFillings } from "@/core/mixing/column";
import { planLines } from "@/core/mixing/mix";
import { writeNumber } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { kindOf } from "@/core/working/rule";
import { reasonWords } from "@/core/words/reasons";
import { mixWarningText } from "@/core/words/mix-warnings";
import { Faults as JobFaults } from "@/formats/job-file/faults";
import { readProduct } from "@/formats/job-file/read-product";
import type { LabelEntry, SiteEntry } from "@/formats/entries";
import { kitOf } from "@/formats/rig-setup";
import { sentences, useRead, useRigs, useSlice } from "../data/records";
import { useInHand, type InHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { Button, Heading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { besideOf } from "./about-filling";
import { BudgetBars } from "./budget-bars";
import { Choices } from "./choices";
import { ChooseProducts, firstChoice } from "./choose-products";
import { draftOf, followGround, tankKey, turfsOf, tankOf, type Draft, type TankDraft } from "./draft";
import { HeadSetting } from "./head-setting";
import { Held } from "./held";
import { LabelCautions } from "./label-cautions";
import { FewerLoads } from "./fewer-loads";
import { measuresOf, soundKit } from "./measures";
import { OnePlan } from "./one-plan";
import { createPreview } from "./preview";
import { RigNotes } from "./rig-notes";
import { DayPicture } from "./day-picture";
import { SaveSheet } from "./save-sheet";
import { SpreadMix } from "./spread-mix";
import { sheetLine } from "./sheet-line";
import { useMixRecords } from "./mix-records";
import { chosenOf, lockWords, rigAsSet, workMix, type Worked } from "./work-mix";

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
  const keys = useMemo(() => (rig?.rig.tanks ?? [{}]).map((_, i, tanks) => tankKey(tanks, i)), [rig]);
  const tank = keys.includes(draft.tank) ? draft.tank : (keys[0] ?? "");
  const tanks = useMemo(
    () =>
      keys
        .filter((key) => key === tank || tankOf(draft, key).products.length > 0)
        .map((key) => {
          const chosen = chosenOf(draft, key, records);
          return { key, chosen, worked: locked ? undefined : workMix(hand, draft, key, chosen, records) };
        }),
    [keys, tank, draft, records, hand, locked],
  );
  const proofs = useSlice("proofs", rig ? { rig: rig.id } : null).value;
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
  const others = tanks.filter((t) => t.key !== tank);
  const putTank = (next: TankDraft) => change({ tanks: { ...draft.tanks, [tank]: next } });
  const name = (key: string) => (rig?.rig.tanks ?? [])[keys.indexOf(key)]?.name ?? "main";
  /** Lowers a rate to the most that is allowed, rounded down: a limit is never rounded up past. */
  const lower = (product: string, most: AreaRate) =>
    putTank({
      ...tankOf(draft, tank),
      products: tankOf(draft, tank).products.map((p) => {
        const label = labels.find((l) => l.id === p.labelId)?.card.name;
        return label === product ? { ...p, rate: roundedDown(most), choice: { ...p.choice, point: "typed" as const } } : p;
      }),
    });
  const plan = worked && "plan" in worked ? worked.plan : undefined;
  const products = chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []));
  const { kit, failed } = rig && proofs ? soundKit(kitOf(rig.rig), rig.id, proofs) : { kit: undefined, failed: [] };
  const fillings = plan ? allFillings(plan) : [];
  const lines =
    worked && "plan" in worked ? planLines(worked.plan, hand.system, besideOf(worked.job, worked.calibration, fillings)) : [];
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
        />
      </Box>
      <Box marginTop="22px" display="grid" gap="18px" gridTemplateColumns="minmax(0,1fr)">
        {locked && <Notice state="act">{locked}</Notice>}
        {rigs.length === 0 && (
          <Notice state="plain">
            Nothing on record yet? <Link href="/mix/quick">A mix on one page</Link> needs no records, and makes them if you like.
          </Notice>
        )}
        {rig && products.length > 0 && <RigNotes rig={rig} tank={name(tank)} products={products} />}
        {failed.length > 0 && (
          <Notice state="act">{failed.join(", ")} failed its last proof: nothing is measured with it until it passes.</Notice>
        )}
        {!locked && <Missing draft={draft} hand={hand} empty={chosen.length === 0} tank={tank} />}
        {rig?.rig.head && !locked && hand.calibrated && (
          <HeadSetting
            rig={rigAsSet(rig.rig, draft)}
            made={hand.calibrated.made}
            products={products.flatMap((p, i) => readProduct(p, i, new JobFaults()) ?? [])}
            system={hand.system}
            onSet={(head) => change({ head })}
          />
        )}
        {worked && <Faults worked={worked} />}
        {plan && worked && "plan" in worked && (
          <>
            {plan.sites.length > 0 && (
              <Box fontSize="19px" fontWeight="700" whiteSpace="pre-line">
                {sheetLine(plan, hand.system, worked.job.rig.head !== undefined)}
              </Box>
            )}
            {plan.reasons.length > 0 && <Held plan={plan} system={hand.system} onLower={lower} />}
            {plan.sites.length > 0 && plan.held.length > 0 && (
              <Box>
                <Button
                  onClick={() =>
                    change({
                      stops: draft.stops.filter((id) => !plan.held.includes(sites.find((s) => s.id === id)?.site.name ?? "")),
                    })
                  }
                >
                  Leave {plan.held.join(", ")} out
                </Button>
              </Box>
            )}
            {plan.warnings
              .filter((w) => !ASKED.includes(w.code))
              .map((w) => (
                <Notice key={mixWarningText(w, hand.system)} state="act">
                  {mixWarningText(w, hand.system)}
                </Notice>
              ))}
            {hand.calibrated!.standing.state === "expired" && (
              <Notice state="act">
                This calibration was {hand.calibrated!.standing.reasons[0]}. Mix from it only if nothing has changed.
              </Notice>
            )}
          </>
        )}
        {worked && "plan" in worked && worked.plan.sites.length > 0 && (
          <FewerLoads
            planned={worked}
            draft={draft}
            change={change}
            measured={kit && measuresOf(worked.plan, kit, hand.system)}
            system={hand.system}
          />
        )}
        {tanks.map(({ key, worked: one }) =>
          one && "plan" in one && one.plan.run && one.plan.sites.length > 0 ? (
            <DayPicture
              key={key}
              plan={one.plan}
              input={one.input}
              tank={keys.length > 1 ? name(key) : undefined}
              stops={draft.stops.map((id) => sites.find((s) => s.id === id)?.site.name ?? "")}
              preview={preview}
              system={hand.system}
            />
          ) : null,
        )}
        {others.map(({ key, worked: one }) => one && <OtherTank key={key} tank={name(key)} worked={one} hand={hand} />)}
        {plan && plan.sites.length > 0 && (
          <SaveSheet draft={draft} hand={hand} tanks={tanks} nameOf={name} onSaved={() => keepDraft(undefined)} />
        )}
        {plan && plan.sites.length > 0 && worked && "plan" in worked && kit && (
          <OnePlan
            plan={plan}
            fillings={fillings}
            job={worked.job}
            calibration={worked.calibration}
            kit={kit}
            system={hand.system}
          />
        )}
        {plan && plan.sites.length > 0 && <CheckLoad plan={plan} system={hand.system} jar={rig?.rig.head !== undefined} />}
        {plan && <BudgetBars budgets={plan.budgets} system={hand.system} />}
        <LabelCautions products={products} />
      </Box>
    </Room>
  );
}

/** A fresh mix: an only product of the shelf is in it. */
function withOnly(labels: readonly LabelEntry[], site: SiteEntry | undefined): Draft {
  const shelf = labels.filter((l) => !l.retired);
  const draft = draftOf({});
  if (shelf.length !== 1) return draft;
  const product = firstChoice(shelf[0]!, site?.site.zones[0]?.["x-turf"]);
  return { ...draft, tanks: { "": { products: [product], without: [] } } };
}

/** Slips are asked about beside the field that they were typed into. */
const ASKED: readonly string[] = ["per-acre-slip", "unit-slip"];

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
  if (purpose === "site" && hand.site?.site.zones.every((z) => without.includes(z["x-id"])))
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
