"use client";

import { useMemo } from "react";
import type { System } from "@/core/working/units";
import type { PersonEntry, RigEntry, SiteEntry } from "@/formats/entries";
import { judge, type Calibrated } from "@/formats/standing";
import { dayNow, today } from "./clock";
import { useKept } from "./kept-here";
import { usePeople, useRead, useRigs, useSites, useSlice } from "./records";
import { ownerOf } from "@/rig-kinds/rules";

/** What is in hand: the rig, who holds the wand, the site, and the reader's units. */
interface Chosen {
  readonly rigId?: string;
  readonly personId?: string;
  readonly siteId?: string;
  readonly system?: System;
}

export interface InHand {
  readonly rig: RigEntry | undefined;
  readonly person: PersonEntry | undefined;
  readonly site: SiteEntry | undefined;
  readonly system: System;
  /** The calibration of this rig and person that counts, where there is one. */
  readonly calibrated: Calibrated | undefined;
  /** All of it has been read: until then nothing is known to be missing. */
  readonly read: boolean;
  readonly choose: (next: Chosen) => void;
}

export type { Calibrated };

/** Who holds the wand and whose tap is used. */
export interface Hand {
  readonly personId?: string | undefined;
  readonly siteId?: string | undefined;
}

export { today };

/** Whose a calibration of the rig in hand would be: the person's, the tap's, or nobody's own. */
export function ownerIn({ rig, person, site }: Pick<InHand, "rig" | "person" | "site">): Hand {
  const owner = rig && ownerOf(rig.rig.kind);
  return { personId: owner === "person" ? person?.id : undefined, siteId: owner === "tap" ? site?.id : undefined };
}

const current = <T extends { id: string; retired: boolean }>(list: readonly T[], id: string | undefined) =>
  list.find((one) => one.id === id && !one.retired);

/** The only one of a list that is not retired; undefined where there are more, or none. */
const only = <T extends { retired: boolean }>(list: readonly T[]): T | undefined => {
  const live = list.filter((one) => !one.retired);
  return live.length === 1 ? live[0] : undefined;
};

/** What counts of a rig with who holds the wand, or whose tap feeds it, and how it stands today. */
function useCalibrated(rig: RigEntry | undefined, hand: Hand): { calibrated: Calibrated | undefined; read: boolean } {
  const owner = rig && ownerOf(rig.rig.kind);
  const whose = owner === "person" ? hand.personId : owner === "tap" ? hand.siteId : "";
  const query =
    rig === undefined || whose === undefined
      ? null
      : { rig: rig.id, ...(owner === "person" && { person: whose }), ...(owner === "tap" && { site: whose }) };
  const inForce = useSlice("inForce", query).value;
  const calibrated = useMemo(
    () => (rig && inForce ? judge(rig.rig, inForce.entry, inForce.check ?? undefined, dayNow()) : undefined),
    [rig, inForce],
  );
  return { calibrated, read: query === null || inForce !== undefined };
}

/** What is in hand, and how to take something else. Until a choice is made, an only rig, person or site is taken. */
export function useInHand(): InHand {
  const rigs = useRigs();
  const people = usePeople();
  const [chosen = {}, setChosen] = useKept<Chosen>("in-hand");
  const first = useSlice("sites", {}).value;
  const taken = useSites(chosen.siteId === undefined ? [] : [chosen.siteId]);
  const known = useRead("rigs", "people", "sites");
  const rig = current(rigs, chosen.rigId) ?? only(rigs);
  const person = current(people, chosen.personId) ?? only(people);
  const site = current(taken.sites, chosen.siteId) ?? (first?.next === null ? only(first.rows) : undefined);
  const { calibrated, read } = useCalibrated(rig, { personId: person?.id, siteId: site?.id });
  return useMemo(
    () => ({
      rig,
      person,
      site,
      system: chosen.system ?? "us",
      calibrated,
      read: known && taken.read && read,
      choose: (next) => setChosen({ ...chosen, ...next }),
    }),
    [rig, person, site, calibrated, known, taken.read, read, chosen, setChosen],
  );
}
