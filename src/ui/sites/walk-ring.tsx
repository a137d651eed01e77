"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { apart, ringOnEarth } from "@/core/area/geodesic";
import { areaRelative } from "@/core/area/uncertainty";
import { NOTHING_WALKED, SURE_ENOUGH, walkOn, type Walked } from "@/core/area/walk";
import type { Issue } from "@/core/issue";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { read } from "@/core/working/units";
import { ringOfWalk, type RingFound } from "@/formats/area/map-in";
import { ownPosition, simulatedWalk, type PositionPort } from "@/standins/position";
import { sentences } from "../data/records";
import { useSystem } from "../data/units";
import { Button, Note, Reading } from "../parts/controls";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { plusMinus } from "./measured-words";
import { Plan } from "./plan";

interface WalkProps {
  readonly onRing: (ring: RingFound) => void;
}

/** Walks around a lawn with the phone: its edge is drawn as one goes, with how sure it is. */
export function WalkRing({ onRing }: WalkProps) {
  const system = useSystem();
  const [walked, setWalked] = useState<Walked>(NOTHING_WALKED);
  const [from, setFrom] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const [issues, setIssues] = useState<readonly Issue[]>([]);
  const end = useRef<() => void>(() => undefined);
  useEffect(() => () => end.current(), []);
  const start = (port: PositionPort) => {
    end.current();
    setWalked(NOTHING_WALKED);
    setTrouble(undefined);
    setIssues([]);
    setFrom(port.name);
    end.current = port.watch((fix) => setWalked((now) => walkOn(now, fix)), setTrouble);
  };
  const finish = () => {
    end.current();
    setFrom(undefined);
    const ring = ringOfWalk(walked.points);
    if (!ring.ok) return setIssues(ring.issues);
    setWalked(NOTHING_WALKED);
    onRing(ring.value);
  };
  const length = (metres: number) => read(fromCanonical<"length">(metres), "length", system);
  const { points, dropped, accuracy } = walked;
  const area = points.length >= 3 ? fromCanonical<"area">(ringOnEarth(points).area) : undefined;
  return (
    <Column gap="8px" as="section" aria-label="Walk around it">
      <Row flexWrap="wrap" gap="8px">
        <Button type="button" onClick={() => start(ownPosition)}>
          {from ? "Begin anew" : "Walk around it with this phone"}
        </Button>
        {!from && (
          <Button type="button" look="quiet" onClick={() => start(simulatedWalk(8))}>
            A simulated walk
          </Button>
        )}
        {points.length >= 3 && (
          <Button type="button" look="act" onClick={finish}>
            Back at start
          </Button>
        )}
      </Row>
      {(from ?? points.length > 0) && (
        <>
          {points.length >= 3 && (
            <Plan zones={[{ key: "walk", name: "", polygons: [[points]] }]} system={system} label="What was walked, north up" />
          )}
          <Box aria-live="polite">
            {points.length} {points.length === 1 ? "fix" : "fixes"}
            {accuracy !== null && `, each good to some ${length(accuracy)} by the phone's own word`}
            {dropped > 0 && `; ${dropped} left out: farther off than ${length(SURE_ENOUGH)}, or than anybody walks`}
            {points.length > 1 && `; ${length(apart(points[0]!, points.at(-1)!))} from where you began`}.
          </Box>
          {area && (
            <Box>
              <Reading>{read(area, "area", system)}</Reading> {plusMinus(areaRelative("walk", area))}, closed by a straight line
            </Box>
          )}
          <Note>Walk the edge at your usual pace, phone in hand, sky open; a wall or a tree beside you throws fixes off.</Note>
        </>
      )}
      {trouble && <Notice state="act">{trouble} A tape, or strides, do as well.</Notice>}
      {sentences(issues).map((words) => (
        <Notice key={words} state="stop">
          {words}
        </Notice>
      ))}
    </Column>
  );
}
