import * as yup from "yup";
import { MOST_PAPERS, PAPER_KINDS, type PaperKind, type PaperText } from "../papers";
import { choiceField, maybeDate, maybeQuantity, maybeText, nameField, written } from "./field";

export const personForm = yup.object({
  name: nameField("Odile Marsh"),
  papers: yup
    .array(
      yup.object({
        kind: choiceField(PAPER_KINDS),
        number: maybeText(60),
        where: maybeText(60),
        categories: maybeText(120),
        hours: maybeText(20),
        ends: maybeDate(),
      }),
    )
    .max(MOST_PAPERS),
  stride: maybeQuantity("stride"),
});
export type PersonForm = yup.InferType<typeof personForm>;

/** A person as kept. */
export interface PersonText {
  readonly name: string;
  readonly papers?: readonly PaperText[];
  readonly stride?: string;
}

/** A person as the form holds one → as kept. The form has been checked. */
export function personText(form: PersonForm): PersonText {
  const stride = (form.stride ?? "").trim();
  const papers = (form.papers ?? []).map((paper): PaperText => {
    const given = Object.entries(paper).flatMap(([key, text]) => (text && text.trim() !== "" ? [[key, text.trim()]] : []));
    return { ...(Object.fromEntries(given) as Omit<PaperText, "kind">), kind: paper.kind as PaperKind };
  });
  return {
    name: form.name.trim(),
    ...(papers.length > 0 && { papers }),
    ...(stride !== "" && { stride: written("stride", stride) }),
  };
}

/** The form of a person on record, or an empty one. */
export const personFormOf = ({ name = "", papers = [], stride = "" }: Partial<PersonText> = {}): PersonForm => ({
  name,
  stride,
  papers: papers.map((p) => ({ number: "", where: "", categories: "", hours: "", ends: "", ...p })),
});
