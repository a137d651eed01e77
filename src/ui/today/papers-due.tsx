"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { paperState } from "@/formats/papers";
import { todayDate } from "../data/clock";
import { dayWords } from "../data/dates";
import { usePeople } from "../data/records";
import { SubHeading } from "../parts/controls";
import { Row } from "../parts/layout";
import { Stamp } from "../parts/stamp";

/** The papers of the crew that have ended or end within sixty days, the earliest first. */
export function PapersDue() {
  const today = todayDate();
  const due = usePeople()
    .filter((person) => !person.retired)
    .flatMap(({ id, name, papers = [] }) =>
      papers.flatMap((paper, i) => {
        const state = paperState(paper, today);
        return state === "good" ? [] : [{ key: `${id}.${i}`, name, paper, state }];
      }),
    )
    .sort((a, b) => (a.paper.ends! < b.paper.ends! ? -1 : 1));
  if (due.length === 0) return null;
  return (
    <Box as="section" aria-label="Certificates">
      <SubHeading>Certificates</SubHeading>
      {due.map(({ key, name, paper, state }) => (
        <Row key={key} flexWrap="wrap" gap="4px 20px" minHeight="52px" borderBottom="1px solid" borderColor="line">
          <Box flex="1 1 220px">
            <strong>{name}</strong>: {[paper.kind, paper.number, paper.where].filter(Boolean).join(" ")}
          </Box>
          <Stamp
            state={state === "ended" ? "stop" : "act"}
          >{`${state === "ended" ? "ended" : "ends"} ${dayWords(paper.ends!)}`}</Stamp>
          <PageLink href="/crew">People</PageLink>
        </Row>
      ))}
    </Box>
  );
}
