import { calibrate } from "@/core/calibration/calibrate";
import { bad, good, type Result } from "@/core/issue";
import { calibrationJob } from "@/formats/job-file/assemble";
import { readChecked } from "@/formats/job-file/read-checked";
import { practisedBeside } from "@/formats/practice-record";
import { isSession, readSession, type Session } from "@/formats/session";
import { readTyped } from "@/formats/typed";
import { addDismissals } from "@/records/applications";
import {
  addCalibration,
  findCalibration,
  withdrawalOfCalibration,
  withdrawCalibration,
  type NewTrial,
} from "@/records/calibrations";
import { type Records, whole } from "@/records/database";
import { findPerson } from "@/records/people";
import { practicesOf } from "@/records/practices";
import { findRig } from "@/records/rigs";
import { findSite } from "@/records/sites";
import { readDismissed } from "./dismissed";
import { A_MOMENT, isId, isMoment, isReason, issue, nowText, shown } from "./input";
import { impossible, resultOf } from "./keep-calibration";
import { firmZone, todayOf } from "./clock";
import { once } from "./once";
import { retiredFaults } from "./retired";
import { belongsToPerson, ownerOf } from "@/rig-kinds/rules";

/**
 * Saves a calibration: `{ session, madeAt }`. Everything is worked out again here from the readings. Sending the same
 * session twice keeps it once.
 */
export function saveCalibration(db: Records, input: unknown): Result<{ id: string }> {
  const { session, madeAt } = (input ?? {}) as { session?: unknown; madeAt?: unknown };
  if (!isSession(session) || !isId(session.id))
    return bad(issue("session", "wrong-type", "no run sheet", "a calibration's run sheet"));
  if (!isMoment(madeAt)) return bad(issue("madeAt", "bad-date", shown(madeAt), A_MOMENT));
  const { size, pressure } = session.toSet ?? {};
  if (size !== undefined || pressure !== undefined)
    return bad(
      issue(
        "toSet",
        "out-of-turn",
        `the rig was to be set to ${[size && `size ${size}`, pressure].filter(Boolean).join(" and ")}, and nobody noted that it is`,
        "note on the rig what is on and what the gauge reads, or leave the rig as it is",
      ),
    );
  const dismissed = readDismissed(session);
  if (!dismissed.ok) return dismissed;
  const known = findRig(db, session.rigId);
  const rig = known?.rig;
  if (!known || !rig) return bad(issue("rigId", "unknown-name", session.rigId, "the rigs on record"));
  const personId = belongsToPerson(rig.kind) ? session.personId : null;
  if (belongsToPerson(rig.kind) && (personId === null || !findPerson(db, personId)))
    return bad(issue("personId", "missing", "", "who holds the wand: a pace is a person's own"));

  const siteId = ownerOf(rig.kind) === "tap" ? session.siteId : null;
  if (ownerOf(rig.kind) === "tap" && (siteId === null || !findSite(db, siteId)))
    return bad(issue("siteId", "missing", "", "whose tap feeds the head: pick the site"));

  const person = personId === null ? undefined : findPerson(db, personId);
  const tap = siteId === null ? undefined : findSite(db, siteId);
  const retired = retiredFaults(
    ["rigId", rig.name, known],
    ["personId", person?.name ?? "", person],
    ["siteId", tap?.site.name ?? "", tap],
  );
  if (retired.length > 0) return bad(...retired);

  const reading = readSession(session);
  if (reading.state === "wrong") return { ok: false, issues: reading.issues };
  if (reading.state === "lacking")
    return { ok: false, issues: reading.lacks.map((lack) => issue(lack, "missing", "", `a reading of the ${lack}`)) };
  // What practice says of the person's walks is written down with the calibration, whose ± stands on it, too.
  const practised =
    personId === null ? {} : practisedBeside(session, practicesOf(db, personId), { today: todayOf(db), zone: firmZone(db).zone });
  const read = readChecked(calibrationJob(rig, { ...reading.calibration, ...practised }));
  if (!read.ok) return read;
  const job = read.value;
  const made = calibrate({ ...job.calibration, ground: session.ground });
  const wrong = impossible(made, "session");
  if (wrong) return bad(wrong);

  return whole(db, (tx) =>
    once(
      tx,
      "calibration",
      session.id,
      session,
      findCalibration(tx, session.id) !== undefined,
      () => ({ id: session.id }),
      (): Result<{ id: string }> => {
        addCalibration(
          tx,
          {
            id: session.id,
            rigId: session.rigId,
            personId,
            siteId,
            method: session.method,
            lever: session.lever?.name ?? null,
            leverSetTo: session.lever?.setTo ?? null,
            // A lever may be proved after a reading that nobody kept.
            follows: session.lever?.follows || null,
            madeAt,
            ground: session.direct ? null : session.ground,
            job: job.file,
            ...resultOf(made),
            trials: tapeOf(session),
          },
          nowText(),
        );
        addDismissals(tx, session.id, dismissed.value, nowText());
        return good({ id: session.id });
      },
    ),
  );
}

/**
 * Withdraws a calibration that no longer counts, with its reason: `{ id, why }`. Nothing is mixed from it any more; what
 * stood before it stands again.
 */
export function withdrawCalibrationOf(db: Records, input: unknown): Result<{ id: string }> {
  const { id, why } = (input ?? {}) as { id?: unknown; why?: unknown };
  if (!isId(id)) return bad(issue("id", "unknown-name", shown(id), "the calibrations on record"));
  return whole(db, (tx): Result<{ id: string }> => {
    if (!findCalibration(tx, id)) return bad(issue("id", "unknown-name", id, "the calibrations on record"));
    if (withdrawalOfCalibration(tx, id)) return good({ id });
    if (!isReason(why)) return bad(issue("why", "reason-needed", "a calibration is withdrawn", "say what was wrong with it"));
    withdrawCalibration(tx, id, why.trim(), nowText());
    return good({ id });
  });
}

/** The tape, struck trials included where they can still be read: what was thrown out must be seen to have been. */
function tapeOf(session: Session): NewTrial[] {
  if (session.direct) return [];
  const trial = (of: "walk" | "catch") => (t: Session["walks"][number]) => {
    const time = readTyped(of === "walk" ? "walkTime" : "catchTime", t.time);
    const volume = of === "catch" ? readTyped("catchVolume", t.volume ?? "") : undefined;
    if (!time.ok || (volume && !volume.ok && t.struck === undefined)) return [];
    return [{ of, time: time.value, volume: volume?.ok ? volume.value : null, struck: t.struck ?? null }];
  };
  return [
    ...(session.pace === "speed" || session.pace === "asked" ? [] : session.walks.flatMap(trial("walk"))),
    ...(session.flow === "timed-catch" || session.flow === "fill-time" ? session.catches.flatMap(trial("catch")) : []),
  ];
}
