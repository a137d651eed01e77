import type { Practised } from "@/core/calibration/uncertainty";

/** Practice as a calibration stands on it: how one walk scatters. */
export interface PractisedText {
  /** A standard deviation of one walk, "2.1 %". */
  readonly scatter: string;
  readonly freedom: number;
  /** ISO date of the last of it. */
  readonly until: string;
}

/** Practice that a calibration was written with → what its ± is worked out with; nothing where it can't be read. */
export function readPractised(value: unknown): Practised | undefined {
  const { scatter, freedom } = (value ?? {}) as Partial<Record<keyof PractisedText, unknown>>;
  const part = typeof scatter === "string" ? /^(\d{1,2}(?:\.\d+)?) %$/.exec(scatter) : null;
  if (!part || typeof freedom !== "number" || !Number.isInteger(freedom) || freedom < 1 || freedom > 1000) return undefined;
  return { variance: (Number(part[1]) / 100) ** 2, freedom };
}
