"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { isSpread } from "@/core/mixing/pouring-order";
import { spreadSources, type SpreadPlan } from "@/core/mixing/spread";
import { explainAll } from "@/core/working/explain";
import { mixWarningText } from "@/core/words/mix-warnings";
import { planOfSpread, readSpread } from "@/formats/job-file/spread";
import { strangeTurfs } from "@/formats/card/choice";
import { spreadWish } from "@/formats/spread-of";
import { sentences } from "../data/records";
import type { InHand } from "../data/in-hand";
import { useSaveOnce } from "../data/save-id";
import { Room } from "../frame/room";
import { Button, Heading, Note } from "../parts/controls";
import { Notice } from "../parts/notices";
import { BudgetBars } from "./budget-bars";
import { Choices } from "./choices";
import { ChooseProducts } from "./choose-products";
import { dateOf, stopsOf, tankOf, turfsOf, zonesOfStops, type Draft, type MixRecords } from "./draft";
import { Held } from "./held";
import { LabelCautions } from "./label-cautions";
import type { Preview } from "./preview";
import { SpreadList } from "./spread-list";
import { chosenOf, zonesOfSite } from "./work-mix";
import { AirAtMix } from "../weather/at-mix";
import { Column } from "../parts/layout";

interface SpreadMixProps {
  readonly records: MixRecords;
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly hand: InHand;
  readonly preview: Preview;
  readonly onSaved: () => void;
}

/** The key of what is spread among the tanks of a draft. */
export const SPREAD = "spread dry";

/** Granules that are spread dry: bags and pounds for an area. No rig, no calibration, no tank. */
export function SpreadMix({ records, draft, change, hand, preview, onSaved }: SpreadMixProps) {
  const { sites, counted } = records;
  const router = useRouter();
  const saveOnce = useSaveOnce();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const mix = tankOf(draft, SPREAD);
  const chosen = chosenOf(draft, SPREAD, records);
  const stops = stopsOf(draft, SPREAD, hand.site?.id, zonesOfSite(sites));
  const turfs = turfsOf(draft, SPREAD, hand.site?.id, sites);
  const products = chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []));
  const ready = products.length > 0 && products.length === chosen.length && stops.length > 0;
  const date = dateOf(draft);
  const job =
    ready && counted
      ? readSpread(
          spreadWish({
            products,
            stops: stops.map((stop) => ({ ...stop, site: sites.find((s) => s.id === stop.siteId)!.site })),
            counted,
            date,
          }),
        )
      : undefined;
  const plan: SpreadPlan | undefined = job?.ok ? planOfSpread(job.value) : undefined;
  const open = chosen.some(
    (c) => strangeTurfs(c.label.card, c.choice, turfs).length > 0 && (c.choice.reason ?? "").trim().length < 3,
  );
  const save = async () => {
    const result = await saveOnce<{ id: string }>("/api/spreads", "spread", {
      date,
      personId: hand.person?.id ?? null,
      stops: stops.map(({ siteId, without }) => ({ siteId, without })),
      products: mix.products,
    });
    setTrouble(result.ok ? [] : sentences(result.issues));
    if (!result.ok) return;
    onSaved();
    router.push("/log#booked");
  };
  return (
    <Room working={plan ? explainAll(spreadSources(plan), hand.system) : []}>
      <Heading>Spread dry{hand.site && draft.stops.length === 0 ? ` on ${hand.site.site.name}` : ""}</Heading>
      <Choices draft={draft} change={change} hand={hand} tank={SPREAD} preview={preview} />
      <Box marginTop="16px">
        <ChooseProducts
          chosen={chosen}
          site={hand.site}
          turfs={turfs}
          mix={mix}
          which={(label) =>
            isSpread({ form: label.card.form, ...(label.card.formulation && { formulation: label.card.formulation }) })
          }
          counted={counted}
          zoneIds={zonesOfStops(stops, sites)}
          warnings={plan && plan.reasons.length === 0 ? plan.warnings : []}
          none="No granule on the shelf: a label whose formulation is G is spread dry."
          change={(next) => change({ tanks: { ...draft.tanks, [SPREAD]: next } })}
        />
      </Box>
      <Column marginTop="22px" gap="18px">
        <Troubles of={job && !job.ok ? sentences(job.issues) : []} />
        {plan && plan.reasons.length > 0 && <Held plan={plan} system={hand.system} />}
        {plan && <SpreadList items={plan.items} system={hand.system} title="Bags and weight" />}
        {plan && plan.items.length > 0 && (
          <Note>
            Set the spreader low, and go over it twice crosswise, half each time: a streak shows less. Weigh what is left after a
            known area: that is its calibration. Sweep what fell on pavement back onto the turf.
          </Note>
        )}
        {plan?.warnings
          .filter((w) => w.code !== "same-day")
          .map((w) => (
            <Notice key={mixWarningText(w, hand.system)} state="act">
              {mixWarningText(w, hand.system)}
            </Notice>
          ))}
        <Troubles of={trouble} />
        {plan && plan.items.length > 0 && (
          <Box>
            <Button look="act" disabled={plan.reasons.length > 0 || open} onClick={() => void save()}>
              Book it
            </Button>
            <Note>It counts as planned until it is put on record in the log, or withdrawn.</Note>
          </Box>
        )}
        {plan && <BudgetBars budgets={plan.budgets} system={hand.system} />}
        <AirAtMix products={products} sites={stops.map((stop) => sites.find((s) => s.id === stop.siteId)!.site)} />
        <LabelCautions products={products} sites={job?.ok ? (job.value.file.sites ?? []) : []} />
      </Column>
    </Room>
  );
}

const Troubles = ({ of }: { of: readonly string[] }) =>
  of.map((text) => (
    <Notice key={text} state="stop">
      {text}
    </Notice>
  ));
