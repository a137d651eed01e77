import { GROUNDS, type Ground } from "@/core/calibration/evidence";
import type { Kit } from "@/core/calibration/kit";
import { DROPLETS, ratedFlow, type ChartRow, type Droplet, type TipChart } from "@/core/calibration/tips";
import { PRODUCT_USES, type ProductUse } from "@/core/hose-end/suitability";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { parseQuantity } from "@/core/quantity/parse";
import { parseField, type Field } from "@/core/quantity/ranges";
import { canonical } from "@/core/quantity/arithmetic";
import type { HeadText, RigText } from "./job-file/types";

/**
 * What a rig has beyond what a job file says of it: everything that a calibration stands on, and its measuring kit. It
 * travels in the file under `setup`, so that a recorded job can be compared with the rig of today.
 */
export interface RigSetupText {
  readonly pump?: string;
  readonly regulator?: string;
  readonly mostPressure?: string;
  readonly pumpServiced?: string;
  readonly engineSpeed?: string;
  readonly gear?: string;
  readonly throttle?: string;
  readonly sections?: string;
  readonly height?: string;
  /** The effective swath as it was measured: how far passes lie apart. */
  readonly swath?: string;
  readonly strokes?: string;
  readonly nozzle?: string;
  readonly ground?: Ground;
  /** What each tank holds to the brim, in the order of the tanks; empty where it isn't noted. */
  readonly capacities?: readonly string[];
  readonly hose?: { readonly diameter: string; readonly length: string };
  readonly dedication?: string;
  /** The uses of products that it is kept for; any where it is left out. */
  readonly uses?: readonly ProductUse[];
  /** Ways in which the rig is set for different work, each with its own calibrations. */
  readonly setups?: readonly NamedSetup[];
  /** The numbers that the dial of a hose-end head has. */
  readonly settings?: readonly string[];
  /** Name of the tip chart that belongs to the tip that is on. */
  readonly chart?: string;
  readonly kit?: KitText;
}

/** A named way in which a rig is set: a second tip, another pressure, another nozzle setting. What is left out is as it is. */
export interface NamedSetup {
  readonly name: string;
  readonly size?: string;
  readonly pressure?: string;
  readonly nozzle?: string;
  readonly swath?: string;
}

export interface KitText {
  /** Cups whose marks are a weight of one dry product. */
  readonly cups?: readonly {
    readonly name: string;
    readonly product: string;
    readonly step: string;
    readonly capacity: string;
  }[];
  readonly scales: readonly { readonly name: string; readonly step: string; readonly capacity: string }[];
  readonly vessels: readonly { readonly name: string; readonly graduation: string; readonly capacity: string }[];
}

/** A tip's chart as text. */
export interface TipText {
  readonly name: string;
  readonly size: string;
  readonly angle?: number;
  readonly rows: readonly { readonly pressure: string; readonly flow: string; readonly droplet?: Droplet }[];
}

/** The texts of a set-up that a calibration stands on, by what they are called where a change is named. */
const HELD: readonly (readonly [keyof RigSetupText, string])[] = [
  ["nozzle", "nozzle setting"],
  ["pump", "pump"],
  ["regulator", "regulator"],
  ["pumpServiced", "pump serviced"],
  ["engineSpeed", "engine speed"],
  ["gear", "gear"],
  ["throttle", "throttle stop"],
  ["sections", "sections on"],
  ["height", "height"],
  ["swath", "swath"],
  ["strokes", "strokes"],
  ["ground", "ground"],
];

export const setupOf = (rig: RigText): RigSetupText => (isSetup(rig.setup) ? rig.setup : {});

/** What is held constant on a rig, by name: what {@link RigText} itself doesn't say. */
export function heldOf(rig: RigText): Record<string, string> {
  const setup = setupOf(rig);
  const held = Object.fromEntries(HELD.flatMap(([key, words]) => (setup[key] ? [[words, setup[key] as string]] : [])));
  return { ...held, ...(setup.hose && { hose: `${setup.hose.diameter} × ${setup.hose.length}` }) };
}

const isText = (value: unknown): value is string => typeof value === "string" && value.length <= 200;
const TEXTS = [...HELD.map(([key]) => key), "mostPressure", "dedication", "chart"] as const;

/** Whether something that came from outside is a set-up that can be read: its shape, and every quantity in it. */
export function isSetup(input: unknown): input is RigSetupText {
  if (typeof input !== "object" || input === null) return false;
  const setup = input as Record<string, unknown>;
  const known = [...TEXTS, "uses", "capacities", "hose", "kit", "settings", "setups"] as readonly string[];
  return (
    Object.keys(setup).every((key) => known.includes(key)) &&
    TEXTS.every((key) => setup[key] === undefined || isText(setup[key])) &&
    (setup.uses === undefined || isUses(setup.uses)) &&
    (setup.setups === undefined || isSetups(setup.setups)) &&
    (setup.settings === undefined || isSettings(setup.settings)) &&
    (setup.ground === undefined || GROUNDS.includes(setup.ground as Ground)) &&
    (setup.capacities === undefined || isCapacities(setup.capacities)) &&
    (setup.hose === undefined || hasFields(setup.hose, { diameter: "hoseDiameter", length: "hoseLength" })) &&
    (setup.mostPressure === undefined || parseField("pressure", setup.mostPressure).ok) &&
    (setup.swath === undefined || parseField("swath", setup.swath).ok) &&
    (setup.kit === undefined || isKit(setup.kit))
  );
}

const isUses = (input: unknown): boolean =>
  Array.isArray(input) && input.every((use) => PRODUCT_USES.includes(use as ProductUse));

const isSetups = (input: unknown): boolean =>
  Array.isArray(input) &&
  input.length <= 12 &&
  input.every((one: Partial<NamedSetup> | null) => {
    const { name, size, pressure, nozzle, swath } = one ?? {};
    return (
      isText(name) &&
      name.trim() !== "" &&
      (size === undefined || (isText(size) && ratedFlow(size) !== undefined)) &&
      (pressure === undefined || parseField("pressure", pressure).ok) &&
      (nozzle === undefined || isText(nozzle)) &&
      (swath === undefined || parseField("swath", swath).ok)
    );
  });

const isSettings = (input: unknown): boolean =>
  Array.isArray(input) && input.length <= 30 && input.every((one) => parseField("dial", one).ok);

const isCapacities = (input: unknown): boolean =>
  Array.isArray(input) && input.length <= 20 && input.every((c) => c === "" || parseField("usable", c).ok);

function hasFields(input: unknown, fields: Readonly<Record<string, Field>>): boolean {
  const one = (input ?? {}) as Record<string, unknown>;
  return Object.entries(fields).every(([key, field]) => parseField(field, one[key]).ok);
}

function isKit(input: unknown): input is KitText {
  const { scales, vessels, cups } = (input ?? {}) as { scales?: unknown; vessels?: unknown; cups?: unknown };
  const tools = (list: unknown, fields: Readonly<Record<string, Field>>) =>
    Array.isArray(list) &&
    list.length <= 20 &&
    list.every((tool) => isText((tool as { name?: unknown })?.name) && hasFields(tool, fields));
  return (
    tools(scales, { step: "scaleStep", capacity: "scaleCapacity" }) &&
    tools(vessels, { graduation: "graduation", capacity: "vesselCapacity" }) &&
    (cups === undefined ||
      (tools(cups, { step: "scaleStep", capacity: "scaleCapacity" }) &&
        (cups as { product?: unknown }[]).every((cup) => isText(cup.product))))
  );
}

/** Whether something from outside is a hose-end head that can be read. */
export function isHead(input: unknown): input is HeadText {
  const head = (input ?? {}) as Record<string, unknown>;
  const drawn = head.kind === "metered" ? parseField("feed", head.feed) : parseField("dial", head.setting);
  if (!(head.kind === "metered" || head.kind === "dial") || !drawn.ok) return false;
  return head.jar === undefined || hasFields(head.jar, { product: "jarVolume", water: "jarVolume" });
}

const must = <F extends Field>(field: F, text: string) => {
  const read = parseField(field, text);
  if (!read.ok) throw new Error(`unchecked ${field} "${text}"`);
  return read.value;
};

/** Whether a rig is set so now. */
const isOn = (rig: RigText, { size, pressure, nozzle }: NamedSetup): boolean =>
  (size === undefined || size === rig.tip?.size) &&
  (pressure === undefined || pressure === rig.tip?.pressure) &&
  (nozzle === undefined || nozzle === setupOf(rig).nozzle);

/** The named setup that a rig stands in; undefined where it is none of them. */
export const setupOn = (rig: RigText): NamedSetup | undefined => (setupOf(rig).setups ?? []).find((one) => isOn(rig, one));

/** The numbers that the dial of a head has, as values; none where they aren't listed. */
export const settingsOf = (rig: RigText) => (setupOf(rig).settings ?? []).map((text) => must("dial", text));

/**
 * Whether a head can be set so on this rig: of the same family, its feed the rig's own, its dial at one of the numbers
 * that it has.
 */
export function fitsHead(rig: RigText, head: HeadText): boolean {
  if (!rig.head || head.kind !== rig.head.kind) return false;
  if (head.kind === "metered") return head.feed === (rig.head as typeof head).feed;
  const settings = setupOf(rig).settings ?? [];
  return settings.length === 0 || [...settings, (rig.head as typeof head).setting].includes(head.setting);
}

/** The measuring kit of a rig, as values. */
export function kitOf(rig: RigText): Kit {
  const kit = setupOf(rig).kit ?? { scales: [], vessels: [] };
  return {
    scales: kit.scales.map((s) => ({
      name: s.name,
      step: must("scaleStep", s.step),
      capacity: must("scaleCapacity", s.capacity),
    })),
    cups: (kit.cups ?? []).map((c) => ({
      name: c.name,
      product: c.product,
      step: must("scaleStep", c.step),
      capacity: must("scaleCapacity", c.capacity),
    })),
    vessels: kit.vessels.map((v) => ({
      name: v.name,
      graduation: must("graduation", v.graduation),
      capacity: must("vesselCapacity", v.capacity),
    })),
  };
}

/** Reads a tip's chart: in range, in order, each pressure once; or what is wrong, with its place. */
export function readTip(input: unknown): Result<TipText> {
  const tip = (input ?? {}) as { name?: unknown; size?: unknown; angle?: unknown; rows?: unknown };
  const issues: Issue[] = [];
  const fault = (path: string, code: Issue["code"], received: string, expected: string) =>
    void issues.push({ path, code, received, expected });
  if (!isText(tip.name) || tip.name.trim() === "" || tip.name.length > 60) fault("name", "missing", "", `"Fan 110, size 03"`);
  if (!isText(tip.size) || !ratedFlow(tip.size))
    fault("size", "not-a-choice", String(tip.size ?? ""), "a size in tenths of a gallon a minute, such as 025");
  if (tip.angle !== undefined && !(typeof tip.angle === "number" && tip.angle > 0 && tip.angle <= 360))
    fault("angle", "out-of-range", String(tip.angle), "degrees from 1 to 360");
  const rows = Array.isArray(tip.rows) && tip.rows.length <= 30 ? (tip.rows as Record<string, unknown>[]) : [];
  if (rows.length === 0) fault("rows", "too-few", "empty", "1 line of the chart");
  const seen: number[] = [];
  rows.forEach((row, i) => {
    const pressure = parseField("pressure", row?.pressure, { path: `rows[${i}].pressure` });
    const flow = parseField("tipFlow", row?.flow, { path: `rows[${i}].flow` });
    if (!pressure.ok) issues.push(...pressure.issues);
    if (!flow.ok) issues.push(...flow.issues);
    if (row?.droplet !== undefined && !DROPLETS.includes(row.droplet as Droplet))
      fault(`rows[${i}].droplet`, "not-a-choice", String(row.droplet), DROPLETS.join(", "));
    if (!pressure.ok) return;
    const pascals = canonical(pressure.value.value);
    if (seen.includes(pascals)) fault(`rows[${i}].pressure`, "duplicate-name", pressure.value.text, "line its pressure");
    seen.push(pascals);
  });
  if (issues.length > 0) return bad(...issues);
  return good({
    name: (tip.name as string).trim(),
    size: tip.size as string,
    ...(tip.angle !== undefined && { angle: tip.angle as number }),
    rows: rows.map((row) => ({
      pressure: must("pressure", row.pressure as string).text,
      flow: must("tipFlow", row.flow as string).text,
      ...(row.droplet !== undefined && { droplet: row.droplet as Droplet }),
    })),
  });
}

/** A chart as values; undefined where something from outside is none. */
export function chartOf(input: unknown): TipChart | undefined {
  const read = input === undefined ? undefined : readTip(input);
  if (!read?.ok) return undefined;
  const rows = read.value.rows.map((row): ChartRow => {
    const pressure = parseQuantity(row.pressure, "pressure");
    const flow = parseQuantity(row.flow, "flow");
    if (!pressure.ok || !flow.ok) throw new Error("unchecked chart");
    return { pressure: pressure.value, flow: flow.value, ...(row.droplet && { droplet: row.droplet }) };
  });
  return { size: read.value.size, rows };
}
