"use client";

import { Box } from "@chakra-ui/react";
import { sameName } from "@/core/names";
import { readAmountOf } from "@/core/mixing/display";
import type { CardText } from "@/formats/card/card";
import type { ChoiceText } from "@/formats/card/choice";
import type { CountedEntry } from "@/formats/entries";
import { todayDate, wallClock } from "../data/clock";
import { dayWords, format } from "../data/dates";
import { useSystem } from "../data/units";
import { rateWords } from "../labels/words";
import { Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";

/** Whether an entry is of a product, or holds an active of it. */
const isOf = (card: CardText, { applied }: CountedEntry): boolean =>
  sameName(applied.of, card.name) || card.actives.some((active) => sameName(active.name, applied.active));

/** What of a product, or of its actives, went down or is planned on some zones; the newest first. */
export function lastOn(card: CardText, counted: readonly CountedEntry[], zoneIds: readonly string[]): CountedEntry | undefined {
  const here = counted.filter((entry) => isOf(card, entry) && entry.zoneIds.some((id) => zoneIds.includes(id)));
  const at = (entry: CountedEntry) => `${entry.applied.date} ${entry.down?.time ?? ""}`;
  return [...here].sort((a, b) => (at(a) < at(b) ? 1 : -1))[0];
}

interface LastProps {
  readonly card: CardText;
  readonly counted: readonly CountedEntry[];
  /** The ids of the zones that are mixed for. */
  readonly zoneIds: readonly string[];
}

/** What last went down there of a product, and when: "last here: today 07:40, 1.38 fl oz on north". */
export function LastHere({ card, counted, zoneIds }: LastProps) {
  const system = useSystem();
  const last = lastOn(card, counted, zoneIds);
  if (!last) return null;
  const { applied, zone, down, unreadable } = last;
  const day = applied.date === todayDate() ? "today" : dayWords(applied.date);
  const time = down?.time ?? (down?.keptAt && applied.date === todayDate() ? format(wallClock(down.keptAt), "HH:mm") : undefined);
  const much = down ? readAmountOf(down.total, system) : rateWords(applied.amount);
  const other = sameName(applied.of, card.name) ? "" : ` of ${applied.of}`;
  return (
    <Note>
      {unreadable ? "Last here, by a record that can't be read" : down ? "Last here" : "Planned here on an open sheet"}:{" "}
      {[day, time].filter(Boolean).join(" ")}, {much}
      {other} on {zone}
    </Note>
  );
}

interface AgainProps {
  readonly name: string;
  /** What goes down there on that day already, in words; nothing where it is no second dose. */
  readonly said: string | undefined;
  readonly choice: ChoiceText;
  readonly change: (choice: ChoiceText) => void;
}

/** A second dose of one day on one ground: the reason, which is kept. */
export function AgainAsk({ name, said, choice, change }: AgainProps) {
  if (said === undefined) return null;
  return (
    <Notice state="act">
      {said}
      <Box marginTop="8px" maxW="420px">
        <TextField
          label="Why again on this day"
          of={name}
          value={choice.again ?? ""}
          maxLength={300}
          hint="it is not saved without a reason"
          onChange={(e) => change({ ...choice, again: e.target.value })}
        />
      </Box>
    </Notice>
  );
}
