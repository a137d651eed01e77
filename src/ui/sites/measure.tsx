"use client";

import { Box } from "@chakra-ui/react";
import { groundArea } from "@/core/area/ground";
import { areaRelative, type MeasuredBy } from "@/core/area/uncertainty";
import { good, wordsFor, type Issue, type Result } from "@/core/issue";
import { explain } from "@/core/working/explain";
import { read } from "@/core/working/units";
import {
  measuredText,
  NEW_GROUND,
  NEW_SHAPE,
  SHAPE_FIELDS,
  SHAPE_KINDS,
  strides,
  type GroundDraft,
  type ReadLength,
  type ShapeDraft,
} from "@/formats/area/draft";
import { warningsOf } from "@/formats/area/read-area";
import { readGround } from "@/formats/area/read-ground";
import type { MeasuredText } from "@/formats/area/types";
import { GROUND_SHAPE } from "@/formats/area/shapes";
import { Faults } from "@/formats/job-file/faults";
import { faultsIn } from "@/formats/job-file/shape-parts";
import { readTyped as readText } from "@/formats/typed";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { useSystem } from "../data/units";
import { Choose, type Option } from "../parts/choose";
import { Button, Note, Reading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { GroundDrawn } from "./ground-drawn";
import { areaText, BY_WORDS, plusMinus } from "./measured-words";

interface MeasureProps {
  /** Of which zone the draft is. */
  readonly of: string;
  readonly name: string;
  readonly onTake: (area: string, measured: MeasuredText) => void;
}

const BY: readonly Option<GroundDraft["by"]>[] = [
  ["tape", "a tape"],
  ["wheel", "a measuring wheel"],
  ["strides", "strides"],
  ["plan", "a plan or a map, to scale"],
];

/** Measures a zone from lengths: drawn to scale while it is typed, with its working and how sure it is. */
export function Measure({ of, name, onTake }: MeasureProps) {
  const system = useSystem();
  const { person } = useInHand();
  const [kept, setKept] = useKept<GroundDraft>(`measure:${of}`);
  const draft: GroundDraft = kept ?? { ...NEW_GROUND, stride: person?.stride ?? "" };
  const set = (next: Partial<GroundDraft>) => setKept({ ...draft, ...next });
  const begun = kept !== undefined;
  const readLength = useLengths(draft);
  const worked = workOut(draft, readLength);
  const issues = worked.ok ? [] : worked.issues;
  const errorOf = (path: string) => {
    const issue = issues.find((one) => one.path === path && begun && one.received !== "");
    return issue && wordsFor(issue, system);
  };
  const by: MeasuredBy = draft.by === "plan" ? "map" : draft.by;
  return (
    <Column gap="12px" paddingTop="8px" as="section" aria-label={`Measuring ${name}`}>
      <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr">
        <Choose label="Measured with" value={draft.by} options={BY} onPick={(next) => set({ by: next })} />
        {draft.by === "strides" && (
          <TextField
            label="One stride"
            quantity="stride"
            placeholder="30 in"
            hint="walk 100 ft, count, divide; it is kept with a person in Rigs"
            value={draft.stride}
            error={errorOf("stride")}
            onChange={(e) => set({ stride: e.target.value })}
          />
        )}
        {draft.by === "plan" && (
          <TextField
            label="Slope"
            quantity="slope"
            placeholder="25 %"
            hint="rise over run; a plan is flat, the ground isn't"
            value={draft.slope}
            error={errorOf("slope")}
            onChange={(e) => set({ slope: e.target.value })}
          />
        )}
      </Box>
      <Shapes title="The ground" list={draft.parts} set={(parts) => set({ parts })} at="parts" errorOf={errorOf} by={draft.by} />
      <Shapes
        title="Less what isn't sprayed"
        list={draft.less}
        set={(less) => set({ less })}
        at="less"
        errorOf={errorOf}
        by={draft.by}
      />
      {issues
        .filter((one) => begun && !/^(parts|less)\[|^stride$|^slope$/.test(one.path))
        .map((one) => (
          <Notice key={one.path + one.code} state="act">
            {wordsFor(one, system)}
          </Notice>
        ))}
      {worked.ok && (
        <>
          <GroundDrawn ground={worked.value.ground} system={system} />
          <Box>
            <Reading>{read(worked.value.area.value, "area", system)}</Reading>{" "}
            {plusMinus(areaRelative(by, worked.value.area.value))} {BY_WORDS[by][0]}
          </Box>
          <Note>{BY_WORDS[by][1]}.</Note>
          {worked.value.off && (
            <Notice state="act">The way around misses its start by over 1 % of its length: one leg may be wrong.</Notice>
          )}
          <Box as="ol" listStyleType="none" textStyle="note" color="soft" aria-label="How it was worked out">
            {explain(worked.value.area, system)
              .filter((line) => line.rule !== "corner-of-traverse v1")
              .map((line, i) => (
                <li key={i}>
                  {line.title} = {line.sum} = {line.result}
                </li>
              ))}
          </Box>
          <Box>
            <Button
              type="button"
              onClick={() => {
                onTake(areaText(worked.value.area.value, system), worked.value.measured);
                setKept(undefined);
              }}
            >
              Use this area
            </Button>
          </Box>
        </>
      )}
    </Column>
  );
}

/** Reads a length as it is meant: of strides a bare number is so many of them. */
function useLengths({ by, stride }: GroundDraft): ReadLength {
  const one = by === "strides" ? readText("stride", stride) : undefined;
  return (typed, zero) => {
    const count = /^\d+(?:\.\d+)?$/.exec(typed.trim());
    if (one && count) return one.ok ? good(strides(Number(count[0]), one.value)) : one;
    return readText("side", typed, { zero });
  };
}

function workOut(draft: GroundDraft, readLength: ReadLength) {
  const slope = (typed: string): Result<string | undefined> => {
    if (draft.by !== "plan" || typed.trim() === "") return good(undefined);
    const one = readText("slope", typed, { zero: true });
    return one.ok ? good(one.value.text) : { ok: false, issues: one.issues.map((issue): Issue => ({ ...issue, path: "slope" })) };
  };
  const measured = measuredText(draft, readLength, slope);
  if (!measured.ok) return measured;
  const shape = faultsIn(GROUND_SHAPE, measured.value.ground);
  if (shape.length > 0) return { ok: false as const, issues: shape };
  const faults = new Faults();
  const ground = readGround(measured.value.ground!, "", faults);
  const area = ground && groundArea(ground);
  if (!ground || !area) return { ok: false as const, issues: faults.issues };
  const off = warningsOf([ground.measured, ...ground.less]).length > 0;
  return good({ measured: measured.value, ground, area, off });
}

interface ShapesProps {
  readonly title: string;
  readonly list: readonly ShapeDraft[];
  readonly set: (list: readonly ShapeDraft[]) => void;
  readonly at: "parts" | "less";
  readonly by: GroundDraft["by"];
  readonly errorOf: (path: string) => string | undefined;
}

function Shapes({ title, list, set, at, by, errorOf }: ShapesProps) {
  const change = (i: number, next: Partial<ShapeDraft>) => set(list.map((one, j) => (j === i ? { ...one, ...next } : one)));
  return (
    <Box as="fieldset" border="none">
      <Box as="legend" textStyle="label">
        {title}
      </Box>
      {list.map((shape, i) => (
        <Box key={i} borderLeft="4px solid" borderColor="line" paddingLeft="10px" marginTop="6px">
          <Row alignItems="flex-end" gap="10px">
            <Box flex="1">
              <Choose
                label={list.length > 1 || at === "less" ? `Shape ${i + 1}` : "Shape"}
                of={title}
                value={shape.kind}
                options={SHAPE_KINDS.map((kind): Option<ShapeDraft["kind"]> => [kind, WORDS[kind]])}
                onPick={(kind) => change(i, { kind })}
              />
            </Box>
            {(list.length > 1 || at === "less") && (
              <Button
                type="button"
                look="quiet"
                aria-label={`Take shape ${i + 1} of ${title} out`}
                onClick={() => set(list.filter((_, j) => j !== i))}
              >
                Remove
              </Button>
            )}
          </Row>
          <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr" paddingTop="6px">
            {SHAPE_FIELDS[shape.kind].map(({ key, label, example }) => (
              <Box key={key} {...(key === "list" && { gridColumn: "1 / -1" })}>
                <TextField
                  label={label}
                  of={`${title} ${i + 1}`}
                  {...(key !== "list" && by !== "strides" && { quantity: "side" as const })}
                  {...(by === "strides" && key !== "list" && { hint: "strides, or a length with its unit" })}
                  placeholder={by === "strides" && key !== "list" ? "48" : example}
                  value={shape.typed[key] ?? ""}
                  error={errorOf(`${at}[${i}].${key}`)}
                  onChange={(e) => change(i, { typed: { ...shape.typed, [key]: e.target.value } })}
                />
              </Box>
            ))}
          </Box>
        </Box>
      ))}
      <Button type="button" look="quiet" onClick={() => set([...list, NEW_SHAPE])}>
        {at === "parts" ? "Add a part" : "Subtract a bed"}
      </Button>
    </Box>
  );
}

const WORDS: Readonly<Record<ShapeDraft["kind"], string>> = {
  rectangle: "rectangle",
  triangle: "triangle, base and height",
  "three sides": "triangle, three sides",
  circle: "circle",
  ellipse: "ellipse",
  trapezoid: "two parallel sides",
  offsets: "readings along a straight line",
  traverse: "around it, leg by leg",
};
