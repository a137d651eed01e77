"use client";

import dynamic from "next/dynamic";
import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import type { RunState } from "@/core/mixing/run-state";
import { showChange } from "@/core/quantity/format";
import { read, type System } from "@/core/working/units";
import { fromCanonical } from "@/core/quantity/arithmetic";
import type { JobFile } from "@/formats/job-file/types";
import { sentences } from "../data/records";
import { Button, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";
import { Stamp } from "../parts/stamp";
import { Row } from "../parts/layout";

/** Dragging has a library of its own: fetched where there are stops to drag. */
const StopList = dynamic(() => import("./stop-list").then((m) => m.StopList), { ssr: false });

/** What is told of a stop, to every sheet of the day that it concerns. */
export type Tell = (event: object, everywhere?: boolean) => Promise<readonly Parameters<typeof sentences>[0][number][]>;

interface DayStopsProps {
  readonly job: JobFile;
  readonly run: RunState;
  readonly system: System;
  readonly tell: Tell;
  readonly onPreview: (order: readonly string[] | undefined) => void;
}

/** The stops of a day that is under way: done as planned, done with what the tank reads, skipped, in another order. */
export function DayStops({ job, run, system, tell, onPreview }: DayStopsProps) {
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const say = async (event: object, everywhere = false) => setTrouble(sentences(await tell(event, everywhere)));
  const behind = run.stops.filter((s) => s.state !== "todo");
  const todo = run.stops.filter((s) => s.state === "todo");
  const water = (name: string) => job.sites?.find((s) => s.name === name)?.waterSource?.fill === true;
  return (
    <Box as="section" aria-label="Stops">
      <SubHeading>Stops</SubHeading>
      <Box as="ol" listStyleType="none" aria-label="Behind">
        {behind.map((stop, i) => (
          <Box
            as="li"
            key={stop.site}
            display="flex"
            gap="4px 14px"
            alignItems="center"
            flexWrap="wrap"
            minHeight="52px"
            borderBottom="1px solid"
            borderColor="line"
          >
            <Box fontFamily="reading" fontWeight="700" width="28px" textAlign="right">
              {i + 1}
            </Box>
            <chakra.strong>{stop.site}</chakra.strong>
            <Stamp state={stop.state === "done" ? "good" : "act"}>{stop.state}</Stamp>
            {stop.ratio !== null && (
              <Box color={Math.abs(stop.ratio - 1) > 0.1 ? "act" : "soft"} textStyle="note">
                {showChange(stop.ratio - 1)} of what was planned
              </Box>
            )}
            <Button
              look="quiet"
              aria-label={`${stop.site} is still to do`}
              onClick={() => void say({ what: "back", site: stop.site })}
            >
              Take back
            </Button>
          </Box>
        ))}
      </Box>
      {behind.some((s) => s.ratio !== null && Math.abs(s.ratio - 1) > 0.1) && (
        <Notice state="act">
          More than 10 % off what was planned: the walk, the tip or the pressure is not what was calibrated. Check the speed
          first, and calibrate again before the next stop.
        </Notice>
      )}
      <StopList
        label="Still to do"
        from={behind.length + 1}
        stops={todo.map((s) => ({ id: s.site, name: s.site }))}
        onOrder={(order) => void say({ what: "order", order })}
        onPreview={onPreview}
        about={(site) => (
          <Box>
            {water(site) && (
              <Box textStyle="small" color="soft">
                water
              </Box>
            )}
            <StopDone site={site} inTank={run.inTank} system={system} say={say} />
          </Box>
        )}
      />
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
    </Box>
  );
}

interface StopDoneProps {
  readonly site: string;
  readonly inTank: number;
  readonly system: System;
  readonly say: (event: object, everywhere?: boolean) => Promise<void>;
}

function StopDone({ site, inTank, system, say }: StopDoneProps) {
  const [reading, setReading] = useState(false);
  const [left, setLeft] = useState("");
  const [covered, setCovered] = useState("");
  return (
    <Box className="no-print">
      <Row alignItems="stretch" gap="2px 8px" flexWrap="wrap">
        <Button
          minHeight="44px"
          padding="4px 12px"
          aria-label={`${site} is done`}
          onClick={() => void say({ what: "done", site })}
        >
          Done
        </Button>
        <Button
          look="quiet"
          aria-label={`Read the tank after ${site}`}
          aria-expanded={reading}
          onClick={() => setReading(!reading)}
        >
          Read the tank
        </Button>
        <Button look="quiet" aria-label={`Skip ${site}`} onClick={() => void say({ what: "skipped", site }, true)}>
          Skip
        </Button>
      </Row>
      {reading && (
        <chakra.form
          display="flex"
          gap="8px"
          alignItems="flex-end"
          flexWrap="wrap"
          paddingBottom="8px"
          onSubmit={(e) => {
            e.preventDefault();
            void say({ what: "done", site, left, ...(covered.trim() !== "" && { covered }) });
          }}
        >
          <Box width="220px">
            <TextField
              label="Left in the tank"
              of={site}
              value={left}
              placeholder="12 gal"
              quantity="left"
              hint={`${read(fromCanonical<"volume">(inTank), "volume", system)} before it`}
              onChange={(e) => setLeft(e.target.value)}
            />
          </Box>
          <Box width="220px">
            <TextField
              label="Area covered"
              of={site}
              value={covered}
              placeholder="1,800 sq ft"
              quantity="zoneArea"
              hint="empty: as planned"
              onChange={(e) => setCovered(e.target.value)}
            />
          </Box>
          <Button type="submit">Done with that</Button>
        </chakra.form>
      )}
    </Box>
  );
}
