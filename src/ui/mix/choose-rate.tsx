"use client";

import { Box, VisuallyHidden } from "@chakra-ui/react";
import { wordsFor } from "@/core/issue";
import { plainOf, rateContextOf } from "@/core/mixing/judge";
import { entered } from "@/core/quantity/parse";
import { understood, rateField } from "@/core/quantity/ranges";
import { spokenToWritten } from "@/core/quantity/spoken";
import { slipsOfForm } from "@/core/slips/of-load";
import { slipsOfBound } from "@/core/slips/of-bound";
import { rateBounds, slipsOfRate } from "@/core/slips/of-rate";
import type { Slip } from "@/core/slips/slip";
import { rowWords, type CardText } from "@/formats/card/card";
import { POINTS, rateAt, secondHalf, type ChoiceText, type Point } from "@/formats/card/choice";
import type { SiteEntry } from "@/formats/entries";
import { readProduct } from "@/formats/job-file/read-product";
import { Faults } from "@/formats/job-file/faults";
import { todayDate } from "../data/clock";
import { rangeWords, rateWords } from "../labels/words";
import { unitsInHand } from "../data/units";
import { Check, Choose, type Option } from "../parts/choose";
import { Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { SlipAsk, SlipKeeper, type Dismissed } from "../parts/slip-ask";
import type { Chosen, DraftProduct } from "./draft";
import { GallonAsk, TurfAsk } from "./rate-asks";
import { Column } from "../parts/layout";

const POINT_WORDS: Record<Point, string> = {
  least: "Low",
  middle: "Middle",
  most: "High",
  typed: "As typed",
};

const SPLITS: readonly Option<"" | "first" | "second">[] = [
  ["", "all at once"],
  ["first", "first half of two"],
  ["second", "second half of two"],
];

interface RateProps {
  readonly chosen: Chosen;
  readonly site: SiteEntry | undefined;
  /** The turfs of the ground that is mixed for. */
  readonly turfs: readonly string[];
  /** The day of the plan, ISO. */
  readonly date?: string;
  readonly change: (next: Partial<DraftProduct>) => void;
}

/** Choosing a rate: the label's row, a point of its range, the whole or half of a split, and why. */
export function ChooseRate({ chosen, site, turfs, date = todayDate(), change }: RateProps) {
  const { card } = chosen.label;
  const { choice } = chosen;
  const row = card.rates[choice.row] ?? card.rates[0]!;
  const choose = (next: Partial<ChoiceText>) => {
    const now = { ...choice, ...next };
    const words = { ...now, from: rowWords(card.rates[now.row]!) };
    change({ choice: words, ...(now.point !== "typed" && { rate: rateAt(card, now.row, now.point, now.split !== undefined) }) });
  };
  const typed = (rate: string) => change({ rate, choice: { ...choice, point: "typed" } });
  const product = chosen.read.ok ? readProduct(chosen.read.value, 0, new Faults()) : undefined;
  const name = card.name;
  const field = rateField(card.form);
  const meant = chosen.read.ok ? understood(field, chosen.rate) : undefined;
  const after = choice.split === "first" ? secondHalf(card, date) : undefined;
  const dismissed = (choice.dismissed ?? []).map((d) => ({ ...d, field: "rate" })) as Dismissed[];
  return (
    <Column gap="6px">
      <Box display="grid" gap="8px 12px" gridTemplateColumns={{ base: "1fr 1fr", md: "1.5fr 1fr 1.2fr" }} alignItems="start">
        {card.rates.length > 1 ? (
          <Choose
            label="Row"
            of={name}
            value={String(choice.row)}
            options={card.rates.map((one, i): Option => [String(i), `${rowWords(one)}: ${rangeWords(one)}`])}
            onPick={(picked) => choose({ row: Number(picked), hand: true })}
          />
        ) : (
          <Box>
            <Box textStyle="label" marginBottom="4px">
              Label rate
            </Box>
            <Box fontFamily="reading" paddingY="12px">
              {rangeWords(row)}
            </Box>
          </Box>
        )}
        <Choose
          label="How much"
          of={name}
          value={choice.point}
          options={POINTS.filter((p) => row.to !== undefined || p === "least" || p === "typed").map((p) => [
            p,
            row.to === undefined && p === "least" ? "Label rate" : POINT_WORDS[p],
          ])}
          onPick={(point) => choose({ point })}
        />
        <TextField
          label="Rate"
          of={name}
          value={chosen.rate}
          error={chosen.read.ok ? undefined : wordsFor(chosen.read.issues[0]!, unitsInHand())}
          {...(meant !== undefined && { hint: meant })}
          quantity={field}
          onChange={(e) => typed(e.target.value)}
        />
      </Box>
      <SlipKeeper
        dismissed={dismissed}
        dismiss={(more) =>
          change({
            choice: {
              ...choice,
              dismissed: [
                ...(choice.dismissed ?? []),
                ...more.map(({ slip, typed: value, reason }) => ({ slip, typed: value, reason })),
              ],
            },
          })
        }
      >
        <SlipAsk field="rate" typed={chosen.rate} slips={slipsOf(chosen, site)} words={rateWords} onTake={typed} />
      </SlipKeeper>
      <TurfAsk card={card} choice={choice} turfs={turfs} onRow={(to) => choose({ row: to, hand: false })} change={change} />
      {product && <GallonAsk product={product} rate={chosen.rate} name={name} choice={choice} change={change} />}
      {after && (
        <Note>
          The second half goes down {after.from ? `not before ${after.from}` : "when the label says so"}
          {after.to && `, and by ${after.to}`}. The budget keeps count.
        </Note>
      )}
      <WhyThisRate card={card} choice={choice} choose={choose} change={change} />
    </Column>
  );
}

interface WhyProps {
  readonly card: CardText;
  readonly choice: ChoiceText;
  readonly choose: (next: Partial<ChoiceText>) => void;
  readonly change: (next: Partial<DraftProduct>) => void;
}

/** What is seldom said of a rate: that it is half of a split, that the soil test asks for it, or why it was chosen. */
function WhyThisRate({ card, choice, choose, change }: WhyProps) {
  const { name } = card;
  return (
    <Fold
      begun={choice.split !== undefined || Boolean(choice.reason)}
      title={
        <>
          Half of a split, or why this rate
          <VisuallyHidden> of {name}</VisuallyHidden>
        </>
      }
    >
      <Box
        display="grid"
        gap="8px 12px"
        gridTemplateColumns={{ base: "minmax(0,1fr)", md: "240px minmax(0,1fr)" }}
        paddingTop="6px"
      >
        <Choose
          label="Split"
          of={name}
          value={choice.split ?? ""}
          options={SPLITS}
          onPick={(split) => choose({ split: split === "" ? undefined : split } as Partial<ChoiceText>)}
        />
        {card.use === "fertilizer" && card.actives.length === 0 && (
          <Check checked={choice.soil === true} onChange={(e) => change({ choice: { ...choice, soil: e.target.checked } })}>
            The soil test asks for this rate: it counts above the bag&apos;s printed coverage
          </Check>
        )}
        <TextField
          label="Reason"
          of={name}
          placeholder="light pressure last year"
          value={choice.reason ?? ""}
          maxLength={300}
          onChange={(e) => change({ choice: { ...choice, reason: e.target.value } })}
        />
      </Box>
    </Fold>
  );
}

/** What a typed rate may have been meant to be, by the row that was picked and the area of the site. */
function slipsOf({ read, choice, label, rate }: Chosen, site: SiteEntry | undefined): Slip[] {
  if (!read.ok) return slipsOfForm(spokenToWritten(rate), label.card.form);
  const product = readProduct(read.value, 0, new Faults());
  if (!product || choice.split) return [];
  const zones = site?.site.zones ?? [];
  const [first] = zones;
  // One zone's area is what a total is usually typed for; of several, nobody knows which.
  const area = zones.length === 1 && first ? entered(first.area, "area").value : undefined;
  const context = { ...rateContextOf(product), area };
  const found = slipsOfRate(product.rate, context);
  if (found.length > 0 || rateBounds(product.rate.kind, context)) return found;
  return slipsOfBound(product.rate, plainOf(product), context, unitsInHand());
}
