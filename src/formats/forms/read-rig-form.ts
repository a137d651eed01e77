import { readForm } from "./field";
import { rigForm } from "./rig";
import { rigFormOf } from "./rig-form-of";

/** Reads a rig's form from outside; what it leaves out is empty. */
export const readRigForm = (input: unknown) =>
  readForm(rigForm, typeof input === "object" && input !== null ? whole(input) : input);

function whole(input: { tanks?: unknown }): object {
  const tanks = Array.isArray(input.tanks)
    ? { tanks: input.tanks.map((t: unknown) => (typeof t === "object" ? { capacity: "", ...t } : t)) }
    : {};
  const blank = rigFormOf();
  const head = (input as { head?: unknown }).head;
  return { ...blank, ...input, ...tanks, ...(typeof head === "object" && head !== null && { head: { ...blank.head, ...head } }) };
}
