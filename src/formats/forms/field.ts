import * as yup from "yup";
import { wordsFor, type Issue, type Result } from "@/core/issue";
import { isDate } from "@/core/calendar";
import { foldedName } from "@/core/names";
import { parseField, type Field } from "@/core/quantity/ranges";
import { placeOf } from "../area/place";
import type { System } from "@/core/working/units";

/** Building blocks of the forms: the words are core's, the ranges are core's, Yup carries them to the field. */

/** What a form knows of who fills it in. */
export interface FormContext {
  readonly system: System;
}

/** An issue as Yup carries it to the field: its words as the message, itself as a parameter. */
export const refuse = (context: yup.TestContext, issue: Omit<Issue, "path">) =>
  context.createError({
    message: wordsFor({ path: "", ...issue }, (context.options.context as FormContext | undefined)?.system),
    params: { issue: { ...issue, path: context.path } },
  });

/** A quantity as typed, in its field's kind and range. Empty passes where it is optional. */
export const quantityField = (field: Field, { optional = false } = {}) =>
  yup
    .string()
    .defined()
    .test("quantity", function (value) {
      if (optional && (value ?? "").trim() === "") return true;
      const read = parseField(field, value);
      return read.ok || refuse(this, read.issues[0]!);
    });

/** A name that a person gives: some text, not too long for a strip or a tag. */
export const nameField = (example: string) =>
  yup
    .string()
    .defined()
    .test("name", function (value) {
      const name = (value ?? "").trim();
      if (foldedName(name) === "") return refuse(this, { code: "missing", received: "", expected: `"${example}"` });
      return name.length <= 60 || refuse(this, { code: "too-long", received: String(name.length), expected: "60" });
    });

/** A text that may be left out. */
export const maybeText = (most: number) =>
  yup.string().test("maybe", function (value) {
    const length = (value ?? "").trim().length;
    return length <= most || refuse(this, { code: "too-long", received: String(length), expected: String(most) });
  });

/** A quantity that may be left out, also by a form that doesn't know of it. */
export const maybeQuantity = (field: Field) =>
  yup.string().test("quantity", function (value) {
    if ((value ?? "").trim() === "") return true;
    const read = parseField(field, value);
    return read.ok || refuse(this, read.issues[0]!);
  });

/** A date that may be left out. */
export const maybeDate = () =>
  yup.string().test("date", function (value) {
    const date = (value ?? "").trim();
    return date === "" || isDate(date) || refuse(this, { code: "bad-date", received: date, expected: `"2026-04-14"` });
  });

/** One of some words, or none, also by a form that doesn't know of it. */
export const maybeChoice = (choices: readonly string[]) =>
  yup.string().test("choice", function (value) {
    const one = (value ?? "").trim();
    return (
      one === "" || choices.includes(one) || refuse(this, { code: "not-a-choice", received: one, expected: choices.join(", ") })
    );
  });

/** A place on the earth that may be left out. */
export const maybePlace = () =>
  yup.string().test("place", function (value) {
    const text = (value ?? "").trim();
    const expected = `"41.88321, -87.61231": latitude, longitude`;
    return text === "" || placeOf(text) !== undefined || refuse(this, { code: "wrong-type", received: `"${text}"`, expected });
  });

export const choiceField = (choices: readonly string[]) =>
  yup
    .string()
    .defined()
    .test("choice", function (value) {
      return (
        choices.includes(value ?? "") ||
        refuse(this, { code: "not-a-choice", received: value ?? "", expected: choices.join(", ") })
      );
    });

/** Any other test of one text, told by an issue. */
export const textField = (judge: (value: string) => Omit<Issue, "path"> | undefined) =>
  yup
    .string()
    .defined()
    .test("text", function (value) {
      const issue = judge((value ?? "").trim());
      return issue === undefined || refuse(this, issue);
    });

/** Lists that are longer than their form allows: told before any of their elements is looked at. */
function tooMany(schema: yup.SchemaFieldDescription, value: unknown, path: string): Issue[] {
  if (schema.type === "array" && Array.isArray(value)) {
    const { tests, innerType } = schema as yup.SchemaInnerTypeDescription;
    const most = tests.find((test) => test.name === "max")?.params?.max as number | undefined;
    if (most !== undefined && value.length > most)
      return [{ path, code: "too-many", received: `${value.length} of them`, expected: String(most) }];
    return value.flatMap((one, i) => tooMany(innerType as yup.SchemaFieldDescription, one, `${path}[${i}]`));
  }
  if (schema.type !== "object" || typeof value !== "object" || value === null) return [];
  return Object.entries((schema as yup.SchemaObjectDescription).fields).flatMap(([key, field]) =>
    tooMany(field, (value as Record<string, unknown>)[key], path === "" ? key : `${path}.${key}`),
  );
}

/** Checks values that came from outside against a form: the values, or every fault with its place. */
export function readForm<T extends yup.AnyObject>(schema: yup.ObjectSchema<T>, input: unknown): Result<T> {
  if (typeof input !== "object" || input === null || Array.isArray(input))
    return { ok: false, issues: [{ path: "", code: "wrong-type", received: "something else", expected: "what the form sends" }] };
  const many = tooMany(schema.describe(), input, "");
  if (many.length > 0) return { ok: false, issues: many };
  try {
    return { ok: true, value: schema.validateSync(input, { strict: true, abortEarly: false }) as T };
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    return {
      ok: false,
      issues: all.map(
        (e) =>
          (e.params as { issue?: Issue } | undefined)?.issue ?? {
            path: e.path ?? "",
            code: "wrong-type",
            received: "something else",
            expected: "what the form sends",
          },
      ),
    };
  }
}

/** As typed → as a job file writes it. For text that the form has vouched for. @throws Error otherwise. */
export function written(field: Field, typed: string): string {
  const read = parseField(field, typed);
  if (!read.ok) throw new Error(`unchecked ${field}`);
  return read.value.text;
}
