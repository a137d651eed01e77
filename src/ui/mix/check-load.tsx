"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import type { MixPlan } from "@/core/mixing/plan";
import { parseAs, type Entered } from "@/core/quantity/parse";
import { impliedArea, slipsOfDose, slipsOfLoad, type Measured } from "@/core/slips/of-load";
import type { Slip } from "@/core/slips/slip";
import { read, type System } from "@/core/working/units";
import { unitsInHand } from "../data/units";
import { Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
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
  const slips: Slip[] = [...slipsOfLoad(measured, system), ...measured.flatMap((one) => slipsOfDose(one, covers, system))];
  return (
    <Fold strong title="Check a load that somebody measured">
      <Note>What went into one full {jar ? "jar" : "tank"}. Each amount stands for an area: they should be the same.</Note>
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
        {slips.map((slip) => (
          <Notice key={slip.code + slip.says} state="act">
            {slip.says.charAt(0).toUpperCase() + slip.says.slice(1)}
            {slip.corrected && `: ${slip.corrected} would be right`}.
          </Notice>
        ))}
        {measured.length > 1 && slips.length === 0 && <Notice state="plain">They are for the same area.</Notice>}
      </Column>
    </Fold>
  );
}

function areaWords(one: Measured | undefined, system: System): string {
  const area = one && impliedArea(one);
  return area ? `enough for ${read(area, "area", system)}` : "";
}
