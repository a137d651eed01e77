import type { Duty } from "@/core/season/after-work";
import { wateringTime } from "@/core/labels/watering";
import { show, showDuration } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { isZero } from "@/core/quantity/arithmetic";
import { parseField } from "@/core/quantity/ranges";
import type { System } from "@/core/working/units";
import type { AfterEntry } from "@/formats/entries";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";

/** What the ground is owed, in words. */

export const depthText = (depth: Quantity<"length">, system: System): string =>
  show(depth, "length", system === "us" ? "in" : "mm", { figures: 2 });

const at = (moment: number): string => format(wallClock(new Date(moment).toISOString()), "EEE d MMM, HH:mm");

const span = (least: Quantity<"length"> | null, most: Quantity<"length"> | null, system: System): string =>
  [least && !isZero(least) && depthText(least, system), most && depthText(most, system)].filter(Boolean).join(" to ") ||
  "some water";

export interface DutyLine {
  readonly state: "good" | "act" | "stop";
  readonly says: string;
}

/** @param duty that is not done */
export function dutyLine(duty: Duty, zones: AfterEntry["zones"], system: System): DutyLine {
  const until = duty.until === null ? "" : ` until ${at(duty.until)}`;
  const act = (says: string): DutyLine => ({ state: "act", says });
  const plain = (says: string): DutyLine => ({ state: "good", says });
  const stop = (says: string): DutyLine => ({ state: "stop", says });
  if (duty.what === "stay-off") return plain(`People and pets off${until}.`);
  if (duty.what === "no-mowing") return plain(`No mowing${until}.`);
  if (duty.what === "keep-dry")
    return duty.state === "broken"
      ? stop(
          `It got ${depthText(duty.got, system)} of water and was to stay dry${until}: it may have washed off. The label says what then.`,
        )
      : plain(`Keep dry${until}: sprinklers off.`);
  const by = duty.until === null ? "" : ` by ${at(duty.until)}`;
  if (duty.state === "too-much")
    return stop(
      `It got ${depthText(duty.got, system)}, at most ${depthText(duty.most!, system)} was allowed: it may have run off. Look at it; a repeat is a new application.`,
    );
  if (duty.state === "late")
    return stop(
      `Not watered in${by}: ${depthText(duty.got, system)} was measured, ${span(duty.least, null, system)} was needed. Water it in now, and look at it.`,
    );
  const got = isZero(duty.got) ? "" : ` ${depthText(duty.got, system)} was measured.`;
  const minutes = minutesOf(duty, zones);
  const wants = `${span(duty.missing, duty.room, system)}${isZero(duty.got) ? "" : " more"}`;
  if (duty.state === "waits") return plain(`Water in ${wants} from ${at(duty.from)}${by}.${minutes}`);
  return act(`Water in ${wants}${by}.${got}${minutes}`);
}

/** How long the irrigation of each zone runs for what is missing. */
function minutesOf({ missing, room }: Duty, zones: AfterEntry["zones"]): string {
  const said = zones.flatMap(({ name, irrigation }) => {
    const rate = parseField("irrigation", irrigation ?? "");
    if (!rate.ok || !missing) return [];
    const time = (depth: Quantity<"length">) => showDuration(wateringTime(depth, rate.value).value);
    return [`${name} ${[time(missing), room && time(room)].filter(Boolean).join(" to ")}`];
  });
  return said.length > 0 ? ` Irrigation: ${said.join(", ")}.` : "";
}
