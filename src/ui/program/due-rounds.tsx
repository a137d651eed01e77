"use client";

import { Box, chakra } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { Fragment } from "react";
import type { DueEntry } from "@/formats/entries";
import { dayWords } from "../data/dates";
import { useInHand } from "../data/in-hand";
import { useLabels, useSlice } from "../data/records";
import { Note, SubHeading } from "../parts/controls";
import { Column } from "../parts/layout";
import { nameList } from "./why";

/** What of the program is due today, what is too late first. @param here this is the program's own page */
export function DueRounds({ here = false }: { here?: boolean }) {
  const due = useSlice("due", {}).value;
  if (!due || due.rounds.length === 0) return null;
  return (
    <Box as="section" aria-label="Due today">
      <SubHeading>Due today, by the program</SubHeading>
      <Column gap="10px" marginTop="10px">
        {due.items.length === 0 && <Note>Nothing of the program is due today.</Note>}
        {due.rounds.map((round) => (
          <RoundDue key={round.name} round={round} items={due.items.filter((item) => item.round === round.name)} />
        ))}
        {due.more > 0 && <Note>And {due.more.toLocaleString("en-US")} more of them.</Note>}
        {!here && (
          <Box>
            <PageLink href="/sites/program">The program</PageLink>
          </Box>
        )}
      </Column>
    </Box>
  );
}

/** As many sites of a round as are named. */
const NAMED = 12;

const STATES = [
  ["done", "done"],
  ["too-early", "not yet"],
  ["waits", "wait for the round before"],
  ["blocked", "blocked by seed"],
  ["missed", "missed"],
] as const;

interface RoundProps {
  readonly round: DueEntry["rounds"][number];
  readonly items: DueEntry["items"];
}

function RoundDue({ round: { name, label, counts }, items }: RoundProps) {
  const labels = useLabels();
  const { choose } = useInHand();
  const product = labels.find((one) => one.id === label)?.card.name;
  const rest = STATES.flatMap(([state, words]) => (counts[state] ? [`${counts[state].toLocaleString("en-US")} ${words}`] : []));
  const open = (counts.due ?? 0) + (counts.overdue ?? 0);
  return (
    <Box borderLeft="6px solid" borderColor={counts.overdue ? "act" : open > 0 ? "ink" : "line"} paddingLeft="12px">
      <Box>
        <chakra.strong>{name}</chakra.strong>
        {product && ` · ${product}`} · {open.toLocaleString("en-US")} due
        {counts.overdue ? `, ${counts.overdue.toLocaleString("en-US")} of them too late` : ""}
        {rest.length > 0 && ` · ${rest.join(", ")}`}
      </Box>
      {items.length > 0 && (
        <Box textStyle="note" color="soft">
          {items.slice(0, NAMED).map(({ site, siteId, latest, left, state }, i) => (
            <Fragment key={siteId}>
              {i > 0 && " · "}
              <PageLink href="/mix" onClick={() => choose({ siteId })}>
                {site}
              </PageLink>
              {left && ` (still ${nameList(left)})`}
              {latest && ` by ${dayWords(latest)}${state === "overdue" ? ": too late" : ""}`}
            </Fragment>
          ))}
          {items.length > NAMED && " …"}
        </Box>
      )}
    </Box>
  );
}
