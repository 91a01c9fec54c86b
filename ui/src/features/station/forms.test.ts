import { describe, expect, it } from 'vitest';
import demo from '../../../../server/src/main/resources/demo/skerry-point.json';
import contract from '../../api/openapi.json';
import { type Form, type Spec, schemaOf, toForm } from '../../parts/form';
import {
  CIRCUIT_FIELDS,
  HIGH_VOLTAGE_FIELDS,
  LEAD_FIELDS,
  PLAN_FIELDS,
  PROFILE_FIELDS,
  SET_FIELDS,
  STANDBY_FIELDS,
  STEADY_FIELDS,
  stretchFields,
} from '../supply/spec';
import { KINDS, STATION_FIELDS } from './spec';

const without = (body: unknown) => JSON.parse(JSON.stringify(body, (_, value) => value ?? undefined));
const fieldsOf = (kind: string) => KINDS[kind]?.fields ?? [];

describe('forms', () => {
  it.each(demo.equipment.map((one) => [one.name, one] as const))('bring %s back as it was', (_, body) => {
    const fields = fieldsOf(body.kind);
    const read = schemaOf(fields).safeParse(toForm(fields, body));
    expect(read.error).toBeUndefined();
    expect(without(read.data)).toEqual(without(body));
  });

  it('name the place of what is no number', () => {
    const fields = fieldsOf('meter');
    const form = toForm(fields, demo.equipment.find((one) => one.name === 'Fathom') ?? {});
    form.channels[0].ranges[1].fullScale = 'lots';
    form.channels[0].accuracy.fraction = '';
    const read = schemaOf(fields).safeParse(form);
    expect(read.error?.issues.map((issue) => [issue.path.join('.'), issue.message])).toEqual([
      ['channels.0.accuracy.fraction', 'Nothing was given. Fill it in.'],
      ['channels.0.ranges.1.fullScale', '“lots” is not a number. Type digits with a decimal point or comma.'],
    ]);
  });

  it('show shares in per cent and short times in ms, and read them back', () => {
    const fields = fieldsOf('exciter');
    const form = toForm(fields, demo.equipment[0] ?? {});
    expect(form.powerAccuracyFraction).toBe('5');
    expect(form.trDelayS).toBe('30');
    const read = schemaOf(fields).safeParse({ ...form, powerAccuracyFraction: '2,5' });
    expect(read.data).toMatchObject({ powerAccuracyFraction: 0.025, trDelayS: 0.03 });
  });
});

// biome-ignore lint/suspicious/noExplicitAny: a form of the contract, looked into anywhere
type Schema = Record<string, any>;
const schemas = contract.components.schemas as Record<string, Schema>;

/** Returns what a reference or a thing that may be absent stands for. */
function resolved(schema: Schema): { schema: Schema; mayBeAbsent: boolean } {
  if (schema.$ref) return resolved(schemas[schema.$ref.split('/').at(-1)] as Schema);
  const others = (schema.anyOf as Schema[] | undefined)?.filter((one) => one.type !== 'null');
  return others?.length === 1
    ? { ...resolved(others[0] as Schema), mayBeAbsent: true }
    : { schema, mayBeAbsent: false };
}

const propertyOf = (schema: Schema, path: string) => {
  const found = schema.properties?.[path];
  if (!found) throw new Error(`the contract has no ${path}`);
  const { schema: property, mayBeAbsent } = resolved(found);
  return { property, mayBeAbsent: mayBeAbsent || !(schema.required ?? []).includes(path) };
};

const codes = (options: readonly (readonly [string, string])[]) => options.map(([code]) => code).filter(Boolean);

/** Holds the fields of a form to the form that the contract has of its record. */
function fits(fields: Spec[], schema: Schema, fresh: Form | undefined): void {
  for (const spec of fields) {
    const { property, mayBeAbsent } = propertyOf(schema, spec.path);
    switch (spec.type) {
      case 'text':
        expect(property.type, spec.path).toBe('string');
        break;
      case 'number':
        expect(['number', 'integer'], spec.path).toContain(property.type);
        if (spec.optional) expect(mayBeAbsent, spec.path).toBe(true);
        break;
      case 'choice':
        if (spec.options.length > 0)
          expect([...codes(spec.options)].sort(), spec.path).toEqual(
            // Which of two wattmeters in a line is the second, a run says, and no record.
            [...(property.enum ?? codes(spec.options))].filter((code) => code !== 'OTHER_OUTPUT').sort(),
          );
        break;
      case 'many':
        expect([...codes(spec.options)].sort()).toEqual([...property.items.enum].sort());
        break;
      case 'group':
        if (spec.optional) expect(mayBeAbsent, spec.path).toBe(true);
        fits(spec.fields, property, spec.optional);
        break;
      case 'variant': {
        const kinds = (property.oneOf as Schema[]).map((one) => resolved(one).schema);
        expect(kinds.map((one) => one.properties.kind.const).sort()).toEqual(spec.kinds.map((one) => one.kind).sort());
        for (const kind of spec.kinds) {
          fits(kind.fields, kinds.find((one) => one.properties.kind.const === kind.kind) as Schema, kind.fresh);
        }
        break;
      }
      case 'list':
        if (spec.optional) expect(mayBeAbsent, spec.path).toBe(true);
        fits(spec.fields, resolved(property.items).schema, spec.fresh);
        break;
    }
  }
  // What the contract asks for is asked for by a field, or a new record begins with it.
  const asked = new Set(fields.map((spec) => spec.path));
  const begun = new Set(Object.keys(fresh ?? {}));
  const forgotten = ((schema.required ?? []) as string[]).filter((path) => !asked.has(path) && !begun.has(path));
  expect(forgotten).toEqual([]);
}

describe('forms and the contract', () => {
  it.each(Object.entries(KINDS))(
    'ask of a new %s what the contract has, no more and no less',
    (kind, { fields, fresh }) => {
      fits(fields, schemas[kind.charAt(0).toUpperCase() + kind.slice(1)] as Schema, fresh);
    },
  );

  it('agree on the station, and on what a plan is made of', () => {
    fits(STATION_FIELDS, schemas.Station as Schema, {});
    const plan = schemas.Plan as Schema;
    const parts = { supply: {}, boxes: [], pattern: [], lead: {}, circuit: {}, wishes: [] };
    fits(PLAN_FIELDS, plan, parts);
    fits(LEAD_FIELDS, resolved(plan.properties.lead).schema, {});
    fits(CIRCUIT_FIELDS, resolved(plan.properties.circuit).schema, {});
    fits(STANDBY_FIELDS, resolved(plan.properties.battery).schema, { battery: {} });
    fits(stretchFields([]), resolved(plan.properties.pattern.items).schema, {});
    const [steady, transmitting] = (schemas.Box as Schema).oneOf;
    fits(STEADY_FIELDS, steady, { kind: 'steady' });
    fits(SET_FIELDS, transmitting, { kind: 'transmitting' });
  });

  it('agree on a measured set and a high-voltage supply', () => {
    fits(PROFILE_FIELDS, schemas.ProfileRun as Schema, { keyed: [] });
    fits(HIGH_VOLTAGE_FIELDS, schemas.HighVoltage as Schema, {});
  });
});
