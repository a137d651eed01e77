import type { Owner, RigRules } from "./kind";
import { RULES } from "./table";

export type RigKind = keyof typeof RULES;
export const RIG_KINDS = Object.keys(RULES) as [RigKind, ...RigKind[]];

/** What is true of every rig of a kind. */
export const rigRules = (kind: RigKind): RigRules => RULES[kind];

export const onFoot = (kind: RigKind): boolean => rigRules(kind).onFoot;

/** Whose a calibration of such a rig is. */
export const ownerOf = (kind: RigKind): Owner => rigRules(kind).owner;

export const belongsToPerson = (kind: RigKind): boolean => ownerOf(kind) === "person";
