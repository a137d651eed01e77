"use client";

import { Box, chakra } from "@chakra-ui/react";
import Link from "next/link";
import { entered, LOAD_MODES, showEntered, type LoadMode } from "@/core/contents";
import type { LabelEntry, SiteEntry } from "@/formats/book";
import { likelyRow, rateAt, rowName } from "@/formats/card/choice";
import { useBook } from "../data/book";
import type { InHand } from "../data/in-hand";
import { formWords } from "../labels/words";
import { Button, Note, Select, SubHeading } from "../parts/controls";
import { Field } from "../parts/field";
import { FirstThing } from "../parts/notices";
import { ShelfPick, SitePick } from "../parts/pickers";
import { ChooseRate } from "./choose-rate";
import type { Chosen, Draft, DraftProduct } from "./draft";

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
  const setProduct = (labelId: string, next: Partial<DraftProduct>) =>
    change({ products: draft.products.map((p) => (p.labelId === labelId ? { ...p, ...next } : p)) });
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
      {hand.site && hand.site.site.zones.length > 1 && (
        <Zones site={hand.site} without={draft.without ?? []} onChange={(without) => change({ without })} />
      )}
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
                onClick={() => change({ products: draft.products.filter((p) => p.labelId !== c.labelId) })}
              >
                Take out
              </Button>
            </Box>
            <ChooseRate chosen={c} site={hand.site} change={(next) => setProduct(c.labelId, next)} />
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
                if (label) change({ products: [...draft.products, firstChoice(label, hand.site?.site.zones[0]?.["x-turf"])] });
              }}
            />
          </Box>
        )}
      </Box>
    </Box>
  );
}

/** A product as it is first put into a mix: the row for this turf, at its least. */
function firstChoice({ id, card }: LabelEntry, turf: string | undefined): DraftProduct {
  const row = likelyRow(card, turf);
  return { labelId: id, rate: rateAt(card, row, "least", false), choice: { row, point: "least", from: rowName(card, row) } };
}

interface ZonesProps {
  readonly site: SiteEntry;
  readonly without: readonly string[];
  readonly onChange: (without: readonly string[]) => void;
}

/** Which of the site's zones this mix is for. */
function Zones({ site, without, onChange }: ZonesProps) {
  return (
    <Box as="fieldset" border="none">
      <chakra.legend fontSize="14px" fontWeight="700">
        Zones
      </chakra.legend>
      <Box display="flex" flexWrap="wrap" gap="0 22px">
        {site.site.zones.map((zone) => (
          <chakra.label key={zone["x-id"]} display="flex" gap="10px" alignItems="center" minHeight="44px">
            <chakra.input
              type="checkbox"
              width="22px"
              height="22px"
              accentColor="var(--cg-colors-ink)"
              checked={!without.includes(zone["x-id"])}
              onChange={(e) =>
                onChange(e.target.checked ? without.filter((id) => id !== zone["x-id"]) : [...without, zone["x-id"]])
              }
            />
            <span>
              {zone.name}
              <chakra.span color="soft">
                {" "}
                {[showEntered(entered(zone.area, "area")), zone["x-turf"]].filter(Boolean).join(", ")}
              </chakra.span>
            </span>
          </chakra.label>
        ))}
      </Box>
    </Box>
  );
}
