import { isDate } from "@/core/calendar";
import * as yup from "yup";
import { GROUNDS, type Ground } from "@/core/calibration/evidence";
import { PRODUCT_USES, type ProductUse } from "@/core/hose-end/suitability";
import { Kind } from "@/core/quantity/kinds";
import { parseField, type Field } from "@/core/quantity/ranges";
import { compare } from "@/core/quantity/arithmetic";
import type { HeadText, RigText } from "../job-file/types";
import type { KitText, RigSetupText } from "../rig-setup";
import { choiceField, nameField, quantityField, refuse, textField, written } from "./field";
import { sizeField } from "./tip";
import { RIG_KINDS, rigRules, type RigKind } from "@/rig-kinds/rules";

const wholeNumber = (most: number, example: string) =>
  textField((value) => {
    if (value === "") return { code: "missing", received: "", expected: `"${example}"` };
    const fits = /^\d{1,6}$/.test(value) && Number(value) >= 1 && Number(value) <= most;
    return fits ? undefined : { code: "out-of-range", received: value, expected: `a whole number from 1 to ${most}` };
  });

/** The first is at most the second, where both can be read. */
const atMost = (field: Field, other: string, otherField: Field, expected: string) =>
  function (this: yup.TestContext, value: string | undefined) {
    const one = parseField(field, value);
    const most = parseField(otherField, (this.parent as Record<string, string>)[other]);
    if (!one.ok || !most.ok || compare<Kind>(one.value.value, most.value.value) <= 0) return true;
    return refuse(this, { code: "contradiction", received: `more than ${most.value.text}`, expected });
  };

const tankForm = yup.object({
  name: nameField("main"),
  usable: quantityField("usable").test(
    "under-capacity",
    atMost("usable", "capacity", "usable", "no more can be used than the tank holds"),
  ),
  capacity: quantityField("usable", { optional: true }),
  leastMix: quantityField("leastMix", { optional: true }).test(
    "under-usable",
    atMost("leastMix", "usable", "usable", "write the least that the pump can agitate"),
  ),
});

/** Free words, short enough for a tag. */
const words = () =>
  textField((value) => (value.length <= 60 ? undefined : { code: "too-long", received: String(value.length), expected: "60" }));

const day = () =>
  textField((value) => {
    return value === "" || isDate(value) ? undefined : { code: "bad-date", received: value, expected: `"2026-04-14"` };
  });

interface HeadTyped {
  readonly kind: string;
  readonly product: string;
  readonly water: string;
}

/** A field of the head: read where the rig has a head and this family of heads needs it. */
const headField = (field: Field, needed: (head: HeadTyped) => boolean) =>
  yup
    .string()
    .defined()
    .test("head", function (value) {
      const rig = this.from?.[1]?.value as { kind?: RigKind } | undefined;
      if (!rig?.kind || !RIG_KINDS.includes(rig.kind) || !rigRules(rig.kind).head || !needed(this.parent as HeadTyped))
        return true;
      const read = parseField(field, value);
      return read.ok || refuse(this, read.issues[0]!);
    });

/** A list as it is typed: commas or semicolons between. */
const listed = (typed: string): string[] =>
  typed
    .split(/[;,]/)
    .map((one) => one.trim())
    .filter((one) => one !== "");

/** A jar is undiluted where neither of its two is typed. */
const madeUp = (head: HeadTyped) => head.product.trim() !== "" || head.water.trim() !== "";

const headForm = yup.object({
  kind: choiceField(["dial", "metered"]),
  feed: headField("feed", (head) => head.kind === "metered"),
  setting: headField("dial", (head) => head.kind === "dial"),
  settings: textField((value) => {
    const wrong = listed(value)
      .map((one) => parseField("dial", one))
      .find((read) => !read.ok);
    return wrong && !wrong.ok ? wrong.issues[0]! : undefined;
  }),
  product: headField("jarVolume", madeUp),
  water: headField("jarVolume", madeUp),
});

/** What measures a weight: its step, and all that it takes. */
const weighing = (example: string, rule: string) => ({
  name: nameField(example),
  step: quantityField("scaleStep").test("step", atMost("scaleStep", "capacity", "scaleCapacity", rule)),
  capacity: quantityField("scaleCapacity"),
});

export const rigForm = yup.object({
  name: nameField("Blue backpack"),
  kind: choiceField(RIG_KINDS),
  outlets: wholeNumber(500, "1"),
  spacing: quantityField("spacing", { optional: true }),
  tipSize: sizeField({ optional: true }),
  pressure: quantityField("pressure", { optional: true }),
  tanks: yup.array(tankForm).defined().min(1).max(4),
  head: headForm,
  chart: yup.string().defined(),
  pump: words(),
  regulator: words(),
  mostPressure: quantityField("pressure", { optional: true }),
  pumpServiced: day(),
  engineSpeed: words(),
  gear: words(),
  throttle: words(),
  sections: words(),
  height: words(),
  swath: quantityField("swath", { optional: true }),
  strokes: words(),
  nozzle: words(),
  ground: choiceField(["", ...GROUNDS]),
  dedication: words(),
  uses: yup.array(choiceField(PRODUCT_USES)).defined(),
  hoseDiameter: quantityField("hoseDiameter", { optional: true }),
  hoseLength: quantityField("hoseLength", { optional: true }),
  setups: yup
    .array(
      yup.object({
        name: nameField("broad leaf"),
        size: sizeField({ optional: true }),
        pressure: quantityField("pressure", { optional: true }),
        nozzle: words(),
        swath: quantityField("swath", { optional: true }),
      }),
    )
    .defined()
    .max(12),
  scales: yup
    .array(
      yup.object({
        ...weighing("kitchen-type scale", "a step is less than all it weighs"),
      }),
    )
    .defined()
    .max(20),
  cups: yup
    .array(
      yup.object({
        ...weighing("scoop", "a mark is less than all it holds"),
        product: nameField("as on its label"),
      }),
    )
    .defined()
    .max(20),
  vessels: yup
    .array(
      yup.object({
        name: nameField("jug"),
        graduation: quantityField("graduation").test(
          "step",
          atMost("graduation", "capacity", "vesselCapacity", "a mark is less than all it holds"),
        ),
        capacity: quantityField("vesselCapacity"),
      }),
    )
    .defined()
    .max(20),
});
export type RigForm = yup.InferType<typeof rigForm>;
type HeadForm = RigForm["head"];

function headText(head: HeadForm): HeadText {
  const jar = head.product.trim() !== "" && {
    jar: { product: written("jarVolume", head.product), water: written("jarVolume", head.water) },
  };
  if (head.kind === "metered") return { kind: "metered", feed: written("feed", head.feed), ...jar };
  return { kind: "dial", setting: written("dial", head.setting), ...jar };
}

const SETUP_WORDS = [
  "pump",
  "regulator",
  "pumpServiced",
  "engineSpeed",
  "gear",
  "throttle",
  "sections",
  "height",
  "strokes",
  "nozzle",
  "dedication",
  "chart",
] as const;

function setupText(form: RigForm): RigSetupText {
  const typed = (text: string) => text.trim() !== "";
  const kit: KitText = {
    scales: form.scales.map((s) => ({
      name: s.name.trim(),
      step: written("scaleStep", s.step),
      capacity: written("scaleCapacity", s.capacity),
    })),
    ...(form.cups.length > 0 && {
      cups: form.cups.map((c) => ({
        name: c.name.trim(),
        product: c.product.trim(),
        step: written("scaleStep", c.step),
        capacity: written("scaleCapacity", c.capacity),
      })),
    }),
    vessels: form.vessels.map((v) => ({
      name: v.name.trim(),
      graduation: written("graduation", v.graduation),
      capacity: written("vesselCapacity", v.capacity),
    })),
  };
  return {
    ...Object.fromEntries(SETUP_WORDS.flatMap((key) => (typed(form[key]) ? [[key, form[key].trim()]] : []))),
    ...(form.tanks.some((t) => typed(t.capacity)) && {
      capacities: form.tanks.map((t) => (typed(t.capacity) ? written("usable", t.capacity) : "")),
    }),
    ...(form.setups.length > 0 && {
      setups: form.setups.map((one) => ({
        name: one.name.trim(),
        ...(typed(one.size) && { size: one.size.trim() }),
        ...(typed(one.pressure) && { pressure: written("pressure", one.pressure) }),
        ...(typed(one.nozzle) && { nozzle: one.nozzle.trim() }),
        ...(typed(one.swath) && { swath: written("swath", one.swath) }),
      })),
    }),
    ...(rigRules(form.kind as RigKind).head &&
      form.head.kind === "dial" &&
      listed(form.head.settings).length > 0 && { settings: listed(form.head.settings).map((one) => written("dial", one)) }),
    ...(form.uses.length > 0 && { uses: form.uses as ProductUse[] }),
    ...(typed(form.ground) && { ground: form.ground as Ground }),
    ...(typed(form.swath) && { swath: written("swath", form.swath) }),
    ...(typed(form.mostPressure) && { mostPressure: written("pressure", form.mostPressure) }),
    ...(typed(form.hoseDiameter) &&
      typed(form.hoseLength) && {
        hose: { diameter: written("hoseDiameter", form.hoseDiameter), length: written("hoseLength", form.hoseLength) },
      }),
    ...(kit.scales.length + kit.vessels.length + form.cups.length > 0 && { kit }),
  };
}

/** A rig as the form holds it → as a job file writes it. The form has been checked. */
export function rigText(form: RigForm): RigText & { name: string } {
  const spacing =
    rigRules(form.kind as RigKind).spaced && form.spacing.trim() !== "" ? { spacing: written("spacing", form.spacing) } : {};
  const tip = {
    ...(form.tipSize.trim() !== "" && { size: form.tipSize.trim() }),
    ...(form.pressure.trim() !== "" && { pressure: written("pressure", form.pressure) }),
  };
  const setup = setupText(form);
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
    ...(rigRules(form.kind as RigKind).head && { head: headText(form.head) }),
    ...(Object.keys(setup).length > 0 && { setup }),
  };
}
