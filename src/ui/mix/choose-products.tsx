"use client";

import { Box } from "@chakra-ui/react";
import Link from "next/link";
import { rowName } from "@/formats/card/choice";
import type { LabelEntry, SiteEntry } from "@/formats/book";
import { likelyRow, rateAt } from "@/formats/card/choice";
import { useBook } from "../data/book";
import { formWords } from "../labels/words";
import { Button, Note, SubHeading } from "../parts/controls";
import { FirstThing } from "../parts/notices";
import { ShelfPick } from "../parts/pickers";
import { ChooseRate } from "./choose-rate";
import type { Chosen, DraftProduct, TankDraft } from "./draft";

interface ProductsProps {
  /** Named where a rig has more than one tank. */
  readonly tank?: string | undefined;
  readonly chosen: readonly Chosen[];
  readonly site: SiteEntry | undefined;
  readonly mix: TankDraft;
  readonly change: (next: TankDraft) => void;
}

/** The products of one tank and their rates. */
export function ChooseProducts({ tank, chosen, site, mix, change }: ProductsProps) {
  const { book } = useBook();
  const shelf = book.labels.filter((l) => !l.retired && !mix.products.some((p) => p.labelId === l.id));
  const put = (products: readonly DraftProduct[]) => change({ ...mix, products });
  const setProduct = (labelId: string, next: Partial<DraftProduct>) =>
    put(mix.products.map((p) => (p.labelId === labelId ? { ...p, ...next } : p)));
  return (
    <Box>
      <SubHeading>{tank ? `Products in the ${tank} tank` : "Products"}</SubHeading>
      {book.labels.length === 0 && (
        <Box marginTop="12px">
          <FirstThing>
            The shelf is empty: <Link href="/labels">add the first label</Link>.
          </FirstThing>
        </Box>
      )}
      {chosen.map((c) => (
        <Box key={c.labelId} borderBottom="1px solid" borderColor="line" paddingY="10px" display="grid" gap="8px">
          <Box display="flex" justifyContent="space-between" gap="12px" alignItems="flex-start">
            <Box>
              <Box fontWeight="700" fontSize="17px">
                {c.label.card.name}
              </Box>
              <Note>
                {[c.label.card.use, formWords(c.label.card), c.label.card.actives.map((a) => a.name).join(", ")]
                  .filter(Boolean)
                  .join(" · ")}
              </Note>
            </Box>
            <Button
              look="quiet"
              aria-label={`Take ${c.label.card.name} out`}
              onClick={() => put(mix.products.filter((p) => p.labelId !== c.labelId))}
            >
              Take out
            </Button>
          </Box>
          <ChooseRate chosen={c} site={site} change={(next) => setProduct(c.labelId, next)} />
        </Box>
      ))}
      {shelf.length > 0 && (
        <Box marginTop="12px" maxW="360px">
          <ShelfPick
            label="Add a product"
            value=""
            which={(l) => shelf.includes(l)}
            onPick={(id) => {
              const label = shelf.find((l) => l.id === id);
              if (label) put([...mix.products, firstChoice(label, site?.site.zones[0]?.["x-turf"])]);
            }}
          />
        </Box>
      )}
    </Box>
  );
}

/** A product as it is first put into a mix: the row for this turf, at its least. */
function firstChoice({ id, card }: LabelEntry, turf: string | undefined): DraftProduct {
  const row = likelyRow(card, turf);
  return { labelId: id, rate: rateAt(card, row, "least", false), choice: { row, point: "least", from: rowName(card, row) } };
}
