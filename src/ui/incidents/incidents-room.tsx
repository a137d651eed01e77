"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { Suspense, useState } from "react";
import { INCIDENT_NAMES } from "@/formats/incidents";
import type { IncidentEntry } from "@/formats/entries";
import type { Cursor, Page } from "@/formats/slices";
import { dayWords } from "../data/dates";
import { useOpen } from "../data/addressed";
import { useRead, useSlice } from "../data/records";
import { Room } from "../frame/room";
import { Button, Note } from "../parts/controls";
import { Row } from "../parts/layout";
import { More } from "../parts/more";
import { FirstThing, Notice } from "../parts/notices";
import { RoomHead } from "../parts/room-head";
import { SetAside } from "../parts/set-aside";
import { IncidentForm } from "./incident-form";

/** What went wrong, as it is on record: spills, people and animals hurt, drift, the wrong lawn. */
export function IncidentsRoom() {
  return (
    <Suspense>
      <IncidentsHere />
    </Suspense>
  );
}

function IncidentsHere() {
  const read = useRead("firm", "people", "labels");
  const first = useSlice("incidents", {});
  const { adding, add, close } = useOpen();
  const [of, setOf] = useState<IncidentEntry>();
  const [kept, setKept] = useState(false);
  const leave = () => {
    setOf(undefined);
    close();
  };
  if (adding || of)
    return (
      <Room>
        <RoomHead
          title={of ? "Correct what was recorded" : "Put an incident on record"}
          back={{ words: "Incidents", go: leave }}
        />
        <Box maxW="760px">
          <ClientOnly>
            {read && (
              <IncidentForm
                key={of?.id ?? "new"}
                of={of}
                onDone={() => {
                  setKept(true);
                  leave();
                }}
              />
            )}
          </ClientOnly>
        </Box>
      </Room>
    );
  return (
    <Room>
      <RoomHead title="Incidents">
        <Button onClick={add}>+ Incident</Button>
      </RoomHead>
      <Note>What to do first is under Trouble, on every page.</Note>
      {kept && <Notice state="plain">It is on record.</Notice>}
      <SetAside rows={first.aside} />
      {first.value && first.value.rows.length === 0 && (
        <Box marginTop="12px">
          <FirstThing>Nothing went wrong yet, or nobody wrote it down.</FirstThing>
        </Box>
      )}
      {first.value && (
        <Box as="ul" listStyleType="none" aria-label="What went wrong">
          <Incidents page={first.value} onAnew={setOf} />
        </Box>
      )}
    </Room>
  );
}

interface IncidentsProps {
  readonly page: Page<IncidentEntry>;
  readonly onAnew: (incident: IncidentEntry) => void;
}

function Incidents({ page: { rows, next }, onAnew }: IncidentsProps) {
  return (
    <>
      {rows.map((one) => (
        <Incident key={one.id} incident={one} onAnew={onAnew} />
      ))}
      <More
        next={next}
        says="Earlier ones"
        around={(button) => (
          <Box as="li" paddingY="10px">
            {button}
          </Box>
        )}
      >
        {(after) => <MoreIncidents after={after} onAnew={onAnew} />}
      </More>
    </>
  );
}

function MoreIncidents({ after, onAnew }: { after: Cursor; onAnew: IncidentsProps["onAnew"] }) {
  const { value: page } = useSlice("incidents", { after });
  return page ? <Incidents page={page} onAnew={onAnew} /> : null;
}

/** What is said of an incident, each part with its name. */
const incidentLines = ({
  says,
  product,
}: IncidentEntry): readonly (readonly [name: string, text: string | null | undefined])[] => [
  ["Product", product],
  ["How much", says.amount],
  ["Weather", says.weather],
  ["Done", says.done],
  ["Told", says.told],
];

function Incident({ incident, onAnew }: { incident: IncidentEntry; onAnew: IncidentsProps["onAnew"] }) {
  const { kind, date, site, person, says, corrects } = incident;
  const where = [site, says.where].filter(Boolean).join(", ");
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line" padding="10px 0">
      <Row justifyContent="space-between" flexWrap="wrap" gap="4px 12px">
        <Box textStyle="strong">{[INCIDENT_NAMES[kind], where].filter(Boolean).join(": ")}</Box>
        <Button look="quiet" onClick={() => onAnew(incident)}>
          Tell it anew
        </Button>
      </Row>
      <Note>
        {[[dayWords(date), says.time].filter(Boolean).join(", "), person, corrects && "told anew"].filter(Boolean).join(" · ")}
      </Note>
      <Box whiteSpace="pre-wrap">{says.what}</Box>
      {incidentLines(incident).map(
        ([name, text]) =>
          text && (
            <Box key={name}>
              {name}: {text}
            </Box>
          ),
      )}
    </Box>
  );
}
