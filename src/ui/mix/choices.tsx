"use client";

import { Box } from "@chakra-ui/react";
import Link from "next/link";
import { LOAD_MODES, unitText, wordsFor, type LoadMode } from "@/core/contents";
import { RATE_BARE } from "@/formats/forms/rate";
import { useBook } from "../data/book";
import type { InHand } from "../data/in-hand";
import { formWords, rateText } from "../labels/words";
import { Button, Note, Select, SubHeading } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { FirstThing } from "../parts/notices";
import { ShelfPick, SitePick } from "../parts/pickers";
import type { Chosen, Draft } from "./draft";

const LOAD_WORDS: Record<LoadMode, string> = { "full-then-part": "Full loads, then a part", equal: "Equal loads, measured once" };

interface ChoicesProps {
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly chosen: readonly Chosen[];
  readonly hand: InHand;
}

/** What is mixed: the site, how it is split into loads, which tank, the products and their rates. */
export function Choices({ draft, change, chosen, hand }: ChoicesProps) {
  const { book } = useBook();
  const shelf = book.labels.filter((l) => !l.retired && !draft.products.some((p) => p.labelId === l.id));
  const setRate = (labelId: string, rate: string) =>
    change({ products: draft.products.map((p) => (p.labelId === labelId ? { ...p, rate } : p)) });
  const tanks = hand.rig?.rig.tanks ?? [];
  return (
    <Box display="grid" gap="16px" marginTop="14px">
      <Box display="grid" gap="14px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr 1fr" }}>
        <SitePick value={hand.site?.id} onPick={(siteId) => hand.choose({ siteId })} />
        <Field label="Loads">
          {(props) => (
            <Select {...props} value={draft.loads} onChange={(e) => change({ loads: e.target.value as LoadMode })}>
              {LOAD_MODES.map((mode) => (
                <option key={mode} value={mode}>
                  {LOAD_WORDS[mode]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {tanks.length > 1 && (
          <Field label="Tank">
            {(props) => (
              <Select {...props} value={draft.tank || tanks[0]!.name} onChange={(e) => change({ tank: e.target.value })}>
                {tanks.map((t) => (
                  <option key={t.name} value={t.name}>
                    {t.name}, {t.usable}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
      </Box>
      <Box>
        <SubHeading>Products</SubHeading>
        {book.labels.length === 0 && (
          <Box marginTop="12px">
            <FirstThing>
              The shelf is empty: <Link href="/labels">add the first label</Link>.
            </FirstThing>
          </Box>
        )}
        {chosen.map((c) => (
          <Box
            key={c.labelId}
            display="grid"
            gridTemplateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,300px) auto" }}
            gap="4px 16px"
            alignItems="start"
            borderBottom="1px solid"
            borderColor="line"
            paddingY="10px"
          >
            <Box>
              <Box fontWeight="700" fontSize="17px">
                {c.label.product.name}
              </Box>
              <Note>
                {formWords(c.label.product)} · label: {rateText(c.label.product)}
              </Note>
            </Box>
            <TextField
              label={`Rate of ${c.label.product.name}`}
              value={c.rate}
              error={c.read.ok ? undefined : wordsFor(c.read.issues[0]!)}
              hint={`${unitText(RATE_BARE[c.label.product.form])} if no unit`}
              onChange={(e) => setRate(c.labelId, e.target.value)}
            />
            <Button
              look="quiet"
              marginTop={{ md: "25px" }}
              aria-label={`Take ${c.label.product.name} out`}
              onClick={() => change({ products: draft.products.filter((p) => p.labelId !== c.labelId) })}
            >
              Take out
            </Button>
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
                if (label) change({ products: [...draft.products, { labelId: label.id, rate: label.product.rate }] });
              }}
            />
          </Box>
        )}
      </Box>
    </Box>
  );
}
