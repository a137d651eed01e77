import { make, raw, type Quantity } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import { constant, isDerived, type AnySource } from "./rule";
import { read, type System } from "./units";

/** The area that a pace is stated for. */
export const THOUSAND = constant("area", quantity("area", 1000, "ft2"), "1,000 sq ft");

/** Whether a value is a pace: a time that was worked out for {@link THOUSAND}. */
export const isPace = (source: AnySource): boolean =>
  isDerived(source) && source.rule.output === "time" && Object.values(source.inputs).includes(THOUSAND);

/** The ground that a pace is said for, and rates are compared by: a thousand square feet, or a hundred square metres. */
const GROUND = {
  us: { text: "1,000 sq ft", area: THOUSAND.value },
  metric: { text: "100 m²", area: quantity("area", 100, "m2") },
} as const;

/** What the reader's rates and paces are for, in words. */
export const groundText = (system: System): string => GROUND[system].text;

/** Its area. */
export const groundArea = (system: System): Quantity<"area"> => GROUND[system].area;

/** The time for 1,000 sq ft as one for the reader's ground. */
export const paceOn = (timePer1000: Quantity<"time">, system: System): Quantity<"time"> =>
  make((raw(timePer1000) * raw(GROUND[system].area)) / raw(GROUND.us.area));

/** Back: a time for the reader's ground as one for 1,000 sq ft. */
export const pacePer1000 = (time: Quantity<"time">, system: System): Quantity<"time"> =>
  make((raw(time) * raw(GROUND.us.area)) / raw(GROUND[system].area));

/** The time that the reader's ground takes: "62 s", of 1,000 sq ft or of 100 m². */
export const paceTime = (timePer1000: Quantity<"time">, system: System): string =>
  read(paceOn(timePer1000, system), "time", system);

/** A pace with its ground: "62 s for 1,000 sq ft". */
export const paceText = (timePer1000: Quantity<"time">, system: System): string =>
  `${paceTime(timePer1000, system)} for ${groundText(system)}`;
