"use client";

import { Box, chakra } from "@chakra-ui/react";
import { rateAsRead } from "@/core/working/as-read";
import type { Result, Share } from "@/core/log/results";
import { BELIEVED } from "@/core/outcome/evidence";
import { writeNumber } from "@/core/quantity/format";
import { useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { Note, SubHeading } from "../parts/controls";

const share = (of: Share | null): string =>
  of === null
    ? "–"
    : `${writeNumber(of.mean, { decimals: 0 })} %${of.half === null || of.count < BELIEVED ? "" : ` ± ${writeNumber(of.half, { decimals: 0 })}`}`;

const Cell = chakra("td", {
  base: { padding: "6px 10px 6px 0", textAlign: "right", fontFamily: "reading", whiteSpace: "nowrap" },
});
const Head = chakra("th", { base: { padding: "4px 10px 4px 0", textAlign: "right", textStyle: "small", fontWeight: "700" } });

/** What works here: control and injury as they were judged, by product, rate, rig and person. */
export function Results() {
  const results = useSlice("results", {}).value ?? [];
  if (results.length === 0) return null;
  return (
    <Box as="section" aria-label="What works here">
      <SubHeading>What works here</SubHeading>
      <chakra.table width="100%" borderCollapse="collapse">
        <thead>
          <tr>
            <Head textAlign="left">Product, rate, rig, person</Head>
            <Head>Control</Head>
            <Head>Injury</Head>
            <Head>Judged</Head>
          </tr>
        </thead>
        <tbody>
          {results.map((one) => (
            <Line key={`${one.product} ${one.by} ${one.of}`} result={one} />
          ))}
        </tbody>
      </chakra.table>
      <Note>
        Means of the last three years, with 95 % bands from three on: two lines whose bands overlap are not known to differ. What
        was judged too early, or could be something else, is left out.
      </Note>
    </Box>
  );
}

function Line({ result: { by, of, control, injury, leftOut } }: { result: Result }) {
  const system = useSystem();
  const own = by === "product";
  const count = Math.max(control?.count ?? 0, injury?.count ?? 0);
  return (
    <chakra.tr borderTop={own ? "2px solid" : "1px solid"} borderColor={own ? "ink" : "line"}>
      <chakra.th
        scope="row"
        textAlign="left"
        fontWeight={own ? "700" : "400"}
        padding="6px 10px 6px 0"
        paddingLeft={own ? 0 : "18px"}
      >
        {by === "rate" ? rateAsRead(of, system) : of}
      </chakra.th>
      <Cell>{share(control)}</Cell>
      <Cell>{share(injury)}</Cell>
      <Cell>
        {count}
        {leftOut > 0 && <chakra.span color="soft"> (+{leftOut} left out)</chakra.span>}
      </Cell>
    </chakra.tr>
  );
}
