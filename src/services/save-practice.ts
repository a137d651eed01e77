import { bad, good, type Result } from "@/core/issue";
import { parseAs } from "@/core/quantity/parse";
import { isLesson } from "@/core/practice/lesson-ids";
import { isRight, lessonOf } from "@/core/practice/lessons";
import { isGround, practiceFaults, type PracticeText } from "@/formats/practice";
import { GROUNDS } from "@/core/calibration/evidence";
import { type Records, whole } from "@/records/database";
import { findPerson } from "@/records/people";
import { addPractice, findPractice, isPracticeStruck } from "@/records/practices";
import { findRig } from "@/records/rigs";
import { isId, isReason, issue, nowText, shown } from "./input";
import { once } from "./once";
import { retiredFaults } from "./retired";

/**
 * Keeps a piece of practice: `{ id, personId, rigId, ground, what }`. Its moment is the server's: a device's clock may be wrong.
 * A lesson's answer is judged here, by core on the lesson's own numbers, whatever was sent of it.
 */
export function savePractice(db: Records, input: unknown): Result<{ id: string; right?: boolean }> {
  const { id, personId, rigId = null, ground = null, what } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id)) return bad(issue("id", "wrong-type", "no id", "an id of 10 to 64 letters, digits, - or _"));
  const faults = practiceFaults(what);
  if (faults.length > 0) return { ok: false, issues: faults };
  if (ground !== null && !isGround(ground)) return bad(issue("ground", "not-a-choice", shown(ground), GROUNDS.join(", ")));
  const piece = judged(what as PracticeText);
  if (!piece.ok) return piece;
  if (piece.value.kind === "pace" && ground === null)
    return bad(issue("ground", "missing", "", "the kind of ground: a pace on pavement is seldom the pace in grass"));
  const person = typeof personId === "string" ? findPerson(db, personId) : undefined;
  if (!person) return bad(issue("personId", "missing", "", "who practised: a pace is a person's own"));
  const rig = typeof rigId === "string" ? findRig(db, rigId) : undefined;
  if (rigId !== null && !rig) return bad(issue("rigId", "unknown-name", shown(rigId), "the rigs on record"));
  const retired = retiredFaults(["personId", person.name, person], ["rigId", rig?.rig.name ?? "", rig]);
  if (retired.length > 0) return bad(...retired);
  const kept = piece.value;
  const answer = { id, ...(kept.kind === "lesson" && { right: kept.right === true }) };
  return whole(db, (tx) =>
    once(
      tx,
      "practice",
      id,
      { personId, rigId, ground, what },
      findPractice(tx, id) !== undefined,
      () => answer,
      () => {
        addPractice(
          tx,
          { id, personId: person.id, rigId: rig?.id ?? null, kind: kept.kind, ground, what: kept, strikes: null, why: null },
          nowText(),
        );
        return good(answer);
      },
    ),
  );
}

function judged(what: PracticeText): Result<PracticeText> {
  if (what.kind !== "lesson" || !isLesson(what.lesson)) return good(what);
  const lesson = lessonOf(what.lesson, what.seed, what.units ?? "us");
  const read = parseAs(what.answer, [lesson.kind], { path: "what.answer" });
  return read.ok ? good({ ...what, right: isRight(lesson, read.value.value) }) : read;
}

/** Strikes a piece of practice that was none, with its reason: `{ id, strikes, why }`. */
export function strikePractice(db: Records, input: unknown): Result<{ id: string }> {
  const { id, strikes, why } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || typeof strikes !== "string") return bad(issue("", "wrong-type", "something else", "which practice was none"));
  if (!isReason(why)) return bad(issue("why", "reason-needed", "practice is struck", "say what was wrong with it"));
  return whole(db, (tx): Result<{ id: string }> => {
    const was = findPractice(tx, strikes);
    if (!was || was.strikes !== null) return bad(issue("strikes", "unknown-name", strikes, "the practice on record"));
    const add = (): Result<{ id: string }> => {
      if (isPracticeStruck(tx, strikes)) return good({ id });
      const { personId, rigId, kind, ground, what } = was;
      addPractice(tx, { id, personId, rigId, kind, ground, what, strikes, why: why.trim() }, nowText());
      return good({ id });
    };
    return once(tx, "practice", id, { strikes, why }, findPractice(tx, id) !== undefined, () => ({ id }), add);
  });
}
