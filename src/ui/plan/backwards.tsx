"use client";

import { Box } from "@chakra-ui/react";
import { tooFastOnFoot } from "@/core/calibration/nomogram";
import { show } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { read } from "@/core/working/units";
import { groundText, paceTime } from "@/core/working/thousand";
import { WALKABLE } from "@/core/calibration/warnings";
import type { RigEntry } from "@/formats/entries";
import { Typed } from "../calibrate/typed";
import { useInHand } from "../data/in-hand";
import { Button, Note, SubHeading } from "../parts/controls";
import { Fact, Facts } from "../parts/fact";
import { Notice } from "../parts/notices";
import type { Backwards as Worked } from "./backwards-of";
import { useOpenProof, targetText } from "./open-proof";
import type { Wish } from "./wish";
import { Row } from "../parts/layout";
import { onFoot } from "@/rig-kinds/rules";

interface BackwardsProps {
  readonly wish: Wish;
  readonly change: (next: Partial<Wish>) => void;
  readonly rig: RigEntry;
  readonly worked: Worked;
}

/** From a wanted spray volume to the flow that an outlet must give, and the tips that give it. */
export function Backwards({ wish, change, rig, worked }: BackwardsProps) {
  const { system } = useInHand();
  const boom = (rig.rig.outlets?.count ?? 1) > 1;
  const { sprayVolume, flow, pace, speed } = worked;
  const fast = speed && onFoot(rig.rig.kind) && tooFastOnFoot(speed.value);
  return (
    <>
      <Box display="grid" gap="14px" gridTemplateColumns={{ base: "1fr 1fr", md: "repeat(4, minmax(0,1fr))" }}>
        {wish.kind === "coverage" ? (
          <>
            <Typed
              label="So much liquid"
              field="usable"
              value={wish.coverVolume}
              onChange={(coverVolume) => change({ coverVolume })}
            />
            <Typed
              label="does so much ground"
              field="zoneArea"
              value={wish.coverArea}
              onChange={(coverArea) => change({ coverArea })}
            />
          </>
        ) : (
          <Typed
            label="Wanted spray volume"
            field="sprayVolume"
            value={wish.sprayVolume}
            onChange={(typed) => change({ sprayVolume: typed })}
          />
        )}
        <Typed label="Travel speed" field="speed" value={wish.speed} onChange={(typed) => change({ speed: typed })} />
        <Typed
          label="Effective swath"
          field="swath"
          optional
          value={wish.swath}
          onChange={(swath) => change({ swath })}
          placeholder="5 ft"
          {...(boom && { hint: "empty: outlets × spacing" })}
        />
        <Typed
          label="or the flow is known"
          field="meterFlow"
          optional
          value={wish.flow}
          onChange={(typed) => change({ flow: typed })}
          placeholder="4 gal/min"
          hint="then pace and speed are solved for"
        />
      </Box>
      <Facts least={190}>
        {sprayVolume && <Fact large name="Spray volume" value={read(sprayVolume.value, "sprayVolume", system)} />}
        {sprayVolume && (
          <Fact
            large
            name={system === "us" ? "By the acre" : "By the hectare"}
            value={show(sprayVolume.value, "sprayVolume", system === "us" ? "gal/ac" : "L/ha")}
          />
        )}
        {flow && (
          <Fact large name={boom ? "Each outlet must give" : "The outlet must give"} value={read(flow.value, "flow", system)} />
        )}
        {pace && <Fact large name={`Pace for ${groundText(system)}`} value={paceTime(pace.value, system)} />}
        {speed && <Fact large name="Travel speed" value={read(speed.value, "speed", system)} />}
      </Facts>
      {!flow && !pace && <Notice state="act">Type a speed and the swath, or the flow that is known.</Notice>}
      {fast && (
        <Notice state="stop">
          {read(speed.value, "speed", system)} on foot is not a plan: {read(WALKABLE, "speed", system)} is the most.
        </Notice>
      )}
      {worked.tips.length > 0 && <TipRows worked={worked} wish={wish} rig={rig} />}
    </>
  );
}

/** The sizes that give the flow, each with its pressure; one that is picked opens the calibration that proves it. */
function TipRows({ worked, wish, rig }: { worked: Worked; wish: Wish; rig: RigEntry }) {
  const { system } = useInHand();
  const open = useOpenProof(rig);
  const target = worked.sprayVolume && targetText(worked.sprayVolume.value);
  return (
    <Box maxW="640px">
      <SubHeading>Tips that give it</SubHeading>
      {worked.tips.map(({ size, needs, works }) => (
        <Row key={size} gap="14px" minHeight="54px" borderBottom="1px solid" borderColor="line" flexWrap="wrap">
          <Box flex="0 0 90px" fontWeight="700">
            size {size}
          </Box>
          <Box flex="1 1 160px" fontFamily="reading" color={works ? "ink" : "soft"}>
            {works ? "" : "✕ "}at {read(needs as Quantity<"pressure">, "pressure", system)}
          </Box>
          {works && target !== undefined && (
            <Button aria-label={`Prove size ${size}`} onClick={() => open({ size, pressure: needs, target, swath: wish.swath })}>
              Prove it
            </Button>
          )}
        </Row>
      ))}
      <Note marginTop="8px">
        Booms are comfortable at {system === "us" ? "29 to 44 psi" : "2 to 3 bar"}. More pressure: finer drops, more drift.
      </Note>
    </Box>
  );
}
