"use client";

import { Box } from "@chakra-ui/react";
import type { GearItem } from "@/formats/gear";
import { SubHeading } from "../parts/controls";
import { Check } from "../parts/choose";

interface GearProps {
  readonly gear: readonly GearItem[];
  readonly done: ReadonlySet<string>;
  readonly onTick: (key: string, done: boolean) => void;
}

/** What is worn, ticked before the first container is opened. */
export function GearList({ gear, done, onTick }: GearProps) {
  const all = gear.every((g) => done.has(g.key));
  return (
    <Box as="section" aria-label="Gear">
      <SubHeading>Gear on, before the first container {all && "✓"}</SubHeading>
      <Box as="ul" listStyleType="none" display="flex" flexWrap="wrap" gap="0 26px">
        {gear.map(({ key, text }) => (
          <li key={key}>
            <Check gloves checked={done.has(key)} onChange={(e) => onTick(key, e.target.checked)}>
              {text}
            </Check>
          </li>
        ))}
      </Box>
    </Box>
  );
}
