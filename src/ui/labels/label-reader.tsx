"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useEffect, useRef, useState, type DragEvent } from "react";
import type { UseFormReturn } from "react-hook-form";
import type { Mark, MarkField } from "@/core/reader/reader";
import { MARK_WORDS, markWords, takeMarks } from "@/formats/card/take-mark";
import type { CardForm } from "@/formats/forms/card-form-of";
import { useKept } from "../data/kept-here";
import { Notice } from "../parts/notices";
import { useAction } from "../parts/use-action";
import { Button, Note, SubHeading } from "../parts/controls";
import { Row } from "../parts/layout";

interface Kept {
  readonly text: string;
  /** The candidates that were answered, by their place and field. */
  readonly answered: Readonly<Record<string, "taken" | "passed">>;
  /** What became of those that were taken, in words. */
  readonly became?: Readonly<Record<string, string>>;
  readonly open: boolean;
}
const EMPTY: Kept = { text: "", answered: {}, open: false };

const keyOf = (mark: Mark) => `${mark.field}@${mark.start}`;

/** A label's text with what a card wants marked in it. Nothing enters the card until a person takes it. */
export function LabelReader({ form }: { form: UseFormReturn<CardForm> }) {
  const [kept = EMPTY, setKept] = useKept<Kept>("label-text");
  const [marks, setMarks] = useState<readonly Mark[]>();
  const set = (next: Partial<Kept>) => setKept({ ...kept, ...next });
  const reading = useAction("The reader could not be fetched: is the server there? The text stays here, try again.");
  const read = (text: string) =>
    reading.run(async () => {
      const { readLabel } = await import("@/core/reader/reader");
      setMarks(readLabel(text));
    });
  const drop = async (event: DragEvent) => {
    const file = event.dataTransfer.files[0];
    if (!file) return;
    event.preventDefault();
    const text = await file.text();
    setKept({ text, answered: {}, open: true });
    await read(text);
  };
  const answer = (these: readonly Mark[], how: "taken" | "passed") => {
    const answered = { ...kept.answered, ...Object.fromEntries(these.map((mark) => [keyOf(mark), how])) };
    if (how === "passed") return set({ answered });
    const taken = takeMarks(form.getValues(), these);
    form.reset(taken.form, { keepDefaultValues: true, keepErrors: true });
    set({
      answered,
      became: { ...kept.became, ...Object.fromEntries(these.map((mark, i) => [keyOf(mark), taken.became[i]!])) },
    });
  };
  return (
    <Box as="section" aria-label="Label reader" display="grid" gap="12px" onDrop={drop} onDragOver={(e) => e.preventDefault()}>
      <SubHeading>The label&apos;s text</SubHeading>
      {reading.trouble && <Notice state="stop">{reading.trouble}</Notice>}
      {marks === undefined ? (
        <>
          <Note>Paste it, or drop a text file here. What a card wants is marked, and each is yours to take or pass over.</Note>
          <chakra.label display="block" textStyle="label">
            Text of the label
            <chakra.textarea
              value={kept.text}
              onChange={(e) => set({ text: e.target.value })}
              rows={16}
              width="100%"
              padding="10px 12px"
              background="sheet"
              border="1px solid"
              borderColor="field"
              color="ink"
              fontFamily="reading"
              textStyle="small"
              marginTop="4px"
            />
          </chakra.label>
          <Row alignItems="stretch">
            <Button type="button" look="act" onClick={() => void read(kept.text)} disabled={kept.text.trim() === ""}>
              Read it
            </Button>
          </Row>
        </>
      ) : (
        <>
          <Marked text={kept.text} marks={marks} answered={kept.answered} />
          <Candidates marks={marks} answered={kept.answered} answer={answer} />
          <Became marks={marks} became={kept.became ?? {}} />
          <NotFound marks={marks} />
          <Box>
            <Button
              type="button"
              look="quiet"
              onClick={() => {
                setMarks(undefined);
                set({ answered: {}, became: {} });
              }}
            >
              Another text
            </Button>
          </Box>
        </>
      )}
    </Box>
  );
}

interface Answers {
  readonly marks: readonly Mark[];
  readonly answered: Kept["answered"];
}

/** What was taken, and where it stands in the card now. */
function Became({ marks, became }: { marks: readonly Mark[]; became: Readonly<Record<string, string>> }) {
  const taken = marks.filter((mark) => became[keyOf(mark)] !== undefined);
  if (taken.length === 0) return null;
  return (
    <Box>
      <SubHeading>Taken</SubHeading>
      <chakra.ul listStyleType="none" aria-label="Taken" marginTop="6px" textStyle="small">
        {taken.map((mark) => (
          <Box as="li" key={keyOf(mark)} overflowWrap="anywhere">
            ✓ {MARK_WORDS[mark.field]}, {markWords(mark)} → {became[keyOf(mark)]}
          </Box>
        ))}
      </chakra.ul>
    </Box>
  );
}

/** What a card wants most, and a label usually says. */
const WANTED: readonly MarkField[] = [
  "active",
  "registration",
  "signalWord",
  "rate",
  "perApplication",
  "perYear",
  "applicationsPerYear",
  "interval",
  "carrierAtLeast",
  "turfs",
  "gear",
];

/** What was not found: a reader that is silent about it would be taken for a label that is. */
function NotFound({ marks }: { marks: readonly Mark[] }) {
  const missing = WANTED.filter((field) => !marks.some((mark) => mark.field === field));
  if (missing.length === 0) return null;
  return (
    <Note>
      Not found in this text, so look for it yourself: {missing.map((field) => MARK_WORDS[field].toLowerCase()).join(", ")}. Not
      found is not the same as no limit.
    </Note>
  );
}

function Candidates({
  marks,
  answered,
  answer,
}: Answers & { answer: (these: readonly Mark[], how: "taken" | "passed") => void }) {
  const open = marks.filter((m) => answered[keyOf(m)] === undefined);
  const list = useRef<HTMLUListElement>(null);
  /** The place of the one that was answered last: the next one takes the focus. */
  const [next, setNext] = useState<number>();
  useEffect(() => {
    if (next === undefined) return;
    const rows = list.current?.querySelectorAll<HTMLElement>("li") ?? [];
    rows[Math.min(next, rows.length - 1)]?.querySelector("button")?.focus();
  }, [next, open.length]);
  const say = (these: readonly Mark[], how: "taken" | "passed") => {
    setNext(open.indexOf(these[0]!));
    answer(these, how);
  };
  const many = [...new Set(open.map((m) => m.field))]
    .map((field) => open.filter((m) => m.field === field))
    .filter((m) => m.length > 1);
  return (
    <>
      <Box role="status" fontWeight="700">
        {marks.length === 0
          ? "Nothing was found that a card wants: type it from the label."
          : `${marks.length} found, ${open.length} to look at.`}
      </Box>
      {many.length > 0 && (
        <Row alignItems="stretch" flexWrap="wrap" gap="6px 10px">
          {many.map((these) => (
            <Button key={these[0]!.field} type="button" padding="6px 12px" minHeight="40px" onClick={() => say(these, "taken")}>
              Take all {these.length}: {MARK_WORDS[these[0]!.field].toLowerCase()}
            </Button>
          ))}
        </Row>
      )}
      <chakra.ul ref={list} listStyleType="none" aria-label="Candidates">
        {open.map((mark) => (
          <Box
            as="li"
            key={keyOf(mark)}
            display="grid"
            gridTemplateColumns="34px minmax(0,1fr) auto"
            gap="4px 8px"
            alignItems="center"
            borderBottom="1px solid"
            borderColor="line"
          >
            <chakra.span fontFamily="reading" color="soft">
              {marks.indexOf(mark) + 1}
            </chakra.span>
            <Box minW={0} paddingY="6px">
              <Box textStyle="small" color="soft">
                {MARK_WORDS[mark.field]}
              </Box>
              <Box fontFamily="reading" fontWeight="700" overflowWrap="anywhere" fontSize=".9375rem">
                {markWords(mark)}
              </Box>
            </Box>
            <Box display="flex">
              <Button
                type="button"
                padding="6px 12px"
                aria-label={`Take ${MARK_WORDS[mark.field]} ${markWords(mark)}`}
                onClick={() => say([mark], "taken")}
              >
                Take
              </Button>
              <Button
                type="button"
                look="quiet"
                aria-label={`Pass over ${MARK_WORDS[mark.field]} ${markWords(mark)}`}
                onClick={() => say([mark], "passed")}
              >
                Pass over
              </Button>
            </Box>
          </Box>
        ))}
      </chakra.ul>
    </>
  );
}

/** The text with the candidates marked by their numbers; what was taken is ticked, what was passed over is plain. */
function Marked({ text, marks, answered }: Answers & { text: string }) {
  const parts: { text: string; mark?: Mark }[] = [];
  let at = 0;
  for (const mark of marks) {
    if (mark.start < at || answered[keyOf(mark)] === "passed") continue;
    parts.push({ text: text.slice(at, mark.start) }, { text: text.slice(mark.start, mark.end), mark });
    at = mark.end;
  }
  parts.push({ text: text.slice(at) });
  return (
    <Box
      as="pre"
      tabIndex={0}
      aria-label="The label's text, marked"
      whiteSpace="pre-wrap"
      overflowWrap="anywhere"
      fontFamily="reading"
      textStyle="small"
      lineHeight="1.6"
      padding="10px 12px"
      background="sheet"
      border="1px solid"
      borderColor="line"
      maxHeight="300px"
      overflowY="auto"
    >
      {parts.map(({ text: part, mark }, i) =>
        mark ? (
          <chakra.mark key={i} background="well" color="ink" borderBottom="3px solid" borderColor="act">
            {part}
            {/* Framed: a bare raised number beside a unit would read as a power. */}
            <chakra.span
              border="1.5px solid"
              borderColor="ink"
              fontWeight="700"
              fontSize=".9375rem"
              padding="0 4px"
              marginLeft="5px"
              userSelect="none"
            >
              {marks.indexOf(mark) + 1}
              {answered[keyOf(mark)] === "taken" && " ✓"}
            </chakra.span>
          </chakra.mark>
        ) : (
          <span key={i}>{part}</span>
        ),
      )}
    </Box>
  );
}
