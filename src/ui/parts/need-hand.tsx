"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { read } from "@/core/working/units";
import type { RigEntry, StandingEntry } from "@/formats/entries";
import { ownerOf } from "@/rig-kinds/rules";
import { useInHand, type InHand } from "../data/in-hand";
import { usePeople, useRigs, useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { standingMark, standingText } from "../frame/standing-words";
import { RigDrawn } from "../rigs/rig-drawn";
import { rigLine } from "../rigs/words";
import { SiteDrawn } from "../sites/site-drawn";
import { Button, Heading } from "./controls";
import { Row } from "./layout";
import { FirstThing } from "./notices";
import { PageLink } from "./page-link";
import { SitePick } from "./pickers";
import { RowButton } from "./row-button";

/** What must be in hand before a room can work with a rig; nothing where it is all there. */
export function lackIn({ rig, person, site }: InHand): "rig" | "person" | "site" | undefined {
  if (!rig) return "rig";
  const owner = ownerOf(rig.rig.kind);
  if (owner === "person" && !person) return "person";
  return owner === "tap" && !site ? "site" : undefined;
}

/** What is missing is chosen right there, drawn, with how each stands. */
export function NeedHand({ lacks }: { lacks: "rig" | "person" | "site" }) {
  if (lacks === "rig") return <WhichRig />;
  return lacks === "person" ? <WhoSprays /> : <WhichTap />;
}

interface AskProps {
  readonly asks: string;
  /** How one more is added. */
  readonly add: readonly [words: string, path: string];
  readonly children: ReactNode;
}

function Ask({ asks, add: [words, path], children }: AskProps) {
  return (
    <Box as="section" aria-label={asks} maxW="760px">
      <Row justifyContent="space-between" minHeight="48px">
        <Heading as="h2">{asks}</Heading>
        <Button asChild>
          <PageLink href={path}>{words}</PageLink>
        </Button>
      </Row>
      {children}
    </Box>
  );
}

/** The rigs in use, to choose one; where it stands that says what has been calibrated with whom. */
export function WhichRig() {
  const rigs = useRigs().filter((rig) => !rig.retired);
  const { choose, system } = useInHand();
  if (rigs.length === 0)
    return (
      <FirstThing>
        <PageLink href="/rigs">Add the rig</PageLink> that you will calibrate first.
      </FirstThing>
    );
  return (
    <Ask asks="Which rig?" add={["+ Rig", "/rigs?id=new"]}>
      {rigs.map((rig) => (
        <RowButton
          key={rig.id}
          name={rig.rig.name}
          drawn={<RigDrawn rig={rig.rig} />}
          about={
            <>
              {rigLine(rig.rig, system)}
              <Stands rig={rig} />
            </>
          }
          onPress={() => choose({ rigId: rig.id })}
        />
      ))}
    </Ask>
  );
}

/** Whose pace and swing it is. */
function WhoSprays() {
  const people = usePeople().filter((person) => !person.retired);
  const { rig, choose, system } = useInHand();
  const standings = useSlice("standings", {}).value ?? [];
  if (people.length === 0)
    return (
      <FirstThing>
        A pace is a person&apos;s own: <PageLink href="/crew">add who sprays</PageLink> first.
      </FirstThing>
    );
  return (
    <Ask asks="Who sprays today?" add={["+ Person", "/crew?id=new"]}>
      {people.map((person) => {
        const one = standings.find((s) => s.rigId === rig?.id && s.personId === person.id);
        return (
          <RowButton
            key={person.id}
            name={person.name}
            about={
              one
                ? `${standingMark(one)} ${read(fromCanonical<"sprayVolume">(one.sprayVolume), "sprayVolume", system)} · ${standingText(one)}`
                : "not calibrated with it"
            }
            onPress={() => choose({ personId: person.id })}
          />
        );
      })}
    </Ask>
  );
}

/** Whose tap feeds the head. */
function WhichTap() {
  const first = useSlice("sites", {}).value;
  const { choose, site } = useInHand();
  if (first?.rows.length === 0)
    return (
      <FirstThing>
        A hose-end head depends on the tap: <PageLink href="/sites">add the site</PageLink> first.
      </FirstThing>
    );
  return (
    <Ask asks="Tap at which site?" add={["+ Site", "/sites?id=new"]}>
      {first?.next !== null && (
        <Box maxW="420px">
          <SitePick value={site?.id} onPick={(siteId) => choose({ siteId })} />
        </Box>
      )}
      {first?.next === null &&
        first.rows.map((one) => (
          <RowButton
            key={one.id}
            name={one.site.name}
            about={`${one.site.zones.length} ${one.site.zones.length === 1 ? "zone" : "zones"}`}
            drawn={<SiteDrawn site={one.site} />}
            onPress={() => choose({ siteId: one.id })}
          />
        ))}
    </Ask>
  );
}

/** How a rig stands today with each whom it was calibrated with, or at each tap. */
export function Stands({ rig }: { rig: RigEntry }) {
  const standings = useSlice("standings", {}).value ?? [];
  if (rig.retired) return null;
  const own = standings.filter((one) => one.rigId === rig.id);
  return own.map((one) => <Stand key={one.calibrationId} one={one} />);
}

function Stand({ one }: { one: StandingEntry }) {
  const person = usePeople().find((p) => p.id === one.personId);
  const system = useSystem();
  if (person?.retired) return null;
  const mark = standingMark(one);
  const name = person?.name ?? one.tap;
  return (
    <Box color={mark === "✓" ? "ink" : mark === "!" ? "act" : "stop"}>
      {mark} <strong>{read(fromCanonical<"sprayVolume">(one.sprayVolume), "sprayVolume", system)}</strong>
      {name && ` · ${name}`}
      {mark !== "✓" && `: ${standingText(one)}`}
    </Box>
  );
}
