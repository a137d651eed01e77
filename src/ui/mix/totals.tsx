"use client";

import { Box, chakra } from "@chakra-ui/react";
import { pouringOrder, readAmount, writeNumber, type MixPlan, type System } from "@/core/contents";

/** What the whole site takes of each product, and what that costs before it is sprayed. */
export function Totals({ plan, site, system }: { plan: MixPlan; site: number; system: System }) {
  const one = plan.sites[site]!;
  return (
    <Box
      as="dl"
      display="flex"
      flexWrap="wrap"
      gap="8px 30px"
      borderTop="1px solid"
      borderBottom="1px solid"
      borderColor="line"
      paddingY="8px"
    >
      {pouringOrder(plan.products).map((i) => (
        <Box key={i}>
          <chakra.dt fontSize="14px" color="soft">
            {plan.products[i]!.name}, whole site
          </chakra.dt>
          <chakra.dd fontFamily="reading" fontWeight="700" fontSize="17px">
            {readAmount(one.totals[i]!, system)}
            {one.costs[i] && (
              <chakra.span fontWeight="400" color="soft">
                {" "}
                · {writeNumber(one.costs[i].value, { decimals: 2 })} {one.costs[i].currency}
              </chakra.span>
            )}
          </chakra.dd>
        </Box>
      ))}
    </Box>
  );
}
