import type { DueLook, JudgedOf } from "@/formats/entries";
import type { LookText } from "@/formats/looks";
import { dayWords } from "../data/dates";

const percent = (text: string): string => (text.trim().endsWith("%") ? text : `${text} %`);

/** What was seen, in the order in which it matters. */
export const seenWords = (says: LookText): string =>
  [
    says.control && `control ${percent(says.control)}`,
    says.injury && `injury ${percent(says.injury)}`,
    says.causes && says.causes.length > 0 && `could also be: ${says.causes.join(", ")}`,
    says.followUp && `follow-up planned for ${dayWords(says.followUp)}`,
    says.target,
    says.stage && `at ${says.stage}`,
    says.cover && `cover ${percent(says.cover)}`,
    says.height && `mowed at ${says.height}`,
    says.soil && `soil ${says.soil}`,
    says.wrong && `also wrong: ${says.wrong}`,
    says.note,
  ]
    .filter(Boolean)
    .join(" · ");

/** Whether it is looked at before its effect can be seen. */
export const isEarly = ({ from }: Pick<JudgedOf, "from">, date: string): boolean => from !== null && date < from;

/** Whether the label promises only to hold back what it was put down against; with no target told, whether it says so at all. */
export function holdsBackOnly({ target, suppresses }: Pick<JudgedOf, "target" | "suppresses">): boolean {
  if (suppresses === null) return false;
  if (target === null) return true;
  const plain = (text: string) => text.trim().toLowerCase();
  return suppresses.split(",").some((name) => plain(target).includes(plain(name)) && plain(name) !== "");
}

/** Where something is looked at: what went down is judged; without it the log of the site is. */
export const lookPath = ({ recordId }: Pick<DueLook, "recordId">): string =>
  recordId === null ? "/log/looks" : `/log/looks?record=${encodeURIComponent(recordId)}`;
