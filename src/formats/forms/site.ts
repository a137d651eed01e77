import * as yup from "yup";
import { isDate } from "@/core/calendar";
import type { SiteText } from "../job-file/types";
import { nameField, quantityField, readForm, refuse, written } from "./field";

/** A text that may be left out. */
const maybe = (most: number) =>
  yup.string().test("maybe", function (value) {
    const length = (value ?? "").trim().length;
    return length <= most || refuse(this, { code: "too-long", received: String(length), expected: String(most) });
  });

/** A date that may be left out. */
const maybeDate = () =>
  yup.string().test("date", function (value) {
    const date = (value ?? "").trim();
    return date === "" || isDate(date) || refuse(this, { code: "bad-date", received: date, expected: `"2026-04-14"` });
  });

export const siteForm = yup.object({
  name: nameField("Ferry green"),
  jurisdiction: maybe(60),
  water: yup.boolean(),
  zones: yup
    .array(
      yup.object({
        /** Its id on record; a new zone has none yet. */
        id: maybe(80),
        name: nameField("north lawn"),
        area: quantityField("zoneArea"),
        turf: maybe(60),
        seeded: maybeDate(),
        sodded: maybeDate(),
        seeding: maybeDate(),
        sodding: maybeDate(),
        /** Of a new zone: the id of the one that it is the same ground as, or "new". */
        ground: maybe(90),
      }),
    )
    .defined()
    .min(1)
    .max(60),
});
export type SiteForm = yup.InferType<typeof siteForm>;

/** A site as the form holds it → as a job file writes it. The form has been checked. */
export function siteText(form: SiteForm): SiteText {
  const given = <K extends string>(key: K, text: string | undefined) =>
    (text ?? "").trim() === "" ? {} : ({ [key]: text!.trim() } as Record<K, string>);
  return {
    name: form.name.trim(),
    ...given("x-jurisdiction", form.jurisdiction),
    ...(form.water === true && { "x-water": true }),
    zones: form.zones.map((z) => ({
      name: z.name.trim(),
      area: written("zoneArea", z.area),
      ...given("x-id", z.id),
      ...given("x-turf", z.turf),
      ...given("x-seeded", z.seeded),
      ...given("x-sodded", z.sodded),
      ...given("x-seeding", z.seeding),
      ...given("x-sodding", z.sodding),
      ...given("x-ground", z.ground),
    })),
  };
}

export const readSiteForm = (input: unknown) => readForm(siteForm, input);
