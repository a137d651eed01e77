"use client";

import type { LabelEntry } from "@/formats/book";
import { useBook } from "../data/book";
import { Select } from "./controls";
import { Field } from "./field";

interface SitePickProps {
  readonly value: string | undefined;
  readonly onPick: (id: string) => void;
}

/** One of the sites on record. */
export function SitePick({ value, onPick }: SitePickProps) {
  const { book } = useBook();
  return (
    <Field label="Site">
      {(props) => (
        <Select {...props} value={value ?? ""} onChange={(e) => onPick(e.target.value)}>
          <option value="">pick a site</option>
          {book.sites
            .filter((s) => !s.retired)
            .map((s) => (
              <option key={s.id} value={s.id}>
                {s.site.name}
              </option>
            ))}
        </Select>
      )}
    </Field>
  );
}

interface ShelfPickProps {
  readonly label: string;
  readonly value: string;
  readonly onPick: (id: string) => void;
  /** Which of the labels that are not retired; all where it is left out. */
  readonly which?: (label: LabelEntry) => boolean;
  readonly empty?: string;
}

/** One of the labels on the shelf. */
export function ShelfPick({ label, value, onPick, which = () => true, empty = "from the shelf …" }: ShelfPickProps) {
  const { book } = useBook();
  return (
    <Field label={label}>
      {(props) => (
        <Select {...props} value={value} onChange={(e) => onPick(e.target.value)}>
          <option value="">{empty}</option>
          {book.labels
            .filter((l) => !l.retired && which(l))
            .map((l) => (
              <option key={l.id} value={l.id}>
                {l.card.name}
              </option>
            ))}
        </Select>
      )}
    </Field>
  );
}
