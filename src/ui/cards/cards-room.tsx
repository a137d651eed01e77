"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { NO_UNIT } from "@/core/quantity/typed";
import type { CardSize } from "@/core/cards/find";
import { depositOf, resultOf } from "@/core/cards/look";
import { parseField } from "@/core/quantity/ranges";
import { writeNumber } from "@/core/quantity/format";
import { keep, useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { Choose, type Option } from "../parts/choose";
import { TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { PickFile } from "../parts/pick-file";
import { CardView } from "./card-view";
import { PhotoView } from "./photo-view";
import { isOpen, useCards, type CardState } from "./use-cards";

const SIZES = {
  "76x26": { long: 76, short: 26 },
  "76x52": { long: 76, short: 52 },
  "52x26": { long: 52, short: 26 },
} as const satisfies Record<string, CardSize>;
type SizeName = keyof typeof SIZES;
const SIZE_WORDS: readonly Option<SizeName>[] = [
  ["76x26", "76 × 26 mm (3 × 1 in)"],
  ["76x52", "76 × 52 mm (3 × 2 in)"],
  ["52x26", "52 × 26 mm (2 × 1 in)"],
];

/** What is kept of a pass: each card's part that was covered, from left to right. The photo itself isn't kept. */
interface Pass {
  readonly size: SizeName;
  readonly spacing: string;
  readonly covers: readonly number[];
  /** How many times as wide as its drop a stain is, by the paper's leaflet. */
  readonly spread?: string;
}
const BLANK: Pass = { size: "76x26", spacing: "", covers: [] };

/** From photos of cards across a pass to what each got. */
export function CardsRoom() {
  return (
    <Room>
      <Heading>Coverage cards</Heading>
      <Note>
        Lay water-sensitive cards, or plain paper with dye in the water, across one pass at equal spacings. Spray, let them dry,
        and photograph them from straight above on a ground of another colour. No picture leaves this device.
      </Note>
      <ClientOnly>
        <Cards />
      </ClientOnly>
    </Room>
  );
}

/** No drop is wider than its stain, and no paper lets it run further (ours). */
const MOST_SPREAD = 6;

/** How many times as wide as its drop a stain is; undefined where nothing is said, null where it can't be that. */
export function spreadOf(typed: string): number | undefined | null {
  if (typed.trim() === "") return undefined;
  const spread = Number(typed.trim().replace(",", "."));
  return spread >= 1 && spread <= MOST_SPREAD ? spread : null;
}

function Cards() {
  const [pass = BLANK, keepPass] = useKept<Pass>("cards");
  const change = (next: Partial<Pass>) => keepPass({ ...pass, ...next });
  const { state, start, stop, measure, addCard, correct, sayDry, drop } = useCards(SIZES[pass.size]);
  const [seed, setSeed] = useState(1);
  const spread = spreadOf(pass.spread ?? "");
  return (
    <Column gap="18px" marginTop="14px">
      <Row flexWrap="wrap" alignItems="flex-start" gap="12px">
        <Box minW="220px">
          <Choose label="Cards of" value={pass.size} options={SIZE_WORDS} onPick={(size) => change({ size })} />
        </Box>
        <Box width="240px">
          <TextField
            label="A stain's width to its drop's"
            quantity={NO_UNIT}
            placeholder="1.9"
            hint="off the paper's leaflet, for drops of this size; may stay empty"
            inputMode="decimal"
            value={pass.spread ?? ""}
            error={spread === null ? "from 1 to 6 times" : undefined}
            onChange={(e) => change({ spread: e.target.value })}
          />
        </Box>
        {/* Level with the fields beside them, under whose labels they stand. */}
        <Row paddingTop="25px" flexWrap="wrap" gap="12px">
          <PickFile label="Photo of cards" accept="image/*" onFile={(file) => void start(file, file.name)}>
            Take a photo, or pick one
          </PickFile>
          <Button
            look="quiet"
            onClick={() => {
              setSeed(seed + 1);
              void start({ seed }, "the made-up photo");
            }}
          >
            Try it on a made-up photo
          </Button>
        </Row>
      </Row>
      {state.is === "looking" && <Looking says={state.says} part={state.part} onStop={stop} />}
      {state.is === "refused" && <Notice state="stop">{state.why}.</Notice>}
      {state.is === "found" && (
        <>
          {state.cards.length === 0 && (
            <Notice state="act">
              No card was found. Lay them on a ground of another colour, all of each in the picture; or mark one by hand.
            </Notice>
          )}
          <Box display="grid" gap="18px" gridTemplateColumns={{ base: "minmax(0,1fr)", lg: "minmax(0,2fr) minmax(0,3fr)" }}>
            <Box>
              <PhotoView
                photo={state.photo}
                quads={state.cards.map(({ seen }) => seen.quad)}
                onMove={(card, quad) => void measure(card, quad, state.cards[card]!.cut)}
              />
              <Row flexWrap="wrap" marginTop="6px">
                <Button look="quiet" onClick={addCard} disabled={state.busy}>
                  Mark a card by hand
                </Button>
                <Button look="quiet" onClick={stop}>
                  Put the photo away
                </Button>
              </Row>
            </Box>
            <Column gap="18px">
              {state.cards.map((card, i) => (
                <CardView
                  spread={spread ?? undefined}
                  key={i}
                  number={i + 1}
                  card={card}
                  busy={state.busy}
                  onCorrect={(corrected) => correct(i, corrected)}
                  onCut={(cut) => void measure(i, card.seen.quad, cut)}
                  onDry={() => sayDry(i)}
                  onDrop={() => drop(i)}
                />
              ))}
            </Column>
          </Box>
          {state.cards.length > 0 && (
            <Button
              look="act"
              justifySelf="start"
              disabled={state.busy || state.cards.some(isOpen)}
              onClick={() => {
                change({ covers: [...pass.covers, ...state.cards.map(coverOf)] });
                stop();
              }}
            >
              Take {state.cards.length} {state.cards.length === 1 ? "card" : "cards"} to the pass
            </Button>
          )}
        </>
      )}
      <PassSoFar pass={pass} change={change} />
    </Column>
  );
}

const coverOf = ({ seen, corrected }: CardState): number => resultOf(seen.measured, corrected).cover;

function Looking({ says, part, onStop }: { says: string; part: number; onStop: () => void }) {
  return (
    <Row role="status" gap="14px">
      <Box flex="1" maxW="420px">
        {says} …
        <Box height="8px" background="well" marginTop="4px">
          <Box height="8px" background="ink" width={`${Math.round(part * 100)}%`} />
        </Box>
      </Box>
      <Button look="stop" onClick={onStop}>
        Stop
      </Button>
    </Row>
  );
}

const LEAST = 3;

/** The pass, card by card as it was taken over, and on to the swath. */
function PassSoFar({ pass, change }: { pass: Pass; change: (next: Partial<Pass>) => void }) {
  const router = useRouter();
  const { covers, spacing } = pass;
  if (covers.length === 0) return null;
  const read = parseField("side", spacing);
  const deposits = covers.map((cover) => Number((100 * depositOf(cover)).toFixed(2)));
  return (
    <Box as="section" aria-label="The pass">
      <SubHeading>The pass, from left to right</SubHeading>
      <Note marginY="6px">
        Droplets fall on one another: a card that is half covered got more than half of one that is covered all over. What fell is
        worked out from the cover, −ln(1 − cover).
      </Note>
      <Row as="ol" listStyleType="none" gap="6px" alignItems="flex-end" height="150px" marginY="10px" overflowX="auto">
        {covers.map((cover, i) => (
          <Box as="li" key={i} textAlign="center" minW="56px">
            <Box textStyle="small">{writeNumber(cover * 100, { figures: 3 })} %</Box>
            <Box
              background="water"
              height={`${(deposits[i]! / Math.max(...deposits, 1)) * 80}px`}
              border="1px solid"
              borderColor="ink"
            />
            <Button
              look="inline"
              aria-label={`Take card ${i + 1} off the pass`}
              onClick={() => change({ covers: covers.filter((_, j) => j !== i) })}
            >
              ✕ {i + 1}
            </Button>
          </Box>
        ))}
      </Row>
      <Row flexWrap="wrap" alignItems="flex-end" gap="12px">
        <Box width="200px">
          <TextField
            label="They lay apart by"
            placeholder="1 ft"
            quantity="side"
            value={spacing}
            onChange={(e) => change({ spacing: e.target.value })}
          />
        </Box>
        <Button
          look="act"
          disabled={covers.length < LEAST || !read.ok || deposits.every((one) => one === 0)}
          onClick={() => {
            keep("pattern", { spacing, caught: deposits.join(" "), most: "", at: 0 });
            router.push("/calibrate/pattern");
          }}
        >
          Work out the swath
        </Button>
        <Button look="quiet" onClick={() => change({ covers: [] })}>
          Begin a new pass
        </Button>
      </Row>
      {covers.length < LEAST && <Note>Three cards or more make a pattern.</Note>}
    </Box>
  );
}
