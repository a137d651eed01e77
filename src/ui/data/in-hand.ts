"use client";

import { useMemo } from "react";
import { belongsToPerson, calibrate, isUnsure, standingOf, type Calibration, type Standing, type System } from "@/core/contents";
import type { Book, CalibrationEntry, PersonEntry, RigEntry, SiteEntry } from "@/formats/book";
import { dayNumber } from "@/formats/day";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { readRig } from "@/formats/job-file/read-checked";
import { useBook } from "./book";
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
}

const worked = new WeakMap<CalibrationEntry, Calibration>();

/** A calibration on record, worked out again from what was entered. */
export function workOut(entry: CalibrationEntry): Calibration {
  let made = worked.get(entry);
  if (!made) {
    const job = soundJob(calibrationJob(entry.rig, entry.calibration));
    made = calibrate({ ...job.calibration, ...(entry.ground && { ground: entry.ground }) });
    worked.set(entry, made);
  }
  return made;
}

/** The newest calibration of a rig by a person, judged against the rig as it is today. */
export function calibratedFor(book: Book, rig: RigEntry, personId: string | undefined, today: number): Calibrated | undefined {
  const owned = belongsToPerson(rig.rig.kind);
  const entry = book.calibrations.find((c) => c.rigId === rig.id && (!owned || c.personId === (personId ?? null)));
  if (!entry) return undefined;
  const made = workOut(entry);
  return {
    entry,
    made,
    standing: standingOf(readRig(entry.rig), readRig(rig.rig), dayNumber(entry.madeAt), today),
    unsure: isUnsure(made),
  };
}

export const today = () => dayNumber(new Date().toISOString());

const current = <T extends { id: string; retired: boolean }>(list: readonly T[], id: string | undefined) =>
  list.find((one) => one.id === id && !one.retired);

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
    const person = current(book.people, chosen.personId) ?? only(book.people);
    return {
      rig,
      person,
      site: current(book.sites, chosen.siteId) ?? only(book.sites),
      system: chosen.system ?? "us",
      calibrated: rig && calibratedFor(book, rig, person?.id, today()),
      choose: (next) => setChosen({ ...chosen, ...next }),
    };
  }, [book, chosen, setChosen]);
}
