import type { Calibration } from "@/core/calibration/calibrate";
import { stepsOf, type Filling } from "@/core/mixing/column";
import { isSpread } from "@/core/mixing/pouring-order";
import type { MixProduct } from "@/core/mixing/product";
import { courseOf, lastsFor } from "@/core/mixing/walk-of-load";
import { showDuration } from "@/core/quantity/format";
import type { AnySource } from "@/core/working/rule";
import { read, type System } from "@/core/working/units";
import type { Job } from "@/formats/job-file/read-checked";
import { wateringsOf } from "@/formats/site-facts";
import { costWords } from "./cost-words";
import { afterOf } from "./field-words";
import { onFoot } from "@/rig-kinds/rules";

/** What of a mix goes into the tank: a filling has an amount of each. */
const inTank = (products: readonly MixProduct[]) => products.filter((p) => !isSpread(p));

/** What a sheet shows beside what goes in, for the pad: the water, how long each filling lasts and how far it goes, the watering in. */
export const besideOf = (
  { rig, products, waterFirst, file }: Job,
  { flow, swath }: Calibration,
  fillings: readonly Filling[],
): AnySource[] => [
  ...fillings.flatMap((filling) => [
    ...stepsOf(inTank(products), filling, waterFirst).flatMap((step) => (step.kind === "water" ? [step.to] : [])),
    ...(rig.head ? [] : [lastsFor(filling.fillTo, flow), courseOf(filling.covers, swath)].filter((s) => s !== null)),
  ]),
  ...wateringsOf(file.sites ?? [], afterOf(file.products ?? [])).flatMap(({ least, most }) =>
    [least, most].flatMap((one) => (one ? [...(one.time ? [one.time] : []), one.volume] : [])),
  ),
];

/** How long a filling should last, how far it goes and what it costs, in words. Of a hose-end head only the head knows. */
export function aboutFilling(
  { rig, products }: Job,
  { flow, swath }: Calibration,
  system: System,
): (filling: Filling) => string[] {
  return (filling) => {
    const cost = costWords(inTank(products), filling.amounts);
    const costs = cost ? [`costs ${cost}`] : [];
    if (rig.head) return costs;
    const lasts = lastsFor(filling.fillTo, flow);
    const course = courseOf(filling.covers, swath);
    return [
      ...(lasts ? [`should last ${showDuration(lasts.value)}`] : []),
      ...costs,
      ...(course && swath
        ? [
            `${onFoot(rig.kind) ? "walk" : "drive"} ${read(course.value, "length", system)} at ${read(swath.value, "length", system)} of swath`,
          ]
        : []),
    ];
  };
}
