"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import type { ReactNode } from "react";
import type { Ground } from "@/core/calibration/evidence";
import type { Line } from "@/core/working/explain";
import { Room } from "../frame/room";
import { Heading, Note } from "../parts/controls";
import type { Option } from "../parts/choose";
import { Cautions } from "../parts/notices";
import { Row } from "../parts/layout";

const DRILLS = [
  ["/calibrate/practice", "Pace"],
  ["/calibrate/practice/countdown", "Countdown"],
  ["/calibrate/practice/swing", "Swing and swath"],
  ["/calibrate/practice/lessons", "Lessons"],
] as const;

export const GROUND_WORDS: readonly Option<Ground>[] = [
  ["turf", "Turf"],
  ["rough", "Rough ground, beds"],
  ["pavement", "Pavement"],
];

export const groundWords = (ground: Ground): string => GROUND_WORDS.find(([key]) => key === ground)![1];

interface DrillProps {
  readonly at: (typeof DRILLS)[number][0];
  readonly title: string;
  readonly about: string;
  readonly working?: readonly Line[];
  readonly children: ReactNode;
}

/** A room for practice: with water, and for the record. */
export function Drill({ at, title, about, working = [], children }: DrillProps) {
  return (
    <Room working={working}>
      <Row as="nav" aria-label="Drills" flexWrap="wrap" gap="0 6px" marginBottom="8px" className="no-print">
        {DRILLS.map(([path, name]) => (
          <PageLink key={path} href={path} aria-current={path === at ? "page" : undefined} style={{ textDecoration: "none" }}>
            <Box
              as="span"
              display="inline-flex"
              alignItems="center"
              minHeight="44px"
              padding="0 14px"
              border="2px solid"
              borderColor={path === at ? "ink" : "line"}
              background={path === at ? "ink" : "transparent"}
              color={path === at ? "paper" : "ink"}
              fontWeight="700"
            >
              {name}
            </Box>
          </PageLink>
        ))}
      </Row>
      <Heading>{title}</Heading>
      <Note>{about}</Note>
      {children}
      <Cautions mixing={false} />
    </Room>
  );
}
