"use client";

import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import { raw, writeNumber, type Remedy } from "@/core/contents";
import type { RigEntry } from "@/formats/book";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { emptySession, type Session } from "@/formats/session";
import { useSend } from "../data/book";
import { useInHand } from "../data/in-hand";
import { keep } from "../data/kept-here";
import { settingText } from "./levers-panel";
import { sessionKey } from "./session-key";

interface From {
  readonly rig: RigEntry;
  readonly personId: string | null;
  readonly siteId: string | null;
  /** The calibration after which the lever is pulled. */
  readonly follows: string;
  /** The run sheet that it was made on, or what is known of it. */
  readonly session: Partial<Session>;
}

const PSI = 6894.757293168;

/**
 * Starts the reading that proves a lever: the rig is set as the lever says, which makes its older calibrations stale, and a
 * new run sheet begins with the lever noted on it. Answers false where the rig could not be saved: nothing is begun then.
 */
export function useProve(): (remedy: Remedy, from: From) => Promise<boolean> {
  const send = useSend();
  const router = useRouter();
  const { system } = useInHand();
  return async (remedy, { rig, personId, siteId, follows, session }) => {
    const form = rigFormOf(rig.rig);
    const set =
      remedy.lever === "pressure"
        ? { pressure: `${writeNumber(raw(remedy.setTo!) / PSI, { figures: 3 })} psi` }
        : remedy.lever === "tip"
          ? { tipSize: remedy.setTo!, chart: "" }
          : undefined;
    if (set) {
      const result = await send("/api/keep/rigs", { id: rig.id, form: { ...form, ...set } });
      if (!result.ok) return false;
    }
    const method = session.method ?? "area-catch";
    const begin = { rigId: rig.id, personId, siteId, outlets: rig.rig.outlets?.count ?? 1, method };
    const fresh = emptySession(nanoid(), begin);
    const { pace, flow, area, distance, swath, speed, ground, target, graduation, fill, outletTime } = session;
    const same = { pace, flow, area, distance, swath, speed, ground, target, graduation, fill, outletTime };
    const known = Object.fromEntries(Object.entries(same).filter(([, value]) => value !== undefined));
    const next: Session = { ...fresh, ...known, lever: { name: remedy.lever, setTo: settingText(remedy, system), follows } };
    keep(sessionKey(rig.id, personId ?? undefined, siteId ?? undefined), next);
    router.push("/calibrate");
    return true;
  };
}
