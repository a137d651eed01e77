"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useFieldArray, type UseFormReturn } from "react-hook-form";
import type { PersonForm } from "@/formats/forms/person";
import { PAPER_KINDS, paperState, type PaperText } from "@/formats/papers";
import { todayDate } from "../data/clock";
import { Button, Select } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { errorAt } from "../parts/keeper";

const BLANK = { kind: "certificate", number: "", where: "", categories: "", hours: "", ends: "" };

/** What a person has on paper, and until when: told of sixty days before it ends. */
export function Papers({ form }: { form: UseFormReturn<PersonForm> }) {
  const papers = useFieldArray({ control: form.control, name: "papers" });
  const { register } = form;
  return (
    <Fold title="Certificates, covers, fits" begun={papers.fields.length > 0}>
      {papers.fields.map((paper, i) => (
        <Box
          key={paper.id}
          as="fieldset"
          border="none"
          borderTop="1px solid"
          borderColor="line"
          paddingTop="8px"
          marginTop="8px"
          display="grid"
          gap="10px"
          gridTemplateColumns="1fr 1fr"
        >
          <Field label={`Paper ${i + 1}`} error={errorAt(form, `papers.${i}.kind`)}>
            {(props) => (
              <Select {...props} {...register(`papers.${i}.kind`)}>
                {PAPER_KINDS.map((kind) => (
                  <option key={kind}>{kind}</option>
                ))}
              </Select>
            )}
          </Field>
          <TextField
            label="Number"
            placeholder="FT-1042"
            error={errorAt(form, `papers.${i}.number`)}
            {...register(`papers.${i}.number`)}
          />
          <TextField
            label="From"
            placeholder="the county"
            error={errorAt(form, `papers.${i}.where`)}
            {...register(`papers.${i}.where`)}
          />
          <TextField
            label="Holds until"
            type="date"
            error={errorAt(form, `papers.${i}.ends`)}
            {...register(`papers.${i}.ends`)}
          />
          {form.watch(`papers.${i}.kind`) === "certificate" && (
            <TextField
              label="Core and categories"
              placeholder="core, turf and ornamental"
              error={errorAt(form, `papers.${i}.categories`)}
              {...register(`papers.${i}.categories`)}
            />
          )}
          {form.watch(`papers.${i}.kind`) === "training" && (
            <TextField
              label="Hours"
              placeholder="4 h"
              quantity={{ us: "h", metric: "h" }}
              error={errorAt(form, `papers.${i}.hours`)}
              {...register(`papers.${i}.hours`)}
            />
          )}
          <Button type="button" look="quiet" justifySelf="start" alignSelf="end" onClick={() => papers.remove(i)}>
            Take paper {i + 1} out
          </Button>
        </Box>
      ))}
      <Button type="button" look="quiet" onClick={() => papers.append(BLANK)}>
        Add a paper
      </Button>
    </Fold>
  );
}

/** A person's papers in a line each; what has ended or ends soon says so. */
export function PaperLines({ papers }: { papers: readonly PaperText[] }) {
  const today = todayDate();
  return papers.map((paper, i) => {
    const state = paperState(paper, today);
    return (
      <Box key={i} color={state === "ended" ? "stop" : state === "ends-soon" ? "act" : "soft"}>
        {state === "ended" ? "✕ " : state === "ends-soon" ? "! " : ""}
        {[paper.kind, paper.number, paper.where].filter(Boolean).join(" ")}
        {paper.ends && (
          <chakra.span>
            {state === "ended" ? ", ended " : ", until "}
            {paper.ends}
          </chakra.span>
        )}
      </Box>
    );
  });
}
