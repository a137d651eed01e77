"use client";

import { Box } from "@chakra-ui/react";
import { useFieldArray, type UseFormReturn } from "react-hook-form";
import type { RigForm } from "@/formats/forms/rig";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { errorAt } from "../parts/keeper";
import { Column } from "../parts/layout";

interface ToolsProps {
  readonly form: UseFormReturn<RigForm>;
  readonly of: "scales" | "vessels";
  readonly title: string;
  readonly mark: string;
  readonly holds: string;
  readonly blank: RigForm["scales"][number] | RigForm["vessels"][number];
}

/** The scales or the vessels of a rig's kit: each with its finest mark and what it holds. */
export function Tools({ form, of, title, mark, holds, blank }: ToolsProps) {
  const tools = useFieldArray({ control: form.control, name: of });
  const key = of === "scales" ? "step" : "graduation";
  const field = (i: number, name: "name" | "capacity" | typeof key) => `${of}.${i}.${name}` as never;
  return (
    <Column gap="8px">
      <Box textStyle="label">{title}</Box>
      {tools.fields.map((tool, i) => (
        <Box key={tool.id} display="grid" gap="8px" gridTemplateColumns="1.2fr 1fr 1fr auto" alignItems="start">
          <TextField label="Name" error={errorAt(form, `${of}.${i}.name`)} {...form.register(field(i, "name"))} />
          <TextField
            label={mark}
            quantity={key === "step" ? "scaleStep" : "graduation"}
            error={errorAt(form, `${of}.${i}.${key}`)}
            {...form.register(field(i, key))}
          />
          <TextField
            label={holds}
            quantity={key === "step" ? "scaleCapacity" : "vesselCapacity"}
            error={errorAt(form, `${of}.${i}.capacity`)}
            {...form.register(field(i, "capacity"))}
          />
          <Button
            type="button"
            look="quiet"
            marginTop="24px"
            aria-label={`Take out ${title.toLowerCase()} ${i + 1}`}
            onClick={() => tools.remove(i)}
          >
            ✕
          </Button>
        </Box>
      ))}
      <Button type="button" look="quiet" justifySelf="start" onClick={() => tools.append(blank as never)}>
        Add to the {title.toLowerCase()}
      </Button>
    </Column>
  );
}

/** Cups marked in the weight of one dry product: they measure that one, and nothing else. */
export function Cups({ form }: { form: UseFormReturn<RigForm> }) {
  const cups = useFieldArray({ control: form.control, name: "cups" });
  const { register } = form;
  return (
    <Column gap="8px">
      <Box textStyle="label">Cups marked for one dry product</Box>
      {cups.fields.map((cup, i) => (
        <Box
          key={cup.id}
          display="grid"
          gap="8px"
          gridTemplateColumns={{ base: "1fr 1fr", md: "1fr 1.2fr 1fr 1fr auto" }}
          alignItems="start"
        >
          <TextField label="Cup" of={String(i + 1)} error={errorAt(form, `cups.${i}.name`)} {...register(`cups.${i}.name`)} />
          <TextField
            label="For"
            of={`cup ${i + 1}`}
            placeholder="as on its label"
            error={errorAt(form, `cups.${i}.product`)}
            {...register(`cups.${i}.product`)}
          />
          <TextField
            label="Marks of"
            of={`cup ${i + 1}`}
            placeholder="0.5 oz"
            quantity="scaleStep"
            error={errorAt(form, `cups.${i}.step`)}
            {...register(`cups.${i}.step`)}
          />
          <TextField
            label="Holds"
            of={`cup ${i + 1}`}
            placeholder="4 oz"
            quantity="scaleCapacity"
            error={errorAt(form, `cups.${i}.capacity`)}
            {...register(`cups.${i}.capacity`)}
          />
          <Button type="button" look="quiet" marginTop="24px" aria-label={`Take out cup ${i + 1}`} onClick={() => cups.remove(i)}>
            ✕
          </Button>
        </Box>
      ))}
      <Button
        type="button"
        look="quiet"
        justifySelf="start"
        onClick={() => cups.append({ name: "", product: "", step: "", capacity: "" })}
      >
        Add a marked cup
      </Button>
    </Column>
  );
}
