"use client";

import { Box, chakra, VisuallyHidden } from "@chakra-ui/react";
import { useCallback, useId, useRef, useState, type ChangeEvent, type ComponentProps, type ReactNode } from "react";
import { unitText } from "@/core/quantity/format";
import { exampleFor, unitsIn, type Field as Quantified } from "@/core/quantity/ranges";
import { meantIn, type FieldUnits } from "@/core/quantity/typed";
import { capital } from "@/core/words/capital";
import { useSystem } from "../data/units";
import { Input } from "./controls";

interface FieldProps {
  readonly label: string;
  /** What the label is of, for who can't see what it stands under: "Rate", of Osselgrain. */
  readonly of?: string | undefined;
  readonly error?: string | undefined;
  /** What helps before anything is typed: an example, the unit that a bare number has. */
  readonly hint?: string;
  readonly children: (props: { id: string; "aria-invalid": boolean; "aria-describedby": string | undefined }) => ReactNode;
}

/** A labelled control with its error below it, in words. Nothing typed is ever changed here. */
export function Field({ label, of, error, hint, children }: FieldProps) {
  const id = useId();
  const about = error ? `${id}-error` : hint ? `${id}-hint` : undefined;
  return (
    <Box minW={0}>
      <chakra.label htmlFor={id} display="block" textStyle="label" marginBottom="4px">
        {label}
        {of !== undefined && <VisuallyHidden> of {of}</VisuallyHidden>}
      </chakra.label>
      {children({ id, "aria-invalid": error !== undefined, "aria-describedby": about })}
      {error ? (
        <Box id={`${id}-error`} role="alert" color="stop" fontSize=".9375rem" fontWeight="700" marginTop="4px">
          ✕ {capital(error)}
        </Box>
      ) : (
        hint && (
          <Box id={`${id}-hint`} color="soft" textStyle="small" marginTop="4px">
            {hint}
          </Box>
        )
      )}
    </Box>
  );
}

type TextFieldProps = Omit<FieldProps, "children"> &
  ComponentProps<typeof Input> & {
    /**
     * What is typed: the field, or the units that it shows. What is told of each key is the text with its unit; the box has it
     * too as soon as the field is left. Example and hint are in the reader's units.
     */
    readonly quantity?: Quantified | FieldUnits | undefined;
  };

/** A field of one line. */
export function TextField({ label, of, error, hint, placeholder, quantity, ...input }: TextFieldProps) {
  const example = useExample(quantity, placeholder);
  return (
    <Field label={label} of={of} error={error} {...(hint !== undefined && { hint })}>
      {(props) =>
        quantity === undefined ? (
          <Input autoComplete="off" placeholder={example && `e.g. ${example}`} {...input} {...props} />
        ) : (
          <QuantityInput quantity={quantity} placeholder={example && `e.g. ${example}`} {...input} {...props} />
        )
      }
    </Field>
  );
}

const unitsShown = (quantity: Quantified | FieldUnits): FieldUnits =>
  typeof quantity === "string" ? unitsIn(quantity) : quantity;

function useExample(quantity: Quantified | FieldUnits | undefined, example: string | undefined): string | undefined {
  const system = useSystem();
  return typeof quantity === "string" && example !== undefined ? exampleFor(quantity, example, system) : example;
}

/** Told of a key in place of the browser's own event: the box goes on showing what was typed. */
const told = (field: HTMLInputElement, value: string) =>
  ({
    target: { name: field.name, value },
    currentTarget: { name: field.name, value },
    type: "change",
  }) as unknown as ChangeEvent<HTMLInputElement>;

type QuantityInputProps = ComponentProps<typeof Input> & {
  readonly quantity: Quantified | FieldUnits;
  /** A box too narrow for a unit in it: what stands beside it says which. */
  readonly tight?: boolean;
};

/**
 * The box of a quantity, the one control for it: a value with its unit in sight, which is changed by typing another. A number gets its unit
 * at the key that typed it, in the units that hold at that key.
 */
export function QuantityInput({
  quantity,
  tight = false,
  value,
  placeholder,
  onChange,
  onBlur,
  onKeyDown,
  ref,
  "aria-describedby": described,
  ...input
}: QuantityInputProps) {
  const system = useSystem();
  const units = unitsShown(quantity);
  const [typing, setTyping] = useState<{ readonly shown: string; readonly meant: string }>();
  const box = useRef<HTMLInputElement>(null);
  const both = useCallback(
    (element: HTMLInputElement | null) => {
      box.current = element;
      if (typeof ref === "function") return ref(element) as void;
      if (ref) ref.current = element;
    },
    [ref],
  );
  const held = typing && (value === undefined || value === typing.meant) ? typing : undefined;
  /** Shows the text with its unit, as it is held. */
  const finish = (field: HTMLInputElement) => {
    if (!typing) return;
    setTyping(undefined);
    // Not where something was put in its place meanwhile.
    if (value === undefined && field.value === typing.shown) field.value = typing.meant;
  };
  const unitId = useId();
  const unit = units[system];
  // What the text gets by itself: the unit, or the area that an amount is for.
  const added = held && !tight ? addedTo(held) : undefined;
  return (
    <Box position="relative" css={IN_SIGHT}>
      <Input
        autoComplete="off"
        {...input}
        aria-describedby={[described, unit !== "" && unitId].filter(Boolean).join(" ") || undefined}
        // So that a style can tell an empty box.
        placeholder={placeholder ?? " "}
        ref={both}
        {...(value !== undefined && { value: held ? held.shown : value })}
        {...(added && { paddingRight: `min(${added.length + 3}ch, 45%)` })}
        onChange={(event) => {
          const text = event.currentTarget.value;
          const meant = meantIn(units, text, system);
          setTyping({ shown: text, meant });
          onChange?.(told(event.currentTarget, meant));
        }}
        onBlur={(event) => {
          finish(event.currentTarget);
          onBlur?.(event);
        }}
        onKeyDown={(event) => {
          if (event.key === "Enter") finish(event.currentTarget);
          onKeyDown?.(event);
        }}
      />
      {unit !== "" && (
        <>
          {!tight && (
            <Box aria-hidden data-typing={added !== undefined || undefined}>
              {unitText(added ?? unit)}
            </Box>
          )}
          <VisuallyHidden id={unitId}>{unitText(unit)} if no unit</VisuallyHidden>
        </>
      )}
    </Box>
  );
}

/** The unit stands in an empty box, and beside a number that has none yet. */
const IN_SIGHT = {
  "& > [aria-hidden]": {
    display: "none",
    position: "absolute",
    right: "12px",
    top: 0,
    height: "100%",
    alignItems: "center",
    color: "soft",
    fontFamily: "reading",
    fontSize: ".9375rem",
    pointerEvents: "none",
  },
  "& > input:placeholder-shown + [aria-hidden], & > [data-typing]": { display: "flex" },
} as const;

const addedTo = ({ shown, meant }: { readonly shown: string; readonly meant: string }): string | undefined => {
  const text = shown.trim();
  if (meant === shown || text === "") return undefined;
  return meant.startsWith(text) ? meant.slice(text.length).trim() : meant.replace(/^\S+ /, "");
};
