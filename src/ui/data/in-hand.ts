"use client";

import { useMemo } from "react";
import {
  calibrate,
  hasOwnCatchTime,
  isEstimate,
  isUnsure,
  ownerOf,
  standingOf,
  type Calibration,
  type Standing,
  type System,
} from "@/core/contents";
import type { Book, CalibrationEntry, CheckEntry, PersonEntry, RigEntry, SiteEntry } from "@/formats/book";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { ownedBy, standsOn } from "@/formats/stands-on";
import { useBook } from "./book";
import { dayHere, today } from "./clock";
import { useKept } from "./kept-here";

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
  /** The newest calibration of this rig and person, where there is one. */
  readonly calibrated: Calibrated | undefined;
  readonly choose: (next: Chosen) => void;
}

export interface Calibrated {
  readonly entry: CalibrationEntry;
  readonly made: Calibration;
  readonly standing: Standing;
  /** Over 10 % between trials: not a calibration yet. */
  readonly unsure: boolean;
  /** Only a tip's rated flow stands behind it. */
  readonly estimate: boolean;
  /** The newest quick check since. */
  readonly check: CheckEntry | undefined;
}

/** Who holds the wand and whose tap is used. */
export interface Hand {
  readonly personId?: string | undefined;
  readonly siteId?: string | undefined;
}

const worked = new WeakMap<CalibrationEntry, Calibration>();

/** A calibration on record, worked out again from what was entered. */
export function workOut(entry: CalibrationEntry): Calibration {
  let made = worked.get(entry);
  if (!made) {
    const job = soundJob(calibrationJob(entry.rig, entry.calibration));
    made = calibrate({
      ...job.calibration,
      ...(entry.ground && { ground: entry.ground }),
      ownCatchTime: job.calibration.ownCatchTime === true || (entry.method !== null && hasOwnCatchTime(entry.method)),
    });
    worked.set(entry, made);
  }
  return made;
}

/**
 * The calibration of a rig by a person that counts, judged against the rig as it is today: the newest that can be mixed
 * from. One that is no calibration yet, or that was made with another tip or pressure, pushes none aside that stands; where
 * none does, the newest says why.
 */
export function calibratedFor(book: Book, rig: RigEntry, hand: Hand, today: number): Calibrated | undefined {
  const whose = { personId: hand.personId ?? null, siteId: hand.siteId ?? null };
  let newest: Calibrated | undefined;
  for (const entry of book.calibrations) {
    if (entry.rigId !== rig.id || entry.withdrawn !== undefined || !ownedBy(rig.rig.kind, entry, whose)) continue;
    const one = judged(book, rig, entry, today);
    if (one.standing.state !== "stale" && !one.unsure && !one.estimate) return one;
    newest ??= one;
  }
  return newest;
}

function judged(book: Book, rig: RigEntry, entry: CalibrationEntry, today: number): Calibrated {
  const made = workOut(entry);
  const check = book.checks.find((c) => c.calibrationId === entry.id);
  return {
    entry,
    made,
    check,
    standing: standingOf(standsOn(entry.rig), standsOn(rig.rig), dayHere(entry.madeAt), today, check?.ratio),
    unsure: isUnsure(made),
    estimate: isEstimate(made),
  };
}

export { today };

/** Whose a calibration of the rig in hand would be: the person's, the tap's, or nobody's own. */
export function ownerIn({ rig, person, site }: Pick<InHand, "rig" | "person" | "site">): Hand {
  const owner = rig && ownerOf(rig.rig.kind);
  return { personId: owner === "person" ? person?.id : undefined, siteId: owner === "tap" ? site?.id : undefined };
}

const current = <T extends { id: string; retired: boolean }>(list: readonly T[], id: string | undefined) =>
  list.find((one) => one.id === id && !one.retired);

/** The reader's units alone: for a field, which needs no more. */
export function useSystem(): System {
  const [chosen] = useKept<Chosen>("in-hand");
  return chosen?.system ?? "us";
}

/** What is in hand, and how to take something else. Until a choice is made, an only rig or person is taken. */
export function useInHand(): InHand {
  const { book } = useBook();
  const [chosen = {}, setChosen] = useKept<Chosen>("in-hand");
  return useMemo(() => {
    const only = <T extends { id: string; retired: boolean }>(list: readonly T[]) => {
      const live = list.filter((one) => !one.retired);
      return live.length === 1 ? live[0] : undefined;
    };
    const rig = current(book.rigs, chosen.rigId) ?? only(book.rigs);
    const site = current(book.sites, chosen.siteId) ?? only(book.sites);
    const person = current(book.people, chosen.personId) ?? only(book.people);
    return {
      rig,
      person,
      site,
      system: chosen.system ?? "us",
      calibrated: rig && calibratedFor(book, rig, { personId: person?.id, siteId: site?.id }, today()),
      choose: (next) => setChosen({ ...chosen, ...next }),
    };
  }, [book, chosen, setChosen]);
}
