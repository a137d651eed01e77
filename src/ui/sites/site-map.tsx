"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { useFieldArray, UseFormReturn } from "react-hook-form";
import { geoJsonOf, gpxOf, hasMap, kmlOf } from "@/formats/area/map-out";
import { placeOf, placeText } from "@/formats/area/place";
import type { SiteForm } from "@/formats/forms/site";
import { BLANK_ZONE } from "@/formats/forms/site-form-of";
import type { SiteText } from "@/formats/job-file/types";
import { useSystem } from "../data/units";
import { Button, Note } from "../parts/controls";
import { downloadFile } from "../parts/download";
import { Row } from "../parts/layout";

// The map's reader and its drawing are fetched when they are used.
const MapTake = dynamic(() => import("./map-take").then((m) => m.MapTake), { ssr: false });
const Plan = dynamic(() => import("./plan").then((m) => m.Plan), { ssr: false });

interface MapProps {
  readonly form: UseFormReturn<SiteForm>;
  readonly zones: Pick<ReturnType<typeof useFieldArray<SiteForm, "zones">>, "append" | "replace">;
}

/** Zones out of a map or a walk, beside those that are typed. */
export function ZonesFromMap({ form, zones }: MapProps) {
  const [open, setOpen] = useState(false);
  return (
    <Box>
      <Button type="button" look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Leave the map" : "Bring zones from a map or a walk"}
      </Button>
      {open && (
        <MapTake
          onTake={(taken) => {
            const more = taken.map(({ name, area, measured }) => ({
              ...BLANK_ZONE,
              name,
              area,
              measured: JSON.stringify(measured),
            }));
            const typed = form.getValues("zones").filter((zone) => zone.area.trim() !== "" || zone.id);
            // The one empty lawn that a new site begins with makes room.
            zones.replace([...typed, ...more]);
            setOpen(false);
          }}
        />
      )}
    </Box>
  );
}

const MARKS = [
  ["gate", "Mark the gate"],
  ["tap", "Mark the tap"],
] as const;

interface PlanProps {
  readonly site: SiteText;
  readonly form: UseFormReturn<SiteForm>;
}

/** The zones of a site from above, where they were drawn or walked, and out to other programs. */
export function SitePlan({ site, form }: PlanProps) {
  const system = useSystem();
  const [marking, setMarking] = useState<"gate" | "tap">();
  const [gate, tap] = MARKS.map(([key]) => placeOf(form.watch(key)));
  if (!hasMap(site)) return null;
  const zones = site.zones.flatMap((zone, i) => {
    const polygons = zone.measurement?.map?.polygons;
    return polygons ? [{ key: zone.id ?? String(i), name: zone.name ?? "", turf: zone.turf, polygons }] : [];
  });
  const save = (name: string, text: string, type: string) => downloadFile(name, new Blob([text], { type }));
  return (
    <Box as="section" aria-label={`Plan of ${site.name}`} marginBottom="12px">
      <Plan
        zones={zones}
        system={system}
        label={`${site.name} from above, north up`}
        gate={gate}
        tap={tap}
        onPlace={
          marking &&
          ((place) => {
            form.setValue(marking, placeText(place), { shouldDirty: true, shouldValidate: true });
            setMarking(undefined);
          })
        }
      />
      <Note>
        {marking
          ? `Press where the ${marking} is.`
          : gate
            ? "In this order, each from its start on, nobody treads on what is wet."
            : "Mark the gate, and the order of the work is told: the farthest first."}
      </Note>
      <Row flexWrap="wrap" gap="0 10px">
        {MARKS.map(([key, says]) => (
          <Button
            key={key}
            type="button"
            look="quiet"
            aria-pressed={marking === key}
            onClick={() => setMarking(marking === key ? undefined : key)}
          >
            {says}
          </Button>
        ))}
      </Row>
      <Row flexWrap="wrap" gap="0 10px">
        <Button type="button" look="quiet" onClick={() => save(`${site.name}.geojson`, geoJsonOf(site), "application/geo+json")}>
          Save as GeoJSON
        </Button>
        <Button type="button" look="quiet" onClick={() => save(`${site.name}.kml`, kmlOf(site), "text/xml")}>
          As KML
        </Button>
        <Button type="button" look="quiet" onClick={() => save(`${site.name}.gpx`, gpxOf(site), "application/gpx+xml")}>
          As GPX
        </Button>
      </Row>
    </Box>
  );
}
