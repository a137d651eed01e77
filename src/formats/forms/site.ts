import * as yup from "yup";
import type { SiteText } from "../job-file/types";
import { nameField, quantityField, readForm, written } from "./field";

export const siteForm = yup.object({
  name: nameField("Ferry green"),
  zones: yup
    .array(yup.object({ name: nameField("north lawn"), area: quantityField("zoneArea") }))
    .defined()
    .min(1)
    .max(60),
});
export type SiteForm = yup.InferType<typeof siteForm>;

/** A site as the form holds it → as a job file writes it. The form has been checked. */
export function siteText(form: SiteForm): SiteText {
  return { name: form.name.trim(), zones: form.zones.map((z) => ({ name: z.name.trim(), area: written("zoneArea", z.area) })) };
}

export const readSiteForm = (input: unknown) => readForm(siteForm, input);
