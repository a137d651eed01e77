"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import { groundIsOpen, isStrength } from "@/core/labels/gallon";
import type { LabelRate } from "@/core/labels/label-rate";
import type { MixProduct } from "@/core/mixing/product";
import type { CardText } from "@/formats/card/card";
import { BY_STRENGTH, isForTurf, strangeTurfs, type ChoiceText } from "@/formats/card/choice";
import { readRate } from "@/formats/forms/rate";
import { readTyped } from "@/formats/typed";
import { unitsInHand } from "../data/units";
import { Button, Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";
import type { DraftProduct } from "./draft";
import { Row } from "../parts/layout";

interface TurfProps {
  readonly card: CardText;
  readonly choice: ChoiceText;
  readonly turfs: readonly string[];
  readonly onRow: (row: number) => void;
  readonly change: (next: Partial<DraftProduct>) => void;
}

/** A row of the label that is for another turf than the ground: the right row, or the reason for this one. */
export function TurfAsk({ card, choice, turfs, onRow, change }: TurfProps) {
  const strange = strangeTurfs(card, choice, turfs);
  if (strange.length === 0) return null;
  const better = card.rates.findIndex((row) => row.turf !== undefined && turfs.every((turf) => isForTurf(row, turf)));
  return (
    <Notice state="act">
      This row is for {card.rates[choice.row]?.turf}, the ground is {strange.join(", ")}.{" "}
      {better >= 0 ? (
        <Button look="inline" onClick={() => onRow(better)}>
          Take the row for {card.rates[better]!.turf}
        </Button>
      ) : (
        "The label has no row for all of it: mix the zones one by one, or say why this one."
      )}
      <Box marginTop="8px" maxW="420px">
        <TextField
          label="Why this row"
          of={card.name}
          value={choice.reason ?? ""}
          maxLength={300}
          hint="it is not saved without a reason"
          onChange={(e) => change({ choice: { ...choice, reason: e.target.value } })}
        />
      </Box>
    </Notice>
  );
}

interface AskProps {
  readonly product: MixProduct;
  readonly rate: string;
  readonly name: string;
  readonly choice: ChoiceText;
  readonly change: (next: Partial<DraftProduct>) => void;
}

/** A rate for a gallon: whose ground? Asked before there is an amount, and kept with the mix. */
export function GallonAsk({ product, rate, name, choice, change }: AskProps) {
  const one = /\/\s*(?:100 )?L\b/.test(rate) ? "litre" : "gallon";
  // A gallon for 1,000 sq ft is what most labels mean. A litre has no such usual ground.
  const [typed, setTyped] = useState(one === "gallon" ? "1,000 ft2" : "");
  const read = readTyped("zoneArea", typed);
  const say = (gallon: string | undefined) => {
    const { gallon: _, ...rest } = choice;
    change({ choice: gallon === undefined ? rest : { ...rest, gallon } });
  };
  if (choice.gallon !== undefined && isStrength(parsedRate(product, rate)))
    return (
      <Note>
        {choice.gallon === BY_STRENGTH
          ? "Meant as the strength of the mix, whatever is sprayed."
          : `A ${one} is for ${choice.gallon}.`}{" "}
        <Button look="inline" onClick={() => say(undefined)}>
          Ask again
        </Button>
      </Note>
    );
  if (!groundIsOpen(product)) return null;
  return (
    <Notice state="act">
      {rate} is a rate for a {one}. Most labels mean one {one} for so much ground: sprayed at more than that, the same strength
      overdoses. What does the label of {name} say?
      <Row gap="8px 12px" flexWrap="wrap" alignItems="flex-end" marginTop="8px">
        <Box width="200px">
          <TextField
            label={`A ${one} is for`}
            of={name}
            placeholder={one === "litre" ? "25 m2" : "1,000 ft2"}
            quantity="zoneArea"
            value={typed}
            error={read.ok || typed.trim() === "" ? undefined : wordsFor(read.issues[0]!, unitsInHand())}
            onChange={(e) => setTyped(e.target.value)}
          />
        </Box>
        <Button disabled={!read.ok} onClick={() => read.ok && say(read.value.text)}>
          That is what it says
        </Button>
        <Button look="quiet" onClick={() => say(BY_STRENGTH)}>
          No ground: the strength counts
        </Button>
      </Row>
    </Notice>
  );
}

/** The rate as it is typed, before a gallon's ground turned it into one for an area. */
function parsedRate(product: MixProduct, rate: string): LabelRate {
  const read = readRate(rate, product.form);
  return read.ok ? read.value : product.rate;
}
