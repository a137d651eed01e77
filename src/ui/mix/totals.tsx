"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Amount } from "@/core/mixing/amounts";
import { readAmount, systemOf } from "@/core/mixing/display";
import { enough, packageLife } from "@/core/mixing/packages";
import type { MixPlan } from "@/core/mixing/plan";
import { isPacket, pouringOrder } from "@/core/mixing/pouring-order";
import type { MixProduct } from "@/core/mixing/product";
import { inJar } from "@/core/mixing/small-mixes";
import { totalsOf } from "@/core/mixing/totals";
import { showEntered, writeNumber } from "@/core/quantity/format";
import { constant } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import { money } from "../data/money";
import { useCurrency, useLabels, useStock } from "../data/records";
import { Known } from "../parts/to-know";
import { amountText } from "../shelf/amount-text";
import { CountStock } from "./count-stock";
import { atLeast } from "@/core/quantity/slack";
import { groundArea, groundText } from "@/core/working/thousand";
import { ratio, total } from "@/core/quantity/arithmetic";
import { canonicalAmount } from "@/core/mixing/amounts";
import { oneVolume } from "@/core/mixing/ground";
import { Column } from "../parts/layout";

/** What a mix takes of each product, what that costs, what package is enough, and whether there is enough on hand. */
export function Totals({ plan, system }: { plan: MixPlan; system: System }) {
  const totals = totalsOf(plan);
  const area = total(plan.sites.map((site) => site.area.value));
  const one = ratio(groundArea(system), area);
  return (
    <Column gap="10px">
      <Box
        as="dl"
        display="grid"
        gridTemplateColumns="repeat(auto-fill, minmax(250px, 1fr))"
        gap="10px 30px"
        borderTop="1px solid"
        borderBottom="1px solid"
        borderColor="line"
        paddingY="8px"
      >
        {pouringOrder(plan.products).map((i) => {
          const { amount, cost } = totals[i]!;
          return (
            <Box key={i}>
              <chakra.dt textStyle="small" color="soft">
                {plan.products[i]!.name}, {plan.sites.length === 1 ? "whole site" : `${plan.sites.length} sites`}
              </chakra.dt>
              <chakra.dd fontFamily="reading" textStyle="strong">
                {readAmount(amount, system)}
                {cost && <chakra.span fontWeight="400" color="soft">{` · ${money(cost.value, cost.currency)}`}</chakra.span>}
              </chakra.dd>
              {cost && (
                <chakra.dd textStyle="small" color="soft">
                  {money(cost.value * one, cost.currency)} per {groundText(system)}
                </chakra.dd>
              )}
              {plan.sites[0]?.loads[0] && (
                <chakra.dd textStyle="small" color="soft">
                  {perUnit(plan, i, system)}
                </chakra.dd>
              )}
              <PackageWords product={plan.products[i]!} amount={amount} />
            </Box>
          );
        })}
      </Box>
    </Column>
  );
}

/** Of which products there is less on hand than the mix takes. */
export const TooLittle = ({ plan, system }: { plan: MixPlan; system: System }) =>
  // Of a day that is done nothing is mixed any more.
  (plan.sites.length === 0 ? [] : totalsOf(plan)).map(({ amount }, i) => (
    <OnHand key={plan.products[i]!.name} product={plan.products[i]!} amount={amount} system={system} />
  ));

/** What goes into each gallon, or litre: for any small amount of the same strength. */
function perUnit(plan: MixPlan, i: number, system: System): string {
  const { fillTo, amounts } = plan.sites[0]!.loads[0]!.contents;
  const [amount] = inJar([amounts[i]!], fillTo, constant("volume", oneVolume(system), "one"));
  return `${readAmount(amount!, system)} in each ${system === "us" ? "gallon" : "litre"}`;
}

/** The smallest package that is enough, and how long it lasts. */
function PackageWords({ product, amount }: { product: MixProduct; amount: Amount }) {
  const currency = useCurrency();
  const fits = enough(amount, product.packages ?? []);
  if (!fits || isPacket(product)) return null;
  const { one, count } = fits;
  const life = packageLife(amount, one);
  return (
    <chakra.dd textStyle="small" color="soft">
      {count === 1 ? "" : `${count} × `}
      {showEntered(one.content)}
      {one.price !== undefined && ` at ${money(one.price * count, currency)}`}
      {count === 1 && life >= 1.05 && `: enough for ${writeNumber(life, { figures: 2, down: true })} of these`}
      {count === 1 && life < 1.05 && ": just enough"}
    </chakra.dd>
  );
}

/** What is on hand against what is needed. */
function OnHand({ product, amount, system }: { product: MixProduct; amount: Amount; system: System }) {
  const labels = useLabels();
  const counted = useStock();
  const label = labels.find((l) => l.card.name === product.name);
  const stock = counted.find((s) => s.labelId === label?.id);
  if (!label || !stock) return null;
  const short = !atLeast(stock.left, canonicalAmount(amount));
  if (!short) return null;
  return (
    <Known rank="before" brief={`too little ${product.name} on hand`} state="act">
      {product.name}: {amountText(stock.left, product.form, systemOf(amount, system))} on hand, {readAmount(amount, system)}{" "}
      needed. <CountStock label={label} again />
    </Known>
  );
}
