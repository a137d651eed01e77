"use client";

import { Box, chakra } from "@chakra-ui/react";
import { showEntered } from "@/core/quantity/format";
import { entered } from "@/core/quantity/parse";
import type { SiteEntry } from "@/formats/entries";
import { Button } from "../parts/controls";

interface ZonesProps {
  readonly site: SiteEntry;
  readonly without: readonly string[];
  readonly onChange: (without: readonly string[]) => void;
}

/** Which of the site's zones this mix is for. */
export function Zones({ site, without, onChange }: ZonesProps) {
  const own = site.site.zones.map((z) => z["x-id"]);
  return (
    <Box as="fieldset" border="none">
      <chakra.legend fontSize="14px" fontWeight="700">
        Zones
      </chakra.legend>
      {site.site.zones.length > 2 && (
        <Box display="flex" gap="4px">
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
        </Box>
      )}
      <Box display="flex" flexWrap="wrap" gap="0 22px">
        {site.site.zones.map((zone) => (
          <chakra.label key={zone["x-id"]} display="flex" gap="10px" alignItems="center" minHeight="44px">
            <chakra.input
              type="checkbox"
              width="22px"
              height="22px"
              accentColor="var(--cg-colors-ink)"
              checked={!without.includes(zone["x-id"])}
              onChange={(e) =>
                onChange(e.target.checked ? without.filter((id) => id !== zone["x-id"]) : [...without, zone["x-id"]])
              }
            />
            <span>
              {zone.name}
              <chakra.span color="soft">
                {" "}
                {[showEntered(entered(zone.area, "area")), zone["x-turf"]].filter(Boolean).join(", ")}
              </chakra.span>
            </span>
          </chakra.label>
        ))}
      </Box>
    </Box>
  );
}
