"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { Fragment, useEffect, useState, useSyncExternalStore, type ReactNode } from "react";
import { useForm, type DefaultValues, type FieldValues, type Path, type Resolver, type UseFormReturn } from "react-hook-form";
import type * as yup from "yup";
import { sentences, useReadAgain, useSend } from "../data/records";
import { keep, readKept, useKept } from "../data/kept-here";
import { Button, Reading } from "./controls";
import { Notice } from "./notices";
import { SlipKeeper, type Dismissed } from "./slip-ask";
import { Column, Row } from "./layout";
import { RowButton } from "./row-button";

/** What rooms that keep a list up to date share: the list, the form that is opened from it, archiving and restoring. */

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

const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/**
 * What was kept just now. It may come after the list that says it: a first record makes the list appear before its form is done.
 *
 * @param once it is said here, and nowhere after
 */
function useSaid(kind: KeptKind, once = false): string | undefined {
  const said = useSyncExternalStore(
    subscribe,
    () => saved.get(kind),
    () => undefined,
  );
  useEffect(
    () => () => {
      if (once) saved.delete(kind);
    },
    [kind, once],
  );
  return said;
}

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
  /** How often it was saved, cleared or taken back: each time it begins anew. */
  const [times, setTimes] = useState(0);
  const done = (id: string | undefined) => {
    setTimes(times + 1);
    props.onDone(id);
  };
  // What is kept here is only known in the browser.
  return (
    <ClientOnly>
      <KeptFormHere key={times} {...props} onDone={done} />
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
      listeners.forEach((listener) => listener());
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
  const said = useSaid(kind);
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
            {overtaken ? "Leave it as it is now" : editing ? "Cancel" : "Clear"}
          </Button>
          {takeBack && (
            <Button look="quiet" type="button" onClick={takeBack}>
              Take back what was cleared
            </Button>
          )}
          <Box role="status" alignSelf="center" fontWeight="700" color={faults > 0 ? "stop" : "ink"}>
            {faults > 0 ? `✕ ${faults} ${faults === 1 ? "field" : "fields"} to correct` : said && `✓ ${said}`}
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
  readonly onOpen: (id: string) => void;
}

/** What was archived just now, by its kind: it is offered back once. */
const archived = new Map<KeptKind, { readonly id: string; readonly name: string }>();

/** Archives, or restores; what couldn't be done is said. */
function useArchive(kind: KeptKind) {
  const send = useSend();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const archive = async (id: string, retired: boolean): Promise<boolean> => {
    const result = await send(`/api/keep/${kind}/retire`, { id, retired });
    setTrouble(result.ok ? [] : sentences(result.issues));
    return result.ok;
  };
  const said = trouble.map((text) => (
    <Notice key={text} state="stop">
      {text}
    </Notice>
  ));
  return { archive, said };
}

interface ArchiveProps {
  readonly kind: KeptKind;
  readonly id: string;
  readonly name: string;
  readonly retired: boolean;
  readonly onDone: () => void;
}

/** Takes one out of use, or back into it; what was recorded with it stays. */
export function Archive({ kind, id, name, retired, onDone }: ArchiveProps) {
  const { archive, said } = useArchive(kind);
  const press = async () => {
    if (!(await archive(id, !retired))) return;
    if (!retired) archived.set(kind, { id, name });
    onDone();
  };
  return (
    <>
      <Button onClick={() => void press()}>{`${retired ? "Restore" : "Archive"} ${name}`}</Button>
      {said}
    </>
  );
}

interface ArchivedProps {
  readonly kind: KeptKind;
  readonly entries: readonly { readonly id: string; readonly name: string }[];
  /** There are more than are listed. */
  readonly more?: boolean;
}

/** What is archived stays in reach. */
export function Archived({ kind, entries, more = false }: ArchivedProps) {
  const { archive, said } = useArchive(kind);
  return (
    <Box as="details" marginTop="10px" color="soft">
      <Box as="summary" cursor="pointer" minHeight="48px" paddingY="12px">
        Archived:{" "}
        <Reading>
          {entries.length}
          {more && " and more"}
        </Reading>
      </Box>
      {said}
      {entries.map((entry) => (
        <Row key={entry.id} gap="8px" paddingY="4px">
          {entry.name}
          <Button onClick={() => void archive(entry.id, false)}>Restore {entry.name}</Button>
        </Row>
      ))}
    </Box>
  );
}

/** The list of a room: each of its rows opens what it names. */
export function Listed({ kind, what, entries, onOpen }: ListedProps) {
  const { archive, said } = useArchive(kind);
  const [gone, setGone] = useState(() => archived.get(kind));
  useEffect(() => void archived.delete(kind), [kind]);
  const kept = useSaid(kind, true);
  const live = entries.filter((e) => !e.retired);
  const retired = entries.filter((e) => e.retired);
  return (
    <Box>
      <Box role="status">
        {gone ? (
          <Row gap="8px" background="well" padding="4px 12px" marginBottom="8px">
            Archived {gone.name}.
            <Button
              onClick={() => {
                setGone(undefined);
                void archive(gone.id, false);
              }}
            >
              Undo
            </Button>
          </Row>
        ) : (
          kept && <strong>✓ {kept}</strong>
        )}
      </Box>
      {said}
      {live.length > 0 && (
        <Box as="ul" listStyleType="none" aria-label={`All ${what}s`}>
          {live.map((entry, i) => (
            <Fragment key={entry.id}>
              {entry.group !== undefined && entry.group !== live[i - 1]?.group && (
                <Box as="li" fontWeight="700" paddingTop="16px" borderBottom="2px solid" borderColor="ink">
                  {entry.group}
                </Box>
              )}
              <li>
                <RowButton name={entry.name} about={entry.about} drawn={entry.drawn} onPress={() => onOpen(entry.id)} />
              </li>
            </Fragment>
          ))}
        </Box>
      )}
      {retired.length > 0 && <Archived kind={kind} entries={retired} />}
    </Box>
  );
}
