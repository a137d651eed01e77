import type { FactsText } from "@/formats/facts";

/** What else is on record of an application, in a line. */
export const factsLine = (facts: FactsText): string =>
  [
    facts.started && (facts.ended ? `${facts.started} to ${facts.ended}` : `from ${facts.started}`),
    facts.target && `against ${facts.target}${facts.stage ? ` (${facts.stage})` : ""}`,
    facts.wind && `wind ${facts.wind}${facts.windFrom ? ` from ${facts.windFrom}` : ""}`,
    facts.air && `air ${facts.air}`,
    facts.sky,
    facts.turf,
    facts.rig,
    facts.mixedBy && `mixed by ${facts.mixedBy}`,
    facts.lot && `lot ${facts.lot}`,
    facts.watering && `watering: ${facts.watering}`,
    facts.reentry && `stay off until ${facts.reentry}`,
    facts.leftover && `leftover: ${facts.leftover}`,
    facts.restricted && "restricted use",
    facts.registration && `Reg. ${facts.registration}`,
    facts.certificate && `certificate ${[facts.certificate, facts.certifiedBy, facts.categories].filter(Boolean).join(", ")}`,
  ]
    .filter(Boolean)
    .join(" · ");
