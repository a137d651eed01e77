"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { Fragment, useEffect, useState, type ReactNode } from "react";
import { useForm, type DefaultValues, type FieldValues, type Path, type Resolver, type UseFormReturn } from "react-hook-form";
import type * as yup from "yup";
import { sentences, useReadAgain, useSend } from "../data/records";
import { keep, readKept, useKept } from "../data/kept-here";
import { Button, Reading } from "./controls";
import { Notice } from "./notices";
import { SlipKeeper, type Dismissed } from "./slip-ask";
import { Column, Row } from "./layout";

/** What rooms that keep a list up to date share: the list, the form beside it, retiring and bringing back. */

export type KeptKind = "people" | "rigs" | "tips" | "labels" | "sites";

/** A half-filled form, as this browser keeps it. */
interface FormDraft<T> {
  readonly id: string;
  readonly form: T;
  /** How often the record had been changed when its form was opened; left out for a new one. */
  readonly revision?: number | undefined;
  /** Slips that were asked about and meant. */
  readonly dismissed?: readonly Dismissed[];
}

interface KeptFormProps<T extends FieldValues> {
  readonly kind: KeptKind;
  /** The form's check, fetched when something is first checked: most visits only look. */
  readonly schema: () => Promise<yup.ObjectSchema<T> | yup.AnyObjectSchema>;
  /** The record to change, or nothing for a new one. */
  readonly editing: FormDraft<T> | undefined;
  readonly blank: T;
  readonly onDone: (id: string | undefined) => void;
  readonly what: string;
  readonly children: (form: UseFormReturn<T>) => ReactNode;
}

/**
 * Checks by the form's own schema. Where the check can't be fetched, the values go on to the server, which checks them by
 * the same schema, or can't be reached and says so.
 */
function resolverOf<T extends FieldValues>(schema: KeptFormProps<T>["schema"]): Resolver<T> {
  const fetched = () => Promise.all([import("@hookform/resolvers/yup"), schema()]).catch(() => undefined);
  return async (values, context, options) => {
    const check = await fetched();
    if (!check) return { values, errors: {} };
    const [{ yupResolver }, form] = check;
    return (yupResolver(form as yup.AnyObjectSchema) as unknown as Resolver<T>)(values, context, options);
  };
}

/** What was kept just now, said beside the button until something is typed again: the form itself is a new one by then. */
const saved = new Map<KeptKind, string>();

const nameIn = (values: FieldValues): string | undefined => (typeof values.name === "string" ? values.name.trim() : undefined);

/** The fields that have an error, at any depth. */
function countFaults(errors: object): number {
  return Object.values(errors).reduce<number>((sum, one: unknown) => {
    if (typeof one !== "object" || one === null) return sum;
    return sum + ("message" in one || "type" in one ? 1 : countFaults(one));
  }, 0);
}

/** A form whose half-typed values are kept in this browser until they are saved: a reload loses nothing. */
export function KeptForm<T extends FieldValues>(props: KeptFormProps<T>) {
  // What is kept here is only known in the browser.
  return (
    <ClientOnly>
      <KeptFormHere {...props} />
    </ClientOnly>
  );
}

/** The form of a record with its draft: kept as it is typed, saved with its revision, cleared and taken back. */
function useKeptForm<T extends FieldValues>({ kind, schema, editing, blank, onDone, what }: Omit<KeptFormProps<T>, "children">) {
  const draftKey = `draft:${kind}:${editing?.id ?? "new"}`;
  const [start] = useState<FormDraft<T>>(() => {
    // A draft may have been begun before the form had all its fields.
    const draft = readKept<FormDraft<T>>(draftKey);
    return draft ? { ...draft, form: { ...blank, ...draft.form } } : (editing ?? { id: nanoid(), form: blank });
  });
  const form = useForm<T>({
    resolver: resolverOf(schema),
    defaultValues: start.form as DefaultValues<T>,
    mode: "onTouched",
    reValidateMode: "onChange",
  });
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [dismissed, setDismissed] = useState<readonly Dismissed[]>(start.dismissed ?? []);
  /** Somebody else has changed the record since the form was opened. */
  const [overtaken, setOvertaken] = useState(false);
  const send = useSend();
  const readAgain = useReadAgain();
  const { id, revision } = start;

  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ values }) => keep(draftKey, { id, revision, form: values, dismissed }),
      }),
    [form, draftKey, id, revision, dismissed],
  );
  const dismiss = (more: readonly Dismissed[]) =>
    setDismissed((all) => {
      const next = [...all, ...more];
      keep(draftKey, { id, revision, form: form.getValues(), dismissed: next });
      return next;
    });

  const save = form.handleSubmit(async (values) => {
    setTrouble([]);
    // Once it was told, the newer one is saved over knowingly.
    const over = overtaken ? editing?.revision : revision;
    const result = await send(`/api/keep/${kind}`, {
      id,
      form: values,
      dismissed,
      ...(over !== undefined && { revision: over }),
    });
    if (!result.ok && result.issues.some((issue) => issue.code === "changed-meanwhile")) {
      await readAgain();
      return setOvertaken(true);
    }
    setOvertaken(false);
    if (result.ok) {
      keep(draftKey, undefined);
      saved.set(kind, `${editing ? "Saved" : "Added"} ${nameIn(values) ?? `the ${what}`}`);
      return onDone(start.id);
    }
    const placed = result.issues.filter((i) => i.path !== "" && i.path.split(/[.[]/)[0]! in values);
    placed.forEach((issue, i) =>
      form.setError(
        issue.path.replace(/\[(\d+)\]/g, ".$1") as Path<T>,
        { message: sentences([issue])[0]! },
        { shouldFocus: i === 0 },
      ),
    );
    setTrouble(sentences(result.issues.filter((i) => !placed.includes(i))));
  });

  const { isDirty } = form.formState;
  const drop = () => {
    // Cleared by mistake it can be taken back.
    if (!editing && isDirty) keep(`cleared:${kind}`, { id, form: form.getValues(), dismissed });
    keep(draftKey, undefined);
    onDone(undefined);
  };
  const [cleared, forgetCleared] = useKept<FormDraft<T>>(`cleared:${kind}`);
  const takeBack = () => {
    keep(draftKey, cleared);
    forgetCleared(undefined);
    onDone(undefined);
  };
  const faults = form.formState.isSubmitted ? countFaults(form.formState.errors) : 0;
  const [said] = useState(() => saved.get(kind));
  // Read by the form that follows, and said once.
  useEffect(() => void saved.delete(kind), [kind]);
  const offered = !editing && cleared && !isDirty ? takeBack : undefined;
  return {
    form,
    save,
    drop,
    takeBack: offered,
    dismissed,
    dismiss,
    trouble,
    overtaken,
    faults,
    said: isDirty ? undefined : said,
  };
}

function KeptFormHere<T extends FieldValues>(props: KeptFormProps<T>) {
  const { editing, what, children } = props;
  const { form, save, drop, takeBack, dismissed, dismiss, trouble, overtaken, faults, said } = useKeptForm(props);
  return (
    <form onSubmit={save} noValidate aria-label={editing ? `Change ${what}` : `Add ${what}`}>
      <Column gap="16px">
        <SlipKeeper dismissed={dismissed} dismiss={dismiss}>
          {children(form)}
        </SlipKeeper>
        {trouble.map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
        {overtaken && (
          <Notice state="act">
            Somebody else has changed this {what} since you opened it. Nothing of yours is lost, and nothing was saved: save it
            over theirs, or leave it as it is now and look at it first.
          </Notice>
        )}
        <Row alignItems="stretch" flexWrap="wrap">
          <Button look="act" type="submit" disabled={form.formState.isSubmitting}>
            {overtaken ? "Save mine over it" : editing ? "Save the change" : `Add ${what}`}
          </Button>
          <Button look="quiet" type="button" onClick={drop}>
            {overtaken ? "Leave it as it is now" : editing ? "Leave it as it was" : "Clear"}
          </Button>
          {takeBack && (
            <Button look="quiet" type="button" onClick={takeBack}>
              Take back what was cleared
            </Button>
          )}
          <Box role="status" alignSelf="center" fontWeight="700" color={faults > 0 ? "stop" : "ink"}>
            {faults > 0 ? `✕ ${faults} ${faults === 1 ? "field" : "fields"} to put right` : said && `✓ ${said}`}
          </Box>
        </Row>
      </Column>
    </form>
  );
}

/** The error of a field, by its path, from any depth of the form. */
export function errorAt<T extends FieldValues>(form: UseFormReturn<T>, path: string): string | undefined {
  return form.getFieldState(path as Path<T>, form.formState).error?.message;
}

interface ListedProps {
  readonly kind: KeptKind;
  readonly what: string;
  readonly entries: readonly {
    readonly id: string;
    readonly retired: boolean;
    readonly name: string;
    readonly about: ReactNode;
    /** The thing itself, drawn. */
    readonly drawn?: ReactNode;
    /** What it stands under; entries of one group follow one another. */
    readonly group?: string;
  }[];
  readonly onEdit: (id: string) => void;
  /** Opens one to be read; a list without it has nothing more to show than its lines. */
  readonly onShow?: (id: string) => void;
  readonly editing: string | undefined;
}

/** Retires, or brings back; what couldn't be done is said. */
function useRetire(kind: KeptKind) {
  const send = useSend();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const retire = async (id: string, retired: boolean): Promise<boolean> => {
    const result = await send(`/api/keep/${kind}/retire`, { id, retired });
    setTrouble(result.ok ? [] : sentences(result.issues));
    return result.ok;
  };
  const said = trouble.map((text) => (
    <Notice key={text} state="stop">
      {text}
    </Notice>
  ));
  return { retire, said };
}

interface RetiredProps {
  readonly kind: KeptKind;
  readonly entries: readonly { readonly id: string; readonly name: string }[];
  /** There are more than are listed. */
  readonly more?: boolean;
}

/** What is retired stays in reach. */
export function Retired({ kind, entries, more = false }: RetiredProps) {
  const { retire, said } = useRetire(kind);
  return (
    <Box as="details" marginTop="10px" color="soft">
      <Box as="summary" cursor="pointer" minHeight="32px">
        Retired:{" "}
        <Reading>
          {entries.length}
          {more && " and more"}
        </Reading>
      </Box>
      {said}
      {entries.map((entry) => (
        <Row key={entry.id} gap="8px">
          {entry.name}
          <Button look="quiet" onClick={() => void retire(entry.id, false)}>
            Bring back {entry.name}
          </Button>
        </Row>
      ))}
    </Box>
  );
}

/** The list of a room. Retiring is undone with one press, and what is retired stays in reach. */
export function Listed({ kind, what, entries, onEdit, onShow, editing }: ListedProps) {
  const { retire: tell, said } = useRetire(kind);
  const [gone, setGone] = useState<{ id: string; name: string } | undefined>();
  const retire = async (id: string, name: string, retired: boolean) => {
    if (await tell(id, retired)) setGone(retired ? { id, name } : undefined);
  };
  const live = entries.filter((e) => !e.retired);
  const retired = entries.filter((e) => e.retired);
  return (
    <Box>
      <Box role="status">
        {gone && (
          <Row gap="8px" background="well" padding="2px 12px" marginBottom="8px">
            Retired {gone.name}.
            <Button look="quiet" onClick={() => retire(gone.id, gone.name, false)}>
              Undo
            </Button>
          </Row>
        )}
      </Box>
      {said}
      <Box as="ul" listStyleType="none" aria-label={`All ${what}s`}>
        {live.map((entry, i) => (
          <Fragment key={entry.id}>
            {entry.group !== undefined && entry.group !== live[i - 1]?.group && (
              <Box as="li" fontWeight="700" fontSize="15px" paddingTop="14px" borderBottom="3px double" borderColor="ink">
                {entry.group}
              </Box>
            )}
            <Box
              as="li"
              display="flex"
              flexWrap="wrap"
              gap="4px 12px"
              alignItems="center"
              borderBottom="1px solid"
              borderColor="line"
              borderLeft="6px solid"
              borderLeftColor={editing === entry.id ? "act" : "transparent"}
              padding="8px 0 8px 10px"
            >
              {entry.drawn}
              <Box flex="1 1 170px" minW={0}>
                <Box textStyle="strong">
                  {onShow ? (
                    <chakra.button
                      type="button"
                      textAlign="left"
                      textDecoration="underline"
                      textUnderlineOffset="3px"
                      cursor="pointer"
                      minHeight="32px"
                      onClick={() => onShow(entry.id)}
                    >
                      {entry.name}
                    </chakra.button>
                  ) : (
                    entry.name
                  )}
                </Box>
                <Box textStyle="note" color="soft">
                  {entry.about}
                </Box>
              </Box>
              <Box display="flex">
                <Button look="quiet" aria-label={`Change ${entry.name}`} onClick={() => onEdit(entry.id)}>
                  Change
                </Button>
                <Button look="quiet" aria-label={`Retire ${entry.name}`} onClick={() => retire(entry.id, entry.name, true)}>
                  Retire
                </Button>
              </Box>
            </Box>
          </Fragment>
        ))}
      </Box>
      {retired.length > 0 && <Retired kind={kind} entries={retired} />}
    </Box>
  );
}

interface SidesProps {
  readonly wide?: boolean;
  /** On a phone the form comes first: there is nothing to list yet, or something is being changed. */
  readonly formFirst?: boolean;
  readonly children: ReactNode;
}

/** The list on one side, the form on the other. */
export function TwoSides({ wide = false, formFirst = false, children }: SidesProps) {
  return (
    <Box
      {...(formFirst && { css: { "& > :last-child": { order: { base: -1, xl: 0 } } } })}
      display="grid"
      gridTemplateColumns={{ base: "minmax(0,1fr)", xl: `minmax(0,1fr) minmax(0,${wide ? 620 : 440}px)` }}
      gap="28px"
      alignItems="start"
      marginTop="14px"
    >
      {children}
    </Box>
  );
}
