"use client";

import { Box, chakra, VisuallyHidden } from "@chakra-ui/react";
import { useEffect, useId, useRef, type ComponentProps, type ReactNode, type ChangeEvent } from "react";
import { unitText } from "@/core/quantity/format";
import { bareUnit, exampleFor, withUnit, type Field as Quantified } from "@/core/quantity/ranges";
import { capital } from "@/core/words/capital";
import { useSystem } from "../data/units";
import { Input } from "./controls";
import { typingIn } from "./finish";

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
        <Box id={`${id}-error`} role="alert" color="stop" fontSize="15px" fontWeight="700" marginTop="4px">
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
     * What is typed: whose unit a bare number has, written out for a metric reader as soon as the field is left; example and
     * hint are in the reader's units.
     */
    readonly quantity?: Quantified;
  };

/** A field of one line. */
export function TextField({ label, of, error, hint, placeholder, quantity, ...input }: TextFieldProps) {
  const system = useSystem();
  /** Writes the unit of a bare number out: a form keeps and sends the text. */
  const finish = (field: HTMLInputElement) => {
    const full = quantity ? withUnit(quantity, field.value, system) : field.value;
    if (full === field.value) return;
    field.value = full;
    input.onChange?.({ target: field, currentTarget: field, type: "change" } as ChangeEvent<HTMLInputElement>);
  };
  // A press comes after later renders than the one at which the field was entered.
  const latest = useRef(finish);
  useEffect(() => {
    latest.current = finish;
  });
  const example = placeholder && quantity ? exampleFor(quantity, placeholder, system) : placeholder;
  const unit = quantity && unitText(bareUnit(quantity, system));
  const said = hint ?? (unit ? `${unit} if no unit` : undefined);
  return (
    <Field label={label} of={of} error={error} {...(said !== undefined && { hint: said })}>
      {(props) => (
        <Input
          autoComplete="off"
          placeholder={example && `e.g. ${example}`}
          {...input}
          {...props}
          onFocus={(event) => {
            const field = event.currentTarget;
            typingIn(() => latest.current(field));
            input.onFocus?.(event);
          }}
          onBlur={(event) => {
            typingIn(undefined);
            finish(event.currentTarget);
            input.onBlur?.(event);
          }}
          onKeyDown={(event) => {
            if (event.key === "Enter") finish(event.currentTarget);
            input.onKeyDown?.(event);
          }}
        />
      )}
    </Field>
  );
}
