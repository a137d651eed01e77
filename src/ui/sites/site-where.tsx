"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import { valueIn } from "@/core/quantity/quantity";
import type { SitesAsked } from "@/formats/slices";
import { readTyped } from "@/formats/typed";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";

export type Where = Omit<SitesAsked, "search">;

const TEXTS = [
  ["turf", "With the turf", "ryegrass"],
  ["rules", "Under the rules of", "the county"],
  ["idleSince", "Nothing down since", ""],
] as const;

const AREAS = [
  ["least", "No smaller than"],
  ["most", "No larger than"],
] as const;

/** Which sites are listed: by turf, by whose rules hold, by area, by how long nothing went down. */
export function SiteWhere({ where, set }: { where: Where; set: (where: Where) => void }) {
  const change = <K extends keyof Where>(key: K, value: Where[K] | undefined) => {
    const { [key]: _, ...rest } = where;
    set(value === undefined ? rest : { ...rest, [key]: value });
  };
  return (
    <Fold title="By turf, local rules, area, or how long nothing went down" begun={Object.keys(where).length > 0}>
      <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }} paddingY="6px">
        {TEXTS.map(([key, label, example]) => (
          <TextField
            key={key}
            label={label}
            {...(key === "idleSince" ? { type: "date" } : { placeholder: example, list: key === "turf" ? "turfs" : undefined })}
            value={where[key] ?? ""}
            onChange={(e) => change(key, e.target.value.trim() === "" ? undefined : e.target.value.trim())}
          />
        ))}
        {AREAS.map(([key, label]) => (
          <AreaFind key={key} label={label} set={(m2) => change(key, m2)} />
        ))}
      </Box>
    </Fold>
  );
}

/** An area that is looked for: it counts as soon as it can be read. */
function AreaFind({ label, set }: { label: string; set: (m2: number | undefined) => void }) {
  const [typed, setTyped] = useState("");
  const read = typed.trim() === "" ? undefined : readTyped("zoneArea", typed);
  return (
    <TextField
      label={label}
      placeholder="5,000 ft2"
      quantity="zoneArea"
      value={typed}
      error={read && !read.ok ? wordsFor(read.issues[0]!) : undefined}
      onChange={(e) => {
        setTyped(e.target.value);
        const next = readTyped("zoneArea", e.target.value);
        set(next.ok ? valueIn(next.value.value, "m2") : undefined);
      }}
    />
  );
}
