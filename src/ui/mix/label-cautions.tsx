"use client";

import { Box, chakra } from "@chakra-ui/react";
import { unfitForHead } from "@/core/hose-end/suitability";
import type { CardText } from "@/formats/card/card";
import { cardOfProduct, namedGear } from "@/formats/gear";
import type { ProductText, SiteText } from "@/formats/job-file/types";
import { nowMoment } from "../data/clock";
import { Cautions } from "../parts/notices";
import { Known } from "../parts/to-know";
import { useSystem } from "../data/units";
import { afterLine, weatherLines } from "./field-words";
import { Column } from "../parts/layout";
import { useAirBeside } from "../weather/beside";

interface CautionsProps {
  readonly products: readonly ProductText[];
  readonly sites: readonly SiteText[];
}

/** What the labels of a mix ask of whoever pours it, said once for all of them, then the usual cautions. */
export function LabelCautions({ products, sites }: CautionsProps) {
  const { rules = [] } = useAirBeside(sites);
  const cards = products.map((p) => ({ name: p.name, ...cardOfProduct(p) }));
  const gear = namedGear(products);
  const signals = cards.filter((c) => c.signalWord);
  const after = afterLine(products, nowMoment());
  const lines: (readonly [string, string])[] = [
    ...signals.map((c): [string, string] => [c.signalWord!.toUpperCase(), c.name]),
    ...(gear.length > 0 ? [["Wear", gear.join(" · ")] as [string, string]] : []),
    ...weatherLines(products, useSystem(), rules),
    ...(after ? [[...after] as [string, string]] : []),
    ...told(cards, (c) => c.keepOut).map((says): [string, string] => ["Keep out of", says]),
    ...told(cards, (c) => c.reentry).map((says): [string, string] => ["People and pets back", says]),
    ...told(cards, (c) => c.mowAfter).map((says): [string, string] => ["No mowing for", says]),
    ...told(cards, (c) => c.firstAid).map((says): [string, string] => ["First aid", says]),
    ...told(cards, (c) => c.emergency).map((says): [string, string] => ["Emergency", says]),
  ];
  return (
    <Column>
      {lines.length > 0 && (
        <Box as="dl" display="grid" gap="6px" maxW="74ch">
          {lines.map(([what, says]) => (
            <Box
              key={what + says}
              display="grid"
              gridTemplateColumns={{ base: "minmax(0,1fr)", md: "180px minmax(0,1fr)" }}
              gap="0 14px"
            >
              <chakra.dt fontWeight="700">{what}</chakra.dt>
              <dd>{says}</dd>
            </Box>
          ))}
        </Box>
      )}
      <Cautions mixing />
    </Column>
  );
}

/** What doesn't go through a hose-end head, said wherever it is mixed for one and poured into its jar. */
export const UnfitForHead = ({ products }: Pick<CautionsProps, "products">) =>
  unfitForHead(products.map((product) => ({ name: product.name, use: cardOfProduct(product).use }))).map(({ name, text }) => (
    <Known key={name} rank="before" brief="not for a hose-end head" state="act">
      {name}: {text}
    </Known>
  ));

/** What several labels say of one thing, each said once. */
const told = (cards: readonly Partial<CardText>[], of: (card: Partial<CardText>) => string | undefined): string[] => [
  ...new Set(cards.flatMap((card) => of(card) ?? [])),
];
