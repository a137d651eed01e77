import * as yup from "yup";
import { entered } from "@/core/quantity/parse";
import type { Field } from "@/core/quantity/ranges";
import { measuredFor } from "../area/measured";
import type { MeasuredText } from "../area/types";
import { WATERS, type SiteText, type WaterSourceText, type Waters } from "../job-file/types";
import { GROUNDS, type Ground } from "@/core/calibration/evidence";
import {
  maybeChoice,
  maybeDate,
  maybePlace,
  maybeQuantity,
  maybeText,
  nameField,
  quantityField,
  readForm,
  written,
} from "./field";

export const siteForm = yup.object({
  name: nameField("Ferry green"),
  jurisdiction: maybeText(60),
  water: yup.boolean(),
  minding: maybeText(200),
  access: maybeText(200),
  notes: maybeText(600),
  waters: maybeChoice(WATERS),
  tapFlow: maybeQuantity("tapFlow"),
  gate: maybePlace(),
  tap: maybePlace(),
  zones: yup
    .array(
      yup.object({
        /** Its id on record; a new zone has none yet. */
        id: maybeText(80),
        name: nameField("north lawn"),
        area: quantityField("zoneArea"),
        turf: maybeText(60),
        seeded: maybeDate(),
        sodded: maybeDate(),
        seeding: maybeDate(),
        sodding: maybeDate(),
        /** Of a new zone: the ids of those that it is the same ground as, with a comma between; or "new". */
        ground: maybeText(600),
        irrigation: maybeQuantity("irrigation"),
        lies: maybeChoice(GROUNDS),
        height: maybeQuantity("mowing"),
        mowed: maybeDate(),
        /** How the area was measured, as JSON; counted only as long as the area is what it comes to. */
        measured: maybeText(60_000),
      }),
    )
    .defined()
    .min(1)
    .max(60),
});
export type SiteForm = yup.InferType<typeof siteForm>;

/** A site as the form holds it → as a job file writes it. The form has been checked. */
export function siteText(form: SiteForm): SiteText {
  const given = <K extends string, T extends string = string>(key: K, text: string | undefined) =>
    (text ?? "").trim() === "" ? {} : ({ [key]: text!.trim() } as Record<K, T>);
  const quantity = <K extends string>(key: K, field: Field, text: string | undefined) =>
    (text ?? "").trim() === "" ? {} : ({ [key]: written(field, text!) } as Record<K, string>);
  const tap: WaterSourceText = {
    ...(form.water === true && { fill: true }),
    ...quantity("flow", "tapFlow", form.tapFlow),
    ...given("position", form.tap),
  };
  return {
    name: form.name.trim(),
    ...given("jurisdiction", form.jurisdiction),
    ...given("precautions", form.minding),
    ...given("access", form.access),
    ...given("notes", form.notes),
    ...given<"irrigatedBy", Waters>("irrigatedBy", form.waters),
    ...given("entrance", form.gate),
    ...(Object.keys(tap).length > 0 && { waterSource: tap }),
    zones: form.zones.map((z) => ({
      name: z.name.trim(),
      area: written("zoneArea", z.area),
      ...given("id", z.id),
      ...given("turf", z.turf),
      ...given("seededOn", z.seeded),
      ...given("soddedOn", z.sodded),
      ...given("seedingOn", z.seeding),
      ...given("soddingOn", z.sodding),
      ...given("continues", z.ground),
      ...quantity("irrigationRate", "irrigation", z.irrigation),
      ...given<"footing", Ground>("footing", z.lies),
      ...quantity("mowingHeight", "mowing", z.height),
      ...given("mowedOn", z.mowed),
      ...measuredOf(z),
    })),
  };
}

/** How the area was measured, where the area is what that comes to: who types another one has another. */
function measuredOf({ measured, area }: SiteForm["zones"][number]): { readonly measurement?: MeasuredText } {
  const told = measuredFor(entered(written("zoneArea", area), "area").value, parsed(measured ?? ""));
  return told ? { measurement: told } : {};
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

export const readSiteForm = (input: unknown) => readForm(siteForm, input);
