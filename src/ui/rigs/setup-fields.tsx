"use client";

import { Box } from "@chakra-ui/react";
import { useFieldArray, type UseFormReturn } from "react-hook-form";
import type { RigForm } from "@/formats/forms/rig";
import { Button, Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { errorAt } from "../parts/keeper";
import { Pair } from "./pair";

/** Ways in which the rig is set for different work: each keeps its own calibrations and quick checks. */
export function Setups({ form }: { form: UseFormReturn<RigForm> }) {
  const rows = useFieldArray({ control: form.control, name: "setups" });
  const { register } = form;
  return (
    <>
      <Note>
        Name each way in which you set it: a second tip, another pressure. Going back to one finds its calibration standing. The
        one that is on now is what stands above.
      </Note>
      {rows.fields.map((row, i) => (
        <Box key={row.id} as="fieldset" border="1px solid" borderColor="line" padding="10px 12px" display="grid" gap="10px">
          <Box as="legend" textStyle="label" paddingX="6px">
            Setup {i + 1}
          </Box>
          <TextField
            label={`Setup ${i + 1} is called`}
            placeholder="blue tip, beds"
            error={errorAt(form, `setups.${i}.name`)}
            {...register(`setups.${i}.name`)}
          />
          <Pair>
            <TextField
              label={`Tip size (${i + 1})`}
              placeholder="03"
              error={errorAt(form, `setups.${i}.size`)}
              {...register(`setups.${i}.size`)}
            />
            <TextField
              label={`Pressure (${i + 1})`}
              placeholder="30 psi"
              quantity="pressure"
              error={errorAt(form, `setups.${i}.pressure`)}
              {...register(`setups.${i}.pressure`)}
            />
            <TextField
              label={`Nozzle setting (${i + 1})`}
              placeholder="stream"
              error={errorAt(form, `setups.${i}.nozzle`)}
              {...register(`setups.${i}.nozzle`)}
            />
            <TextField
              label={`Swath (${i + 1})`}
              placeholder="4 ft"
              quantity="swath"
              error={errorAt(form, `setups.${i}.swath`)}
              {...register(`setups.${i}.swath`)}
            />
          </Pair>
          <Button type="button" look="quiet" justifySelf="start" onClick={() => rows.remove(i)}>
            Take setup {i + 1} out
          </Button>
        </Box>
      ))}
      <Button
        type="button"
        look="quiet"
        justifySelf="start"
        onClick={() => rows.append({ name: "", size: "", pressure: "", nozzle: "", swath: "" })}
      >
        Add a setup
      </Button>
    </>
  );
}
