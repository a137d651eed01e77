"use client";

import type { System } from "@/core/working/units";
import { readKept, useKept } from "./kept-here";

/** What of the choices in hand is about units. */
interface Chosen {
  readonly system?: System;
}

/** The reader's units, for a part that needs no more of what is in hand. */
export function useSystem(): System {
  const [chosen] = useKept<Chosen>("in-hand");
  return chosen?.system ?? "us";
}

/** The reader's units at this moment: for words that are made when something happens. */
export const unitsInHand = (): System => readKept<Chosen>("in-hand")?.system ?? "us";
