"use client";

import { useState, type ReactNode } from "react";
import { foldedName } from "@/core/names";
import type { LabelEntry } from "@/formats/entries";
import { useLabels, useSite, useSlice } from "../data/records";
import { Input, Select } from "./controls";
import { Field } from "./field";

/** From so many on a list is searched, not scrolled (ours). */
const MANY = 12;

/** The entries of a long list that have what was typed in them; all of a short one. */
function useFound<T>(list: readonly T[], name: (one: T) => string): { found: readonly T[]; search: ReactNode } {
  const [typed, setTyped] = useState("");
  if (list.length <= MANY) return { found: list, search: null };
  const words = foldedName(typed).split(" ").filter(Boolean);
  const found = list.filter((one) => words.every((word) => foldedName(name(one)).includes(word)));
  const search = (
    <Input
      aria-label="Search the list below"
      type="search"
      placeholder={`search among ${list.length}`}
      value={typed}
      marginBottom="4px"
      onChange={(e) => setTyped(e.target.value)}
    />
  );
  return { found, search };
}

interface SitePickProps {
  readonly value: string | undefined;
  readonly onPick: (id: string) => void;
  readonly label?: string;
  readonly empty?: string;
  /** Sites that are not to be picked. */
  readonly without?: readonly string[];
}

/** One of the sites on record: a long list is searched in the records, not here. */
export function SitePick({ value, onPick, label = "Site", empty = "pick a site", without = [] }: SitePickProps) {
  const [typed, setTyped] = useState("");
  const first = useSlice("sites", {}).value;
  const searched = useSlice("sites", typed.trim() === "" ? null : { search: typed }).value;
  const chosen = useSite(value === "" ? undefined : value);
  const page = typed.trim() === "" ? first : searched;
  const found = (page?.rows ?? []).filter((s) => !without.includes(s.id));
  const long = first !== undefined && (first.next !== null || first.rows.length > MANY);
  const more = page?.next ? " or more" : "";
  return (
    <Field label={label}>
      {(props) => (
        <>
          {long && (
            <Input
              aria-label="Search the list below"
              type="search"
              placeholder="the beginning of its name"
              value={typed}
              marginBottom="4px"
              onChange={(e) => setTyped(e.target.value)}
            />
          )}
          <Select {...props} value={value ?? ""} onChange={(e) => onPick(e.target.value)}>
            <option value="">{long && page ? `${found.length}${more} found: pick one` : empty}</option>
            {chosen && !found.some((s) => s.id === chosen.id) && <option value={chosen.id}>{chosen.site.name}</option>}
            {found.map((s) => (
              <option key={s.id} value={s.id}>
                {s.site.name}
              </option>
            ))}
          </Select>
        </>
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
  const labels = useLabels();
  const { found, search } = useFound(
    labels.filter((l) => !l.retired && which(l)),
    (l) => `${l.card.name} ${l.card.actives.map((a) => a.name).join(" ")} ${l.card.use ?? ""}`,
  );
  const chosen = found.some((l) => l.id === value) ? undefined : labels.find((l) => l.id === value);
  return (
    <Field label={label}>
      {(props) => (
        <>
          {search}
          <Select {...props} value={value} onChange={(e) => onPick(e.target.value)}>
            <option value="">{search ? `${found.length} found: pick one` : empty}</option>
            {chosen && <option value={chosen.id}>{chosen.card.name}</option>}
            {found.map((l) => (
              <option key={l.id} value={l.id}>
                {l.card.name}
              </option>
            ))}
          </Select>
        </>
      )}
    </Field>
  );
}
