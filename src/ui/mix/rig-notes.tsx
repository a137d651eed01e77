"use client";

import { Box } from "@chakra-ui/react";
import { format } from "../data/dates";
import { dropletAt, finer, type Droplet } from "@/core/calibration/tips";
import { showEntered } from "@/core/quantity/format";
import type { System } from "@/core/working/units";
import type { RigEntry } from "@/formats/entries";
import type { ProductText } from "@/formats/job-file/types";
import { cardOfProduct } from "@/formats/gear";
import { readRig } from "@/formats/job-file/read-rig";
import { setupOf } from "@/formats/rig-setup";
import { useSlice } from "../data/records";
import { wallClock } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { Known } from "../parts/to-know";
import { hoseHolds } from "../rigs/hose-holds";
import { RecordRinse } from "./record-rinse";

interface RigNotesProps {
  readonly rig: RigEntry;
  /** The name of the tank. */
  readonly tank: string;
  readonly products: readonly ProductText[];
  /** The sheet that is looked at: what it poured itself is no change. */
  readonly except?: string;
}

/** What the rig itself has to say to a mix: what it is kept for, what was in it before, what its hose still holds. */
export function RigNotes({ rig, tank, products, except }: RigNotesProps) {
  const { system } = useInHand();
  const { dedication, uses } = setupOf(rig.rig);
  const strangers = products.filter((p) => {
    const { use } = cardOfProduct(p);
    return uses && uses.length > 0 && use && !uses.includes(use);
  });
  const before = useSlice("lastMix", { rig: rig.id, tank, ...(except !== undefined && { except }) }).value;
  // By the card, so that another name is no other product; an old sheet knows its products by name.
  const here = (key: string) => products.some((p) => p.id === key || p.name === key);
  const changed = before && products.length > 0 && before.labelIds.some((key) => !here(key));
  const held = heldBy(rig, system);
  const drops = dropletNotes(rig, products);
  return (
    <>
      {(dedication ?? uses?.length) && (
        <Known
          rank="before"
          brief={`kept for ${uses?.join(" and ") ?? dedication}`}
          state={strangers.length > 0 ? "act" : "plain"}
        >
          {rig.rig.name} is kept for {[uses?.join(" and "), dedication].filter(Boolean).join(": ")}.{" "}
          {strangers.length > 0 && (
            <strong>{strangers.map((p) => `${p.name} is a ${cardOfProduct(p).use}`).join(", ")}: take another sprayer.</strong>
          )}
        </Known>
      )}
      {changed && (
        <Known rank="before" urgent brief="rinse the tank first" state="act">
          <strong>Rinse the tank first.</strong> {before.products.join(", ")} went into the {tank} tank on{" "}
          {format(wallClock(before.madeAt), "d MMM")}; no rinse is on record since.{" "}
          {held && `The hose still holds ${held} of it: the first site gets that. `}
          <RecordRinse rig={rig} tank={tank} />
        </Known>
      )}
      {drops.map(({ brief, text }) => (
        <Known key={text} rank="before" brief={brief} state="act">
          {text}
        </Known>
      ))}
    </>
  );
}

/** The drops of the tip that is on against those that the labels want, where the tip's chart tells them. */
function dropletNotes({ rig }: RigEntry, products: readonly ProductText[]): { brief: string; text: string }[] {
  const { tip } = readRig(rig);
  const drops = tip?.pressure && dropletAt(tip.chart, tip.pressure.value);
  if (!drops) return [];
  return products.flatMap((p) => {
    const wants = cardOfProduct(p).droplets as Droplet | undefined;
    if (wants === undefined || wants === drops) return [];
    const text = `${p.name}: the label wants ${wants} drops, size ${tip.size} at ${showEntered(tip.pressure!)} gives ${drops} ones`;
    return [
      {
        brief: `${wants} drops wanted`,
        text: finer(drops, wants)
          ? `${text}: more drift. Lower the pressure or take another tip, and calibrate it.`
          : `${text}: less cover.`,
      },
    ];
  });
}

/** What the hose holds, in words; undefined where nothing is known of it. */
function heldBy(rig: RigEntry, system: System): string | undefined {
  const { hose } = setupOf(rig.rig);
  return hoseHolds(hose?.diameter, hose?.length, system);
}

/** What is left in the hose when the day is over. */
export function EndOfDay({ rig }: { rig: RigEntry }) {
  const { system } = useInHand();
  const held = heldBy(rig, system);
  if (!held) return null;
  return (
    <Box textStyle="note" color="soft" maxW="74ch">
      At the end the hose still holds {held}: spray it out on ground that it is for, then rinse three times.
    </Box>
  );
}
