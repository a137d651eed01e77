"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { InHand } from "../data/in-hand";
import { ChoiceBox } from "../parts/choice-box";
import { Button } from "../parts/controls";
import { Choices } from "./choices";
import { ChooseProducts } from "./choose-products";
import { productWords, whereWords } from "./chosen-words";
import {
  isOfStops,
  stopsOf,
  tankOf,
  turfsOf,
  zonesOfStops,
  type Chosen as ChosenProduct,
  type Draft,
  type MixRecords,
  type TankDraft,
} from "./draft";
import type { Preview } from "./preview";
import { WhichLawn } from "./which-lawn";
import { zonesOfSite, type MixWorked } from "./work-mix";

interface ChosenProps {
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
  readonly planned: MixWorked | undefined;
}

/** Where, and of what: two lines that open in place. What is missing is open by itself, and stays so until somebody closes it. */
export function Chosen(props: ChosenProps) {
  const { draft, change, hand, tank, tankName, chosen, putTank, records, preview, planned } = props;
  const { site, system } = hand;
  const { sites } = records;
  const several = isOfStops(draft.purpose);
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
