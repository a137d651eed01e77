"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useFieldArray, type UseFormReturn } from "react-hook-form";
import { DROPLETS, ISO_TIPS, ratedFlow, tipFlow } from "@/core/calibration/tips";
import { given } from "@/core/working/rule";
import { read, System } from "@/core/working/units";
import { readTyped } from "@/formats/typed";
import { useSystem } from "../data/units";
import type { TipForm } from "@/formats/forms/tip";
import { tipFormOf } from "@/formats/forms/tip-form-of";
import { useTips } from "../data/records";
import { useOpen } from "../data/addressed";
import { useInHand } from "../data/in-hand";
import { Button, Note, Select } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { Archive, errorAt, KeptForm, Listed } from "../parts/keeper";

/** Tips with their charts: what each gives at each pressure, and in which drops. */
export function Tips() {
  const tips = useTips();
  const system = useSystem();
  const { id, adding, open, add, close } = useOpen("tip");
  const entry = tips.find((t) => t.id === id);
  return (
    <Box as="section" aria-label="Tips">
      <Row justifyContent="space-between" borderBottom="2px solid" borderColor="ink" paddingBottom="4px">
        <chakra.h2 textStyle="strong">{entry ? `Change ${entry.tip.name}` : adding ? "Add a tip" : "Tips"}</chakra.h2>
        {!entry && !adding && <Button onClick={add}>+ Tip</Button>}
      </Row>
      {entry || adding ? (
        <Column marginTop="12px" gap="16px">
          <Note>
            Without a chart a size flows by the square-root law from its rating at {system === "us" ? "40 psi" : "3 bar"}. A chart
            adds the maker&apos;s flows, the pressures that the tip works at, and its drops.
          </Note>
          <KeptForm
            key={entry?.id ?? "new"}
            kind="tips"
            what="tip"
            schema={() => import("@/formats/forms/tip").then((forms) => forms.tipForm)}
            blank={tipFormOf()}
            editing={entry && { id: entry.id, revision: entry.revision, form: tipFormOf(entry.tip) }}
            onDone={close}
          >
            {(form) => <TipFields form={form} />}
          </KeptForm>
          {entry && (
            <Box>
              <Archive kind="tips" id={entry.id} name={entry.tip.name} retired={entry.retired} onDone={close} />
            </Box>
          )}
        </Column>
      ) : (
        <Listed
          kind="tips"
          what="tip"
          onOpen={open}
          entries={tips.map((t) => ({ id: t.id, retired: t.retired, name: t.tip.name, about: tipLine(t.tip) }))}
        />
      )}
    </Box>
  );
}

function tipLine(tip: { size: string; angle?: number; rows: readonly { pressure: string; droplet?: string }[] }): string {
  const colour = ISO_TIPS.find((t) => t.size === tip.size)?.colour;
  const [first, last] = [tip.rows[0]!, tip.rows.at(-1)!];
  const drops = [...new Set([first.droplet, last.droplet].filter(Boolean))].join(" to ");
  return [
    `size ${tip.size}`,
    colour && `ISO ${colour}`,
    tip.angle && `${tip.angle}°`,
    `${first.pressure} to ${last.pressure}`,
    drops,
  ]
    .filter(Boolean)
    .join(" · ");
}

function TipFields({ form }: { form: UseFormReturn<TipForm> }) {
  const rows = useFieldArray({ control: form.control, name: "rows" });
  const system = useSystem();
  const { register } = form;
  return (
    <>
      <Box display="grid" gap="12px" gridTemplateColumns="1.6fr 1fr 1fr">
        <TextField label="Tip" placeholder="Fan 110, size 03" error={errorAt(form, "name")} {...register("name")} />
        <TextField label="Size" placeholder="03" error={errorAt(form, "size")} {...register("size")} />
        <TextField label="Angle" placeholder="110" hint="degrees" error={errorAt(form, "angle")} {...register("angle")} />
      </Box>
      {rows.fields.map((row, i) => (
        <Box key={row.id} display="grid" gap="8px" gridTemplateColumns="1fr 1fr 1.3fr auto" alignItems="start">
          <TextField
            label="At"
            placeholder="40 psi"
            quantity="pressure"
            hint=""
            error={errorAt(form, `rows.${i}.pressure`)}
            {...register(`rows.${i}.pressure`)}
          />
          <TextField
            label="Flow"
            placeholder="0.3 gal/min"
            quantity="tipFlow"
            error={errorAt(form, `rows.${i}.flow`)}
            hint={lawHint(form.watch("size"), form.watch(`rows.${i}.pressure`), system)}
            {...register(`rows.${i}.flow`)}
          />
          <Field label="Drops">
            {(props) => (
              <Select {...props} {...register(`rows.${i}.droplet`)}>
                <option value="">not said</option>
                {DROPLETS.map((droplet) => (
                  <option key={droplet}>{droplet}</option>
                ))}
              </Select>
            )}
          </Field>
          <Button
            type="button"
            look="quiet"
            marginTop="24px"
            aria-label={`Take line ${i + 1} out`}
            disabled={rows.fields.length === 1}
            onClick={() => rows.remove(i)}
          >
            ✕
          </Button>
        </Box>
      ))}
      <Button type="button" look="quiet" justifySelf="start" onClick={() => rows.append({ pressure: "", flow: "", droplet: "" })}>
        Add a line of the chart
      </Button>
      <Worn />
    </>
  );
}

/** What the square-root law gives there: a chart that is far from it was misread. */
function lawHint(size: string, pressure: string, system: System): string | undefined {
  const at = readTyped("pressure", pressure);
  if (!at.ok || !ratedFlow(size.trim())) return undefined;
  return `by the law ${read(tipFlow(size.trim(), given(at.value, "pressure"), 1).value, "flow", system)}`;
}

function Worn() {
  const { system } = useInHand();
  return (
    <Note>
      Beyond ±10 % of its rated flow at the working pressure a tip is worn or blocked: the boom check in Calibrate compares each
      outlet
      {system === "metric" ? " (ISO sizes are rated at 3 bar)." : " (sizes are rated at 40 psi)."}
    </Note>
  );
}
