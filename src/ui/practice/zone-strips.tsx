"use client";

import { Box } from "@chakra-ui/react";
import { ratio } from "@/core/quantity/arithmetic";
import { entered } from "@/core/quantity/parse";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import { groundArea } from "@/core/working/thousand";
import { read, type System } from "@/core/working/units";
import type { KeptSite } from "@/formats/entries";
import { useInHand } from "../data/in-hand";
import { Choose, type Option } from "../parts/choose";
import { TextField } from "../parts/field";
import { Row } from "../parts/layout";

/** A lawn of the site in hand, cut into strips that are alike. */
export interface OfZone {
  readonly zoneId: string;
  readonly count: string;
}

/** As many strips as anybody marks on a lawn (ours). */
const MOST_STRIPS = 500;

/** What a strip of a zone has, as it is typed; undefined where the zone is gone or the count is none. */
export function stripOf(site: KeptSite | undefined, { zoneId, count }: OfZone, system: System): string | undefined {
  const zone = site?.zones.find((one) => one.id === zoneId);
  const strips = /^\d{1,3}$/.test(count.trim()) ? Number(count) : 0;
  if (!zone || strips < 1 || strips > MOST_STRIPS) return undefined;
  const unit = system === "us" ? "ft2" : "m2";
  return `${plainNumber(Number((valueIn(entered(zone.area, "area").value, unit) / strips).toFixed(1)))} ${unit}`;
}

/** So many strips that each has what a pace is said for, a thousand square feet or a hundred square metres, or a little less. */
export const usualCount = (area: string, system: System): string =>
  String(Math.min(MOST_STRIPS, Math.max(1, Math.ceil(ratio(entered(area, "area").value, groundArea(system)) - 1e-9))));

interface ZoneStripsProps {
  readonly of: OfZone | undefined;
  readonly onPick: (of: OfZone | undefined, strip: string | undefined) => void;
}

/** Strips of a lawn of the site in hand; nothing where no site is in hand. */
export function ZoneStrips({ of, onPick }: ZoneStripsProps) {
  const { site, system } = useInHand();
  if (!site) return null;
  const { zones, name } = site.site;
  const chosen = zones.find((zone) => zone.id === of?.zoneId);
  const pick = (next: OfZone | undefined) => onPick(next, next && stripOf(site.site, next, system));
  const wrong = chosen && of && stripOf(site.site, of, system) === undefined;
  return (
    <Row flexWrap="wrap" alignItems="flex-start" gap="12px">
      <Box width="260px">
        <Choose
          label={`A lawn of ${name}`}
          value={chosen ? of!.zoneId : ""}
          options={[
            ["", "a strip by itself"],
            ...zones.map((zone): Option => [zone.id, `${zone.name}, ${read(entered(zone.area, "area").value, "area", system)}`]),
          ]}
          onPick={(zoneId) => {
            const zone = zones.find((one) => one.id === zoneId);
            pick(zone && { zoneId, count: usualCount(zone.area, system) });
          }}
        />
      </Box>
      {chosen && of && (
        <Box width="160px">
          <TextField
            label="Cut into strips"
            inputMode="numeric"
            value={of.count}
            error={wrong ? `a whole number from 1 to ${MOST_STRIPS}` : undefined}
            onChange={(e) => pick({ ...of, count: e.target.value })}
          />
        </Box>
      )}
    </Row>
  );
}
