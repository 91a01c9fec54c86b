import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { type FieldErrors, type FieldRefs, get, useForm } from 'react-hook-form';
import { Refusal } from '../../api';
import { draftOf } from '../drafts';
import type { Schema } from './schema';
import type { Form } from './spec';

interface Options<T> {
  /** Under which what is typed stays in this browser until it is saved; absent where it does not. */
  draft?: string;
  /** The revision that was read last; 0 where nothing is saved yet. */
  revision: number;
  fresh: () => Form;
  schema: Schema;
  /** Saves it in place of the revision that it was made from. */
  save: (record: Form, from: number) => Promise<T>;
  onSaved: (saved: T) => void;
  /** What stands before the path of a field where the server refuses it. */
  under?: string;
}

/** Returns how many fields were refused. */
function count(errors: FieldErrors): number {
  return Object.entries(errors).reduce((sum, [key, one]) => {
    if (!one || key === 'root') return sum;
    const leaf = typeof (one as { type?: unknown }).type === 'string';
    return sum + (leaf ? 1 : count(one as FieldErrors));
  }, 0);
}

/** Whether a field stands on the page; what is registered and was taken off again does not. */
const isShown = (fields: FieldRefs, path: string): boolean =>
  Boolean((get(fields, path) as { _f?: { mount?: boolean } } | undefined)?._f?.mount);

/**
 * The editing of a record and its saving: what is typed outlives a reload, what is no number never leaves the page, and what
 * the server refuses stands at its field, the first of which gets the focus.
 */
export function useRecordForm<T extends { revision: number }>({
  draft,
  revision,
  fresh,
  schema,
  save,
  onSaved,
  under = '',
}: Options<T>) {
  // What is typed belongs to the revision that it was begun on, also when another window saves a newer one meanwhile.
  const [from, setFrom] = useState(revision);
  const kept = useMemo(() => draftOf<Form>(draft, from), [draft, from]);
  const [start] = useState(() => kept.read());
  const [left, setLeft] = useState(start !== undefined);
  const form = useForm<Form>({
    defaultValues: start ?? fresh(),
    resolver: zodResolver(schema),
    shouldFocusError: true,
  });
  const sent = useRef('');
  const fieldOf = (path: string) => (path.startsWith(under) ? path.slice(under.length) : path);
  const saving = useMutation({
    mutationFn: (record: Form) => save(record, from),
    onSuccess: (saved) => {
      kept.forget();
      // What was typed while it was on its way is of the new revision.
      const now = form.getValues();
      if (JSON.stringify(now) !== sent.current) draftOf<Form>(draft, saved.revision).keep(now);
      setLeft(false);
      setFrom(saved.revision);
      onSaved(saved);
    },
    onError: (error) => {
      if (!(error instanceof Refusal)) return;
      error.problems
        .filter((problem) => problem.field !== '')
        .forEach((problem, index) => {
          form.setError(
            fieldOf(problem.field),
            { type: problem.code, message: `${problem.message} ${problem.remedy}` },
            { shouldFocus: index === 0 },
          );
        });
    },
  });
  const { watch, reset, handleSubmit, formState } = form;
  const latest = useRef(fresh);
  latest.current = fresh;
  useEffect(() => {
    const subscription = watch((values) => {
      // A form also tells of its values when it is opened or reset: what stands as it is saved is no draft.
      if (JSON.stringify(values) === JSON.stringify(latest.current())) kept.forget();
      else kept.keep(values);
    });
    return () => subscription.unsubscribe();
  }, [watch, kept]);
  const refused = count(formState.errors);
  const error = saving.error;
  const ofFields =
    error instanceof Refusal &&
    error.problems.length > 0 &&
    error.problems.every((problem) => isShown(form.control._fields, fieldOf(problem.field)));
  return {
    form,
    submit: handleSubmit((record) => {
      sent.current = JSON.stringify(form.getValues());
      saving.mutate(record);
    }),
    pending: saving.isPending,
    /** How many fields were refused. */
    refused,
    /** What went wrong and belongs to no field that is shown. */
    error: ofFields ? undefined : error,
    /** Whether it stands as it was left, and not as it is saved. */
    left,
    /** Goes back to what is saved. */
    drop: () => {
      kept.forget();
      setLeft(false);
      setFrom(revision);
      saving.reset();
      reset(fresh());
    },
  };
}

export type RecordForm = Pick<
  ReturnType<typeof useRecordForm>,
  'form' | 'submit' | 'pending' | 'refused' | 'error' | 'left' | 'drop'
>;
