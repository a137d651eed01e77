"use client";

import type { Remedy } from "@/core/calibration/levers";
import type { RigEntry } from "@/formats/entries";
import type { Session } from "@/formats/session";
import { useInHand } from "../data/in-hand";
import { useBeginProof } from "./begin-proof";
import { settingText } from "./levers-panel";

interface From {
  readonly rig: RigEntry;
  readonly personId: string | null;
  readonly siteId: string | null;
  /** The calibration after which the lever is pulled. */
  readonly follows: string;
  /** The run sheet that it was made on, or what is known of it. */
  readonly session: Partial<Session>;
}

/** What a run sheet passes on to the one that proves a lever: how it is measured, not what was read. */
const SAME = [
  "method",
  "pace",
  "flow",
  "area",
  "distance",
  "swath",
  "speed",
  "ground",
  "target",
  "graduation",
  "fill",
  "outletTime",
] as const;

/** Starts the reading that proves a lever, with the lever and what went before noted on its run sheet. */
export function useProve(): (remedy: Remedy, from: From) => void {
  const begin = useBeginProof();
  const { system } = useInHand();
  return (remedy, { session, follows, ...whose }) => {
    const same = Object.fromEntries(SAME.flatMap((key) => (session[key] === undefined ? [] : [[key, session[key]]])));
    begin({
      ...whose,
      ...(remedy.lever === "pressure" && remedy.setTo !== null && { pressure: remedy.setTo }),
      ...(remedy.lever === "tip" && remedy.setTo !== null && { size: remedy.setTo }),
      session: { ...same, lever: { name: remedy.lever, setTo: settingText(remedy, system), follows } },
    });
  };
}
