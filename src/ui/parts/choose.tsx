"use client";

import { chakra } from "@chakra-ui/react";
import type { ComponentProps, ReactNode } from "react";
import { Select } from "./controls";
import { Field } from "./field";

/** What may be chosen: its value, and the words for it. */
export type Option<T extends string = string> = readonly [T, string];

interface ChooseProps<T extends string> extends Omit<ComponentProps<typeof Field>, "children"> {
  readonly value: T;
  readonly options: readonly Option<T>[];
  readonly onPick: (value: T) => void;
}

/** One of a list, labelled. */
export function Choose<T extends string>({ value, options, onPick, ...field }: ChooseProps<T>) {
  return (
    <Field {...field}>
      {(props) => (
        <Select {...props} value={value} onChange={(event) => onPick(event.target.value as T)}>
          {options.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

const Line = chakra("label", {
  base: { display: "flex", alignItems: "center", gap: "10px", minHeight: "44px", cursor: "pointer" },
  variants: { gloves: { true: { minHeight: "56px" } } },
});

const Mark = chakra("input", {
  base: { width: "22px", height: "22px", flex: "none", accentColor: "var(--cg-colors-ink)" },
  variants: { gloves: { true: { width: "28px", height: "28px" } } },
});

interface CheckProps extends Omit<ComponentProps<typeof Mark>, "type" | "children"> {
  /** For a thumb in a glove. */
  readonly gloves?: boolean;
  readonly children: ReactNode;
}

/** A box to tick, with what it says beside it; all of it takes the press. */
export function Check({ gloves = false, children, ...input }: CheckProps) {
  return (
    <Line gloves={gloves}>
      <Mark type="checkbox" gloves={gloves} {...input} />
      {children}
    </Line>
  );
}

interface OneOfProps<T extends string> {
  readonly name: string;
  readonly value: T;
  readonly options: readonly Option<T>[];
  readonly onPick: (value: T) => void;
}

/** One of a few, all of them in sight. */
export function OneOf<T extends string>({ name, value, options, onPick }: OneOfProps<T>) {
  return options.map(([key, words]) => (
    <Line key={key}>
      <Mark type="radio" name={name} checked={value === key} onChange={() => onPick(key)} />
      {words}
    </Line>
  ));
}
