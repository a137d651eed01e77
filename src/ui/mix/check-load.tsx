"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import { sizeOfRate, type LabelRate } from "@/core/labels/label-rate";
import { amountFor, type Amount } from "@/core/mixing/amounts";
import { sprayFor } from "@/core/mixing/areas";
import { readAmount } from "@/core/mixing/display";
import type { MixPlan } from "@/core/mixing/plan";
import type { MixProduct } from "@/core/mixing/product";
import { writeNumber } from "@/core/quantity/format";
import { parseAs, type Entered } from "@/core/quantity/parse";
import { againstLoad, impliedArea, slipsOfDose, slipsOfLoad, type Measured } from "@/core/slips/of-load";
import type { Slip } from "@/core/slips/slip";
import { read, type System } from "@/core/working/units";
import { unitsInHand } from "../data/units";
import { Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { rateWords } from "../labels/words";
import { Notice } from "../parts/notices";
import { amountField, unitsIn } from "@/core/quantity/ranges";
import { Column } from "../parts/layout";

/** A load that somebody measured without this sheet: what area each amount is for, and whether they agree. */
export function CheckLoad({ plan, system, jar = false }: { plan: MixPlan; system: System; jar?: boolean }) {
  const [typed, setTyped] = useState<Record<string, string>>({});
  const readings = plan.products.map((product) => {
    const text = (typed[product.name] ?? "").trim();
    const amount =
      text === ""
        ? undefined
        : parseAs<"mass" | "volume">(text, [product.form === "dry" ? "mass" : "volume"], {
            dialect: "screen",
            bare: unitsIn(amountField(product.form)).us,
          });
    return { product, amount };
  });
  const measured = readings.flatMap(({ product, amount }): Measured[] =>
    amount?.ok ? [{ name: product.name, amount: amount.value as Entered<"mass"> | Entered<"volume">, rate: product.rate }] : [],
  );
  const covers = plan.tankCoverage.value;
  const spray = sprayFor(plan.tankCoverage, plan.sprayVolume);
  const held = readings.flatMap(({ product, amount }) => {
    const one = measured.find(({ name }) => name === product.name);
    return one && amount?.ok ? [heldWords(product, one, amountFor(product)(plan.tankCoverage, spray), system)] : [];
  });
  const slips: Slip[] = [...slipsOfLoad(measured, system), ...measured.flatMap((one) => slipsOfDose(one, covers, system))];
  return (
    <Fold strong title="Check a load that somebody measured">
      <Note>What went into one full {jar ? "jar" : "tank"}. It is held against what this load takes, and against the label.</Note>
      <Box display="grid" gap="12px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }} marginTop="10px" maxW="640px">
        {readings.map(({ product, amount }) => (
          <TextField
            key={product.name}
            label={`${jar ? "In the jar" : "In the tank"} of ${product.name}`}
            quantity={amountField(product.form)}
            value={typed[product.name] ?? ""}
            error={amount && !amount.ok ? wordsFor(amount.issues[0]!, unitsInHand()) : undefined}
            {...(amount?.ok && {
              hint: areaWords(
                measured.find((m) => m.name === product.name),
                system,
              ),
            })}
            onChange={(e) => setTyped({ ...typed, [product.name]: e.target.value })}
          />
        ))}
      </Box>
      <Column gap="8px" marginTop="10px">
        {held.map(({ name, state, words }) => (
          <Notice key={name} state={state === "as planned" ? "plain" : state === "over its label" ? "stop" : "act"}>
            {words}
          </Notice>
        ))}
        {slips.map((slip) => (
          <Notice key={slip.code + slip.says} state="act">
            {slip.says.charAt(0).toUpperCase() + slip.says.slice(1)}
            {slip.corrected && `: ${slip.corrected} would be right`}.
          </Notice>
        ))}
      </Column>
    </Fold>
  );
}

function areaWords(one: Measured | undefined, system: System): string {
  const area = one && impliedArea(one);
  return area ? `enough for ${read(area, "area", system)}` : "";
}

/** The label's most at once, of the rate's own kind; undefined where it says none. */
function mostOf({ says, rate }: MixProduct): LabelRate | undefined {
  const all = [says?.range?.[1], ...(says?.limits ?? []).map((row) => row.perApplication)];
  return all
    .filter((one): one is LabelRate => one?.kind === rate.kind)
    .reduce<LabelRate | undefined>((least, one) => (least && sizeOfRate(least) <= sizeOfRate(one) ? least : one), undefined);
}

/** What an amount is against the load that it is in, in words and percent. */
function heldWords(product: MixProduct, one: Measured, planned: Amount, system: System) {
  const most = mostOf(product);
  const { ratio, state } = againstLoad(one, planned.value, most);
  const takes = `the ${readAmount(planned, system)} that this load takes`;
  const off = Math.abs(ratio - 1);
  const part = off < 0.005 ? "under 0.5" : writeNumber(off * 100, { figures: 2 });
  const by =
    ratio >= 2 ? `${writeNumber(ratio, { figures: 2 })} times ${takes}` : `${part} % ${ratio > 1 ? "over" : "under"} ${takes}`;
  const words = {
    "as planned": `${one.name}: as planned, within rounding of ${takes}.`,
    "too much": `${one.name}: ${by}. It is not what this load is for: don't spray it so.`,
    "too little": `${one.name}: ${by}. Too light wastes product and breeds survivors.`,
    "over its label": `${one.name}: ${by}, and over its label's most at once, ${rateWords(most?.text ?? "")}. It must not go down so.`,
  }[state];
  return { name: one.name, state, words };
}
