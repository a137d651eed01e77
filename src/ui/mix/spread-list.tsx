"use client";

import { Box, chakra } from "@chakra-ui/react";
import { readAmount } from "@/core/mixing/display";
import type { SpreadItem } from "@/core/mixing/plan";
import { showEntered } from "@/core/quantity/format";
import { read, type System } from "@/core/working/units";
import { SubHeading } from "../parts/controls";
import { money } from "../data/money";

interface SpreadProps {
  readonly items: readonly SpreadItem[];
  readonly system: System;
  readonly title?: string;
}

/** What is spread dry, site by site: the weight, the whole bags, and the ground. None of it goes into a tank. */
export function SpreadList({ items, system, title = "Spread dry, beside the tank" }: SpreadProps) {
  if (items.length === 0) return null;
  return (
    <Box as="section" aria-label="Spread dry" display="grid" gap="8px">
      <SubHeading>{title}</SubHeading>
      <Box
        as="ul"
        listStyleType="none"
        display="grid"
        gap="10px 28px"
        gridTemplateColumns="repeat(auto-fill, minmax(250px, 1fr))"
      >
        {items.map((item) => (
          <Box as="li" key={item.site + item.product.name} display="grid" gridTemplateColumns="56px minmax(0,1fr)" gap="12px">
            <Bags count={item.bags?.count} />
            <Box>
              <Box textStyle="note">
                {item.product.name}, {item.site}
              </Box>
              <chakra.div fontFamily="reading" fontWeight="700" fontSize="1.625rem" lineHeight="1.15">
                {readAmount(item.total, system)}
              </chakra.div>
              <Box textStyle="note" color="soft">
                on {read(item.area.value, "area", system)}
                {item.bags && `, ${bagWords(item)}`}
                {item.cost && `, ${money(item.cost.value, item.cost.currency)}`}
              </Box>
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** Whole bags, in words. */
export const bagWords = ({ bags }: SpreadItem): string =>
  bags ? `${bags.count} ${bags.count === 1 ? "bag" : "bags"} of ${showEntered(bags.one.content)}` : "";

/** A bag, drawn; with how many of it. */
function Bags({ count }: { count: number | undefined }) {
  return (
    <chakra.svg viewBox="0 0 56 64" width="56px" height="64px" aria-hidden>
      <path
        d="M12 8 h32 l-3 6 q8 18 5 42 q-1 4 -5 4 H15 q-4 0 -5 -4 q-3 -24 5 -42 z"
        fill="none"
        stroke="currentColor"
        strokeWidth="2.5"
      />
      <path d="M12 8 q16 6 32 0" fill="none" stroke="currentColor" strokeWidth="2.5" />
      {count !== undefined && (
        <text x="28" y="46" textAnchor="middle" fontSize="19" fontWeight="700" fill="currentColor">
          {count > 99 ? "99+" : count}
        </text>
      )}
    </chakra.svg>
  );
}
