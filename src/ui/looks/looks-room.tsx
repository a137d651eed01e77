"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";
import { rateAsRead } from "@/core/working/as-read";
import type { LookEntry } from "@/formats/entries";
import type { Cursor, Page } from "@/formats/slices";
import { dayWords } from "../data/dates";
import { useRead, useSlice } from "../data/records";
import { useInHand } from "../data/in-hand";
import { Room } from "../frame/room";
import { useSystem } from "../data/units";
import { Heading, Note, SubHeading } from "../parts/controls";
import { TwoSides } from "../parts/keeper";
import { Column, Row } from "../parts/layout";
import { More } from "../parts/more";
import { FirstThing } from "../parts/notices";
import { SitePick } from "../parts/pickers";
import { SetAside } from "../parts/set-aside";
import { Stamp } from "../parts/stamp";
import { DueLooks } from "./due-looks";
import { LookForm } from "./look-form";
import { isEarly, seenWords } from "./look-words";
import { Photos } from "./photos";
import { Results } from "./results";

/** Before and after: what was seen of the ground before something went down, and what came of it. */
export function LooksRoom() {
  const known = useRead("firm", "people");
  const read = useInHand().read && known;
  const record = useSearchParams().get("record") ?? undefined;
  const router = useRouter();
  const [site, setSite] = useState("");
  const [times, setTimes] = useState(0);
  const judged = useSlice("toJudge", record === undefined ? null : { record }).value;
  const first = useSlice("looks", site === "" ? {} : { site });
  const done = () => {
    setTimes(times + 1);
    if (record !== undefined) router.push("/log/looks");
  };
  return (
    <Room>
      <Row justifyContent="space-between" alignItems="baseline" gap="4px 12px" flexWrap="wrap">
        <Heading>Before and after</Heading>
        <PageLink href="/log">The log</PageLink>
      </Row>
      <Note>Look at the ground before you spray, and again when the label says that an effect can be seen.</Note>
      <Box marginTop="8px">
        <DueLooks />
      </Box>
      <TwoSides wide formFirst>
        <Column gap="18px">
          <Box>
            <SubHeading>What was seen</SubHeading>
            {first.value && first.value.rows.length === 0 && site === "" ? (
              <Box marginTop="12px">
                <FirstThing>Nothing yet. What stands on a lawn before it is treated is what a result is held against.</FirstThing>
              </Box>
            ) : (
              <Box maxWidth="320px" marginTop="8px">
                <SitePick label="Only this site" empty="every site" value={site} onPick={setSite} />
              </Box>
            )}
            <SetAside rows={first.aside} />
            {first.value && (
              <Box as="ul" listStyleType="none" aria-label="What was seen">
                <Looks key={site} page={first.value} site={site} />
              </Box>
            )}
          </Box>
          <Results />
        </Column>
        <Box>
          <SubHeading>{record === undefined ? "Scout a zone" : "Judge what went down"}</SubHeading>
          <Box marginTop="12px">
            <ClientOnly>
              {read && record === undefined && <LookForm key={times} onDone={done} />}
              {read && record !== undefined && judged && <LookForm key={judged.id} record={judged} onDone={done} />}
              {record !== undefined && judged === null && (
                <FirstThing>
                  There is no such record, or it never went down. <PageLink href="/log">The log</PageLink>
                </FirstThing>
              )}
            </ClientOnly>
          </Box>
        </Box>
      </TwoSides>
    </Room>
  );
}

function Looks({ page: { rows, next }, site }: { page: Page<LookEntry>; site: string }) {
  return (
    <>
      {rows.map((look) => (
        <Look key={look.id} look={look} />
      ))}
      <More
        next={next}
        says="Earlier looks"
        around={(button) => (
          <Box as="li" paddingY="10px">
            {button}
          </Box>
        )}
      >
        {(after) => <MoreLooks site={site} after={after} />}
      </More>
    </>
  );
}

function MoreLooks({ site, after }: { site: string; after: Cursor }) {
  const { value: page } = useSlice("looks", { ...(site !== "" && { site }), after });
  return page ? <Looks page={page} site={site} /> : null;
}

/** A look; of an inspection with what was seen before, photo beside photo. */
function Look({ look }: { look: LookEntry }) {
  const system = useSystem();
  const { kind, site, zone, date, person, says, photos, of, before } = look;
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line" padding="10px 0">
      <Row justifyContent="space-between" flexWrap="wrap" gap="4px 12px">
        <Box textStyle="strong">
          {site}, {zone}
        </Box>
        <Row gap="10px" flexWrap="wrap">
          {of && isEarly(of, date) && <Stamp state="act">too early</Stamp>}
          <Box color="soft">{kind === "scout" ? "scouted" : "judged"}</Box>
        </Row>
      </Row>
      <Note>
        {[dayWords(date), person, of && `${of.product}, ${rateAsRead(of.rate, system)} on ${dayWords(of.date)}`]
          .filter(Boolean)
          .join(" · ")}
      </Note>
      <Box>{seenWords(says)}</Box>
      {before && before.photos.length + photos.length > 0 ? (
        <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr" marginTop="6px">
          <Box>
            <Note>Before, {dayWords(before.date)}</Note>
            <Photos ids={before.photos} of={`${site}, ${zone}, before`} />
          </Box>
          <Box>
            <Note>After, {dayWords(date)}</Note>
            <Photos ids={photos} of={`${site}, ${zone}, after`} />
          </Box>
        </Box>
      ) : (
        <Photos ids={photos} of={`${site}, ${zone}`} />
      )}
      {before && <Note>Seen before: {seenWords(before.says)}</Note>}
    </Box>
  );
}
