"use client";

import { useMemo } from "react";
import { useCurrency, useLabels, useSites, useSlice } from "../data/records";
import type { MixRecords } from "./draft";

/** The records of a mix: the shelf, the sites that it is for, and what counts against their zones. */
export function useMixRecords(siteIds: readonly string[]): MixRecords {
  const labels = useLabels();
  const ids = [...new Set(siteIds.filter((id) => id !== ""))].sort();
  const { sites } = useSites(ids);
  const counted = useSlice("counted", ids.length > 0 ? { sites: ids } : null).value;
  const currency = useCurrency();
  return useMemo(() => ({ labels, sites, counted, currency }), [labels, sites, counted, currency]);
}
