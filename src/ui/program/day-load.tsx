"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { sameName } from "@/core/names";
import { atMost } from "@/core/quantity/slack";
import { RESTRICTED_USE } from "@/formats/card/card";
import { likelyRow, rowName } from "@/formats/card/choice";
import type { KeptZone, WorkDayEntry } from "@/formats/entries";
import { holdsOn } from "@/formats/papers";
import { todayDate } from "../data/clock";
import { keep } from "../data/kept-here";
import { fetchSlice, useLabels, usePeople, useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { Button } from "../parts/controls";
import { Fold } from "../parts/fold";
import { amountText } from "../shelf/amount-text";

type Load = WorkDayEntry["load"][number];

/** What goes on the truck for a day of work: product, gear, papers; and on from there to the mix of its stops. */
export function DayLoad({ day, begun = false }: { day: WorkDayEntry; begun?: boolean }) {
  const system = useSystem();
  const labels = useLabels();
  const people = usePeople();
  const shelf = useSlice("shelf", {}).value;
  const mix = useDayMix(day);
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
          <Button key={one.round} look="inline" onClick={() => void mix(one)}>
            Mix {one.round} for {day.items.filter((item) => item.round === one.round).length === 1 ? "its lawn" : "its stops"} →
          </Button>
        ))}
    </Fold>
  );
}

/** Takes a day's stops of a round, in their order, into the mix, without zones of another turf than it is for, or that have had it. */
function useDayMix({ date, items }: WorkDayEntry) {
  const router = useRouter();
  const labels = useLabels();
  const program = useSlice("program", {}).value;
  return async ({ round, labelId, rate }: Load) => {
    const own = items.filter((item) => item.round === round);
    const stops = own.map(({ siteId }) => siteId);
    const card = labels.find((one) => one.id === labelId)?.card;
    const turf = program?.rounds.find((one) => one.name === round)?.turf;
    const { value: sites } = await fetchSlice("sitesById", { ids: stops });
    const without = sites.flatMap(({ id, site }) => {
      const left = own.find(({ siteId }) => siteId === id)?.left;
      const isOut = (zone: KeptZone) =>
        (turf !== undefined && !sameName(zone["x-turf"] ?? "", turf)) || (left && !left.some((one) => one.id === zone["x-id"]));
      return site.zones.filter(isOut).map((zone) => zone["x-id"]);
    });
    const row = card ? likelyRow(card, turf ?? sites[0]?.site.zones[0]?.["x-turf"]) : 0;
    const product = card && rate !== null ? [{ labelId, rate, choice: { row, from: rowName(card, row), point: "typed" } }] : [];
    keep("mix", {
      purpose: "day",
      stops,
      tanks: { "": { products: product, without } },
      ...(date > todayDate() && { date }),
    });
    router.push("/mix");
  };
}
