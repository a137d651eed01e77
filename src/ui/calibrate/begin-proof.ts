"use client";

import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import type { Quantity } from "@/core/quantity/kinds";
import { read } from "@/core/working/units";
import { unitsInHand } from "../data/units";
import type { RigEntry } from "@/formats/entries";
import { emptySession, type Session } from "@/formats/session";
import { keep } from "../data/kept-here";
import { usualMethod } from "./mark-step";
import { sessionKey } from "./session-key";

interface Proof {
  readonly rig: RigEntry;
  readonly personId: string | null;
  readonly siteId: string | null;
  /** What the rig is to be set to for it. */
  readonly size?: string;
  readonly pressure?: Quantity<"pressure">;
  /** What the run sheet begins with. */
  readonly session: Partial<Session>;
}

/**
 * Begins the reading that proves a setting: a new run sheet, which says what the rig is to be set to. Nothing of it stands on the rig
 * before it was set and read there: see to-set.tsx.
 */
export function useBeginProof(): (proof: Proof) => void {
  const router = useRouter();
  return ({ rig, personId, siteId, size, pressure, session }) => {
    const toSet = {
      ...(size !== undefined && size !== rig.rig.tip?.size && { size }),
      ...(pressure !== undefined && { pressure: read(pressure, "pressure", unitsInHand()) }),
    };
    const method = session.method ?? usualMethod(rig, unitsInHand());
    const begin = { rigId: rig.id, personId, siteId, outlets: rig.rig.outlets?.count ?? 1, method, system: unitsInHand() };
    keep(sessionKey(rig.id, personId ?? undefined, siteId ?? undefined), {
      ...emptySession(nanoid(), begin),
      ...session,
      ...(Object.keys(toSet).length > 0 && { toSet }),
    });
    router.push("/calibrate");
  };
}
