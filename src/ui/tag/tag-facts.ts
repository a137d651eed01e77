import { format } from "../data/dates";
import { dateOf } from "@/core/calendar";
import { methodOf } from "@/core/calibration/methods";
import { GOOD_FOR } from "@/core/calibration/standing";
import { coverageOf } from "@/core/mixing/mix";
import { showEntered, writeNumber } from "@/core/quantity/format";
import { parseQuantity } from "@/core/quantity/parse";
import { read, secondsA, type System } from "@/core/working/units";
import { groundText, paceTime } from "@/core/working/thousand";
import { unitCovers } from "@/core/mixing/ground";
import type { CalibrationLook, RigEntry } from "@/formats/entries";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { judge, workOut } from "@/formats/standing";
import { dayHere, dayNow, wallClock } from "../data/clock";

/** What stands on a tag: the same on the screen, on paper and in the PDF. */
export interface TagFacts {
  readonly system: System;
  readonly rig: string;
  readonly whose: string;
  readonly tip: string;
  readonly swath: string;
  readonly course: string;
  readonly caught: string;
  readonly sprayVolume: string;
  readonly band: string;
  readonly coverage: string;
  /** The ground that one gallon, or litre, covers. */
  readonly unit: string;
  readonly made: string;
  readonly goodUntil: string;
  /** Why it is not to be mixed from; empty while it stands. */
  readonly warns: string;
}

/** An area or a course as people write it: 250 ft2 is 250 sq ft. */
function written(text: string): string {
  const area = parseQuantity(text, "area");
  const length = parseQuantity(text, "length");
  return area.ok ? showEntered(area.value) : length.ok ? showEntered(length.value) : text;
}

/** @param person who walked, by name; undefined where it is nobody's own */
export function tagFacts(looked: CalibrationLook, of: RigEntry, person: string | undefined, system: System): TagFacts {
  const { entry, tap, inForce } = looked;
  const made = workOut(entry);
  const job = soundJob(calibrationJob(entry.rig, entry.calibration));
  const { pace, flow, used } = entry.calibration;
  const { tip, outlets } = entry.rig;
  const band = made.uncertainty;
  const newest = inForce ? judge(of.rig, inForce.entry, inForce.check ?? undefined, dayNow()) : undefined;
  const mean = made.trials.find((t) => t.of === "pace");
  const ground = pace?.kind === "timed-area" ? pace.area : pace?.kind === "timed-run" ? pace.distance : undefined;
  const swath = pace && "swath" in pace ? pace.swath : entry.calibration["x-swath"];
  return {
    system,
    rig: of.rig.name,
    whose: person ?? (tap ? `tap of ${tap}` : "anyone"),
    tip:
      [tip?.size && `${(outlets?.count ?? 1) > 1 ? `${outlets!.count} × ` : ""}${tip.size}`, tip?.pressure]
        .filter(Boolean)
        .join(" at ") || "not noted",
    swath: typeof swath === "string" ? swath : outlets?.spacing ? `${outlets.count} × ${outlets.spacing}` : "not noted",
    course:
      ground && made.timePer1000
        ? `${written(ground)}, ${mean?.count ?? 1} ×; ${groundText(system)} in ${paceTime(made.timePer1000.value, system)}`
        : pace?.kind === "speed"
          ? pace.speed
          : "–",
    caught: made.flow
      ? `${read(made.flow.value, "flow", system)}, ${secondsA(made.flow.value, system)}${flow?.kind === "tip-chart" ? " (estimate)" : ""}`
      : used
        ? "by what it used up"
        : "–",
    sprayVolume: read(made.sprayVolume.value, "sprayVolume", system),
    band: band ? `± ${writeNumber(band.relative * 100, { figures: 2 })} %` : "as given",
    unit: made.hoseEnd ? "–" : read(unitCovers(made.sprayVolume, system), "area", system),
    coverage: job.tank && !made.hoseEnd ? read(coverageOf(job.tank, made.sprayVolume).value, "area", system) : "–",
    made: `${format(wallClock(entry.madeAt), "d MMM yyyy")}${entry.method ? `, ${methodOf(entry.method)!.title.toLowerCase()}` : ""}`,
    goodUntil: format(new Date(`${dateOf(dayHere(entry.madeAt) + GOOD_FOR)}T12:00:00`), "d MMM yyyy"),
    warns:
      newest?.entry.id !== entry.id
        ? "A newer calibration has taken its place."
        : newest.unsure
          ? "Trials disagree: not a calibration yet."
          : newest.estimate
            ? "An estimate: catch it before mixing."
            : newest.standing.state === "stands"
              ? ""
              : `${newest.standing.state}: ${newest.standing.reasons.join("; ")}`,
  };
}

/** The lines of a tag, in the order in which they are read. */
export const tagLines = (tag: TagFacts): readonly (readonly [string, string])[] => [
  ["Tip", tag.tip],
  ["Swath", tag.swath],
  ["Course", tag.course],
  ["Caught", tag.caught],
  ["A full tank covers", tag.coverage],
  [tag.system === "us" ? "A gallon covers" : "A litre covers", tag.unit],
  ["Made", tag.made],
];
