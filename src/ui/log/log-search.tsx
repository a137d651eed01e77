"use client";

import { Box } from "@chakra-ui/react";
import { RESTRICTED_USE } from "@/formats/card/card";
import type { LogAsked } from "@/formats/slices";
import { useLabels, usePeople, useRigs } from "../data/records";
import { Check, Choose, type Option } from "../parts/choose";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { ShelfPick, SitePick } from "../parts/pickers";

interface SearchProps {
  readonly asked: LogAsked;
  readonly set: (asked: LogAsked) => void;
}

/** What is looked for in the log: all of it holds together. */
export function LogSearch({ asked, set }: SearchProps) {
  const people = usePeople();
  const rigs = useRigs();
  const labels = useLabels();
  const actives = [...new Set(labels.flatMap((label) => label.card.actives.map((active) => active.name)))].sort();
  const change = (next: LogAsked) =>
    set(Object.fromEntries(Object.entries({ ...asked, ...next }).filter(([, value]) => value !== "" && value !== false)));
  return (
    <>
      <Box display="grid" gap="12px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }} marginTop="8px">
        <SitePick label="Only this site" empty="every site" value={asked.site ?? ""} onPick={(site) => change({ site })} />
        <ShelfPick
          label="Only this product"
          empty="every product"
          value={asked.label ?? ""}
          onPick={(label) => change({ label })}
        />
      </Box>
      <Fold
        title="More: who, which rig, what active, which days, restricted use"
        begun={["person", "rig", "active", "from", "to", "restricted"].some((key) => key in asked)}
      >
        <Box display="grid" gap="12px" gridTemplateColumns={{ base: "1fr 1fr", md: "1fr 1fr" }} paddingTop="8px">
          <Choose
            label="Put down by"
            value={asked.person ?? ""}
            options={[["", "everybody"], ...people.map((p): Option => [p.id, p.name])]}
            onPick={(person) => change({ person })}
          />
          <Choose
            label="With the rig"
            value={asked.rig ?? ""}
            options={[["", "every rig"], ...rigs.map(({ rig }): Option => [rig.name, rig.name])]}
            onPick={(rig) => change({ rig })}
          />
          <Choose
            label="With the active"
            value={asked.active ?? ""}
            options={[["", "every active"], ...actives.map((name): Option => [name, name])]}
            onPick={(active) => change({ active })}
          />
          <TextField label="From" type="date" value={asked.from ?? ""} onChange={(e) => change({ from: e.target.value })} />
          <TextField label="To" type="date" value={asked.to ?? ""} onChange={(e) => change({ to: e.target.value })} />
          {labels.some((label) => label.card.restricted === RESTRICTED_USE) && (
            <Check checked={asked.restricted === true} onChange={(e) => change({ restricted: e.target.checked })}>
              Restricted use only
            </Check>
          )}
        </Box>
      </Fold>
    </>
  );
}
