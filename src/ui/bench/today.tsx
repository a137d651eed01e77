"use client";

import { Box } from "@chakra-ui/react";
import Link from "next/link";
import { useSlice } from "../data/records";
import { todayDate } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { useSystem } from "../data/units";
import { SubHeading } from "../parts/controls";
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
    <Box as="section" aria-label="Laid out for today">
      <SubHeading>Laid out for today</SubHeading>
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
            <Link href="/mix" onClick={() => choose({ siteId })}>
              <strong>{site}</strong>
            </Link>
            <Box color="soft">{round}</Box>
            {reasons.length > 0 && <Box color="act">! {reasons.map((reason) => WHY[reason]).join(", ")}</Box>}
          </Row>
        ))}
      </Box>
      {day.more > 0 && <Box color="soft">And {day.more.toLocaleString("en-US")} more.</Box>}
      <DayLoad day={day} begun />
      <Link href="/sites/program/year">The week and the year</Link>
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
            <Link href="/labels/shelf">Shelf</Link>
          </Row>
        );
      })}
    </Box>
  );
}
