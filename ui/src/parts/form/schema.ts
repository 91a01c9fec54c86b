import * as z from 'zod/mini';
import { parseNumber } from '../../quantity';
import { say } from '../../words';
import type { Form, Spec } from './spec';

/** Reads a form; what it brings is the record. */
export type Schema = z.ZodMiniType<Form, Form>;

const PRECISION = 12;

/** Returns what reads a form with these fields; what else the record holds goes through as it is. */
export function schemaOf(fields: Spec[], more: Record<string, z.ZodMiniType> = {}): Schema {
  return z.looseObject({
    ...Object.fromEntries(fields.map((spec) => [spec.path, reading(spec)])),
    ...more,
  }) as unknown as Schema;
}

/** Returns what reads a form that has one of several kinds. */
export function kindsOf(kinds: { kind: string; fields: Spec[] }[]): Schema {
  const [first, ...others] = kinds.map(({ kind, fields }) =>
    z.looseObject({ kind: z.literal(kind), ...Object.fromEntries(fields.map((spec) => [spec.path, reading(spec)])) }),
  );
  if (!first) throw new Error('a part of a record needs a kind');
  return z.discriminatedUnion('kind', [first, ...others]) as unknown as Schema;
}

/** Nothing chosen or typed is no value. */
const someText = z.pipe(
  z.optional(z.nullable(z.string())),
  z.transform((text) => (text ? text : undefined)),
);

function reading(spec: Spec): z.ZodMiniType {
  switch (spec.type) {
    case 'text':
      return spec.optional ? someText : z.string();
    case 'number':
      return numberOf(spec);
    case 'choice':
      return someText;
    case 'many':
      return z.array(z.string());
    case 'group':
      return spec.optional ? z.optional(z.nullable(schemaOf(spec.fields))) : schemaOf(spec.fields);
    case 'variant':
      return kindsOf(spec.kinds);
    case 'list': {
      const items = z.array(schemaOf(spec.fields));
      return spec.optional
        ? z.pipe(
            items,
            z.transform((list) => (list.length === 0 ? undefined : list)),
          )
        : items;
    }
  }
}

function numberOf(spec: Extract<Spec, { type: 'number' }>): z.ZodMiniType {
  return z.pipe(
    z.unknown(),
    z.transform((typed, context) => {
      const text = String(typed ?? '').trim();
      if (text === '' && spec.optional) return undefined;
      const number = parseNumber(text);
      if (number !== undefined) return Number((number * (spec.inUnit ?? 1)).toPrecision(PRECISION));
      context.issues.push({
        code: 'custom',
        input: typed,
        message: text === '' ? say('parts.nothingWasGivenFillIt') : say('parts.isNotANumberType', { text }),
      });
      return z.NEVER;
    }),
  );
}
