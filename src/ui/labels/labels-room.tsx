"use client";

import { Box } from "@chakra-ui/react";
import { Suspense } from "react";
import { PRODUCT_USES, type ProductUse } from "@/core/hose-end/suitability";
import type { CardText } from "@/formats/card/card";
import { cardFormOf, type CardForm } from "@/formats/forms/card-form-of";
import type { LabelEntry } from "@/formats/entries";
import { useAddress, useOpen } from "../data/addressed";
import { useLabels, useRead } from "../data/records";
import { Room } from "../frame/room";
import { Button, Note } from "../parts/controls";
import { Archive, KeptForm, Listed } from "../parts/keeper";
import { Cautions } from "../parts/notices";
import { CardFields } from "./card-fields";
import { CardFiles } from "./card-files";
import { CardView } from "./card-view";
import { OnHand } from "./on-hand";
import { LabelDrawn } from "./label-drawn";
import { LabelReader } from "./label-reader";
import { formWords, limitWords, rangeWords } from "./words";
import { Column } from "../parts/layout";
import { RoomHead } from "../parts/room-head";

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
  herbicide: "Post-emergent",
  "pre-emergent": "Pre-emergent",
  fungicide: "Fungicide",
  insecticide: "Insecticide",
  fertilizer: "Fertilizer",
  biostimulant: "Biostimulant",
  "wetting agent": "Wetting agent",
};
const shelfOf = ({ use }: CardText): number => (use ? PRODUCT_USES.indexOf(use) : PRODUCT_USES.length);

export function LabelsRoom() {
  return (
    <Suspense>
      <Labels />
    </Suspense>
  );
}

function Labels() {
  const labels = useLabels();
  const read = useRead("labels");
  const { id, adding, open, add, close } = useOpen();
  const [says, go] = useAddress();
  const entry = labels.find((l) => l.id === id);
  const first = read && labels.length === 0;
  const changing = says("do") === "change";
  const leave = () => go({ id: undefined, do: undefined, text: undefined });
  if (entry && !changing)
    return (
      <Room>
        <RoomHead title={entry.card.name} back={{ words: "Labels", go: close }}>
          <Button onClick={() => go({ do: "change" })}>Change this card</Button>
        </RoomHead>
        <Column maxW="760px">
          <CardView card={entry.card} />
          <OnHand label={entry} />
          <Box>
            <Archive kind="labels" id={entry.id} name={entry.card.name} retired={entry.retired} onDone={close} />
          </Box>
          <Cautions mixing />
        </Column>
      </Room>
    );
  if (!read) return <Room>{null}</Room>;
  const one = entry !== undefined || adding || first;
  return (
    <Room>
      {one ? (
        <CardPage
          entry={entry}
          first={first}
          reading={says("text") !== undefined}
          onReading={(on) => go({ text: on ? "1" : undefined })}
          onLeave={leave}
          onDone={(made) => (made === undefined ? leave() : go({ id: made, do: undefined, text: undefined }))}
        />
      ) : (
        <Shelf onOpen={open} onAdd={add} />
      )}
      {!entry && !adding && <CardFiles />}
      <Box marginTop="28px">
        <Cautions mixing />
      </Box>
    </Room>
  );
}

/** The cards on record, by what their products do. */
function Shelf({ onOpen, onAdd }: { onOpen: (id: string) => void; onAdd: () => void }) {
  const labels = useLabels();
  return (
    <>
      <RoomHead title="Labels">
        <Button onClick={onAdd}>+ Label</Button>
      </RoomHead>
      <Listed
        kind="labels"
        what="label"
        onOpen={onOpen}
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

interface CardPageProps {
  /** The card that is changed; nothing of a new one. */
  readonly entry: LabelEntry | undefined;
  /** There is no card yet. */
  readonly first: boolean;
  /** The label's text is read beside the form. */
  readonly reading: boolean;
  readonly onReading: (on: boolean) => void;
  readonly onLeave: () => void;
  readonly onDone: (id: string | undefined) => void;
}

/** The form of a card, with the label's text beside it where somebody has that. */
function CardPage({ entry, first, reading, onReading, onLeave, onDone }: CardPageProps) {
  return (
    <>
      <RoomHead
        title={entry ? `Change ${entry.card.name}` : first ? "Add the first label" : "Add a label"}
        back={first ? undefined : { words: "Labels", go: onLeave }}
      >
        <Button onClick={() => onReading(!reading)}>{reading ? "Without the text" : "Read it from the label's text"}</Button>
      </RoomHead>
      {!reading && (
        <Note>
          What the label in your hand says, once. Every mix is held against it: rates, limits, what to wear. The label is binding.
        </Note>
      )}
      <Box marginTop="12px" maxW={reading ? undefined : "760px"}>
        <KeptForm<CardForm>
          key={entry?.id ?? "new"}
          kind="labels"
          what="label"
          schema={() => import("@/formats/forms/label").then((forms) => forms.cardForm)}
          blank={cardFormOf()}
          editing={entry && { id: entry.id, revision: entry.revision, form: cardFormOf(entry.card) }}
          onDone={onDone}
        >
          {(use) =>
            reading ? (
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
      </Box>
    </>
  );
}
