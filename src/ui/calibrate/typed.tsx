"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import { understood, type Field as FieldName } from "@/core/quantity/ranges";
import { readTyped } from "@/formats/typed";
import type { System } from "@/core/working/units";
import { useSystem } from "../data/units";
import { TextField } from "../parts/field";

interface TypedProps {
  readonly label: string;
  readonly field: FieldName;
  readonly value: string;
  readonly onChange: (typed: string) => void;
  readonly optional?: boolean;
  readonly placeholder?: string;
  readonly choices?: readonly string[];
  readonly hint?: string;
  readonly zero?: boolean;
}

/** A speed is seldom known, seconds over a course are soon walked. */
const BY_COURSE: Record<System, string> = { us: "or 100 ft in 23 s", metric: "or 30 m in 21 s" };

/** A field of the run sheet: whatever is typed is kept; what is wrong with it is said once it is left. */
export function Typed({ label, field, value, onChange, optional = false, placeholder, choices, hint, zero = false }: TypedProps) {
  const [left, setLeft] = useState(value !== "");
  const system = useSystem();
  const read = value.trim() === "" ? undefined : readTyped(field, value, { zero });
  const error = left && read && !read.ok ? wordsFor(read.issues[0]!, system) : undefined;
  const list = choices && `choices-${field}`;
  const meant = error ? undefined : understood(field, value);
  return (
    <Box>
      <TextField
        label={label}
        value={value}
        error={error}
        hint={
          meant
            ? `understood as ${meant}`
            : (hint ?? (field === "speed" ? BY_COURSE[system] : optional ? "may stay empty" : undefined))
        }
        placeholder={placeholder}
        list={list}
        onChange={(e) => onChange(e.target.value)}
        quantity={field}
        onBlur={() => setLeft(true)}
      />
      {choices && (
        <datalist id={list}>
          {choices.map((choice) => (
            <option key={choice} value={choice} />
          ))}
        </datalist>
      )}
    </Box>
  );
}
