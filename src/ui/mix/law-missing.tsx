"use client";

import { LAW_WORDS } from "@/core/log/complete";
import type { PersonEntry } from "@/formats/entries";
import type { JobFile } from "@/formats/job-file/types";
import { missingOfSheet, type Lacking } from "@/formats/missing";
import { Known } from "../parts/to-know";

/** What is lacking of what the law asks for, in words. */
export const lackingWords = ({ fields, ended, category }: Lacking, who: string): string =>
  [
    fields.length > 0 && `missing of what the law asks for: ${fields.map((field) => LAW_WORDS[field]).join("; ")}`,
    ended && `the certificate of ${who} ended on ${ended}`,
    category && `it takes the category ${category}, which no certificate of ${who} names`,
  ]
    .filter(Boolean)
    .join("; ");

interface LawProps {
  readonly job: JobFile;
  readonly person: PersonEntry | undefined;
  readonly date: string;
}

/** Before it is mixed and before it is closed: what its record would lack, and who sprays. */
export function LawMissing({ job, person, date }: LawProps) {
  return missingOfSheet(job, person, date).map((lacking) => (
    <Known key={lacking.product} rank="before" brief="the record lacks something" state="act">
      {lacking.product}
      {(lacking.fields.length > 0 || lacking.ended) && " is for restricted use"}:{" "}
      {lackingWords(lacking, person?.name ?? "who sprays")}.
    </Known>
  ));
}
