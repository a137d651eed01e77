"use client";

import { Box } from "@chakra-ui/react";
import { roundMixes, RoundMix, roundAmount } from "@/core/calibration/planner";
import { writeNumber } from "@/core/quantity/format";
import { type Quantity } from "@/core/quantity/kinds";
import { entered } from "@/core/quantity/parse";
import { read } from "@/core/working/units";
import { compare } from "@/core/quantity/arithmetic";
import type { RigEntry } from "@/formats/entries";
import { rowRates } from "@/formats/card/choice";
import { kitOf } from "@/formats/rig-setup";
import { Typed } from "../calibrate/typed";
import { useLabels } from "../data/records";
import { useInHand } from "../data/in-hand";
import { Button, Note, SubHeading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { ShelfPick } from "../parts/pickers";
import { typed } from "./backwards-of";
import { targetText, useOpenProof } from "./open-proof";
import type { Wish } from "./wish";

interface RoundsProps {
  readonly wish: Wish;
  readonly change: (next: Partial<Wish>) => void;
  readonly rig: RigEntry;
}

/** Spray volumes that make what goes into a full tank a round number; each with what it costs to round without walking so. */
export function Rounds({ wish, change, rig }: RoundsProps) {
  const labels = useLabels();
  const { system, calibrated } = useInHand();
  const open = useOpenProof(rig);
  const label = labels.find((l) => l.id === wish.labelId && !l.retired);
  const rate = label && rowRates(label.card, 0)?.least;
  const dry = label?.card.form === "dry";
  const step = label && typed(dry ? "knownWeight" : "catchVolume", wish.step || usualStep(rig, dry), "round to");
  const usable = typed("usable", rig.rig.tanks?.[0]?.usable ?? "", "usable");
  const now = calibrated?.made.sprayVolume.value ?? typed("sprayVolume", wish.sprayVolume, "wanted")?.value;
  const byArea = rate?.kind === "rateByWeight" || rate?.kind === "rateByVolume" ? rate : undefined;
  const carrier = label?.card.carrierAtLeast;
  const least = carrier === undefined ? undefined : entered(carrier, "sprayVolume").value;
  const mixes =
    byArea && step && usable && now !== undefined
      ? roundMixes(byArea, usable.value, now, step.value as Quantity<"mass">, least)
      : undefined;
  const amount = (mix: RoundMix) => {
    const value = roundAmount(mix, dry);
    return dry ? read(value as Quantity<"mass">, "mass", system) : read(value as Quantity<"volume">, "volume", system);
  };
  return (
    <>
      <Box display="grid" gap="14px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }} maxW="640px">
        <ShelfPick label="Product" value={wish.labelId} onPick={(labelId) => change({ labelId, step: "" })} />
        {label && (
          <Typed
            key={label.id}
            label="Round to"
            field={dry ? "knownWeight" : "catchVolume"}
            value={wish.step || usualStep(rig, dry)}
            onChange={(typedStep) => change({ step: typedStep })}
          />
        )}
      </Box>
      {!label && <Notice state="act">Pick the product that is measured.</Notice>}
      {label && !byArea && (
        <Notice state="act">This label gives a strength, not a rate for an area: it is round by the gallon already.</Notice>
      )}
      {byArea && now === undefined && (
        <Notice state="act">Calibrate first: the round numbers are looked for about what you spray now.</Notice>
      )}
      {mixes && now !== undefined && (
        <Box maxW="720px">
          <SubHeading>Into a full tank, about {read(now, "sprayVolume", system)}</SubHeading>
          {mixes.map((mix) => (
            <Box
              key={mix.amount}
              display="grid"
              gridTemplateColumns={{ base: "1fr auto", md: "120px 1fr auto" }}
              gap="2px 14px"
              alignItems="center"
              borderBottom="1px solid"
              borderColor="line"
              paddingY="6px"
            >
              <Box fontFamily="reading" fontWeight="700" fontSize="1.0625rem">
                {amount(mix)}
              </Box>
              <Box gridColumn={{ base: "1 / -1", md: "auto" }} gridRow={{ base: 2, md: "auto" }} textStyle="note">
                spray {read(mix.sprayVolume, "sprayVolume", system)}
                <Box color="soft" textStyle="small">
                  {Math.abs(mix.error) < 5e-4
                    ? "as you spray now: no error"
                    : `rounded without changing the walk it puts ${writeNumber(Math.abs(mix.error) * 100, { figures: 2 })} % ${mix.error > 0 ? "too much" : "too little"} down`}
                </Box>
              </Box>
              <Button aria-label={`Prove ${amount(mix)}`} onClick={() => open({ target: targetText(mix.sprayVolume) })}>
                Prove it
              </Button>
            </Box>
          ))}
          <Note marginTop="8px">Never round a rate up past its limit: change the walk, or measure what was worked out.</Note>
        </Box>
      )}
    </>
  );
}

/** What is round on the tools of this rig: five steps of its scale, or of its finest vessel. */
function usualStep({ rig }: RigEntry, dry: boolean): string {
  const kit = kitOf(rig);
  const tool = dry
    ? kit.scales[0]?.step
    : [...kit.vessels].sort((a, b) => compare(a.graduation.value, b.graduation.value))[0]?.graduation;
  return tool ? `${writeNumber(tool.number * 5, { figures: 3 })} ${tool.unit}` : dry ? "0.5 oz" : "1 fl oz";
}
