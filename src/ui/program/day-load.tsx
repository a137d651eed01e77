"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { atMost } from "@/core/quantity/slack";
import { RESTRICTED_USE } from "@/formats/card/card";
import type { WorkDayEntry } from "@/formats/entries";
import { holdsOn } from "@/formats/papers";
import { useLabels, usePeople, useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { Button } from "../parts/controls";
import { Fold } from "../parts/fold";
import { amountText } from "../shelf/amount-text";
import { useRoundMix } from "./round-mix";

/** What goes on the truck for a day of work: product, gear, papers; and on from there to the mix of its stops. */
export function DayLoad({ day, begun = false }: { day: WorkDayEntry; begun?: boolean }) {
  const system = useSystem();
  const labels = useLabels();
  const people = usePeople();
  const shelf = useSlice("shelf", {}).value;
  const router = useRouter();
  const mix = useRoundMix();
  const stopsOf = (round: string) => day.items.filter((item) => item.round === round);
  const cards = day.load.flatMap(({ labelId }) => labels.find((one) => one.id === labelId)?.card ?? []);
  const gear = new Set(cards.flatMap((card) => card.gear.map(({ item, type }) => [item, type].filter(Boolean).join(", "))));
  const restricted = cards.some((card) => card.restricted === RESTRICTED_USE);
  const certified = people.flatMap(({ name, retired, papers = [] }) =>
    retired
      ? []
      : papers
          .filter((paper) => paper.kind === "certificate" && holdsOn(paper, day.date))
          .map(({ number }) => [name, number].filter(Boolean).join(", ")),
  );
  return (
    <Fold title="What to load" begun={begun}>
      <Box as="ul" listStyleType="none" textStyle="small">
        {day.load.map((one) => {
          const card = labels.find((label) => label.id === one.labelId)?.card;
          const left = shelf?.products.find((product) => product.labelId === one.labelId)?.left ?? null;
          return (
            <Box as="li" key={one.round} paddingY="2px">
              <strong>{card?.name}</strong>{" "}
              {one.amount === null || !card
                ? "as its label says: the round has no rate"
                : amountText(one.amount, card.form, system)}
              {one.amount !== null && left !== null && !atMost(one.amount, left) && card && (
                <Box color="stop">✕ only {amountText(left, card.form, system)} on hand</Box>
              )}
            </Box>
          );
        })}
        {gear.size > 0 && <Box as="li">Gear: {[...gear].join("; ")}</Box>}
        <Box as="li">Scale, vessels, water for the rinse, labels, a spill kit</Box>
        {restricted && (
          <Box as="li">Papers: {certified.length > 0 ? certified.join("; ") : "nobody holds a certificate on that day"}</Box>
        )}
      </Box>
      {day.more === 0 &&
        day.load.map((one) => (
          <Button
            key={one.round}
            look="inline"
            onClick={() => void mix(one.round, stopsOf(one.round), { date: day.date, day: true }).then(() => router.push("/mix"))}
          >
            Mix {one.round} for {stopsOf(one.round).length === 1 ? "its lawn" : "its stops"} →
          </Button>
        ))}
    </Fold>
  );
}
