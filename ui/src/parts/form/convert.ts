import type { FieldProblem } from '../../api';
import { parseNumber, showNumber } from '../../quantity';
import type { Body, Spec } from './spec';

/** Returns a body with its numbers as texts in the units shown, ready to be edited. */
export function toForm(fields: Spec[], body: Body): Body {
  const form: Body = { ...body };
  for (const spec of fields) {
    const value = body[spec.path];
    if (spec.type === 'number') {
      form[spec.path] = typeof value === 'number' ? showNumber(value / (spec.inUnit ?? 1)) : '';
    } else if (spec.type === 'text') {
      form[spec.path] = value ?? '';
    } else if (spec.type === 'group') {
      form[spec.path] = value ? toForm(spec.fields, value) : undefined;
    } else if (spec.type === 'variant') {
      form[spec.path] = toForm(fieldsOf(spec, value?.kind), value ?? spec.kinds[0]?.fresh ?? {});
    } else if (spec.type === 'list') {
      form[spec.path] = ((value ?? []) as Body[]).map((item) => toForm(spec.fields, item));
    }
  }
  return form;
}

/** Returns the fields of a variant's kind. */
export function fieldsOf(spec: Extract<Spec, { type: 'variant' }>, kind: string | undefined): Spec[] {
  return spec.kinds.find((one) => one.kind === kind)?.fields ?? [];
}

/** Returns the body that a form means, and what of it is no number or empty, by path. */
export function fromForm(fields: Spec[], form: Body, at = ''): { body: Body; problems: FieldProblem[] } {
  const body: Body = { ...form };
  const problems: FieldProblem[] = [];
  const into = (inner: { body: Body; problems: FieldProblem[] }) => {
    problems.push(...inner.problems);
    return inner.body;
  };
  for (const spec of fields) {
    const path = at + spec.path;
    const value = form[spec.path];
    if (spec.type === 'number') {
      const read = readNumber(spec, String(value ?? ''), path);
      if ('problem' in read) problems.push(read.problem);
      body[spec.path] = 'value' in read ? read.value : undefined;
    } else if (spec.type === 'choice') {
      // The choice of nothing is no value.
      body[spec.path] = value === '' ? undefined : value;
    } else if (spec.type === 'group') {
      body[spec.path] = value ? into(fromForm(spec.fields, value, `${path}.`)) : undefined;
    } else if (spec.type === 'variant') {
      body[spec.path] = into(fromForm(fieldsOf(spec, value?.kind), value, `${path}.`));
    } else if (spec.type === 'list') {
      const items = (value as Body[]).map((item, index) => into(fromForm(spec.fields, item, `${path}.${index}.`)));
      body[spec.path] = spec.optional && items.length === 0 ? undefined : items;
    }
  }
  return { body, problems };
}

function readNumber(
  spec: Extract<Spec, { type: 'number' }>,
  text: string,
  path: string,
): { value?: number } | { problem: FieldProblem } {
  if (text.trim() === '') {
    return spec.optional
      ? { value: undefined }
      : { problem: problem('MISSING', path, text, 'Nothing was given.', 'Fill it in.') };
  }
  const number = parseNumber(text);
  return number === undefined
    ? {
        problem: problem(
          'NOT_A_NUMBER',
          path,
          text,
          `“${text}” is not a number.`,
          'Type digits with a decimal point or comma.',
        ),
      }
    : { value: Number((number * (spec.inUnit ?? 1)).toPrecision(12)) };
}

function problem(code: string, field: string, found: string, message: string, remedy: string): FieldProblem {
  return { code, field, found, message, allowed: '', remedy };
}
