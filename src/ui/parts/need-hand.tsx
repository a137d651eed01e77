"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "./page-link";
import { usePeople, useRigs, useSlice } from "../data/records";
import type { InHand } from "../data/in-hand";
import { FirstThing } from "./notices";
import { ownerOf } from "@/rig-kinds/rules";

/** What must be in hand before a room can work with a rig; nothing where it is all there. */
export function lackIn({ rig, person, site }: InHand): "rig" | "person" | "site" | undefined {
  if (!rig) return "rig";
  const owner = ownerOf(rig.rig.kind);
  if (owner === "person" && !person) return "person";
  return owner === "tap" && !site ? "site" : undefined;
}

/** What to do first, where something is not in hand. */
export function NeedHand({ lacks }: { lacks: "rig" | "person" | "site" }) {
  const rigs = useRigs();
  const people = usePeople();
  const sites = useSlice("sites", {}).value;
  return (
    <Box marginTop="14px">
      <FirstThing>
        {rigs.length === 0 ? (
          <>
            First <PageLink href="/rigs">add the rig</PageLink> that you will calibrate.
          </>
        ) : lacks === "rig" ? (
          "Pick the rig in the strip above."
        ) : lacks === "site" ? (
          sites?.rows.length === 0 ? (
            <>
              A hose-end head depends on the tap: first <PageLink href="/sites">add the site</PageLink>.
            </>
          ) : (
            "Whose tap feeds the head? Pick the site in the strip above."
          )
        ) : people.length === 0 ? (
          <>
            A pace is a person&apos;s own: first <PageLink href="/rigs">add who sprays</PageLink>.
          </>
        ) : (
          "Who holds the wand today? Pick the person in the strip above: a pace is a person's own."
        )}
      </FirstThing>
    </Box>
  );
}
