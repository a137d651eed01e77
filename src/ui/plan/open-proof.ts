"use client";

import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import { ownerOf, show, valueIn, writeNumber, type Quantity } from "@/core/contents";
import type { RigEntry } from "@/formats/book";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { emptySession } from "@/formats/session";
import { usualMethod } from "../calibrate/mark-step";
import { sessionKey } from "../calibrate/session-key";
import { useSend } from "../data/book";
import { useInHand } from "../data/in-hand";
import { keep } from "../data/kept-here";

interface Setting {
  readonly size?: string;
  readonly pressure?: Quantity<"pressure">;
  /** As a person writes it: "1 gal per 1,000 sq ft". */
  readonly target: string;
  readonly swath?: string;
}

/** Sets the rig as planned and opens the calibration that proves it. Answers false where the rig could not be saved. */
export function useOpenProof(rig: RigEntry): (setting: Setting) => Promise<boolean> {
  const send = useSend();
  const router = useRouter();
  const { person, site } = useInHand();
  return async ({ size, pressure, target, swath = "" }) => {
    const set = {
      ...(size !== undefined && { tipSize: size }),
      ...(pressure !== undefined && { pressure: `${writeNumber(valueIn(pressure, "psi"), { figures: 3 })} psi` }),
    };
    if (Object.keys(set).length > 0) {
      const result = await send("/api/keep/rigs", { id: rig.id, form: { ...rigFormOf(rig.rig), ...set } });
      if (!result.ok) return false;
    }
    const owner = ownerOf(rig.rig.kind);
    const personId = owner === "person" ? person!.id : undefined;
    const siteId = owner === "tap" ? site!.id : undefined;
    const begin = { rigId: rig.id, personId: personId ?? null, siteId: siteId ?? null, outlets: rig.rig.outlets?.count ?? 1 };
    const session = { ...emptySession(nanoid(), { ...begin, method: usualMethod(rig) }), target, swath };
    keep(sessionKey(rig.id, personId, siteId), session);
    router.push("/calibrate");
    return true;
  };
}

/** A spray volume as the run sheet takes it. */
export const targetText = (value: Quantity<"sprayVolume">) => show(value, "sprayVolume", "gal/1000 ft2");
