"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { useFieldArray, UseFormReturn } from "react-hook-form";
import { geoJsonOf, hasMap, kmlOf } from "@/formats/area/map-out";
import type { SiteForm } from "@/formats/forms/site";
import { BLANK_ZONE } from "@/formats/forms/site-form-of";
import type { SiteText } from "@/formats/job-file/types";
import { useSystem } from "../data/units";
import { Button } from "../parts/controls";
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

/** The zones of a site from above, where they were drawn or walked, and out to other programs. */
export function SitePlan({ site }: { site: SiteText }) {
  const system = useSystem();
  if (!hasMap(site)) return null;
  const zones = site.zones.flatMap((zone, i) => {
    const polygons = zone["x-measured"]?.map?.polygons;
    return polygons ? [{ key: zone["x-id"] ?? String(i), name: zone.name ?? "", turf: zone["x-turf"], polygons }] : [];
  });
  const save = (name: string, text: string, type: string) => downloadFile(name, new Blob([text], { type }));
  return (
    <Box as="section" aria-label={`Plan of ${site.name}`} marginBottom="12px">
      <Plan zones={zones} system={system} label={`${site.name} from above, north up`} />
      <Row flexWrap="wrap" gap="0 10px">
        <Button type="button" look="quiet" onClick={() => save(`${site.name}.geojson`, geoJsonOf(site), "application/geo+json")}>
          Save as GeoJSON
        </Button>
        <Button type="button" look="quiet" onClick={() => save(`${site.name}.kml`, kmlOf(site), "text/xml")}>
          As KML
        </Button>
      </Row>
    </Box>
  );
}
