"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { useFieldArray, type UseFormReturn } from "react-hook-form";
import { GROUNDS } from "@/core/calibration/evidence";
import type { Field as Quantified } from "@/core/quantity/ranges";
import { slipsOfPressure } from "@/core/slips/of-reading";
import type { RigForm } from "@/formats/forms/rig";
import { readTyped } from "@/formats/typed";
import { useTips } from "../data/records";
import { useInHand } from "../data/in-hand";
import { Button, Note, Select } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { errorAt } from "../parts/keeper";
import { SlipAsk } from "../parts/slip-ask";
import { hoseHolds } from "./hose-holds";
import { HeadFields } from "./head-fields";
import { KeptFor } from "./kept-for";
import { Cups, Tools } from "./kit-fields";
import { Pair } from "./pair";
import { Setups } from "./setup-fields";
import { Column } from "../parts/layout";
import { RIG_KINDS, rigRules, type RigKind } from "@/rig-kinds/rules";
import { FACES } from "@/rig-kinds/faces";

type Form = UseFormReturn<RigForm>;
type TextKey = {
  [K in keyof RigForm]: RigForm[K] extends string ? K : never;
}[keyof RigForm];

/** The fields that hold a quantity, by the field that says its unit. */
const QUANTITIES: Partial<Record<TextKey, Quantified>> = {
  spacing: "spacing",
  pressure: "pressure",
  mostPressure: "pressure",
  swath: "swath",
  hoseDiameter: "hoseDiameter",
  hoseLength: "hoseLength",
};

/** A plain field of the rig's form. */
function Line({
  form,
  name,
  label,
  example,
  hint,
}: {
  form: Form;
  name: TextKey;
  label: string;
  example?: string;
  hint?: string;
}) {
  return (
    <TextField
      label={label}
      placeholder={example}
      {...(hint !== undefined && { hint })}
      {...(name in QUANTITIES && { quantity: QUANTITIES[name]! })}
      error={errorAt(form, name)}
      {...form.register(name)}
    />
  );
}

/** A part of the form that most rigs leave empty: closed until it is wanted. */
function Part({ title, open = false, children }: { title: string; open?: boolean; children: ReactNode }) {
  return (
    <chakra.details open={open} borderTop="1px solid" borderColor="line" paddingTop="4px">
      <chakra.summary cursor="pointer" fontWeight="700" minHeight="44px" display="flex" alignItems="center">
        ▸ {title}
      </chakra.summary>
      <Column paddingBottom="12px">{children}</Column>
    </chakra.details>
  );
}

/** Everything that a calibration depends on. */
export function RigFields({ form }: { form: Form }) {
  const kind = form.watch("kind") as RigKind;
  const boom = rigRules(kind).spaced;
  const { register } = form;
  return (
    <>
      <TextField label="Name" placeholder="Blue backpack" error={errorAt(form, "name")} {...register("name")} />
      <Field label="Kind">
        {(props) => (
          <Select {...props} {...register("kind")}>
            {RIG_KINDS.map((one) => (
              <option key={one} value={one}>
                {FACES[one].word}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Tanks form={form} jar={rigRules(kind).head} />
      {rigRules(kind).head && <HeadFields form={form} />}
      <Pair>
        <TextField label="Outlets" inputMode="numeric" error={errorAt(form, "outlets")} {...register("outlets")} />
        {boom && <Line form={form} name="spacing" label="Spacing" example="20 in" />}
        <Line form={form} name="tipSize" label="Tip size" example="025" />
        <Line form={form} name="pressure" label="Pressure at the tip" example="40 psi" hint="read while spraying" />
      </Pair>
      <PressureSlip form={form} />
      <ChartPick form={form} />
      <Part title="Setups: other tips, pressures, nozzle settings" open={form.getValues("setups").length > 0}>
        <Setups form={form} />
      </Part>
      <Part title="Hose and pump">
        <Pair>
          <Line form={form} name="hoseDiameter" label="Hose, inside" example="0.5 in" />
          <Line form={form} name="hoseLength" label="Hose length" example="300 ft" />
        </Pair>
        <HoldUp form={form} />
        <Pair>
          <Line form={form} name="pump" label="Pump" example="diaphragm, 12 V" />
          <Line form={form} name="regulator" label="Regulator" example="set at the manifold" />
          <Line form={form} name="mostPressure" label="Pump gives at most" example="60 psi" />
          <Line
            form={form}
            name="pumpServiced"
            label="Pump serviced"
            example="2026-04-14"
            hint="a service puts calibrations out of date"
          />
        </Pair>
      </Part>
      <Part title="Held constant in work">
        <Pair>
          <Line form={form} name="nozzle" label="Nozzle setting" example="cone, two turns open" hint="of an adjustable nozzle" />
          <Line form={form} name="height" label="Height" example="20 in" />
          <Line form={form} name="swath" label="Swath, measured" example="5 ft" hint="how far passes lie apart" />
          <Line form={form} name="engineSpeed" label="Engine speed" example="2,800 rpm" />
          <Line form={form} name="gear" label="Gear" example="2 low" />
          <Line form={form} name="throttle" label="Throttle stop" example="third notch" />
          <Line form={form} name="sections" label="Boom sections on" example="all three" />
          <Line form={form} name="strokes" label="Pump strokes" example="20, again each minute" hint="of a hand can" />
          <Field label="Ground it works on">
            {(props) => (
              <Select {...props} {...register("ground")}>
                <option value="">not noted</option>
                {GROUNDS.map((ground) => (
                  <option key={ground}>{ground}</option>
                ))}
              </Select>
            )}
          </Field>
        </Pair>
        <Note>Change any of these and the calibrations made before it are out of date, by name.</Note>
        <Line form={form} name="dedication" label="Kept for" example="the greens" hint="in words: one turf class, one site" />
        <KeptFor form={form} />
      </Part>
      <Part title="Measuring kit" open={form.getValues("scales").length + form.getValues("vessels").length > 0}>
        <Tools
          form={form}
          of="vessels"
          title="Vessels"
          mark="Marks of"
          holds="Holds"
          blank={{ name: "", graduation: "", capacity: "" }}
        />
        <Tools
          form={form}
          of="scales"
          title="Scales"
          mark="Steps of"
          holds="Weighs to"
          blank={{ name: "", step: "", capacity: "" }}
        />
        <Cups form={form} />
      </Part>
    </>
  );
}

function Tanks({ form, jar }: { form: Form; jar: boolean }) {
  const tanks = useFieldArray({ control: form.control, name: "tanks" });
  const { register } = form;
  return (
    <>
      {tanks.fields.map((tank, i) => (
        <Box
          key={tank.id}
          as="fieldset"
          border="1px solid"
          borderColor="line"
          padding="10px 12px 14px"
          display="grid"
          gap="12px"
          gridTemplateColumns="1fr 1fr"
        >
          <Box as="legend" textStyle="label" paddingX="6px">
            {jar ? "Jar" : "Tank"} {tanks.fields.length > 1 ? i + 1 : ""}
          </Box>
          {tanks.fields.length > 1 && (
            <TextField label="Tank name" error={errorAt(form, `tanks.${i}.name`)} {...register(`tanks.${i}.name`)} />
          )}
          {tanks.fields.length > 1 && (
            <Box alignSelf="end">
              <Button type="button" look="quiet" onClick={() => tanks.remove(i)}>
                Remove
              </Button>
            </Box>
          )}
          <TextField
            label="Usable volume"
            placeholder={jar ? "32 fl oz" : "4 gal"}
            inputMode="text"
            quantity="usable"
            error={errorAt(form, `tanks.${i}.usable`)}
            {...register(`tanks.${i}.usable`)}
          />
          {!jar && (
            <TextField
              label="Holds to the brim"
              placeholder="4.5 gal"
              hint="may stay empty"
              quantity="usable"
              error={errorAt(form, `tanks.${i}.capacity`)}
              {...register(`tanks.${i}.capacity`)}
            />
          )}
          {!jar && (
            <TextField
              label="Least mix"
              placeholder="0.5 gal"
              hint="what the pump can agitate"
              quantity="leastMix"
              error={errorAt(form, `tanks.${i}.leastMix`)}
              {...register(`tanks.${i}.leastMix`)}
            />
          )}
        </Box>
      ))}
      {!jar && tanks.fields.length < 2 && (
        <Button
          type="button"
          look="quiet"
          justifySelf="start"
          onClick={() => tanks.append({ name: "second", usable: "", capacity: "", leastMix: "" })}
        >
          Add a second tank
        </Button>
      )}
    </>
  );
}

function ChartPick({ form }: { form: Form }) {
  const tips = useTips();
  const size = form.watch("tipSize").trim();
  const fitting = tips.filter((t) => !t.retired && t.tip.size === size);
  if (fitting.length === 0) return null;
  return (
    <Field label="Chart of the tip">
      {(props) => (
        <Select {...props} {...form.register("chart")}>
          <option value="">none: the square-root law alone</option>
          {fitting.map((t) => (
            <option key={t.id} value={t.tip.name}>
              {t.tip.name}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

/** What stays in the hose: it matters after a change of product and at the end of the day. */
function HoldUp({ form }: { form: Form }) {
  const { system } = useInHand();
  const held = hoseHolds(form.watch("hoseDiameter"), form.watch("hoseLength"), system);
  if (!held) return null;
  return <Note>The hose holds {held}: the first site after a change of product gets the old one.</Note>;
}

/** A pressure that no tip works at: psi typed for bar, or the other way round. */
function PressureSlip({ form }: { form: UseFormReturn<RigForm> }) {
  const typed = form.watch("pressure");
  const read = typed === "" ? undefined : readTyped("pressure", typed);
  return (
    <SlipAsk
      field="pressure"
      typed={typed}
      slips={read?.ok ? slipsOfPressure(read.value) : []}
      onTake={(pressure) => form.setValue("pressure", pressure, { shouldValidate: true, shouldDirty: true })}
    />
  );
}
