import * as yup from "yup";
import { parseField, ratedFlow, raw, RIG_KINDS, type RigKind } from "@/core/contents";
import type { RigText } from "../job-file/types";
import { choiceField, nameField, quantityField, readForm, refuse, textField, written } from "./field";

const wholeNumber = (most: number, example: string) =>
  textField((value) => {
    if (value === "") return { code: "missing", received: "", expected: `"${example}"` };
    const fits = /^\d{1,6}$/.test(value) && Number(value) >= 1 && Number(value) <= most;
    return fits ? undefined : { code: "out-of-range", received: value, expected: `a whole number from 1 to ${most}` };
  });

const tankForm = yup.object({
  name: nameField("main"),
  usable: quantityField("usable"),
  leastMix: quantityField("leastMix", { optional: true }).test("under-usable", function (value) {
    const least = parseField("leastMix", value);
    const usable = parseField("usable", (this.parent as { usable?: string }).usable);
    if (!least.ok || !usable.ok || raw(least.value.value) <= raw(usable.value.value)) return true;
    const received = `more than the tank's usable ${usable.value.text}`;
    return refuse(this, { code: "contradiction", received, expected: "write the least that the pump can agitate" });
  }),
});

export const rigForm = yup.object({
  name: nameField("Blue backpack"),
  kind: choiceField(RIG_KINDS.filter((k) => k !== "hose-end")),
  outlets: wholeNumber(500, "1"),
  spacing: quantityField("spacing", { optional: true }),
  tipSize: textField((value) =>
    value === "" || ratedFlow(value)
      ? undefined
      : { code: "not-a-choice", received: value, expected: "a size in tenths of a gallon a minute, such as 025" },
  ),
  pressure: quantityField("pressure", { optional: true }),
  tanks: yup.array(tankForm).defined().min(1).max(4),
});
export type RigForm = yup.InferType<typeof rigForm>;

/** A rig as the form holds it → as a job file writes it. The form has been checked. */
export function rigText(form: RigForm): RigText & { name: string } {
  const spacing = form.kind === "boom" && form.spacing.trim() !== "" ? { spacing: written("spacing", form.spacing) } : {};
  const tip = {
    ...(form.tipSize.trim() !== "" && { size: form.tipSize.trim() }),
    ...(form.pressure.trim() !== "" && { pressure: written("pressure", form.pressure) }),
  };
  return {
    name: form.name.trim(),
    kind: form.kind as RigKind,
    tanks: form.tanks.map((t) => ({
      name: t.name.trim(),
      usable: written("usable", t.usable),
      ...(t.leastMix.trim() !== "" && { leastMix: written("leastMix", t.leastMix) }),
    })),
    outlets: { count: Number(form.outlets), ...spacing },
    ...(Object.keys(tip).length > 0 && { tip }),
  };
}

/** Reads a rig's form from outside. */
export const readRigForm = (input: unknown) => readForm(rigForm, input);
