"use client";

import type { Quantity } from "@/core/quantity/kinds";
import { read } from "@/core/working/units";
import { unitsInHand } from "../data/units";
import type { RigEntry } from "@/formats/entries";
import { useBeginProof } from "../calibrate/begin-proof";
import { ownerIn, useInHand } from "../data/in-hand";

interface Setting {
  readonly size?: string;
  readonly pressure?: Quantity<"pressure">;
  /** As a person writes it: "1 gal per 1,000 sq ft". */
  readonly target: string;
  readonly swath?: string;
}

/** Sets the rig as planned and opens the calibration that proves it. Answers false where the rig could not be saved. */
export function useOpenProof(rig: RigEntry): (setting: Setting) => Promise<boolean> {
  const begin = useBeginProof();
  const { personId = null, siteId = null } = ownerIn(useInHand());
  return ({ target, swath = "", ...set }) => begin({ rig, personId, siteId, ...set, session: { target, swath } });
}

/** A spray volume as the run sheet takes it. */
export const targetText = (value: Quantity<"sprayVolume">) => read(value, "sprayVolume", unitsInHand());
