"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { UseFormReturn } from "react-hook-form";
import { areaAsRead } from "@/core/working/as-read";
import { areaRelative, type MeasuredBy } from "@/core/area/uncertainty";
import type { SiteForm } from "@/formats/forms/site";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useSlice } from "../data/records";
import { readTyped } from "@/formats/typed";
import { useSystem } from "../data/units";
import { Button, Note } from "../parts/controls";
import { BY_WORDS, plusMinus } from "./measured-words";

// Shapes, their reader and their drawing are fetched when somebody measures.
const Measure = dynamic(() => import("./measure").then((m) => m.Measure), { ssr: false });

interface ZoneProps {
  readonly form: UseFormReturn<SiteForm>;
  readonly site: string | undefined;
  readonly i: number;
}

/** How the area of a zone was measured, what it was taken for before, and a way to measure it. */
export function ZoneMeasured({ form, site, i }: ZoneProps) {
  const [open, setOpen] = useState(false);
  const { id = "", name = "", area = "", measured = "" } = form.watch(`zones.${i}`) ?? {};
  const by = byOf(measured);
  const typed = readTyped("zoneArea", area);
  return (
    <Box gridColumn="1 / -1">
      {by && typed.ok && (
        <Note>
          Measured {BY_WORDS[by][0]}, {plusMinus(areaRelative(by, typed.value.value))}. Type another area and it no longer counts
          as measured.
        </Note>
      )}
      <Button type="button" look="inline" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Leave the measuring" : by ? "Measure it again" : "Measure it: tape, strides, a plan"}
      </Button>
      {open && (
        <Measure
          of={`${site ?? "new"}.${id || i}`}
          name={name || `zone ${i + 1}`}
          onTake={(text, how) => {
            form.setValue(`zones.${i}.area`, text, { shouldValidate: true, shouldDirty: true });
            form.setValue(`zones.${i}.measured`, JSON.stringify(how), { shouldDirty: true });
            setOpen(false);
          }}
        />
      )}
      {id !== "" && <Before zone={id} />}
    </Box>
  );
}

function byOf(measured: string): MeasuredBy | undefined {
  try {
    return (JSON.parse(measured) as { by?: MeasuredBy }).by;
  } catch {
    return undefined;
  }
}

/** What a zone was taken for until it was measured again. */
function Before({ zone }: { zone: string }) {
  const system = useSystem();
  const before = useSlice("areasBefore", { zone }).value ?? [];
  if (before.length === 0) return null;
  return (
    <Note>
      Before:{" "}
      {before
        .map(({ area, by, until }) =>
          [areaAsRead(area, system), by && BY_WORDS[by][0], `until ${format(wallClock(until), "d MMM yyyy")}`]
            .filter(Boolean)
            .join(" "),
        )
        .join(" · ")}
    </Note>
  );
}
