import { good, type Result } from "@/core/issue";
import type { Form, LabelRate, RateKind } from "@/core/labels/label-rate";
import { parseRate } from "@/core/labels/rate";
import { withinField, type Field } from "@/core/quantity/ranges";

const RATE_FIELD: Record<RateKind, Field> = {
  rateByWeight: "weightRate",
  rateByVolume: "volumeRate",
  strengthByWeight: "weightStrength",
  strengthByVolume: "volumeStrength",
};

/** The unit that a bare rate has: what most turf labels are written in. */
export const RATE_BARE: Record<Form, string> = { dry: "oz/1000 ft2", liquid: "fl oz/1000 ft2" };

/** Reads a rate as typed, for a form, in range: the entered rate, or the fault. */
export function readRate(typed: string, form: Form, path = "rate") {
  const read = parseRate(typed, form, { path, dialect: "screen", bare: RATE_BARE[form] });
  if (!read.ok) return read;
  return withinRate(read.value, path);
}

/** Whether a rate is possible at all; otherwise the issue that says which range is. */
export function withinRate(rate: LabelRate, path: string): Result<LabelRate> {
  const ranged = withinField(RATE_FIELD[rate.kind], rate as never, path);
  return ranged.ok ? good(rate) : ranged;
}
