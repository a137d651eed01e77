"use client";

import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import type { Quantity } from "@/core/quantity/kinds";
import { read } from "@/core/working/units";
import { unitsInHand } from "../data/units";
import type { RigEntry } from "@/formats/entries";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { emptySession, type Session } from "@/formats/session";
import { useSend } from "../data/records";
import { keep } from "../data/kept-here";
import { usualMethod } from "./mark-step";
import { sessionKey } from "./session-key";

interface Proof {
  readonly rig: RigEntry;
  readonly personId: string | null;
  readonly siteId: string | null;
  /** What the rig is set to for it. */
  readonly size?: string;
  readonly pressure?: Quantity<"pressure">;
  /** What the run sheet begins with. */
  readonly session: Partial<Session>;
}

/**
 * Begins the reading that proves a setting: the rig is set, which makes its older calibrations stale, and a new run sheet
 * is opened. Answers false where the rig could not be saved: nothing is begun then.
 */
export function useBeginProof(): (proof: Proof) => Promise<boolean> {
  const send = useSend();
  const router = useRouter();
  return async ({ rig, personId, siteId, size, pressure, session }) => {
    const set = {
      // A chart belongs to its size.
      ...(size !== undefined && { tipSize: size, ...(size !== rig.rig.tip?.size && { chart: "" }) }),
      ...(pressure !== undefined && { pressure: read(pressure, "pressure", unitsInHand()) }),
    };
    if (Object.keys(set).length > 0) {
      const result = await send("/api/keep/rigs", { id: rig.id, form: { ...rigFormOf(rig.rig), ...set } });
      if (!result.ok) return false;
    }
    const method = session.method ?? usualMethod(rig);
    const begin = { rigId: rig.id, personId, siteId, outlets: rig.rig.outlets?.count ?? 1, method, system: unitsInHand() };
    keep(sessionKey(rig.id, personId ?? undefined, siteId ?? undefined), { ...emptySession(nanoid(), begin), ...session });
    router.push("/calibrate");
    return true;
  };
}
