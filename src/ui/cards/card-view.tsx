"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useEffect, useRef, type MouseEvent } from "react";
import { resultOf, type Corrected } from "@/core/cards/look";
import { writeNumber } from "@/core/quantity/format";
import { Button } from "../parts/controls";
import { Field } from "../parts/field";
import { Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { isOpen, type CardState } from "./use-cards";

interface CardProps {
  readonly number: number;
  readonly card: CardState;
  readonly busy: boolean;
  /** How many times as wide as its drop a stain is; undefined where nobody said it. */
  readonly spread: number | undefined;
  readonly onCorrect: (corrected: Corrected) => void;
  readonly onCut: (cut: number) => void;
  readonly onDry: () => void;
  readonly onDrop: () => void;
}

const percent = (part: number, figures = 3): string => writeNumber(part * 100, { figures });
const microns = (mm: number): string => writeNumber(mm * 1000, { figures: 2 });

/** What a card is called of which no cover is told. */
const NOT_READ = { "one colour": "all one colour", "too fine": "too fine to be told" };

/** One card squared up, with what was counted on it; a press takes a stain out, puts it back, or adds one. */
export function CardView({ number, card, busy, spread, onCorrect, onCut, onDry, onDrop }: CardProps) {
  const { seen, corrected } = card;
  const { cover, coverOff, counted, fallen, sizes } = resultOf(seen.measured, corrected);
  const changed = corrected.out.length + corrected.added.length;
  return (
    <Box as="section" aria-label={`Card ${number}`} borderTop="2px solid" borderColor="ink" paddingTop="10px">
      <Row justifyContent="space-between" flexWrap="wrap" gap="4px 18px">
        <Box>
          <chakra.strong fontSize="1.375rem" fontFamily="reading">
            {number}: {isOpen(card) ? NOT_READ[seen.measured.told as "one colour" | "too fine"] : `${percent(cover)} % covered`}
          </chakra.strong>
          {!isOpen(card) && (
            <Box as="span" color="soft">
              {" "}
              ± {percent(coverOff, 2)}
            </Box>
          )}
        </Box>
        <Button look="quiet" onClick={onDrop}>
          Leave card {number} out
        </Button>
      </Row>
      <Box marginY="6px">
        {writeNumber(counted, { figures: 3 })} stains counted on a cm²
        {fallen > 1.05 * counted && `, about ${writeNumber(fallen, { figures: 3 })} droplets with those that others hide`}.
        {sizes &&
          ` Half of the stains are under ${microns(sizes.number[1])} µm, half of their volume under ${microns(sizes.volume[1])} µm (a tenth under ${microns(sizes.volume[0])}, nine tenths under ${microns(sizes.volume[2])}).`}{" "}
        {sizes &&
          spread !== undefined &&
          `Drops, by a spread of ${spread}: half under ${microns(sizes.number[1] / spread)} µm, half of their volume under ${microns(sizes.volume[1] / spread)} µm (a tenth under ${microns(sizes.volume[0] / spread)}, nine tenths under ${microns(sizes.volume[2] / spread)}). `}
        Stains under {microns(seen.measured.smallest)} µm can&apos;t be seen in this picture.
      </Box>
      {isOpen(card) && seen.measured.told === "too fine" && (
        <Notice state="stop">
          The stains are too fine for this picture, or it is blurred: what they cover can&apos;t be told. Take it again from
          nearer and sharper, in even light; or leave the card out.
        </Notice>
      )}
      {isOpen(card) && seen.measured.told === "one colour" && (
        <Notice state="stop">
          Nothing fell on this card, or nothing is left dry: the picture can&apos;t tell which, nor can one without colours. Leave
          it out if it is wet through.
          <Box marginTop="8px">
            <Button onClick={onDry}>Nothing fell on it</Button>
          </Box>
        </Notice>
      )}
      <Stains card={card} onCorrect={onCorrect} />
      <Row flexWrap="wrap" gap="4px 24px" marginTop="6px">
        <Box minW="260px">
          <Field label={`What counts as wet: ${percent(card.cut, 2)} % of a full stain`}>
            {(props) => (
              <input
                {...props}
                type="range"
                min={25}
                max={75}
                step={5}
                value={Math.round(card.cut * 100)}
                disabled={busy}
                style={{ width: "100%", height: 44, accentColor: "var(--cg-colors-ink)" }}
                onChange={(e) => onCut(Number(e.target.value) / 100)}
              />
            )}
          </Field>
        </Box>
        {changed > 0 && (
          <Button look="quiet" onClick={() => onCorrect({ out: [], added: [] })}>
            Undo {changed} {changed === 1 ? "correction" : "corrections"}
          </Button>
        )}
      </Row>
    </Box>
  );
}

/** A press this near to a stain means it, mm beside its edge. */
const NEAR = 0.25;

function Stains({ card: { seen, corrected }, onCorrect }: Pick<CardProps, "card" | "onCorrect">) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { shown, rim, perMm, measured } = seen;
  useEffect(() => {
    canvas.current
      ?.getContext("2d")
      ?.putImageData(new ImageData(new Uint8ClampedArray(shown.rgba), shown.width, shown.height), 0, 0);
  }, [shown]);
  const onPress = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width) * (shown.width / perMm) + rim;
    const y = ((event.clientY - box.top) / box.height) * (shown.height / perMm) + rim;
    onCorrect(pressed(seen, corrected, x, y));
  };
  const pixel = (mm: number) => (mm - rim) * perMm;
  return (
    <Box position="relative" lineHeight="0" border="1px solid" borderColor="line">
      <canvas ref={canvas} width={shown.width} height={shown.height} style={{ width: "100%" }} />
      <svg
        viewBox={`0 0 ${shown.width} ${shown.height}`}
        style={{ position: "absolute", inset: 0, width: "100%", height: "100%", cursor: "crosshair" }}
        role="img"
        aria-label={`${measured.stains.length - corrected.out.length + corrected.added.length} stains, each with a line round it. Press one to take it out.`}
        onClick={onPress}
      >
        {corrected.out.map((i) => {
          const { x, y, diameter } = measured.stains[i]!;
          const r = Math.max(4, (diameter / 2) * perMm);
          return (
            <path
              key={i}
              d={`M${pixel(x) - r} ${pixel(y) - r}l${2 * r} ${2 * r}m0 ${-2 * r}l${-2 * r} ${2 * r}`}
              stroke="#fff"
              strokeWidth="3"
              vectorEffect="non-scaling-stroke"
            />
          );
        })}
        {corrected.added.map(({ x, y, diameter }, i) => (
          <circle
            key={i}
            cx={pixel(x)}
            cy={pixel(y)}
            r={(diameter / 2) * perMm}
            fill="none"
            stroke="#fff"
            strokeWidth="3"
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
    </Box>
  );
}

/** What a press on a card changes: it takes out the stain under it, puts it back, or adds one as large as most. */
export function pressed({ measured }: CardState["seen"], { out, added }: Corrected, x: number, y: number): Corrected {
  const hit = (one: { x: number; y: number; diameter: number }) => Math.hypot(one.x - x, one.y - y) <= one.diameter / 2 + NEAR;
  const own = added.findIndex(hit);
  if (own >= 0) return { out, added: added.filter((_, i) => i !== own) };
  const stain = measured.stains.findIndex(hit);
  if (stain >= 0) return { out: out.includes(stain) ? out.filter((i) => i !== stain) : [...out, stain], added };
  const sorted = measured.stains.map(({ diameter }) => diameter).sort((a, b) => a - b);
  const usual = sorted[Math.floor(sorted.length / 2)] ?? 2 * measured.smallest;
  return { out, added: [...added, { x, y, diameter: usual }] };
}
