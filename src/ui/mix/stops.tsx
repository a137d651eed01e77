"use client";

import dynamic from "next/dynamic";
import { Box } from "@chakra-ui/react";
import { entered } from "@/core/quantity/parse";
import { read } from "@/core/working/units";
import { total } from "@/core/quantity/arithmetic";

import type { SiteEntry } from "@/formats/entries";
import { useSites, useSlice } from "../data/records";
import { useInHand } from "../data/in-hand";
import { Button, SubHeading } from "../parts/controls";
import { Fold } from "../parts/fold";
import { FirstThing } from "../parts/notices";
import { SitePick } from "../parts/pickers";
import { Zones } from "./choose-zones";
import type { Draft } from "./draft";
import type { Preview } from "./preview";
import { Row } from "../parts/layout";

/** Dragging has a library of its own: fetched where there are stops to drag. */
const StopList = dynamic(() => import("./stop-list").then((m) => m.StopList), { ssr: false });

interface StopsProps {
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  /** The zones that the tank that is looked at is not for. */
  readonly without: readonly string[];
  readonly tank: string;
  readonly onWithout: (without: readonly string[]) => void;
  readonly preview: Preview;
}

/** The sites of a mix in their order. */
export function Stops({ draft, change, without, tank, onWithout, preview }: StopsProps) {
  const { sites: known } = useSites(draft.stops);
  const sites = known.filter((s) => !s.retired);
  const first = useSlice("sites", {}).value;
  const stops = draft.stops.flatMap((id) => sites.find((s) => s.id === id) ?? []);
  const others = (first?.rows ?? []).filter((s) => !draft.stops.includes(s.id));
  const site = (id: string) => stops.find((s) => s.id === id)!;
  return (
    <Box>
      <SubHeading>{draft.purpose === "day" ? "Stops of the day" : "Sites"}</SubHeading>
      {stops.length === 0 && (
        <Box marginTop="12px">
          <FirstThing>Add the sites in the order in which you drive to them.</FirstThing>
        </Box>
      )}
      <StopList
        label="Stops"
        stops={stops.map((s) => ({ id: s.id, name: s.site.name }))}
        onOrder={(order) => change({ stops: order })}
        onPreview={(order) => preview.set(order?.map((id) => site(id).site.name))}
        about={(id) => (
          <About
            site={site(id)}
            without={without}
            {...(draft.tanks[tank] && Object.keys(draft.tanks).length > 1 && { tank })}
            onWithout={onWithout}
            onDrop={() => change({ stops: draft.stops.filter((s) => s !== id) })}
          />
        )}
      />
      {others.length > 0 && (
        <Row marginTop="12px" gap="12px" alignItems="flex-end" flexWrap="wrap">
          <Box width="320px" maxW="100%">
            <SitePick
              label="Add a stop"
              empty="from the round …"
              value=""
              without={draft.stops}
              onPick={(id) => id && change({ stops: [...draft.stops, id] })}
            />
          </Box>
          {others.length > 1 && first?.next === null && (
            <Button look="quiet" onClick={() => change({ stops: [...draft.stops, ...others.map((s) => s.id)] })}>
              Add all {others.length}
            </Button>
          )}
        </Row>
      )}
    </Box>
  );
}

interface AboutProps {
  readonly site: SiteEntry;
  readonly without: readonly string[];
  readonly tank?: string;
  readonly onWithout: (without: readonly string[]) => void;
  readonly onDrop: () => void;
}

function About({ site, without, tank, onWithout, onDrop }: AboutProps) {
  const { system } = useInHand();
  const zones = site.site.zones.filter((z) => !without.includes(z.id));
  const area = total(zones.map((z) => entered(z.area, "area").value));
  return (
    <Box textStyle="small" color="soft">
      {read(area, "area", system)}
      {zones.length < site.site.zones.length &&
        `, ${zones.length} of ${site.site.zones.length} zones${tank ? ` from the ${tank} tank` : ""}`}
      {site.site.waterSource?.fill && " · water"}
      <Row gap="0 14px" flexWrap="wrap" alignItems="baseline">
        {site.site.zones.length > 1 && (
          <Fold title={`Zones of ${site.site.name}`}>
            <Zones site={site} without={without} onChange={onWithout} />
          </Fold>
        )}
        <Button look="inline" textStyle="note" aria-label={`Take ${site.site.name} out`} onClick={onDrop}>
          Take out
        </Button>
      </Row>
    </Box>
  );
}
