"use client";

import { Box, chakra } from "@chakra-ui/react";
import { DndContext, KeyboardSensor, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from "@dnd-kit/core";
import { PageLink } from "../parts/page-link";
import { useState } from "react";
import { daysLater, daysFrom } from "@/core/calendar";
import { mixLock } from "@/core/calibration/may-mix";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { showDuration } from "@/core/quantity/format";
import { atMost } from "@/core/quantity/slack";
import { read } from "@/core/working/units";
import { daysWork } from "@/core/mixing/days-work";
import { RESTRICTED_USE } from "@/formats/card/card";
import type { WorkDayEntry } from "@/formats/entries";
import { readTanks } from "@/formats/job-file/read-calibration";
import { certificateOn, holdsOn } from "@/formats/papers";
import { dayWords, format } from "../data/dates";
import { todayDate } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { useLabels, usePeople, useSlice } from "../data/records";
import { Button, Note, SubHeading } from "../parts/controls";
import { Row } from "../parts/layout";
import { useOwed, useWeatherAgainst } from "./against";
import { DayLoad } from "./day-load";
import type { Moves } from "./moves";
import { useRoundMix } from "./round-mix";
import { nameList, WHY } from "./why";

type Item = WorkDayEntry["items"][number];

/** A week as days of work: what, how much, with how many tanks, and what speaks against it. @param first a day of the one that is shown first: today, where it is left out */
export function Week({ moves, first }: { moves: Moves; first?: string | undefined }) {
  const begins = first ?? todayDate();
  const [from, setFrom] = useState(begins);
  const week = useSlice("week", { from }).value;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }), useSensor(KeyboardSensor));
  if (!week) return null;
  const days = week.days.map((day) => day.date);
  const all = week.days.flatMap((day) => day.items.map((item) => ({ item, on: day.date })));
  const moveTo = (keys: readonly Item[], day: string) =>
    void moves.move(keys.map(({ siteId, round }) => ({ siteId, round, day })));
  return (
    <Box as="section" aria-label="Week">
      <Row flexWrap="wrap" gap="6px 14px" alignItems="baseline">
        <SubHeading>Week of {dayWords(days[0]!)}</SubHeading>
        <Button look="quiet" onClick={() => setFrom(daysLater(days[0]!, -7))}>
          ← Week before
        </Button>
        <Button look="quiet" onClick={() => setFrom(begins)}>
          {first === undefined ? "This week" : "First week of work"}
        </Button>
        <Button look="quiet" onClick={() => setFrom(daysLater(days[0]!, 7))}>
          Week after →
        </Button>
      </Row>
      <DndContext
        id="week"
        sensors={sensors}
        onDragEnd={({ active, over }) => {
          const found = all.find(({ item }) => keyOf(item) === active.id);
          if (found && over && over.id !== found.on) moveTo([found.item], String(over.id));
        }}
      >
        <Box
          display="grid"
          gridTemplateColumns={{ base: "minmax(0,1fr)", lg: "repeat(7, minmax(0,1fr))" }}
          gap={{ base: "0", lg: "8px" }}
        >
          {week.days.map((day) => (
            <Day key={day.date} day={day} perDay={week.perDay} today={week.today} onMove={moveTo} />
          ))}
        </Box>
      </DndContext>
      {all.length === 0 && <Note>No work in this week.</Note>}
    </Box>
  );
}

const keyOf = ({ siteId, round }: Item): string => `${siteId}\n${round}`;

interface DayProps {
  readonly day: WorkDayEntry;
  readonly perDay: number | null;
  readonly today: string;
  readonly onMove: (items: readonly Item[], day: string) => void;
}

function Day({ day, perDay, today, onMove }: DayProps) {
  const { setNodeRef, isOver } = useDroppable({ id: day.date });
  const said = useSaid(day, perDay);
  const owed = useOwed();
  const name = format(new Date(`${day.date}T12:00:00`), "EEE d MMM");
  const past = day.date < today;
  return (
    <Box
      ref={setNodeRef}
      as="section"
      aria-label={name}
      borderTop="3px solid"
      borderColor={isOver ? "act" : day.date === today ? "ink" : "line"}
      background={isOver ? "well" : undefined}
      paddingY="6px"
      minHeight={{ lg: "140px" }}
      opacity={day.works || day.items.length > 0 ? 1 : 0.7}
      display={{ base: day.items.length > 0 || isOver ? "block" : "none", lg: "block" }}
    >
      <chakra.strong>{name}</chakra.strong>
      {day.date === today && " · today"}
      {!day.works && <Box textStyle="small">no work</Box>}
      {said.work && <Box textStyle="small">{said.work}</Box>}
      {said.against.map((words) => (
        <Box key={words} textStyle="small" color="act">
          ! {words}
        </Box>
      ))}
      <Box as="ul" listStyleType="none">
        {day.items.map((item) => (
          <Work
            key={keyOf(item)}
            item={item}
            day={day.date}
            today={today}
            owed={past ? [] : owed(item.siteId, day.date)}
            onMove={(to) => onMove([item], to)}
          />
        ))}
      </Box>
      {day.items.length > 0 && !past && <DayLoad day={day} />}
      {day.more > 0 && <Note>And {day.more.toLocaleString("en-US")} more.</Note>}
      {day.items.length > 1 && day.more === 0 && !past && (
        <ToDay
          label={`All of ${name} to`}
          day={day.date}
          today={today}
          onPick={(to) => onMove(day.items, to)}
          says="Move them all …"
        />
      )}
    </Box>
  );
}

interface WorkProps {
  readonly item: Item;
  readonly day: string;
  readonly today: string;
  /** What the ground is still owed by then. */
  readonly owed: readonly string[];
  readonly onMove: (day: string) => void;
}

function Work({ item, day, today, owed, onMove }: WorkProps) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: keyOf(item) });
  const mix = useRoundMix();
  const { site, round, fixed, left, reasons } = item;
  return (
    <Box
      as="li"
      ref={setNodeRef}
      borderTop="1px solid"
      borderColor="line"
      padding="4px 0"
      background="paper"
      position="relative"
      zIndex={isDragging ? 3 : undefined}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <Box display="grid" gridTemplateColumns="minmax(0,1fr) 32px" gap="4px">
        <Box minW={0} overflowWrap="anywhere">
          <PageLink href="/mix" onClick={() => void mix(round, [item], { date: day })}>
            {site}
          </PageLink>
          <Box textStyle="small" color="soft">
            {round}
            {fixed && ", fixed"}
            {left && `: still ${nameList(left)}`}
          </Box>
        </Box>
        <Grip type="button" {...attributes} {...listeners} aria-label={`Move ${round} of ${site}`}>
          ⠿
        </Grip>
      </Box>
      {reasons.length > 0 && (
        <Box textStyle="small" color={reasons.includes("limit") ? "stop" : "act"}>
          ! {reasons.map((reason) => WHY[reason]).join(", ")}
        </Box>
      )}
      {owed.map((words) => (
        <Box key={words} textStyle="small" color="act">
          ! {words}
        </Box>
      ))}
      <ToDay label={`${round} of ${site} to`} day={day} today={today} onPick={onMove} says="Move to …" />
    </Box>
  );
}

const Grip = chakra("button", {
  base: {
    width: "32px",
    height: "44px",
    background: "transparent",
    border: "none",
    color: "soft",
    cursor: "grab",
    touchAction: "none",
    _hover: { background: "well" },
  },
});

const Pick = chakra("select", {
  base: {
    width: "100%",
    minHeight: "36px",
    background: "transparent",
    border: "none",
    borderBottom: "1px dotted",
    borderColor: "line",
    color: "soft",
    fontSize: ".9375rem",
    cursor: "pointer",
  },
});

/** Days that something can be moved to without a drag. */
const AHEAD = 28;

function ToDay({
  label,
  day,
  today,
  says,
  onPick,
}: {
  label: string;
  day: string;
  today: string;
  says: string;
  onPick: (day: string) => void;
}) {
  const first = day > today ? today : day;
  const from = daysFrom(first, day) > 7 ? daysLater(day, -7) : first < today ? today : first;
  const days = Array.from({ length: AHEAD }, (_, i) => daysLater(from, i)).filter(
    (one) => one !== day && one.slice(0, 4) === day.slice(0, 4),
  );
  return (
    <Pick aria-label={label} value="" onChange={(e) => e.target.value !== "" && onPick(e.target.value)}>
      <option value="">{says}</option>
      {days.map((one) => (
        <option key={one} value={one}>
          {format(new Date(`${one}T12:00:00`), "EEE d MMM")}
        </option>
      ))}
    </Pick>
  );
}

/** What a day is in work by the rig in hand, and what speaks against it. */
function useSaid(day: WorkDayEntry, perDay: number | null) {
  const { date, area, items } = day;
  const weather = useWeatherAgainst(day);
  const { rig, calibrated, system } = useInHand();
  const people = usePeople();
  const labels = useLabels();
  const standings = useSlice("standings", {}).value;
  if (items.length === 0) return { work: "", against: [] };
  const ground = fromCanonical<"area">(area);
  const tank = rig && readTanks(rig.rig)[0];
  const work = calibrated && tank ? daysWork(ground, calibrated.made, tank.usable) : undefined;
  const words = [
    read(ground, "area", system),
    work &&
      `${read(work.spray.value, "volume", system)}, ${work.tanks} ${work.tanks === 1 ? "tank" : "tanks"} of ${rig!.rig.name}`,
    work?.time && `${showDuration(work.time.value)} of spraying`,
  ];
  const restricted = items.some(({ labelId }) => labels.find((one) => one.id === labelId)?.card.restricted === RESTRICTED_USE);
  const certified = people.some((person) => {
    const paper = person.retired ? undefined : certificateOn(person.papers ?? [], date);
    return paper && holdsOn(paper, date);
  });
  return {
    work: words.filter(Boolean).join(" · "),
    against: [
      weather,
      perDay !== null && !atMost(area, perDay) && "more than a day's work",
      restricted && !certified && "nobody holds a certificate on that day",
      standings && !standings.some((one) => !mixLock(one)) && "no rig is calibrated",
    ].filter((one) => one !== false && one !== undefined),
  };
}
