import { useEffect, useRef, useState } from 'react';
import { type FieldProblem, type PaperView, Refusal } from '../../api';
import type { Draft } from '../../parts';
import type { Body } from '../../parts/form';
import { useKeep } from './usePapers';

/** The keeping of a form: what of it was refused, and the field to go to. */
export function usePaperForm(
  kind: PaperView['kind'],
  kept: PaperView | undefined,
  draft: Draft<Body>,
  onKept: (paper: PaperView) => void,
) {
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const form = useRef<HTMLFormElement>(null);
  const keep = useKeep(kind, kept);
  // A long form is scrolled to what was refused.
  useEffect(() => {
    if (problems.length > 0) form.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [problems]);
  const submit = (read: { body: Body; problems: FieldProblem[] }) => {
    setProblems(read.problems);
    if (read.problems.length > 0) return;
    keep.mutate(read.body, {
      onSuccess: (paper) => {
        draft.forget();
        onKept(paper);
      },
      onError: (error) => setProblems(error instanceof Refusal ? error.problems : []),
    });
  };
  return { form, problems, submit, pending: keep.isPending, error: problems.length > 0 ? undefined : keep.error };
}
