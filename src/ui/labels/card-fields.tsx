"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useFieldArray, type Path, type UseFormReturn } from "react-hook-form";
import { FORMULATIONS } from "@/core/mixing/pouring-order";
import { slipsOfName } from "@/core/slips/of-name";
import type { Slip } from "@/core/slips/slip";
import { amountField, rateField } from "@/core/quantity/ranges";
import { DEGREES, type FieldUnits } from "@/core/quantity/typed";
import { useSystem } from "../data/units";
import { GEAR, ROW_KEYS, ROW_WORDS } from "@/formats/card/card";
import { cardSlips } from "@/formats/card/card-slips";
import { CARD_GROUPS, CARD_FIELDS, type CardField, type ScalarKey } from "@/formats/card/fields";
import { BLANK_LIMIT, BLANK_RATE, type CardForm } from "@/formats/forms/card-form-of";
import { useCurrency, useLabels } from "../data/records";
import { Button, Select, SubHeading } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { errorAt } from "../parts/keeper";
import { SlipAsk } from "../parts/slip-ask";
import { rateWords } from "./words";
import { Column } from "../parts/layout";
import { Check } from "../parts/choose";

interface FieldsProps {
  readonly form: UseFormReturn<CardForm>;
}

const TWO = { base: "minmax(0,1fr)", md: "1fr 1fr" } as const;
const THREE = { base: "1fr 1fr", md: "1fr 1fr 1fr" } as const;
/** What nearly every label says stands open; the rest is a press away. */
const OPEN: readonly ScalarKey[] = ["formulation", "use", "registration", "signalWord", "carrierAtLeast"];

/** The fields of a card, in the order in which a label is read. */
export function CardFields({ form }: FieldsProps) {
  const { register } = form;
  const dry = form.watch("form") !== "liquid";
  const labels = useLabels();
  const system = useSystem();
  const slips = cardSlips(
    form.watch(),
    labels.map(({ card }) => card),
    system,
  );
  // What was typed is judged anew by the form it is of; what is still empty is left in peace.
  const again = () =>
    void form.trigger((["rates", "packages", "limits"] as const).filter((name) => hasText(form.getValues(name))));
  return (
    <>
      <TextField label="Product" placeholder="as on the label" error={errorAt(form, "name")} {...register("name")} />
      <Box display="grid" gap="12px" gridTemplateColumns={THREE}>
        <Field label="Measured" error={errorAt(form, "form")}>
          {(props) => (
            <Select {...props} {...register("form", { onChange: again })}>
              <option value="dry">dry, by weight</option>
              <option value="liquid">liquid, by volume</option>
            </Select>
          )}
        </Field>
        <TextField
          label="Formulation"
          placeholder={dry ? "WG" : "SC"}
          list="formulations"
          error={errorAt(form, "formulation")}
          {...register("formulation")}
        />
        <Scalar form={form} field={fieldOf("use")} />
      </Box>
      <datalist id="formulations">
        {Object.entries(FORMULATIONS).map(([code, { name }]) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </datalist>
      <Actives form={form} dry={dry} />
      <Rates form={form} dry={dry} slips={slips} />
      <Limits form={form} dry={dry} slips={slips} />
      <Box display="grid" gap="12px" gridTemplateColumns={THREE}>
        <Scalar form={form} field={fieldOf("carrierAtLeast")} />
        <Scalar form={form} field={fieldOf("signalWord")} />
        <Scalar form={form} field={fieldOf("registration")} />
      </Box>
      <Packages form={form} dry={dry} />
      <Gear form={form} />
      {CARD_GROUPS.map((group) => {
        const fields = group.fields.filter((f) => !OPEN.includes(f.key));
        const told = fields.filter((f) => (form.watch(f.key) ?? "") !== "").length;
        const faulty = fields.some((f) => errorAt(form, f.key));
        return (
          <Fold
            key={group.title}
            strong
            must={faulty}
            title={
              <>
                {group.title}
                {told > 0 && <chakra.span fontWeight="400"> · {told} noted</chakra.span>}
              </>
            }
          >
            <Box display="grid" gap="12px" gridTemplateColumns={TWO} paddingBottom="14px">
              {fields.map((field) => (
                <Scalar key={field.key} form={form} field={field} />
              ))}
            </Box>
          </Fold>
        );
      })}
    </>
  );
}

const PERCENT: FieldUnits = { us: "%", metric: "%" };
const hasText = (rows: readonly object[]) => rows.some((row) => Object.values(row).some((text) => text !== ""));
const fieldOf = (key: ScalarKey): CardField => CARD_FIELDS.find((f) => f.key === key)!;

function Scalar({ form, field }: FieldsProps & { field: CardField }) {
  const { key, label, check, example, metric } = field;
  const system = useSystem();
  const error = errorAt(form, key);
  if (check.of === "choice")
    return (
      <Field label={label} error={error}>
        {(props) => (
          <Select {...props} {...form.register(key)}>
            <option value="">not said</option>
            {check.choices.map((choice) => (
              <option key={choice}>{choice}</option>
            ))}
          </Select>
        )}
      </Field>
    );
  return (
    <TextField
      label={label}
      error={error}
      placeholder={system === "metric" ? (metric ?? example) : example}
      quantity={check.of === "quantity" ? check.units : check.of === "temperature" ? DEGREES : undefined}
      {...form.register(key)}
    />
  );
}

function Actives({ form, dry }: FieldsProps & { dry: boolean }) {
  const rows = useFieldArray({ control: form.control, name: "actives" });
  const labels = useLabels();
  const system = useSystem();
  const known = [...new Set(labels.flatMap((l) => l.card.actives.map((a) => a.name)))];
  return (
    <Column gap="10px">
      {rows.fields.map((row, i) => (
        <Box key={row.id} display="grid" gap="12px" gridTemplateColumns={TWO}>
          <TextField
            label={i === 0 ? "Active" : `Active ${i + 1}`}
            placeholder="as on the label"
            list="known-actives"
            error={errorAt(form, `actives.${i}.name`)}
            {...form.register(`actives.${i}.name`)}
          />
          <TextField
            label={i === 0 ? "In the product" : `Active ${i + 1}, in the product`}
            quantity={PERCENT}
            placeholder={dry ? "40 %" : system === "us" ? "4 lb/gal, or 22 %" : "480 g/L, or 22 %"}
            error={errorAt(form, `actives.${i}.content`)}
            {...form.register(`actives.${i}.content`)}
          />
          <Box gridColumn="1 / -1" _empty={{ display: "none" }}>
            <SlipAsk
              field={`actives[${i}].name`}
              typed={form.watch(`actives.${i}.name`)}
              slips={slipsOfName(form.watch(`actives.${i}.name`), known)}
              onTake={(name) => form.setValue(`actives.${i}.name`, name, { shouldDirty: true })}
            />
          </Box>
        </Box>
      ))}
      <datalist id="known-actives">
        {known.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <Button type="button" look="quiet" justifySelf="start" onClick={() => rows.append({ name: "", content: "" })}>
        Another active
      </Button>
    </Column>
  );
}

function Slips({
  form,
  place,
  path,
  slips,
}: FieldsProps & { place: string; path: Path<CardForm>; slips: Record<string, Slip[]> }) {
  return (
    <SlipAsk
      field={place}
      typed={String(form.watch(path))}
      slips={slips[place] ?? []}
      words={rateWords}
      onTake={(text) => form.setValue(path, text as never, { shouldValidate: true, shouldDirty: true })}
    />
  );
}

function Rates({ form, dry, slips }: FieldsProps & { dry: boolean; slips: Record<string, Slip[]> }) {
  const rows = useFieldArray({ control: form.control, name: "rates" });
  return (
    <Column gap="10px">
      <SubHeading>Rates</SubHeading>
      {rows.fields.map((row, i) => {
        const said = ROW_KEYS.some((key) => (form.watch(`rates.${i}.${key}`) ?? "") !== "");
        return (
          <Column key={row.id} gap="8px">
            <Box display="grid" gap="12px" gridTemplateColumns={TWO}>
              <TextField
                label={i === 0 ? "Label rate" : `Label rate ${i + 1}`}
                placeholder={dry ? "0.2 oz/1000 ft2" : "1.5 fl oz/1000 ft2"}
                quantity={rateField(dry ? "dry" : "liquid")}
                error={errorAt(form, `rates.${i}.rate`)}
                {...form.register(`rates.${i}.rate`)}
              />
              <TextField
                label={i === 0 ? "to" : `Label rate ${i + 1}, to`}
                placeholder="the upper end"
                quantity={rateField(dry ? "dry" : "liquid")}
                hint="where it is a range"
                error={errorAt(form, `rates.${i}.to`)}
                {...form.register(`rates.${i}.to`)}
              />
            </Box>
            <Slips form={form} place={`rates[${i}].rate`} path={`rates.${i}.rate`} slips={slips} />
            <Slips form={form} place={`rates[${i}].to`} path={`rates.${i}.to`} slips={slips} />
            <Fold title="For which use, turf, season …" begun={said || rows.fields.length > 1}>
              <Box display="grid" gap="10px" gridTemplateColumns={THREE} paddingTop="6px">
                {ROW_KEYS.map((key) => (
                  <TextField
                    key={key}
                    label={`${ROW_WORDS[key]}${i === 0 ? "" : ` ${i + 1}`}`}
                    error={errorAt(form, `rates.${i}.${key}`)}
                    {...form.register(`rates.${i}.${key}`)}
                  />
                ))}
              </Box>
            </Fold>
          </Column>
        );
      })}
      <Button type="button" look="quiet" justifySelf="start" onClick={() => rows.append(BLANK_RATE)}>
        Another row of the rates
      </Button>
    </Column>
  );
}

function Limits({ form, dry, slips }: FieldsProps & { dry: boolean; slips: Record<string, Slip[]> }) {
  const rows = useFieldArray({ control: form.control, name: "limits" });
  return (
    <Column gap="10px">
      <SubHeading>Never more than</SubHeading>
      {rows.fields.map((row, i) => {
        const n = i === 0 ? "" : ` ${i + 1}`;
        const text = (key: keyof typeof BLANK_LIMIT, label: string, placeholder: string) => (
          <TextField
            label={label + n}
            placeholder={placeholder}
            quantity={key === "perApplication" || key === "perYear" ? rateField(dry ? "dry" : "liquid") : undefined}
            error={errorAt(form, `limits.${i}.${key}`)}
            {...form.register(`limits.${i}.${key}`)}
          />
        );
        return (
          <Column key={row.id} gap="8px">
            <Box display="grid" gap="12px" gridTemplateColumns={THREE}>
              {text("perApplication", "Most at once", "0.4 oz/1000 ft2")}
              {text("perYear", "Most a year", "0.8 oz/1000 ft2")}
              {text("applicationsPerYear", "Applications a year", "2")}
              {text("intervalAtLeast", "Days between", "35 days")}
              {text("intervalAtMost", "but at most", "10 weeks")}
              <Field label={`The year${n}`} error={errorAt(form, `limits.${i}.yearKind`)}>
                {(props) => (
                  <Select {...props} {...form.register(`limits.${i}.yearKind`)}>
                    <option value="">calendar, as usual</option>
                    <option value="calendar">calendar year</option>
                    <option value="rolling">any 12 months</option>
                  </Select>
                )}
              </Field>
              {text("turf", "Only on turf", "any")}
              {text("jurisdiction", "Only in", "anywhere")}
            </Box>
            <Slips form={form} place={`limits[${i}].perApplication`} path={`limits.${i}.perApplication`} slips={slips} />
            <Slips form={form} place={`limits[${i}].perYear`} path={`limits.${i}.perYear`} slips={slips} />
          </Column>
        );
      })}
      <Button type="button" look="quiet" justifySelf="start" onClick={() => rows.append(BLANK_LIMIT)}>
        Another row of limits
      </Button>
    </Column>
  );
}

function Packages({ form, dry }: FieldsProps & { dry: boolean }) {
  const rows = useFieldArray({ control: form.control, name: "packages" });
  const currency = useCurrency();
  return (
    <Column gap="10px">
      {rows.fields.map((row, i) => (
        <Box key={row.id} display="grid" gap="12px" gridTemplateColumns={TWO}>
          <TextField
            label={i === 0 ? "Package of" : `Package ${i + 1}`}
            placeholder={dry ? "80 oz" : "64 fl oz"}
            quantity={amountField(dry ? "dry" : "liquid")}
            error={errorAt(form, `packages.${i}.content`)}
            {...form.register(`packages.${i}.content`)}
          />
          <TextField
            label={i === 0 ? `Price, ${currency}` : `Price ${i + 1}, ${currency}`}
            placeholder="64"
            inputMode="decimal"
            error={errorAt(form, `packages.${i}.price`)}
            {...form.register(`packages.${i}.price`)}
          />
        </Box>
      ))}
      <Button type="button" look="quiet" justifySelf="start" onClick={() => rows.append({ content: "", price: "" })}>
        Another package
      </Button>
    </Column>
  );
}

/** What is worn: ticked, with its type beside it. Sunglasses aren't goggles. */
function Gear({ form }: FieldsProps) {
  const gear = form.watch("gear");
  const set = (next: CardForm["gear"]) => form.setValue("gear", next, { shouldDirty: true });
  const others = gear.filter((g) => !GEAR.some(([item]) => item === g.item)).map((g): [string, string] => [g.item, g.type]);
  return (
    <Box as="fieldset" border="none">
      <chakra.legend textStyle="label" marginBottom="2px">
        Gear on the label
      </chakra.legend>
      <Box display="grid" gridTemplateColumns={TWO} gap="0 16px">
        {[...GEAR, ...others].map(([item, usual]) => {
          const worn = gear.find((g) => g.item === item);
          return (
            <Check
              key={item}
              checked={worn !== undefined}
              onChange={(e) => set(e.target.checked ? [...gear, { item, type: usual }] : gear.filter((g) => g.item !== item))}
            >
              <chakra.span textStyle="note">
                {item}
                {(worn?.type ?? usual) && <chakra.span color="soft">, {worn?.type ?? usual}</chakra.span>}
              </chakra.span>
            </Check>
          );
        })}
      </Box>
    </Box>
  );
}
