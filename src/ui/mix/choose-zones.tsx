"use client";

import { Box, chakra } from "@chakra-ui/react";
import { areaAsRead } from "@/core/working/as-read";
import type { SiteEntry } from "@/formats/entries";
import { useSystem } from "../data/units";
import { Button } from "../parts/controls";
import { Row } from "../parts/layout";
import { Check } from "../parts/choose";

interface ZonesProps {
  readonly site: SiteEntry;
  readonly without: readonly string[];
  readonly onChange: (without: readonly string[]) => void;
}

/** Which of the site's zones this mix is for. */
export function Zones({ site, without, onChange }: ZonesProps) {
  const system = useSystem();
  const own = site.site.zones.map((z) => z.id);
  return (
    <Box as="fieldset" border="none">
      <chakra.legend textStyle="label">Zones</chakra.legend>
      {site.site.zones.length > 2 && (
        <Row alignItems="stretch" gap="4px">
          <Button
            look="quiet"
            minHeight="36px"
            padding="2px 6px"
            onClick={() => onChange(without.filter((id) => !own.includes(id)))}
          >
            All
          </Button>
          <Button look="quiet" minHeight="36px" padding="2px 6px" onClick={() => onChange([...new Set([...without, ...own])])}>
            None
          </Button>
        </Row>
      )}
      <Row alignItems="stretch" flexWrap="wrap" gap="0 22px">
        {site.site.zones.map((zone) => (
          <Check
            key={zone.id}
            checked={!without.includes(zone.id)}
            onChange={(e) => onChange(e.target.checked ? without.filter((id) => id !== zone.id) : [...without, zone.id])}
          >
            <span>
              {zone.name}
              <chakra.span color="soft"> {[areaAsRead(zone.area, system), zone.turf].filter(Boolean).join(", ")}</chakra.span>
            </span>
          </Check>
        ))}
      </Row>
    </Box>
  );
}
