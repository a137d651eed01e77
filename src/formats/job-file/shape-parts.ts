import * as yup from "yup";
import { isDate } from "@/core/calendar";
import { parseTemperature, TEMPERATURE_WRITTEN } from "@/core/conditions/temperature";
import type { Issue, IssueCode } from "@/core/issue";
import { placeOf } from "../area/place";
import type { Kind } from "@/core/quantity/kinds";
import { parseAs, parseQuantity, type ParseOptions } from "@/core/quantity/parse";
import { FIELDS, withinField, type Field } from "@/core/quantity/ranges";
import { distance } from "@/core/slips/of-name";
import { shown, typeName } from "./shown";

/** What the shape of a job file is put together from. Every fault is carried as an `Issue` in the error's parameters. */

/** What stands in the error where null stands in the file. */
const AN_OBJECT = "an object";
const A_LIST = "a list";

type Fault = Omit<Issue, "path"> & { readonly path?: string };

export const fault = (context: yup.TestContext, issue: Fault) =>
  context.createError({
    path: issue.path ?? context.path,
    message: issue.code,
    params: { issue: { path: issue.path ?? context.path, ...issue } },
  });

/** A quantity of a field, as text: in its kind, and in the one range that a form, a row and the command share. */
export const within = (field: Field, options: ParseOptions = {}) =>
  yup.mixed().test("within", function (value) {
    if (value === undefined) return true;
    const read = parseQuantity(value, FIELDS[field].kind as Kind, { ...options, path: this.path });
    if (!read.ok) return fault(this, read.issues[0]!);
    if (options.zero && read.value.number === 0) return true;
    const inside = withinField(field, read.value, this.path);
    return inside.ok || fault(this, inside.issues[0]!);
  });

/** A quantity of one of several kinds, as text. */
export const quantity = (kinds: readonly Kind[], options: ParseOptions = {}) =>
  yup.mixed().test("quantity", function (value) {
    if (value === undefined) return true;
    const read = parseAs(value, kinds, { ...options, path: this.path });
    return read.ok || fault(this, read.issues[0]!);
  });

export function needed<S extends yup.AnySchema>(schema: S, expected: string): S {
  const there = (one: yup.AnySchema) =>
    one.test("needed", function (value) {
      return value !== undefined || fault(this, { code: "missing", received: "", expected });
    });
  const lazy = schema as unknown as yup.Lazy<unknown>;
  if (lazy.type !== "lazy") return there(schema) as S;
  return yup.lazy((value: unknown) => there(lazy.resolve({ value }) as yup.AnySchema)) as unknown as S;
}

/** An object with these keys, those that begin with x-, and no others. */
export function exact(fields: yup.ObjectShape): yup.AnySchema {
  return yup
    .object(fields)
    .default(undefined)
    .nonNullable(AN_OBJECT)
    .test("keys", function (value) {
      const here = this.path ?? "";
      const unknown = Object.keys(value ?? {}).filter((key) => !Object.hasOwn(fields, key) && !key.startsWith("x-"));
      if (unknown.length === 0) return true;
      return new yup.ValidationError(
        unknown.map((key) => {
          const path = here === "" ? key : `${here}.${key}`;
          return fault(this, { path, code: "unknown-key", received: key, expected: nearest(key, Object.keys(fields)) });
        }),
      );
    });
}

/** The key that was probably meant: at most two letters off, or the same but for case and hyphens. */
/** The key that another one may be meant for; empty where none is near. */
export function nearest(key: string, keys: readonly string[]): string {
  const plain = (k: string) => k.toLowerCase().replace(/[-_\s]/g, "");
  const best = keys.map((k) => ({ k, d: distance(plain(key), plain(k)) })).sort((a, b) => a.d - b.d)[0];
  return best && best.d <= Math.min(2, Math.floor(key.length / 2)) ? best.k : "";
}

/** How many elements a list may have is looked at before any of them is: a list of a million is one fault, not a million. */
export const list = (of: yup.AnySchema | yup.Lazy<unknown>, least: number, what: string, most = 5000) => {
  const each = yup
    .array(of as yup.AnySchema)
    .nonNullable(A_LIST)
    .test("least", function (value) {
      return !value || value.length >= least || fault(this, { code: "too-few", received: "empty", expected: `${least} ${what}` });
    });
  const many = yup.mixed().test("most", function (value) {
    const received = `${(value as unknown[]).length.toLocaleString("en-US")} ${what}s`;
    return fault(this, { code: "too-many", received, expected: String(most) });
  });
  return yup.lazy((value: unknown) => (Array.isArray(value) && value.length > most ? many : each)) as unknown as yup.AnySchema;
};

export const text = (most = 200) =>
  yup.mixed().test("text", function (value) {
    if (value === undefined) return true;
    if (typeof value !== "string") return fault(this, { code: "wrong-type", received: typeName(value), expected: "text" });
    if (value.trim() === "") return fault(this, { code: "missing", received: value, expected: `"a name"` });
    return value.length <= most || fault(this, { code: "too-long", received: String(value.length), expected: String(most) });
  });

export const choice = (choices: readonly (string | number)[]) =>
  yup.mixed().test("choice", function (value) {
    return (
      value === undefined ||
      choices.includes(value as string) ||
      fault(this, { code: "not-a-choice", received: shown(value), expected: choices.join(", ") })
    );
  });

export const matching = (pattern: RegExp, code: IssueCode, expected: string) =>
  yup.mixed().test("matching", function (value) {
    return (
      value === undefined ||
      (typeof value === "string" && pattern.test(value)) ||
      fault(this, { code, received: shown(value), expected })
    );
  });

export const number = (whole: boolean, most: number) =>
  yup.mixed().test("number", function (value) {
    if (value === undefined) return true;
    if (typeof value !== "number")
      return fault(this, { code: "wrong-type", received: typeName(value), expected: whole ? "a whole number" : "a number" });
    const fits = value > 0 && value <= most && (!whole || Number.isInteger(value));
    return (
      fits ||
      fault(this, {
        code: "out-of-range",
        received: shown(value),
        expected: `${whole ? "a whole number" : "a number"} above 0, ${most.toLocaleString("en-US")} at most`,
      })
    );
  });

/** A part that is read by whoever makes something of it. */
export const object = (expected: string) =>
  yup.mixed().test("object", function (value) {
    return (
      value === undefined ||
      (typeof value === "object" && value !== null && !Array.isArray(value)) ||
      fault(this, { code: "wrong-type", received: typeName(value), expected })
    );
  });

export const flag = () =>
  yup.mixed().test("flag", function (value) {
    return (
      value === undefined ||
      typeof value === "boolean" ||
      fault(this, { code: "wrong-type", received: typeName(value), expected: "true or false" })
    );
  });

export const date = () =>
  yup.mixed().test("date", function (value) {
    if (value === undefined) return true;
    const real = typeof value === "string" && isDate(value);
    return real || fault(this, { code: "bad-date", received: shown(value), expected: `"2026-04-14"` });
  });

/** A temperature as a file writes it: it may be below nought. */
export const temperature = () =>
  yup.mixed().test("temperature", function (value) {
    if (value === undefined) return true;
    const read = parseTemperature(value, this.path);
    if (!read.ok) return fault(this, read.issues[0]!);
    const written = new RegExp(TEMPERATURE_WRITTEN).test(value as string);
    return written || fault(this, { code: "not-text", received: shown(value), expected: `"50 F" or "10 C"` });
  });

/** A place on earth, latitude first. */
export const place = () =>
  yup.mixed().test("place", function (value) {
    const known = value === undefined || placeOf(value) !== undefined;
    return (
      known || fault(this, { code: "wrong-type", received: shown(value), expected: `"41.88321, -87.61231": latitude, longitude` })
    );
  });

/** One of several shapes, told apart by what stands under a key. */
export const byKey = (key: string, shapes: Readonly<Record<string, yup.ObjectShape>>) =>
  yup.lazy((value: unknown) => {
    const kind = (value as Record<string, unknown> | null | undefined)?.[key];
    const shape = typeof kind === "string" && Object.hasOwn(shapes, kind) ? shapes[kind]! : undefined;
    const every = Object.assign({}, ...Object.values(shapes)) as Record<string, yup.AnySchema>;
    // Of an unknown kind only the kind is a fault: what else is right depends on it.
    const loose = Object.fromEntries(Object.keys(every).map((name) => [name, yup.mixed()]));
    return exact({
      ...(shape ?? loose),
      [key]: needed(
        choice(Object.keys(shapes)),
        Object.keys(shapes)
          .map((k) => `"${k}"`)
          .join(", "),
      ),
    });
  });

/** Every fault of something that should have a shape, in its order. */
export function faultsIn(schema: yup.AnySchema | yup.Lazy<unknown>, value: unknown): Issue[] {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false });
    return [];
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    return (error.inner.length > 0 ? error.inner : [error]).map(issueOf);
  }
}

function issueOf(error: yup.ValidationError): Issue {
  const params = error.params as { issue?: Issue; type?: string; value?: unknown } | undefined;
  if (params?.issue) return params.issue;
  const expected = error.type === "nullable" ? error.message : params?.type === "array" ? A_LIST : AN_OBJECT;
  return { path: error.path ?? "", code: "wrong-type", received: typeName(params?.value), expected };
}
