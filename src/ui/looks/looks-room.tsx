"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { Suspense, useState } from "react";
import { rateAsRead } from "@/core/working/as-read";
import type { LookEntry } from "@/formats/entries";
import type { Cursor, Page } from "@/formats/slices";
import { dayWords } from "../data/dates";
import { useRead, useSlice } from "../data/records";
import { useAddress, useOpen } from "../data/addressed";
import { useInHand } from "../data/in-hand";
import { Room } from "../frame/room";
import { useSystem } from "../data/units";
import { Button, Note } from "../parts/controls";
import { Column, Row } from "../parts/layout";
import { More } from "../parts/more";
import { FirstThing } from "../parts/notices";
import { SitePick } from "../parts/pickers";
import { SetAside } from "../parts/set-aside";
import { RoomHead } from "../parts/room-head";
import { Stamp } from "../parts/stamp";
import { DueLooks } from "./due-looks";
import { LookForm } from "./look-form";
import { isEarly, seenWords } from "./look-words";
import { Photos } from "./photos";
import { Results } from "./results";

/** Scouting: what was seen of the ground before something was applied, and what came of it. */
export function LooksRoom() {
  return (
    <Suspense>
      <Scouting />
    </Suspense>
  );
}

function Scouting() {
  const known = useRead("firm", "people");
  const read = useInHand().read && known;
  const [says, go] = useAddress();
  const { adding, add } = useOpen();
  const record = says("record");
  const [site, setSite] = useState("");
  const judged = useSlice("toJudge", record === undefined ? null : { record }).value;
  const first = useSlice("looks", site === "" ? {} : { site });
  const leave = () => go({ record: undefined, id: undefined });
  const none = first.value?.rows.length === 0 && site === "" && first.aside.length === 0;
  if (record !== undefined || adding)
    return (
      <Room>
        <RoomHead title={record === undefined ? "Scout a zone" : "Rate the result"} back={{ words: "Scouting", go: leave }} />
        <Box maxW="760px">
          <ClientOnly>
            {read && record === undefined && <LookForm onDone={leave} />}
            {read && judged && <LookForm key={judged.id} record={judged} onDone={leave} />}
            {record !== undefined && judged === null && (
              <FirstThing>
                There is no such record, or it is void. <PageLink href="/log">The log</PageLink>
              </FirstThing>
            )}
          </ClientOnly>
        </Box>
      </Room>
    );
  return (
    <Room>
      <RoomHead title="Scouting">
        <Button onClick={add}>+ Scout</Button>
      </RoomHead>
      <Column gap="24px">
        <DueLooks />
        <Box>
          {none ? (
            <FirstThing>Nothing yet. Look at a lawn before you spray it: a result is held against that.</FirstThing>
          ) : (
            <Box maxWidth="320px">
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
          <Box color="soft">{kind === "scout" ? "scouted" : "rated"}</Box>
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
