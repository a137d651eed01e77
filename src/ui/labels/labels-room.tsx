"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { UseFormReturn } from "react-hook-form";
import { entered, FORMULATIONS, showEntered, unitText, type Kind } from "@/core/contents";
import type { LabelForm } from "@/formats/forms/label";
import { labelFormOf } from "@/formats/forms/label-form-of";
import { RATE_BARE } from "@/formats/forms/rate";
import type { ProductText } from "@/formats/job-file/types";
import { useBook } from "../data/book";
import { Room } from "../frame/room";
import { Heading, Note, Select, SubHeading } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { errorAt, KeptForm, Listed, TwoSides } from "../parts/keeper";
import { Cautions, FirstThing } from "../parts/notices";
import { formWords, rateText } from "./words";

function labelLine(product: ProductText): string {
  const kind: Kind = product.form === "dry" ? "mass" : "volume";
  const price =
    product.price && `${product.price.amount} ${product.price.currency} for ${showEntered(entered(product.price.per, kind))}`;
  return [rateText(product), formWords(product), price].filter(Boolean).join(" · ");
}

export function LabelsRoom() {
  const { book, read } = useBook();
  const [editing, setEditing] = useState<string>();
  const [added, setAdded] = useState(0);
  const entry = book.labels.find((l) => l.id === editing);
  const done = () => {
    setEditing(undefined);
    setAdded(added + 1);
  };
  return (
    <Room>
      <Heading>Labels</Heading>
      <Note>
        One label rate for each product, as the label in your hand gives it. What the label forbids is not checked here yet: read
        it before every mix.
      </Note>
      <TwoSides>
        <Box>
          <SubHeading>On the shelf</SubHeading>
          {read && book.labels.length === 0 && (
            <Box marginTop="12px">
              <FirstThing>
                No label yet. Add the product that you will mix, with the rate for 1,000 sq ft that its label gives.
              </FirstThing>
            </Box>
          )}
          <Listed
            kind="labels"
            what="label"
            editing={editing}
            onEdit={setEditing}
            entries={book.labels.map((l) => ({
              id: l.id,
              retired: l.retired,
              name: l.product.name,
              about: labelLine(l.product),
            }))}
          />
        </Box>
        <Box>
          <SubHeading>{entry ? `Change ${entry.product.name}` : "Add a label"}</SubHeading>
          <Box marginTop="12px">
            <KeptForm
              key={`${editing ?? "new"}${added}`}
              kind="labels"
              what="label"
              schema={() => import("@/formats/forms/label").then((forms) => forms.labelForm)}
              blank={labelFormOf()}
              editing={entry && { id: entry.id, form: labelFormOf(entry.product) }}
              onDone={done}
            >
              {(form) => <LabelFields form={form} />}
            </KeptForm>
          </Box>
        </Box>
      </TwoSides>
      <Box marginTop="28px">
        <Cautions mixing />
      </Box>
    </Room>
  );
}

function LabelFields({ form }: { form: UseFormReturn<LabelForm> }) {
  const { register } = form;
  const kind = form.watch("form") === "liquid" ? "liquid" : "dry";
  // What was typed is judged anew by the form it is of; what is still empty is left in peace.
  const again = () => void form.trigger((["rate", "pricePer"] as const).filter((name) => form.getValues(name) !== ""));
  return (
    <>
      <TextField label="Product" placeholder="as on the label" error={errorAt(form, "name")} {...register("name")} />
      <Box display="grid" gap="12px" gridTemplateColumns="1fr 1fr">
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
          placeholder="WG"
          list="formulations"
          error={errorAt(form, "formulation")}
          {...register("formulation")}
        />
        <datalist id="formulations">
          {Object.entries(FORMULATIONS).map(([code, { name }]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </datalist>
      </Box>
      <TextField
        label="Label rate"
        placeholder={kind === "dry" ? "0.3 oz/1000 ft2" : "1.5 fl oz/1000 ft2"}
        hint={`${kind === "dry" ? "oz is weight" : "fl oz, not oz"}; ${unitText(RATE_BARE[kind])} if no unit`}
        error={errorAt(form, "rate")}
        {...register("rate")}
      />
      <Box display="grid" gap="12px" gridTemplateColumns="1fr 1fr">
        <TextField
          label="Price, USD"
          placeholder="64"
          inputMode="decimal"
          error={errorAt(form, "priceAmount")}
          {...register("priceAmount")}
        />
        <TextField
          label="for a package of"
          placeholder={kind === "dry" ? "80 oz" : "64 fl oz"}
          error={errorAt(form, "pricePer")}
          {...register("pricePer")}
        />
      </Box>
    </>
  );
}
