"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useState } from "react";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { read, type System } from "@/core/working/units";
import type { UnaccountedEntry } from "@/formats/entries";
import { AskRest, type Where } from "../mix/ask-rest";
import { Fold } from "../parts/fold";
import { Notice } from "../parts/notices";
import { sentences, useSend, useSlice } from "../data/records";
import { todayDate } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { useSystem } from "../data/units";
import { Note, SubHeading } from "../parts/controls";
import { Row } from "../parts/layout";
import { Stamp } from "../parts/stamp";
import { DayLoad } from "../program/day-load";
import { WHY } from "../program/why";
import { amountText } from "../shelf/amount-text";
import { missingOf } from "../shelf/missing";

/** The work that is laid out for today, and what goes on the truck for it. */
export function TodaysWork() {
  const today = todayDate();
  const week = useSlice("week", { from: today }).value;
  const { choose } = useInHand();
  const day = week?.days.find((one) => one.date === today);
  if (!day || day.items.length === 0) return null;
  return (
    <Box as="section" aria-label="Scheduled today">
      <SubHeading>Scheduled today</SubHeading>
      <Box as="ul" listStyleType="none">
        {day.items.map(({ siteId, site, round, reasons }) => (
          <Row
            as="li"
            key={`${siteId} ${round}`}
            flexWrap="wrap"
            gap="2px 16px"
            minHeight="40px"
            alignItems="center"
            borderBottom="1px solid"
            borderColor="line"
          >
            <PageLink href="/mix" onClick={() => choose({ siteId })}>
              <strong>{site}</strong>
            </PageLink>
            <Box color="soft">{round}</Box>
            {reasons.length > 0 && <Box color="act">! {reasons.map((reason) => WHY[reason]).join(", ")}</Box>}
          </Row>
        ))}
      </Box>
      {day.more > 0 && <Box color="soft">And {day.more.toLocaleString("en-US")} more.</Box>}
      <DayLoad day={day} begun />
      <PageLink href="/sites/program/year">The week and the year</PageLink>
    </Box>
  );
}

/** What was poured and nobody can account for: open until somebody says where it is. */
export function Unaccounted() {
  const system = useSystem();
  const lost = useSlice("unaccounted", {}).value ?? [];
  if (lost.length === 0) return null;
  return (
    <Box as="section" aria-label="Poured, not accounted for">
      <SubHeading>Poured, not accounted for</SubHeading>
      <Note>It counts against the limits of these grounds until it is known where it is.</Note>
      {lost.map((one) => (
        <Lost key={one.sheetId} lost={one} system={system} />
      ))}
    </Box>
  );
}

function Lost({ lost, system }: { lost: UnaccountedEntry; system: System }) {
  const send = useSend();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const say = async (what: Where, says: string) => {
    const result = await send(`/api/sheets/${encodeURIComponent(lost.sheetId)}/rest`, { what, says });
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  return (
    <Box borderBottom="1px solid" borderColor="line" paddingY="8px" display="grid" gap="6px">
      <Box>
        <strong>{read(fromCanonical<"volume">(lost.volume), "volume", system)}</strong> of {lost.products.join(", ")} for{" "}
        {lost.sites.join(", ")}
        {lost.says && `: ${lost.says}`}
      </Box>
      <Fold title="It is known by now where it is">
        <AskRest
          label="Where it is"
          of={["left", "disposed"]}
          press="That is where it is"
          onSay={(what, says) => void say(what, says)}
        />
      </Fold>
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
    </Box>
  );
}

/** What runs out within two weeks, what is past its last day, and what nobody counted right. */
export function ShelfDue() {
  const system = useSystem();
  const shelf = useSlice("shelf", {}).value;
  const due = (shelf?.products ?? []).filter(
    (one) => missingOf(one).soon || one.short || one.lots.some((lot) => lot.old && lot.count > 0),
  );
  if (due.length === 0) return null;
  return (
    <Box as="section" aria-label="Shelf">
      <SubHeading>Shelf</SubHeading>
      {due.map((product) => {
        const { labelId, name, form, left, soon, short } = product;
        const out = missingOf(product).soon;
        return (
          <Row key={labelId} flexWrap="wrap" gap="4px 20px" minHeight="52px" borderBottom="1px solid" borderColor="line">
            <Box flex="1 1 220px">
              <strong>{name}</strong>
              {out && `: ${amountText(left ?? 0, form, system)} on hand, ${amountText(soon, form, system)} in two weeks`}
            </Box>
            <Stamp state={out ? "stop" : "act"}>{out ? "runs out" : short ? "count it" : "a lot is past its last day"}</Stamp>
            <PageLink href="/labels/shelf">Shelf</PageLink>
          </Row>
        );
      })}
    </Box>
  );
}
