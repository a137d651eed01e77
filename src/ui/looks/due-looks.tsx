"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useSlice } from "../data/records";
import { todayDate } from "../data/clock";
import { dayWords } from "../data/dates";
import { SubHeading } from "../parts/controls";
import { Row } from "../parts/layout";
import { Stamp } from "../parts/stamp";
import { lookPath } from "./look-words";

/** What is to be looked at: what can be judged by now and wasn't, and follow-ups that were planned. */
export function DueLooks() {
  const due = useSlice("toLookAt", {}).value ?? [];
  if (due.length === 0) return null;
  const today = todayDate();
  return (
    <Box as="section" aria-label="To look at">
      <SubHeading>To look at</SubHeading>
      {due.map((one) => (
        <Row
          key={`${one.what} ${one.recordId} ${one.siteId} ${one.zone} ${one.since}`}
          flexWrap="wrap"
          gap="4px 20px"
          minHeight="52px"
          borderBottom="1px solid"
          borderColor="line"
        >
          <Box flex="1 1 220px">
            <strong>{one.site}</strong>, {one.zone}:{" "}
            {one.what === "inspection"
              ? `${one.product}, down on ${dayWords(one.date)}`
              : `follow-up of ${one.product || "a look"}`}
          </Box>
          <Stamp state={one.what === "follow-up" && one.since <= today ? "act" : "good"}>
            {one.what === "inspection" ? `can be judged since ${dayWords(one.since)}` : `planned for ${dayWords(one.since)}`}
          </Stamp>
          <PageLink href={lookPath(one)}>{one.what === "inspection" ? "Rate result" : "See it"}</PageLink>
        </Row>
      ))}
    </Box>
  );
}
