"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { rowName, likelyRow, rateAt } from "@/formats/card/choice";
import type { MixWarning } from "@/core/mixing/plan";
import { mixWarningText } from "@/core/words/mix-warnings";
import type { CountedEntry, LabelEntry, SiteEntry } from "@/formats/entries";
import { useInHand } from "../data/in-hand";
import { useLabels } from "../data/records";
import { formWords } from "../labels/words";
import { Button, Note, SubHeading } from "../parts/controls";
import { FirstThing, Notice } from "../parts/notices";
import { ShelfPick } from "../parts/pickers";
import { ChooseRate } from "./choose-rate";
import { AgainAsk, LastHere } from "./last-here";
import type { Chosen, DraftProduct, TankDraft } from "./draft";
import { Column, Row } from "../parts/layout";

interface ProductsProps {
  /** Named where a rig has more than one tank. */
  readonly tank?: string | undefined;
  readonly chosen: readonly Chosen[];
  readonly site: SiteEntry | undefined;
  /** The turfs of the ground. */
  readonly turfs: readonly string[];
  readonly mix: TankDraft;
  /** The day of the plan, ISO; today where it is empty. */
  readonly date?: string;
  readonly change: (next: TankDraft) => void;
  /** Which labels of the shelf belong here; all that go into a tank where it is left out. */
  readonly which?: (label: LabelEntry) => boolean;
  /** What is said where none does. */
  readonly none?: string;
  /** What counts against the ground that is mixed for, and its zones. */
  readonly counted?: readonly CountedEntry[] | undefined;
  readonly zoneIds?: readonly string[];
  /** What the plan warns of: a second dose of its day is asked about. */
  readonly warnings?: readonly MixWarning[];
}

/** The products of one tank and their rates. */
export function ChooseProducts(props: ProductsProps) {
  const { tank, chosen, site, turfs, mix, date, change, which = () => true, none, counted = [], zoneIds = [] } = props;
  const { warnings = [] } = props;
  const labels = useLabels();
  const { system } = useInHand();
  const again = (name: string) => {
    const one = warnings.find((w) => w.code === "same-day" && w.values.product === name);
    return one && mixWarningText(one, system);
  };
  const shelf = labels.filter((l) => !l.retired && which(l) && !mix.products.some((p) => p.labelId === l.id));
  const put = (products: readonly DraftProduct[]) => change({ ...mix, products });
  const setProduct = (labelId: string, next: Partial<DraftProduct>) =>
    put(mix.products.map((p) => (p.labelId === labelId ? { ...p, ...next } : p)));
  return (
    <Box>
      <SubHeading>{tank ? `Products in the ${tank} tank` : "Products"}</SubHeading>
      {labels.length === 0 && (
        <Box marginTop="12px">
          <FirstThing>
            The shelf is empty: <PageLink href="/labels">add the first label</PageLink>.
          </FirstThing>
        </Box>
      )}
      {labels.length > 0 && none && shelf.length === 0 && chosen.length === 0 && <Notice state="act">{none}</Notice>}
      {chosen.map((c) => (
        <Column key={c.labelId} borderBottom="1px solid" borderColor="line" paddingY="10px" gap="8px">
          <Row justifyContent="space-between" gap="12px" alignItems="flex-start">
            <Box>
              <Box textStyle="strong">{c.label.card.name}</Box>
              <Note>
                {[c.label.card.use, formWords(c.label.card), c.label.card.actives.map((a) => a.name).join(", ")]
                  .filter(Boolean)
                  .join(" · ")}
              </Note>
            </Box>
            <Button
              look="quiet"
              aria-label={`Remove ${c.label.card.name}`}
              onClick={() => put(mix.products.filter((p) => p.labelId !== c.labelId))}
            >
              Remove
            </Button>
          </Row>
          <ChooseRate
            chosen={c}
            site={site}
            turfs={turfs}
            {...(date && { date })}
            change={(next) => setProduct(c.labelId, next)}
          />
          <LastHere card={c.label.card} counted={counted} zoneIds={zoneIds} />
          <AgainAsk
            name={c.label.card.name}
            said={again(c.label.card.name)}
            choice={c.choice}
            change={(choice) => setProduct(c.labelId, { choice })}
          />
        </Column>
      ))}
      {shelf.length > 0 && (
        <Box marginTop="12px" maxW="360px">
          <ShelfPick
            label="Add a product"
            value=""
            which={(l) => shelf.includes(l)}
            onPick={(id) => {
              const label = shelf.find((l) => l.id === id);
              if (label) put([...mix.products, firstChoice(label, turfs[0])]);
            }}
          />
        </Box>
      )}
    </Box>
  );
}

/** A product as it is first put into a mix: the row for this turf, at its least. */
export function firstChoice({ id, card }: LabelEntry, turf: string | undefined): DraftProduct {
  const row = likelyRow(card, turf);
  return { labelId: id, rate: rateAt(card, row, "least", false), choice: { row, point: "least", from: rowName(card, row) } };
}
