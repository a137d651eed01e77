"use client";

import { Box } from "@chakra-ui/react";
import type { UseFormReturn } from "react-hook-form";
import type { SiteForm } from "@/formats/forms/site";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";
import { Select } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { errorAt } from "../parts/keeper";

const FACTS = [
  ["minding", "Kids, pets, bees", "children, a dog; bees along the hedge; pond"],
  ["access", "Getting in", "gate code, tap behind the shed"],
  ["notes", "Notes", "the hedge is cut in March"],
] as const;

const PLACES = [
  ["gate", "The gate is at"],
  ["tap", "The tap is at"],
] as const;

interface SiteProps {
  readonly form: UseFormReturn<SiteForm>;
  /** Since when the notes stand as they do. */
  readonly noted: string | null | undefined;
}

/** Who or what must be minded there, how one gets in, and who gives the water: said in every mix for it. */
export function SiteFacts({ form, noted }: SiteProps) {
  const begun =
    FACTS.some(([key]) => form.getValues(key)) ||
    !!form.getValues("waters") ||
    !!form.getValues("tapFlow") ||
    PLACES.some(([key]) => form.getValues(key));
  return (
    <Fold title="Children, pets, bees; gate and tap; who waters; notes" begun={begun}>
      <Box display="grid" gap="10px" paddingTop="6px">
        {FACTS.map(([key, label, example]) => (
          <TextField
            key={key}
            label={label}
            placeholder={example}
            {...(key === "notes" && noted && { hint: `since ${format(wallClock(noted), "d MMM yyyy")}` })}
            error={errorAt(form, key)}
            {...form.register(key)}
          />
        ))}
        <Box {...TWO}>
          <Field label="Who waters" error={errorAt(form, "waters")}>
            {(props) => (
              <Select {...props} {...form.register("waters")}>
                <option value="">not said</option>
                <option value="client">the client</option>
                <option value="firm">we do</option>
              </Select>
            )}
          </Field>
          <TextField
            label="Its tap or hydrant gives"
            placeholder="12 gal/min"
            hint="a bucket and a watch tell it"
            quantity="tapFlow"
            error={errorAt(form, "tapFlow")}
            {...form.register("tapFlow")}
          />
          {PLACES.map(([key, label]) => (
            <TextField
              key={key}
              label={label}
              placeholder="41.88321, -87.61231"
              hint="latitude, longitude; or mark it on the plan"
              error={errorAt(form, key)}
              {...form.register(key)}
            />
          ))}
        </Box>
      </Box>
    </Fold>
  );
}

/** How a zone is watered, walked and mown. */
export function ZoneFacts({ form, i }: { form: UseFormReturn<SiteForm>; i: number }) {
  const path = `zones.${i}` as const;
  const begun = (["irrigation", "lies", "height", "mowed"] as const).some((key) => form.getValues(`${path}.${key}`));
  const of = (label: string) => (i === 0 ? label : `${label} (${i + 1})`);
  return (
    <Box gridColumn="1 / -1">
      <Fold title="Irrigation, kind of ground, mowing" begun={begun}>
        <Box {...TWO} paddingTop="6px">
          <TextField
            label={of("Its irrigation lays down")}
            placeholder="0.5 in/h"
            hint="catch cans for an hour tell it"
            quantity="irrigation"
            error={errorAt(form, `${path}.irrigation`)}
            {...form.register(`${path}.irrigation`)}
          />
          <Field label={of("Kind of ground")} hint="which pace applies" error={errorAt(form, `${path}.lies`)}>
            {(props) => (
              <Select {...props} {...form.register(`${path}.lies`)}>
                <option value="">not said</option>
                <option value="turf">even turf</option>
                <option value="rough">rough, or among obstacles</option>
              </Select>
            )}
          </Field>
          <TextField
            label={of("Stands at")}
            placeholder="3 in"
            quantity="mowing"
            error={errorAt(form, `${path}.height`)}
            {...form.register(`${path}.height`)}
          />
          <TextField
            type="date"
            label={of("Mowed on")}
            error={errorAt(form, `${path}.mowed`)}
            {...form.register(`${path}.mowed`)}
          />
        </Box>
      </Fold>
    </Box>
  );
}

const TWO = { display: "grid", gap: "10px", gridTemplateColumns: "1fr 1fr" } as const;
