"use client";

import { Box, chakra } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { Fragment, useState } from "react";
import type { DueEntry } from "@/formats/entries";
import { dayWords } from "../data/dates";
import { useSaveOnce } from "../data/save-id";
import { sentences, useLabels, useSlice } from "../data/records";
import { Button, Note, SubHeading } from "../parts/controls";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { useRoundMix } from "./round-mix";
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
        {due.unclear.map((one) => (
          <WasIt key={one.recordId} one={one} due={due} />
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

/** What went down outside of its round's window: whoever knows says whether it was the round. */
function WasIt({ one: { recordId, site, zone, date, round }, due }: { one: DueEntry["unclear"][number]; due: DueEntry }) {
  const save = useSaveOnce();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const of = due.rounds.find(({ name }) => name === round);
  const product = useLabels().find(({ id }) => id === of?.label)?.card.name;
  const say = async (id: string | null) => {
    const result = await save("/api/season/given", `given:${recordId}`, { recordId, round: id });
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  return (
    <Notice state="act">
      {product} went down on {[site, zone].filter(Boolean).join(", ")} on {dayWords(date)}, outside the window of {round}: was it{" "}
      {round}?
      <Row gap="8px 12px" flexWrap="wrap" marginTop="8px">
        <Button onClick={() => void say(of?.id ?? null)}>Yes, count it as {round}</Button>
        <Button look="quiet" onClick={() => void say(null)}>
          No, it was no round
        </Button>
      </Row>
      {trouble.join(" ")}
    </Notice>
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
  const mix = useRoundMix();
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
          {items.slice(0, NAMED).map((item, i) => (
            <Fragment key={item.siteId}>
              {i > 0 && " · "}
              <PageLink href="/mix" onClick={() => void mix(name, [item])}>
                {item.site}
              </PageLink>
              {item.left && ` (still ${nameList(item.left)})`}
              {item.latest && ` by ${dayWords(item.latest)}${item.state === "overdue" ? ": too late" : ""}`}
            </Fragment>
          ))}
          {items.length > NAMED && " …"}
        </Box>
      )}
    </Box>
  );
}
