"use client";

import { Box } from "@chakra-ui/react";
import { areaAsRead } from "@/core/working/as-read";
import { WATER_FIRST } from "@/core/mixing/column";
import { LOAD_MODES, type LoadMode } from "@/core/mixing/loads";
import { read } from "@/core/working/units";
import { useSystem } from "../data/units";
import type { SiteEntry } from "@/formats/entries";
import { todayDate } from "../data/clock";
import type { InHand } from "../data/in-hand";
import { Choose, type Option } from "../parts/choose";
import { Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { SitePick } from "../parts/pickers";
import { Zones } from "./choose-zones";
import { dateOf, isOfStops, PURPOSES, tankKey, tankOf, type Draft, type Purpose } from "./draft";
import type { Preview } from "./preview";
import { Stops } from "./stops";
import { Column } from "../parts/layout";
import { rigRules } from "@/rig-kinds/rules";

const LOAD_WORDS: Record<LoadMode, string> = { "full-then-part": "Full tanks, then the rest", equal: "Even loads" };
const PURPOSE_WORDS: Record<Purpose, string> = {
  site: "One site",
  sites: "Several sites, each filled for",
  day: "The day of a truck",
  spot: "A spot: a small mix",
  spread: "Granules, spread dry",
};

interface ChoicesProps {
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly hand: InHand;
  /** The tank that is looked at. */
  readonly tank: string;
  readonly preview: Preview;
}

/** What is mixed for, how it is split into loads, in which tank. */
export function Choices({ draft, change, hand, tank, preview }: ChoicesProps) {
  const tanks = hand.rig?.rig.tanks ?? [];
  const { purpose } = draft;
  const one = purpose === "site" || purpose === "spot" || purpose === "spread";
  const mix = tankOf(draft, tank);
  const setWithout = (without: readonly string[]) => change({ tanks: { ...draft.tanks, [tank]: { ...mix, without } } });
  return (
    <Column gap="16px" marginTop="14px">
      <Box display="grid" gap="14px" gridTemplateColumns={{ base: "minmax(0,1fr) minmax(0,1fr)", md: "1fr 1fr 1fr" }}>
        <Choose
          label="Mix for"
          value={purpose}
          options={PURPOSES.filter((p) => p !== "day" || !hand.rig || !rigRules(hand.rig.rig.kind).head).map((p) => [
            p,
            PURPOSE_WORDS[p],
          ])}
          onPick={(picked) => change(begun(draft, picked, hand.site))}
        />
        {one && <SitePick value={hand.site?.id} onPick={(siteId) => hand.choose({ siteId })} />}
        {purpose !== "spot" && purpose !== "spread" && (
          <Choose
            label="Loads"
            value={draft.loads}
            options={LOAD_MODES.map((mode) => [mode, LOAD_WORDS[mode]])}
            onPick={(loads) => change({ loads })}
          />
        )}
        {tanks.length > 1 && purpose !== "spread" && (
          <Choose
            label="Tank"
            value={tank}
            options={tanks.map((t, i): Option => {
              const key = tankKey(tanks, i);
              const count = tankOf(draft, key).products.length;
              return [key, `${t.name}, ${t.usable}${count > 0 ? `: ${count} ${count === 1 ? "product" : "products"}` : ""}`];
            })}
            onPick={(picked) => change({ tank: picked })}
          />
        )}
        <TextField
          label="Spray date"
          type="date"
          min={todayDate()}
          value={dateOf(draft)}
          hint={draft.date > todayDate() ? "limits and waits are those of that day" : "today"}
          onChange={(e) => change({ date: e.target.value === todayDate() ? "" : e.target.value })}
        />
        {purpose === "spot" && hand.site && <Spot draft={draft} change={change} site={hand.site} />}
      </Box>
      {(purpose === "site" || purpose === "spread") && hand.site && hand.site.site.zones.length > 1 && (
        <Zones site={hand.site} without={mix.without} onChange={setWithout} />
      )}
      {!one && <Stops draft={draft} change={change} without={mix.without} onWithout={setWithout} preview={preview} tank={tank} />}
      {purpose === "day" && draft.loads === "equal" && (
        <Note>Equal loads run dry where they do: a refill may fall into the middle of a lawn.</Note>
      )}
      {purpose !== "spread" && <More draft={draft} change={change} hand={hand} />}
    </Column>
  );
}

/** What is seldom changed. */
function More({ draft, change, hand }: Pick<ChoicesProps, "draft" | "change" | "hand">) {
  const calibrated = hand.calibrated && read(hand.calibrated.made.sprayVolume.value, "sprayVolume", hand.system);
  return (
    <Fold
      title="More: overage, water first, another spray volume"
      begun={draft.overage !== "" || draft.mixedFor !== "" || draft.waterFirst !== undefined}
    >
      <Box display="grid" gap="12px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }} maxW="640px" paddingTop="8px">
        <TextField
          label="Overage"
          quantity="overage"
          value={draft.overage}
          placeholder="5 %"
          hint="off: a leftover has to go somewhere"
          onChange={(e) => change({ overage: e.target.value })}
        />
        <Choose
          label="Water before the products"
          hint="schools differ; the label's own word wins"
          value={draft.waterFirst ?? "half"}
          options={WATER_FIRST.map((school) => [school, school])}
          onPick={(waterFirst) => change({ waterFirst })}
        />
        <TextField
          quantity="sprayVolume"
          label="Another spray volume"
          value={draft.mixedFor}
          placeholder="1 gal"
          hint={`empty: as calibrated${calibrated ? `, ${calibrated}` : ""}`}
          onChange={(e) => change({ mixedFor: e.target.value })}
        />
      </Box>
    </Fold>
  );
}

/** Where several sites are asked for, the one in hand is the first of them. */
function begun(draft: Draft, purpose: Purpose, site: SiteEntry | undefined): Partial<Draft> {
  const several = isOfStops(purpose);
  return { purpose, ...(several && draft.stops.length === 0 && site && { stops: [site.id] }) };
}

const SPOTS = {
  us: [
    ["1 gal", "A gallon"],
    ["0.5 gal", "Half a gallon"],
    ["1 qt", "A quart: a large shrub"],
    ["1 pt", "A pint: a small shrub"],
  ],
  metric: [
    ["5 L", "Five litres"],
    ["2 L", "Two litres"],
    ["1 L", "A litre: a large shrub"],
    ["500 mL", "Half a litre: a small shrub"],
  ],
} as const;

/** How much a spot mix makes up to, and the zone that it is for. */
function Spot({ draft, change, site }: { draft: Draft; change: (next: Partial<Draft>) => void; site: SiteEntry }) {
  const { zoneId, volume } = draft.spot;
  const system = useSystem();
  const spots = SPOTS[system];
  const listed = spots.some(([text]) => text === volume) || volume === "";
  const set = (next: Partial<Draft["spot"]>) => change({ spot: { ...draft.spot, ...next } });
  return (
    <>
      {site.site.zones.length > 1 && (
        <Choose
          label="Zone"
          value={zoneId}
          options={site.site.zones.map((z): Option => [z.id, `${z.name}, ${areaAsRead(z.area, system)}`])}
          onPick={(picked) => set({ zoneId: picked })}
        />
      )}
      <Choose
        label="Makes up to"
        value={listed ? volume : "typed"}
        options={[["", "pick a size"], ...spots, ["typed", "another volume"]]}
        onPick={(picked) => set({ volume: picked === "typed" ? "2 gal" : picked })}
      />
      {!listed && (
        <TextField
          quantity="spot"
          label="Volume"
          value={volume}
          placeholder="2 gal"
          onChange={(e) => set({ volume: e.target.value })}
        />
      )}
    </>
  );
}
