"use client";

import type { Field } from "@/core/quantity/ranges";
import { readTyped as readFor } from "@/formats/typed";
import { unitsInHand } from "./units";

/** What was typed on a screen: a bare number has the reader's unit, also before the field is left. */
export const readTyped = <F extends Field>(field: F, typed: string, { zero = false } = {}) =>
  readFor(field, typed, { zero, system: unitsInHand() });
