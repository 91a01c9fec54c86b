import { describe, expect, it } from 'vitest';
import demo from '../../../../server/src/main/resources/demo/skerry-point.json';
import { type Body, fromForm, toForm } from '../../parts/form';
import { KINDS } from './spec';

const without = (body: Body): Body => JSON.parse(JSON.stringify(body, (_, value) => value ?? undefined));

describe('forms', () => {
  it.each(demo.equipment.map((one) => [one.name, one] as const))('bring %s back as it was', (_, body) => {
    const fields = KINDS[body.kind]?.fields ?? [];
    const read = fromForm(fields, toForm(fields, body));
    expect(read.problems).toEqual([]);
    expect(without(read.body)).toEqual(without(body));
  });

  it('name the place of what is no number', () => {
    const meter = demo.equipment.find((one) => one.name === 'Fathom') as Body;
    const fields = KINDS.meter?.fields ?? [];
    const form = toForm(fields, meter);
    form.channels[0].ranges[1].fullScale = 'lots';
    form.channels[0].accuracy.fraction = '';
    const fieldsInTrouble = fromForm(fields, form).problems.map((one) => [one.code, one.field]);
    expect(fieldsInTrouble).toEqual([
      ['MISSING', 'channels.0.accuracy.fraction'],
      ['NOT_A_NUMBER', 'channels.0.ranges.1.fullScale'],
    ]);
  });

  it('show shares in per cent and short times in ms', () => {
    const fields = KINDS.exciter?.fields ?? [];
    const form = toForm(fields, demo.equipment[0] as Body);
    expect(form.powerAccuracyFraction).toBe('5');
    expect(form.trDelayS).toBe('30');
  });
});
