"use client";

import { Box, chakra } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { PageLink } from "../parts/page-link";
import { pool } from "@/core/outcome/evidence";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { showChange, writeNumber } from "@/core/quantity/format";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import { read } from "@/core/working/units";
import type { LoadsEntry } from "@/formats/entries";
import { evidenceOf } from "@/formats/evidence";
import { useBeginProof } from "../calibrate/begin-proof";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useInHand, type Calibrated } from "../data/in-hand";
import { useSlice } from "../data/records";
import { Button, Note, Reading, SubHeading } from "../parts/controls";
import { Notice } from "../parts/notices";

/** Drawn where there are several: the drawing library is fetched then. */
const LoadsChart = dynamic(() => import("./loads-chart").then((m) => m.LoadsChart), { ssr: false });

/** What the loads said that were mixed from this calibration: every one is evidence, three that lean alike are a change. */
export function LoadsSaid({ calibrated }: { calibrated: Calibrated }) {
  const { system } = useInHand();
  const loads = useSlice("loads", { calibration: calibrated.entry.id }).value;
  if (!loads || loads.length === 0) return null;
  const pooled = pool(loads.map(evidenceOf));
  const { count, sprayVolume, ratio, relative, leans } = pooled;
  return (
    <Box as="section" aria-label="What the loads said" marginTop="22px">
      <SubHeading>What the loads said</SubHeading>
      <Box paddingY="8px">
        <Reading>{read(sprayVolume, "sprayVolume", system)}</Reading> over {count} {count === 1 ? "sheet" : "sheets"},{" "}
        {showChange(ratio - 1)} of the calibration
        {relative !== null && ` ± ${writeNumber(relative * 100, { figures: 2 })} %`}.
      </Box>
      {leans && (
        <Notice state="act">
          Several loads in a row went down {leans === "heavy" ? "heavier" : "lighter"} than calibrated, and agree on it: something
          has changed. Check the flow, time the pace, or take the loads as a calibration.
        </Notice>
      )}
      {count > 1 && (
        <>
          <LoadsChart loads={loads} pooled={pooled} />
          <Note>
            Each sheet with its ±; the line is their mean with its band. Within the blue band the calibration still holds.
          </Note>
        </>
      )}
      <Box as="ol" listStyleType="none" marginTop="8px">
        {loads.map((one) => (
          <Said key={one.sheetId + one.site} one={one} />
        ))}
      </Box>
      {count >= 3 && <TakeLoads loads={loads} />}
    </Box>
  );
}

function Said({ one }: { one: LoadsEntry }) {
  return (
    <Box
      as="li"
      display="grid"
      gridTemplateColumns="110px 1fr 130px"
      gap="10px"
      borderBottom="1px solid"
      borderColor="line"
      paddingY="6px"
    >
      <chakra.span color="soft">{format(wallClock(one.at), "d MMM yyyy")}</chakra.span>
      <PageLink href={`/mix/sheet?id=${one.sheetId}`}>{one.site}</PageLink>
      <Reading textAlign="right">
        {showChange(one.ratio - 1, { decimals: 1 })} ± {writeNumber(one.relative * 100, { figures: 2 })} %
      </Reading>
    </Box>
  );
}

/** The loads as the trials of a run sheet: what they used on how much ground. */
function TakeLoads({ loads }: { loads: readonly LoadsEntry[] }) {
  const { rig, person, site } = useInHand();
  const begin = useBeginProof();
  if (!rig) return null;
  const used = loads.map(({ sprayed, covered }) => ({
    area: `${plainNumber(valueIn(fromCanonical<"area">(covered), "ft2"))} ft2`,
    start: `${plainNumber(valueIn(fromCanonical<"volume">(sprayed), "gal"))} gal`,
    remaining: "0 gal",
    topUp: "",
  }));
  const take = () =>
    begin({ rig, personId: person?.id ?? null, siteId: site?.id ?? null, session: { method: "refill", direct: true, used } });
  return (
    <Box marginTop="10px">
      <Button onClick={() => void take()}>Take them as a field calibration</Button>
      <Note marginTop="4px">A run sheet opens with each load as a trial; nothing counts before it is saved.</Note>
    </Box>
  );
}
