"use client";

import { Box, chakra } from "@chakra-ui/react";
import { isUnsure } from "@/core/calibration/calibrate";
import { allFillings } from "@/core/mixing/column";
import { writeNumber } from "@/core/quantity/format";
import { given } from "@/core/working/rule";
import { read, readParts, type System } from "@/core/working/units";
import { reasonWords } from "@/core/words/reasons";
import { warningText } from "@/core/words/warnings";
import { mixWarningText } from "@/core/words/mix-warnings";
import { sentences } from "../data/records";
import { sheetLine } from "../mix/sheet-line";
import { FullTankBox } from "../mix/full-tank";
import { LastLoadAsk } from "../mix/last-load-ask";
import { TankColumns } from "../mix/tank-column";
import { Note } from "../parts/controls";
import { Notice } from "../parts/notices";
import type { Quick, QuickAnswer } from "./quick-job";
import { openAsks } from "./quick-slips";
import { Row } from "../parts/layout";

/** What is known so far, in large figures; then the loads, drawn. */
export function Answer({
  quick,
  set,
  answer,
  system,
}: {
  quick: Quick;
  set: (next: Partial<Quick>) => void;
  answer: QuickAnswer;
  system: System;
}) {
  const { made, covers, planned, issues } = answer;
  if (!made)
    return (
      <Box border="2px dashed" borderColor="field" padding="18px 22px" maxW="62ch">
        The answer grows here: what the sprayer puts down, what a tank covers, what goes into it. Water only, gear on.
        {sentences(issues).map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
      </Box>
    );
  const { number, unit } = readParts(made.sprayVolume.value, "sprayVolume", system);
  const plan = planned?.plan;
  const asked = openAsks(quick, system);
  return (
    <Box as="section" aria-label="Answer" display="grid" gap="14px" gridTemplateColumns="minmax(0,1fr)" aria-live="polite">
      <Row flexWrap="wrap" gap="2px 18px" alignItems="baseline">
        <Box>
          <chakra.span fontFamily="reading" fontWeight="700" fontSize="2.25rem" lineHeight="1" letterSpacing="-0.03em">
            {number}
          </chakra.span>{" "}
          <strong>{unit}</strong>
        </Box>
        {made.uncertainty && <Box>± {writeNumber(made.uncertainty.relative * 100, { figures: 2 })} %</Box>}
        {covers && (
          <Box>
            a tank covers <strong>{read(covers.value, "area", system)}</strong>
          </Box>
        )}
      </Row>
      {asked.length > 0 && (plan || answer.full) && (
        <Notice state="act">There are no amounts before the questions beside the fields are answered.</Notice>
      )}
      {plan && plan.sites.length > 0 && !isUnsure(made) && asked.length === 0 && (
        <>
          <Box textStyle="lead">{sheetLine(plan, system)}</Box>
          <TankColumns
            products={plan.products}
            fillings={allFillings(plan)}
            usable={given(planned.job.tank!.usable, "usable volume")}
            system={system}
          />
          <LastLoadAsk
            planned={planned}
            said={quick.lastLoad !== undefined}
            choose={(lastLoad) => set({ lastLoad })}
            system={system}
          />
        </>
      )}
      {answer.full && !isUnsure(made) && asked.length === 0 && <FullTankBox full={answer.full} system={system} />}
      {plan?.reasons.map((reason) => (
        <Notice key={reasonWords(reason, system).text} state="stop">
          Held: {reasonWords(reason, system).text} <strong>{reasonWords(reason, system).fits}</strong>
        </Notice>
      ))}
      {isUnsure(made) && (
        <Notice state="stop">
          The walks differ by over 10 %: this is no calibration yet, and there are no amounts. Walk it again.
        </Notice>
      )}
      {[
        ...made.warnings.filter((w) => w.code !== "trials-disagree").map((w) => warningText(w, system)),
        ...(asked.length === 0 ? (plan?.warnings ?? []) : []).map((w) => mixWarningText(w, system)),
      ].map((text) => (
        <Notice key={text} state="act">
          {text}
        </Notice>
      ))}
      {sentences(issues).map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      {plan && plan.sites.length > 0 && <Unknown quick={quick} />}
    </Box>
  );
}

/** On a phone the answer is further down: what it is so far stands under the thumb while the fields are filled in. */
export function SoFar({ answer: { made, covers, planned }, system }: { answer: QuickAnswer; system: System }) {
  if (!made) return null;
  const plan = planned?.plan;
  return (
    <Box
      display={{ base: "block", xl: "none" }}
      position="sticky"
      bottom="106px"
      zIndex={3}
      background="sheet"
      border="2px solid"
      borderColor="ink"
      padding="6px 12px"
      textStyle="note"
      aria-hidden
      css={{ "@media (max-height: 500px)": { position: "static" } }}
    >
      <strong>{read(made.sprayVolume.value, "sprayVolume", system)}</strong>
      {covers && ` · a tank covers ${read(covers.value, "area", system)}`}
      {plan &&
        plan.sites.length > 0 &&
        !isUnsure(made) &&
        ` · ${plan.sites[0]!.loads.length === 1 ? "1 load" : `${plan.sites[0]!.loads.length} loads`} below`}
    </Box>
  );
}

/** What a quick answer doesn't know. */
function Unknown({ quick }: { quick: Quick }) {
  return (
    <Note>
      What this doesn&apos;t know: {quick.most.trim() === "" && "the label's most at once; "}what went down here this year, how
      soon again, the turf, waits for seed, what the label wants of drops and weather. Read the label for those; keep it, and the
      app counts them.
    </Note>
  );
}
