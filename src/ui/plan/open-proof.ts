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

/** Opens the calibration that proves a plan, with what the rig is to be set to. */
export function useOpenProof(rig: RigEntry): (setting: Setting) => void {
  const begin = useBeginProof();
  const { personId = null, siteId = null } = ownerIn(useInHand());
  return ({ target, swath = "", ...set }) => begin({ rig, personId, siteId, ...set, session: { target, swath } });
}

/** A spray volume as the run sheet takes it. */
export const targetText = (value: Quantity<"sprayVolume">) => read(value, "sprayVolume", unitsInHand());
