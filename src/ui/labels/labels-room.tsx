"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useState } from "react";
import { PRODUCT_USES, type ProductUse } from "@/core/hose-end/suitability";
import type { CardText } from "@/formats/card/card";
import { cardFormOf, type CardForm } from "@/formats/forms/card-form-of";
import { useLabels, useRead } from "../data/records";
import { Room } from "../frame/room";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { KeptForm, Listed, TwoSides } from "../parts/keeper";
import { Cautions, FirstThing } from "../parts/notices";
import { CardFields } from "./card-fields";
import { CardFiles } from "./card-files";
import { CardView } from "./card-view";
import { OnHand } from "./on-hand";
import { LabelDrawn } from "./label-drawn";
import { LabelReader } from "./label-reader";
import { formWords, limitWords, rangeWords } from "./words";
import { Column, Row } from "../parts/layout";

function labelLine(card: CardText): string {
  const limit = card.limits[0] && limitWords(card.limits[0])[0];
  return [
    card.rates[0] && rangeWords(card.rates[0]),
    card.rates.length > 1 && `${card.rates.length} rows`,
    limit && `never over ${limit}`,
    card.actives.map((a) => a.name).join(", "),
    formWords(card).split(" · ")[1],
  ]
    .filter(Boolean)
    .join(" · ");
}

/** The shelf, by what its products do. */
const SHELVES: Record<ProductUse, string> = {
  herbicide: "Against weeds that are up",
  "pre-emergent": "Against weeds to come",
  fungicide: "Against disease",
  insecticide: "Against insects",
  fertilizer: "Feeds",
  biostimulant: "Strengthens",
  "wetting agent": "Wets the soil",
};
const shelfOf = ({ use }: CardText): number => (use ? PRODUCT_USES.indexOf(use) : PRODUCT_USES.length);

/** What is on the right: a card to read, the form, or the form with the label's text beside it. */
type Side = { readonly shows: "card" | "form" | "reader"; readonly id?: string };

export function LabelsRoom() {
  const labels = useLabels();
  const read = useRead("labels");
  const [side, setSide] = useState<Side>({ shows: "form" });
  const [added, setAdded] = useState(0);
  const entry = labels.find((l) => l.id === side.id);
  const done = (id: string | undefined) => {
    setSide(id === undefined ? { shows: "form" } : { shows: "card", id });
    setAdded(added + 1);
  };
  const form = (
    <KeptForm<CardForm>
      key={`${entry?.id ?? "new"}${added}`}
      kind="labels"
      what="label"
      schema={() => import("@/formats/forms/label").then((forms) => forms.cardForm)}
      blank={cardFormOf()}
      editing={entry && { id: entry.id, revision: entry.revision, form: cardFormOf(entry.card) }}
      onDone={done}
    >
      {(use) =>
        side.shows === "reader" ? (
          <Box
            display="grid"
            gap="28px"
            gridTemplateColumns={{ base: "minmax(0,1fr)", lg: "minmax(0,1fr) minmax(0,1fr)" }}
            alignItems="start"
          >
            <LabelReader form={use} />
            <Column gap="16px">
              <CardFields form={use} />
            </Column>
          </Box>
        ) : (
          <CardFields form={use} />
        )
      }
    </KeptForm>
  );
  if (side.shows === "reader")
    return (
      <Room>
        <Heading>{entry ? `Change ${entry.card.name}` : "Add a label from its text"}</Heading>
        <Box marginY="12px">
          <Button onClick={() => setSide({ ...side, shows: "form" })}>Without the text</Button>
        </Box>
        {form}
      </Room>
    );
  return (
    <Room>
      <Heading>Labels</Heading>
      <Note>
        What the label in your hand says, once, on a card. Every mix is held against it: its rates, its limits, what to wear. The
        label itself is binding.
      </Note>
      <TwoSides wide formFirst={read && (labels.length === 0 || entry !== undefined)}>
        <Box>
          <Shelf editing={side.id} onSide={setSide} />
          <CardFiles />
        </Box>
        {entry && side.shows === "card" ? (
          <Column>
            <CardView card={entry.card} />
            <OnHand label={entry} />
            <Row alignItems="stretch">
              <Button onClick={() => setSide({ shows: "form", id: entry.id })}>Change this card</Button>
              <Button look="quiet" onClick={() => setSide({ shows: "form" })}>
                Add another label
              </Button>
            </Row>
          </Column>
        ) : (
          <Box>
            <SubHeading>{entry ? `Change ${entry.card.name}` : "Add a label"}</SubHeading>
            <Box marginY="10px">
              <Button onClick={() => setSide({ ...side, shows: "reader" })}>Read it from the label&apos;s text</Button>
            </Box>
            {form}
          </Box>
        )}
      </TwoSides>
      <Box marginTop="28px">
        <Cautions mixing />
      </Box>
    </Room>
  );
}

/** The cards on record, by what their products do. */
function Shelf({ editing, onSide }: { editing: string | undefined; onSide: (side: Side) => void }) {
  const labels = useLabels();
  const read = useRead("labels");
  return (
    <>
      <SubHeading>On the shelf</SubHeading>
      <PageLink href="/labels/shelf">What is on hand, needed and to be bought; lots</PageLink>
      {read && labels.length === 0 && (
        <Box marginTop="12px">
          <FirstThing>
            No label yet. Add the product that you will mix, with the rate that its label gives and what it never allows.
          </FirstThing>
        </Box>
      )}
      <Listed
        kind="labels"
        what="label"
        editing={editing}
        onShow={(id) => onSide({ shows: "card", id })}
        onEdit={(id) => onSide({ shows: "form", id })}
        entries={[...labels]
          .sort((a, b) => shelfOf(a.card) - shelfOf(b.card))
          .map((l) => ({
            id: l.id,
            retired: l.retired,
            name: l.card.name,
            about: labelLine(l.card),
            drawn: <LabelDrawn card={l.card} />,
            group: l.card.use ? SHELVES[l.card.use] : "Use not noted",
          }))}
      />
    </>
  );
}
