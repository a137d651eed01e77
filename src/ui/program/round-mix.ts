"use client";

import { sameName } from "@/core/names";
import { likelyRow, rowName, rateAt, type ChoiceText } from "@/formats/card/choice";
import type { KeptZone, ZonesLeft } from "@/formats/entries";
import { idOfRound } from "@/formats/season/program";
import { todayDate } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { keep } from "../data/kept-here";
import { fetchSlice } from "../data/records";

/** A site on which a round is to be done, and the zones of it that haven't had it, where others have. */
export interface RoundStop {
  readonly siteId: string;
  readonly left?: ZonesLeft;
}

/**
 * Takes a round into the mix: its product at its rate, for its sites without zones of another turf than it is for, or that have had
 * it. What is put on record of it is of this round.
 */
export function useRoundMix() {
  const { choose } = useInHand();
  return async (
    name: string,
    stops: readonly RoundStop[],
    { date, day }: { readonly date?: string; readonly day?: boolean } = {},
  ) => {
    const ids = stops.map(({ siteId }) => siteId);
    if (!day) choose({ siteId: ids[0]! });
    // Read at the press: what the page happens to have by then may lack the label, and the mix would be of nothing.
    const read = await readOf(ids);
    // What can't be reached is told by the banner; a mix without its zones would be for those that have had it, too.
    if (!read) return;
    const { program, labels, sites } = read;
    const round = program.rounds.find((one) => one.name === name);
    const turf = round?.turf;
    const without = sites.flatMap(({ id, site }) => {
      const left = stops.find(({ siteId }) => siteId === id)?.left;
      const isOut = (zone: KeptZone) =>
        (turf !== undefined && !sameName(zone.turf ?? "", turf)) || (left && !left.some((one) => one.id === zone.id));
      return site.zones.filter(isOut).map((zone) => zone.id);
    });
    const card = labels.find((one) => one.id === round?.label)?.card;
    const row = card ? likelyRow(card, turf ?? sites[0]?.site.zones[0]?.turf) : 0;
    const products =
      round && card
        ? [
            {
              labelId: round.label,
              rate: round.rate ?? rateAt(card, row, "least", false),
              choice: choiceOf(round, row, rowName(card, row)),
            },
          ]
        : [];
    keep("mix", {
      purpose: day ? "day" : "site",
      stops: day ? ids : [],
      tanks: { "": { products, without } },
      ...(date !== undefined && date > todayDate() && { date }),
    });
  };
}

async function readOf(ids: readonly string[]) {
  try {
    const [program, labels, sites] = await Promise.all([
      fetchSlice("program", {}),
      fetchSlice("labels", {}),
      fetchSlice("sitesById", { ids }),
    ]);
    return { program: program.value, labels: labels.value, sites: sites.value };
  } catch {
    return undefined;
  }
}

const choiceOf = (
  round: Parameters<typeof idOfRound>[0] & { readonly rate?: string },
  row: number,
  from: string,
): ChoiceText => ({
  row,
  from,
  point: round.rate === undefined ? "least" : "typed",
  round: idOfRound(round),
});
