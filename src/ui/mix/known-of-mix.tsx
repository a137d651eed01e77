"use client";

import type { ReactNode } from "react";
import type { Filling } from "@/core/mixing/column";
import { mixWarningText } from "@/core/words/mix-warnings";
import { rigRules } from "@/rig-kinds/rules";
import { todayDate } from "../data/clock";
import type { InHand } from "../data/in-hand";
import { Known, ToKnow } from "../parts/to-know";
import { AirAtMix } from "../weather/at-mix";
import { AboutAmounts } from "./beside-the-loads";
import { briefOf } from "./brief";
import { UnfitForHead } from "./label-cautions";
import { LawMissing } from "./law-missing";
import { RigNotes } from "./rig-notes";
import { SiteCautions } from "./site-cautions";
import { TooLittle } from "./totals";
import type { MixWorked } from "./work-mix";

interface KnownProps {
  readonly hand: InHand;
  /** The name of the tank. */
  readonly tank: string;
  readonly products: Parameters<typeof RigNotes>[0]["products"];
  /** The tools of the kit that failed their last proof. */
  readonly failed: readonly string[];
  readonly planned: MixWorked | undefined;
  /** What is poured of it; nothing where it is held. */
  readonly fillings: readonly Filling[];
  /** The question of the last load, where there is one. */
  readonly lastLoad: ReactNode;
}

/** What is to be known of a mix: of its rig and kit, its plan, its last load, its amounts, the weather. */
export function KnownOfMix({ hand, tank, products, failed, planned, fillings, lastLoad }: KnownProps) {
  const { rig, system } = hand;
  const poured = planned && fillings.length > 0;
  return (
    <ToKnow>
      {rig && products.length > 0 && <RigNotes rig={rig} tank={tank} products={products} />}
      {failed.length > 0 && (
        <Known rank="before" brief="a measure that failed" state="act">
          {failed.join(", ")} failed its last proof: nothing is measured with it until it passes.
        </Known>
      )}
      {planned && <OfThePlan worked={planned} hand={hand} />}
      {lastLoad}
      {poured && <AboutAmounts plan={planned.plan} fillings={fillings} job={planned.job} system={system} />}
      {poured && <TooLittle plan={planned.plan} system={system} />}
      <AirAtMix products={products} sites={planned?.job.file.sites ?? []} />
      {rig && rigRules(rig.rig.kind).head && <UnfitForHead products={products} />}
    </ToKnow>
  );
}

/** Slips are asked about beside the field that they were typed into, a second dose beside its product. */
const ASKED: readonly string[] = ["per-acre-slip", "unit-slip", "unusual-rate", "same-day"];

/** What is to be known of a plan, of its labels, its places and its law. */
function OfThePlan({ worked: { plan, job }, hand }: { worked: MixWorked; hand: InHand }) {
  const { standing } = hand.calibrated!;
  return (
    <>
      {plan.warnings
        .filter((w) => !ASKED.includes(w.code))
        .map((w) => (
          <Known key={mixWarningText(w, hand.system)} {...briefOf(w)} state="act">
            {mixWarningText(w, hand.system)}
          </Known>
        ))}
      <LawMissing job={job.file} person={hand.person} date={job.file.date ?? todayDate()} />
      {standing.state === "expired" && (
        <Known rank="before" brief="time the pace again" state="act">
          This calibration was {standing.reasons[0]}. Mix from it only if nothing has changed.
        </Known>
      )}
      {plan.sites.length > 0 && <SiteCautions job={job.file} plan={plan} timedOn={hand.calibrated?.entry.ground} />}
    </>
  );
}
