"use client";

import { Box } from "@chakra-ui/react";
import type { UseFormReturn } from "react-hook-form";
import type { RigForm } from "@/formats/forms/rig";
import { Select } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { errorAt } from "../parts/keeper";
import { Pair } from "./pair";

/** The two families of heads. */
export function HeadFields({ form }: { form: UseFormReturn<RigForm> }) {
  const metered = form.watch("head.kind") === "metered";
  const { register } = form;
  return (
    <Box as="fieldset" border="1px solid" borderColor="line" padding="10px 12px 14px" display="grid" gap="12px">
      <Box as="legend" textStyle="label" paddingX="6px">
        Head
      </Box>
      <Field label="Family">
        {(props) => (
          <Select {...props} {...register("head.kind")}>
            <option value="dial">Dial: ounces for each gallon that passes</option>
            <option value="metered">Metered feed: ounces a minute</option>
          </Select>
        )}
      </Field>
      {metered ? (
        <TextField
          label="Feed"
          placeholder="2 fl oz/min"
          hint="of its tip with this product"
          quantity="feed"
          error={errorAt(form, "head.feed")}
          {...register("head.feed")}
        />
      ) : (
        <>
          <TextField
            label="Dial stands at"
            placeholder="2 fl oz/gal"
            hint="never the label's number"
            quantity="dial"
            error={errorAt(form, "head.setting")}
            {...register("head.setting")}
          />
          <TextField
            label="Numbers on the dial"
            placeholder="1, 2, 4, 8"
            hint="all that it has, ounces a gallon as a dial is marked: the mix picks among them"
            error={errorAt(form, "head.settings")}
            {...register("head.settings")}
          />
        </>
      )}
      <Pair>
        <TextField
          label="Product in the jar"
          placeholder="8 fl oz"
          quantity="jarVolume"
          error={errorAt(form, "head.product")}
          {...register("head.product")}
        />
        <TextField
          label="made up with water"
          placeholder="4 fl oz"
          hint="both empty: undiluted"
          quantity="jarVolume"
          error={errorAt(form, "head.water")}
          {...register("head.water")}
        />
      </Pair>
    </Box>
  );
}
