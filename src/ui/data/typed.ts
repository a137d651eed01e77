"use client";

import { withUnit, type Field, type KindOfField } from "@/core/quantity/ranges";
import { given, type Source } from "@/core/working/rule";
import { readTyped as readText } from "@/formats/typed";
import { unitsInHand } from "./units";

/**
 * What was typed as it is meant. A metric reader's bare number gets its unit when its field is left, so while it is being typed
 * it is read with that unit already. A bare number anywhere else was typed by a reader of our units, and stays one when the
 * units are switched: as the server reads it.
 */
export function asMeant(field: Field, typed: string): string {
  const full = withUnit(field, typed, unitsInHand());
  const at = document.activeElement;
  const typing = at instanceof HTMLInputElement && (at.value === typed || at.value === full);
  return typing ? full : typed;
}

/** What was typed on a screen into a field, as a value; or what is wrong with it. */
export const readTyped = <F extends Field>(field: F, typed: string, options: { readonly zero?: boolean } = {}) =>
  readText(field, asMeant(field, typed), options);

/** What was typed, a bare number with a unit: of what has no field of the catalogue, as degrees have none. */
export const withBare = (typed: string, unit: string): string => {
  const text = typed.trim();
  return /^-?\d+(\.\d+)?$/.test(text) ? `${text} ${unit}` : text;
};

/** What was typed into a field, as what a rule works with; undefined where nothing is, or nothing that can be read. */
export function givenTyped<F extends Field>(field: F, typed: string, name: string): Source<KindOfField<F>> | undefined {
  const read = typed.trim() === "" ? undefined : readTyped(field, typed);
  return read?.ok ? given(read.value, name) : undefined;
}
