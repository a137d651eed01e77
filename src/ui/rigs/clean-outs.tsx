"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { RigEntry } from "@/formats/entries";
import { cleanOutWords } from "@/formats/clean-out";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useSlice } from "../data/records";
import { RecordRinse } from "../mix/record-rinse";
import { SubHeading } from "../parts/controls";

/** When the tanks of a rig were rinsed, and how; and a rinse of today. */
export function CleanOuts({ rig }: { rig: RigEntry }) {
  const rinses = useSlice("cleanOuts", { rig: rig.id }).value ?? [];
  const tanks = (rig.rig.tanks ?? []).map((tank) => tank.name ?? "");
  return (
    <Box as="section" aria-label="Clean-out">
      <SubHeading>Clean-out of {rig.rig.name}</SubHeading>
      {tanks.map((tank) => (
        <Box key={tank} paddingTop="8px">
          {tanks.length > 1 && <Box textStyle="label">{tank} tank</Box>}
          <RecordRinse rig={rig} tank={tank} />
        </Box>
      ))}
      <Box as="ul" listStyleType="none" marginTop="8px">
        {rinses.map(({ id, tank, rinsedAt, person, facts }) => (
          <Box as="li" key={id} borderBottom="1px solid" borderColor="line" paddingY="6px">
            <strong>{format(wallClock(rinsedAt), "d MMM yyyy, HH:mm")}</strong>
            <chakra.span color="soft">
              {" "}
              {[tanks.length > 1 && `${tank} tank`, person, facts && cleanOutWords(facts)].filter(Boolean).join(" · ")}
            </chakra.span>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
