"use client";

import { Box } from "@chakra-ui/react";
import { unitsIn } from "@/core/quantity/ranges";
import { DEGREES, type FieldUnits } from "@/core/quantity/typed";
import { isToldFact, EXPECTED, type FactsText, type ToldFact } from "@/formats/facts";
import { useSystem } from "../data/units";
import { TextField } from "../parts/field";

export type Told = Partial<Pick<FactsText, ToldFact>>;

interface FactProps {
  readonly told: Told;
  readonly set: (next: Told) => void;
  readonly errorOf?: (path: string) => string | undefined;
  /** What is asked for elsewhere. */
  readonly without?: ToldFact;
}

const FIELDS: readonly (readonly [ToldFact, string, string?])[] = [
  ["started", "Began"],
  ["ended", "Ended"],
  ["wind", "Wind"],
  ["windFrom", "Wind from", "SW"],
  ["air", "Air"],
  ["sky", "Sky", "sunny, no dew"],
  ["target", "Against", "crabgrass"],
  ["stage", "Its stage", "2 to 3 leaves"],
  ["mixedBy", "Mixed by", "if somebody else did"],
  ["lot", "Lot number"],
  ["watering", "Watering in", "client, tonight"],
  ["reentry", "Stay off until", "dry; sign posted"],
  ["leftover", "Leftover went"],
];

const UNITS: Partial<Record<ToldFact, FieldUnits>> = { wind: unitsIn("speed"), air: DEGREES };

/** What a record may need beside what went down: when, against what, in which weather. */
export function FactFields({ told, set, errorOf, without }: FactProps) {
  const metric = useSystem() === "metric";
  const examples: Partial<Record<ToldFact, string>> = {
    wind: metric ? "6 km/h" : "4 mph",
    air: metric ? "20 °C" : "68 °F",
    leftover: `onto the banks, ${metric ? "45 m²" : "500 sq ft"}`,
  };
  return (
    <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr 1fr" }} paddingTop="8px">
      {FIELDS.filter(([key]) => key !== without).map(([key, label, example]) => {
        const value = told[key] ?? "";
        const wrong = value.trim() !== "" && !isToldFact(key, value);
        return (
          <TextField
            key={key}
            label={label}
            quantity={UNITS[key]}
            {...((key === "started" || key === "ended") && { type: "time" })}
            placeholder={examples[key] ?? example}
            maxLength={200}
            value={value}
            error={errorOf?.(`facts.${key}`) ?? (wrong ? `write e.g. ${examples[key] ?? EXPECTED[key]}` : undefined)}
            onChange={(e) => set({ ...told, [key]: e.target.value })}
          />
        );
      })}
    </Box>
  );
}

/** What was typed, without what is empty. */
export const factsOf = (told: Told): Told =>
  Object.fromEntries(Object.entries(told).flatMap(([key, text]) => (text.trim() === "" ? [] : [[key, text.trim()]])));
