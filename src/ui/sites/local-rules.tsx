"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Issue } from "@/core/issue";
import { MOST_WIND } from "@/core/conditions/judge";
import { unitsIn } from "@/core/quantity/ranges";
import { DEGREES, type FieldUnits } from "@/core/quantity/typed";
import { read } from "@/core/working/units";
import type { LocalRule } from "@/formats/local-rules";
import { useKept } from "../data/kept-here";
import { sentences, useSend, useSlice, useReadAgain } from "../data/records";
import { useSystem } from "../data/units";
import { Button, Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";

type Draft = Readonly<Record<keyof LocalRule, string>>;
const BLANK: Draft = { jurisdiction: "", wind: "", airLeast: "", airMost: "", source: "" };
const KEYS = Object.keys(BLANK) as readonly (keyof LocalRule)[];

const isBlank = (rule: Draft): boolean => KEYS.every((key) => rule[key].trim() === "");

/** What was typed of a rule, without what is blank. */
const ruleText = (draft: Draft): LocalRule =>
  Object.fromEntries(KEYS.flatMap((key) => (draft[key].trim() === "" ? [] : [[key, draft[key].trim()]])));

const UNITS: Partial<Record<keyof LocalRule, FieldUnits>> = { wind: unitsIn("speed"), airLeast: DEGREES, airMost: DEGREES };

/** The rules as they are typed, and of which state they were begun. */
interface Kept {
  readonly rules: readonly Draft[];
  readonly revision: number | undefined;
}

/** What places, and the firm itself, ask of the weather beside the labels: kept for all devices. */
export function LocalRules() {
  const firm = useSlice("firm", {}).value;
  const system = useSystem();
  const metric = system === "metric";
  const [kept, keep] = useKept<Kept>("draft:rules-of-places");
  const [issues, setIssues] = useState<readonly Issue[]>([]);
  const [saved, setSaved] = useState(false);
  const send = useSend();
  const readAgain = useReadAgain();
  if (!firm) return null;
  const revision = kept === undefined ? firm.rulesRevision : kept.revision;
  const drafts = kept?.rules ?? [...firm.rules.map((rule) => ({ ...BLANK, ...rule })), BLANK];
  const told = drafts.filter((rule) => !isBlank(rule));
  const change = (next: readonly Draft[]) => {
    setSaved(false);
    keep({ rules: next, revision });
  };
  const save = async () => {
    const result = await send("/api/settings/rules", {
      rules: told.map(ruleText),
      ...(revision !== undefined && { "x-revision": revision }),
    });
    setIssues(result.ok ? [] : result.issues);
    setSaved(result.ok);
    if (result.ok) keep(undefined);
    else if (result.issues.some((issue) => issue.code === "changed-meanwhile")) {
      // Once it was told, the newer ones are saved over knowingly.
      await readAgain();
      keep({ rules: drafts, revision: undefined });
    }
  };
  const errorOf = (rule: Draft, key: keyof LocalRule) => {
    const issue = issues.find(({ path }) => path === `rules[${told.indexOf(rule)}].${key}`);
    return issue && sentences([issue])[0];
  };
  const strange = issues.filter(({ path }) => !/^rules\[\d+\]\.\w+$/.test(path));
  return (
    <Box marginTop="14px">
      <Fold title="Local rules for the weather" begun={kept !== undefined}>
        <Column gap="14px">
          <Note>
            A county&apos;s wind, an ordinance&apos;s heat, the firm&apos;s own ceiling. Each holds beside the label and beside
            our {read(MOST_WIND, "speed", system, { figures: 2 })}, never instead of them, on the sites that name it under
            &ldquo;Whose local rules&rdquo;; without a place it holds everywhere.
          </Note>
          {drafts.map((rule, i) => (
            <RuleFields
              key={i}
              rule={rule}
              metric={metric}
              errorOf={(key) => errorOf(rule, key)}
              change={(next) => change(drafts.map((one, j) => (j === i ? { ...one, ...next } : one)))}
              onOut={isBlank(rule) ? undefined : () => change(drafts.filter((_, j) => j !== i))}
            />
          ))}
          {sentences(strange).map((words) => (
            <Notice key={words} state="stop">
              {words}
            </Notice>
          ))}
          <Row flexWrap="wrap" gap="8px">
            <Button onClick={() => void save()}>Save the rules</Button>
            <Button look="quiet" onClick={() => change([...drafts, BLANK])}>
              Another rule
            </Button>
            {saved && <span role="status">Saved.</span>}
          </Row>
        </Column>
      </Fold>
    </Box>
  );
}

interface RuleProps {
  readonly rule: Draft;
  readonly metric: boolean;
  readonly errorOf: (key: keyof LocalRule) => string | undefined;
  readonly change: (next: Partial<Draft>) => void;
  readonly onOut: (() => void) | undefined;
}

function RuleFields({ rule, metric, errorOf, change, onOut }: RuleProps) {
  const field = (key: keyof LocalRule, label: string, placeholder: string) => (
    <TextField
      label={label}
      of={rule.jurisdiction}
      placeholder={placeholder}
      value={rule[key]}
      error={errorOf(key)}
      quantity={UNITS[key]}
      onChange={(e) => change({ [key]: e.target.value })}
    />
  );
  return (
    <Box
      as="section"
      aria-label={`Rule ${rule.jurisdiction || "of everywhere"}`}
      borderLeft="2px solid"
      borderColor="line"
      paddingLeft="12px"
    >
      <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr 1fr", md: "1.4fr 1fr 1fr 1fr" }}>
        {field("jurisdiction", "Where, or blank for everywhere", "Quay County")}
        {field("wind", "Wind at most", metric ? "12 km/h" : "8 mph")}
        {field("airLeast", "Air at least", metric ? "10 C" : "50 F")}
        {field("airMost", "Air at most", metric ? "29 C" : "85 F")}
      </Box>
      <Row alignItems="flex-end" gap="10px" marginTop="8px">
        <Box flex="1">{field("source", "Where it is written", "Ordinance 12, section 4")}</Box>
        {onOut && (
          <Button look="quiet" aria-label={`Take the rule of ${rule.jurisdiction || "everywhere"} out`} onClick={onOut}>
            Take out
          </Button>
        )}
      </Row>
    </Box>
  );
}
