import { showNumber } from '../../quantity';
import type { Form, Spec } from './spec';

/** Returns a record with its numbers as texts in the units shown, ready to be edited. */
export function toForm(fields: Spec[], record: object): Form {
  const from = record as Form;
  const form: Form = { ...from };
  for (const spec of fields) {
    const value = from[spec.path];
    if (spec.type === 'number') {
      form[spec.path] = typeof value === 'number' ? showNumber(value / (spec.inUnit ?? 1)) : '';
    } else if (spec.type === 'text' || spec.type === 'choice') {
      form[spec.path] = value ?? '';
    } else if (spec.type === 'many') {
      form[spec.path] = value ?? [];
    } else if (spec.type === 'group') {
      form[spec.path] = value ? toForm(spec.fields, value) : undefined;
    } else if (spec.type === 'variant') {
      form[spec.path] = toForm(fieldsOf(spec, value?.kind), value ?? spec.kinds[0]?.fresh ?? {});
    } else {
      form[spec.path] = ((value ?? []) as Form[]).map((item) => toForm(spec.fields, item));
    }
  }
  return form;
}

/** Returns the fields of a variant's kind. */
export function fieldsOf(spec: Extract<Spec, { type: 'variant' }>, kind: string | undefined): Spec[] {
  return spec.kinds.find((one) => one.kind === kind)?.fields ?? [];
}
