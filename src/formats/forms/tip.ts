import * as yup from "yup";
import { DROPLETS, ratedFlow, type Droplet } from "@/core/calibration/tips";
import { parseField } from "@/core/quantity/ranges";
import { canonical } from "@/core/quantity/arithmetic";
import type { TipText } from "../rig-setup";
import { choiceField, nameField, quantityField, readForm, refuse, textField, written } from "./field";

export const NO_DROPLET = "";

/** The size of a tip, or nothing. */
export const sizeField = ({ optional = false } = {}) =>
  textField((value) => {
    if ((optional && value === "") || ratedFlow(value)) return undefined;
    return { code: "not-a-choice", received: value, expected: "a size in tenths of a gallon a minute, such as 025" };
  });

const row = yup.object({
  pressure: quantityField("pressure").test("once", function (value) {
    const rows = (this.from?.[1]?.value as { rows?: { pressure: string }[] } | undefined)?.rows ?? [];
    const pascals = (typed: string) => {
      const read = parseField("pressure", typed);
      return read.ok ? canonical(read.value.value) : undefined;
    };
    const mine = pascals(value ?? "");
    if (mine === undefined || rows.filter((other) => pascals(other.pressure) === mine).length < 2) return true;
    return refuse(this, { code: "duplicate-name", received: value ?? "", expected: "line its pressure" });
  }),
  flow: quantityField("tipFlow"),
  droplet: choiceField([NO_DROPLET, ...DROPLETS]),
});

export const tipForm = yup.object({
  name: nameField("Fan 110, size 03"),
  size: sizeField(),
  angle: textField((value) =>
    value === "" || (/^\d{1,3}$/.test(value) && Number(value) >= 1 && Number(value) <= 360)
      ? undefined
      : { code: "out-of-range", received: value, expected: "degrees from 1 to 360" },
  ),
  rows: yup.array(row).defined().min(1).max(30),
});
export type TipForm = yup.InferType<typeof tipForm>;

/** A tip as the form holds it → as it is kept. The form has been checked. */
export function tipText(form: TipForm): TipText {
  return {
    name: form.name.trim(),
    size: form.size.trim(),
    ...(form.angle.trim() !== "" && { angle: Number(form.angle) }),
    rows: form.rows.map((r) => ({
      pressure: written("pressure", r.pressure),
      flow: written("tipFlow", r.flow),
      ...(r.droplet !== NO_DROPLET && { droplet: r.droplet as Droplet }),
    })),
  };
}

export const readTipForm = (input: unknown) => readForm(tipForm, input);
