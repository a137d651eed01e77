import * as yup from "yup";
import { FORMS, parsePackage, type Form } from "@/core/contents";
import type { ProductText } from "../job-file/types";
import { readRate } from "./rate";
import { choiceField, nameField, readForm, refuse, textField } from "./field";

const formOf = (context: yup.TestContext): Form => ((context.parent as { form?: string }).form === "liquid" ? "liquid" : "dry");
/** Reads a package as typed, for a form: a bare number is in ounces of the form's own kind. */
const readPackage = (typed: string, form: Form) =>
  parsePackage(typed, form, { dialect: "screen", bare: form === "dry" ? "oz" : "fl oz" });

export const labelForm = yup.object({
  name: nameField("Demo granule"),
  form: choiceField(FORMS),
  formulation: textField((value) =>
    /^[A-Za-z]{0,12}$/.test(value)
      ? undefined
      : { code: "not-a-choice", received: value, expected: "a formulation's letters, such as WG or SC" },
  ),
  rate: yup
    .string()
    .defined()
    .test("rate", function (value) {
      const read = readRate(value ?? "", formOf(this));
      return read.ok || refuse(this, read.issues[0]!);
    }),
  priceAmount: textField((value) => {
    if (value === "") return undefined;
    const fits = /^\d{1,7}(\.\d{1,2})?$/.test(value) && Number(value) > 0;
    return fits ? undefined : { code: "out-of-range", received: value, expected: "a price above zero such as 64.50" };
  }).test("both", function (value) {
    const other = ((this.parent as { pricePer?: string }).pricePer ?? "").trim();
    if ((value ?? "").trim() !== "" || other === "") return true;
    return refuse(this, { code: "missing", received: "", expected: `"64.50", or leave the package out too` });
  }),
  pricePer: yup
    .string()
    .defined()
    .test("package", function (value) {
      const typed = (value ?? "").trim();
      const priced = ((this.parent as { priceAmount?: string }).priceAmount ?? "").trim() !== "";
      if (typed === "" && !priced) return true;
      const read = readPackage(typed, formOf(this));
      return read.ok || refuse(this, read.issues[0]!);
    }),
});
export type LabelForm = yup.InferType<typeof labelForm>;

/** A label as the form holds it → as a job file writes it. The form has been checked. */
export function productText(form: LabelForm): ProductText {
  const kind = form.form as Form;
  const rate = readRate(form.rate, kind);
  if (!rate.ok) throw new Error("unchecked rate");
  const per = readPackage(form.pricePer, kind);
  return {
    name: form.name.trim(),
    form: kind,
    ...(form.formulation.trim() !== "" && { formulation: form.formulation.trim().toUpperCase() }),
    rate: rate.value.text,
    ...(form.priceAmount.trim() !== "" &&
      per.ok && { price: { amount: Number(form.priceAmount), currency: "USD", per: per.value.text } }),
  };
}

export const readLabelForm = (input: unknown) => readForm(labelForm, input);
