"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState, type DragEvent } from "react";
import type { UseFormReturn } from "react-hook-form";
import type { Mark } from "@/core/reader/reader";
import { MARK_WORDS, markWords, takeMark } from "@/formats/card/take-mark";
import type { CardForm } from "@/formats/forms/card-form-of";
import { useKept } from "../data/kept-here";
import { Button, Note, SubHeading } from "../parts/controls";

interface Kept {
  readonly text: string;
  /** The candidates that were answered, by their place and field. */
  readonly answered: Readonly<Record<string, "taken" | "passed">>;
  readonly open: boolean;
}
const EMPTY: Kept = { text: "", answered: {}, open: false };

const keyOf = (mark: Mark) => `${mark.field}@${mark.start}`;

/** A label's text with what a card wants marked in it. Nothing enters the card until a person takes it. */
export function LabelReader({ form }: { form: UseFormReturn<CardForm> }) {
  const [kept = EMPTY, setKept] = useKept<Kept>("label-text");
  const [marks, setMarks] = useState<readonly Mark[]>();
  const set = (next: Partial<Kept>) => setKept({ ...kept, ...next });
  const read = async (text: string) => {
    const { readLabel } = await import("@/core/reader/reader");
    setMarks(readLabel(text));
  };
  const drop = async (event: DragEvent) => {
    const file = event.dataTransfer.files[0];
    if (!file) return;
    event.preventDefault();
    const text = await file.text();
    setKept({ text, answered: {}, open: true });
    await read(text);
  };
  const answer = (mark: Mark, how: "taken" | "passed") => {
    if (how === "taken") form.reset(takeMark(form.getValues(), mark), { keepDefaultValues: true, keepErrors: true });
    set({ answered: { ...kept.answered, [keyOf(mark)]: how } });
  };
  return (
    <Box as="section" aria-label="Label reader" display="grid" gap="12px" onDrop={drop} onDragOver={(e) => e.preventDefault()}>
      <SubHeading>The label&apos;s text</SubHeading>
      {marks === undefined ? (
        <>
          <Note>Paste it, or drop a text file here. What a card wants is marked, and each is yours to take or pass over.</Note>
          <chakra.label display="block" fontSize="14px" fontWeight="700">
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
              fontSize="14px"
              marginTop="4px"
            />
          </chakra.label>
          <Box display="flex" gap="10px">
            <Button type="button" look="act" onClick={() => void read(kept.text)} disabled={kept.text.trim() === ""}>
              Read it
            </Button>
          </Box>
        </>
      ) : (
        <>
          <Marked text={kept.text} marks={marks} answered={kept.answered} />
          <Candidates marks={marks} answered={kept.answered} answer={answer} />
          <Box>
            <Button
              type="button"
              look="quiet"
              onClick={() => {
                setMarks(undefined);
                set({ answered: {} });
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

function Candidates({ marks, answered, answer }: Answers & { answer: (mark: Mark, how: "taken" | "passed") => void }) {
  const open = marks.filter((m) => answered[keyOf(m)] === undefined);
  return (
    <>
      <Box role="status" fontWeight="700">
        {marks.length === 0
          ? "Nothing was found that a card wants: type it from the label."
          : `${marks.length} found, ${open.length} to look at.`}
      </Box>
      <Box as="ul" listStyleType="none" aria-label="Candidates">
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
              <Box fontSize="14px" color="soft">
                {MARK_WORDS[mark.field]}
              </Box>
              <Box fontFamily="reading" fontWeight="700" overflowWrap="anywhere" fontSize="15px">
                {markWords(mark)}
              </Box>
            </Box>
            <Box display="flex">
              <Button
                type="button"
                padding="6px 12px"
                aria-label={`Take ${MARK_WORDS[mark.field]} ${markWords(mark)}`}
                onClick={() => answer(mark, "taken")}
              >
                Take
              </Button>
              <Button
                type="button"
                look="quiet"
                aria-label={`Pass over ${MARK_WORDS[mark.field]} ${markWords(mark)}`}
                onClick={() => answer(mark, "passed")}
              >
                Pass over
              </Button>
            </Box>
          </Box>
        ))}
      </Box>
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
      fontSize="14px"
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
            <chakra.sup fontWeight="700">
              {marks.indexOf(mark) + 1}
              {answered[keyOf(mark)] === "taken" && " ✓"}
            </chakra.sup>
          </chakra.mark>
        ) : (
          <span key={i}>{part}</span>
        ),
      )}
    </Box>
  );
}
