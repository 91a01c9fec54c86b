import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { ask, type Box, client, type ProfileRecord, type SupplyRecordView } from '../../api';
import { Refused } from '../../parts';
import { Fields, type Form, schemaOf, toForm } from '../../parts/form';
import { Button, Pick, TextField } from '../../parts/ui';
import { parseNumber, showNumber } from '../../quantity';
import { say } from '../../words';
import { FRESH_BOX, FRESH_SET, SET_FIELDS, STEADY_FIELDS } from './spec';

export const isSet = (box: Form) => box.kind === 'transmitting';
export const fieldsOf = (box: Form) => (box.kind === 'steady' ? STEADY_FIELDS : SET_FIELDS);

/** A part of the form under its own title. */
export function Part({
  title,
  tools,
  children,
}: {
  title: string;
  tools?: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <section aria-label={title} className="mt-4 border-l-2 border-rule pl-4">
      <div className="mb-1.5 flex items-center gap-3">
        <h2 className="text-14">{title}</h2>
        {tools}
      </div>
      {children}
    </section>
  );
}

/** All that the supply feeds. */
export function Boxes({ records }: { records: SupplyRecordView[] }) {
  const { getValues, setValue } = useFormContext();
  const boxes = useFieldArray({ name: 'boxes' });
  const profiles = records.filter((one): one is ProfileRecord => one.kind === 'PROFILE');
  const take = useMutation({
    mutationFn: async (id: string) => {
      const profile = profiles.find((one) => one.id === id);
      return profile && (await ask(client.POST('/api/supply/profile', { body: profile.body })));
    },
  });
  const add = (box: Form | Box) => boxes.append(toForm(fieldsOf(box), box), { shouldFocus: false });
  const remove = (index: number) => {
    const name = getValues(`boxes.${index}.name`);
    const pattern = (getValues('pattern') ?? []) as Form[];
    boxes.remove(index);
    setValue(
      'pattern',
      pattern.filter((one) => one.box !== name),
    );
  };
  const options = profiles.map((one) => [one.id, one.name] as const);
  return (
    <Part
      title={say('supply.whatItFeeds')}
      tools={
        <>
          <Pick
            label={say('supply.addAMeasuredSet')}
            value=""
            options={[['', say('supply.choose')], ...options]}
            onPick={(id) =>
              take.mutate(id, {
                onSuccess: (view) => {
                  if (view?.box) add({ ...view.box, name: free(view.box.name, getValues('boxes') as Form[]) });
                },
              })
            }
          />
          <Button onClick={() => add(FRESH_SET)}>{say('supply.addASetByFigures')}</Button>
          <Button onClick={() => add(FRESH_BOX)}>{say('supply.addAnotherBox')}</Button>
        </>
      }
    >
      {take.data && !take.data.box && (
        <p role="status" className="text-watch">
          {say('supply.thatSetIsNotMeasured', { title: take.data.title })}
        </p>
      )}
      <Refused error={take.error} />
      <div className="grid gap-3">
        {boxes.fields.map((one, index) => (
          <BoxFields key={one.id} index={index} onRemove={() => remove(index)}>
            <Pick
              label={say('supply.measuredAtAnotherVoltageTo')}
              value=""
              options={[['', say('supply.choose')], ...options]}
              onPick={(id) =>
                take.mutate(id, {
                  onSuccess: (view) => {
                    if (view?.box?.kind !== 'transmitting') return;
                    const lower = toForm(SET_FIELDS, { lower: view.box.profile }).lower;
                    setValue(`boxes.${index}.lower`, lower, { shouldDirty: true });
                  },
                })
              }
            />
          </BoxFields>
        ))}
      </div>
    </Part>
  );
}

function BoxFields(props: { index: number; onRemove: () => void; children: React.ReactNode }) {
  const { index, onRemove, children } = props;
  const [kind, name] = useWatch({ name: [`boxes.${index}.kind`, `boxes.${index}.name`] }) as string[];
  return (
    <div className="border-t border-hair pt-2">
      <Fields fields={fieldsOf({ kind })} at={`boxes.${index}.`} />
      {kind === 'transmitting' && children}
      <Button kind="quiet" onClick={onRemove}>
        {say('supply.delete', { box: name || say('supply.thisBox') })}
      </Button>
    </div>
  );
}

/** The share of the time that one really transmits, from the average current that was read. */
export function OwnDuty({ index }: { index: number }) {
  const at = `pattern.${index}`;
  const { getValues, setValue } = useFormContext();
  const [average, setAverage] = useState('');
  const boxes = useWatch({ name: 'boxes' }) as Form[];
  const own = useWatch({ name: `${at}.box` }) as string;
  const box = boxes.find((one) => one.name === own);
  const measured = useMutation({
    mutationFn: () => {
      const read = schemaOf(SET_FIELDS).safeParse(box);
      if (!read.success) throw new Error(say('supply.fillInTheDrawFirst'));
      const peakEnvelopeW = parseNumber(String(getValues(`${at}.peakEnvelopeW`))) ?? 0;
      return ask(
        client.POST('/api/supply/duty', { body: { profile: read.data.profile, peakEnvelopeW, averageA: average } }),
      );
    },
    onSuccess: (view) =>
      setValue(`${at}.envelope.onShare`, showNumber(100 * Number(view.onShare.toFixed(3))), { shouldDirty: true }),
  });
  if (!box) return null;
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <TextField
        label={say('supply.ownDutyAverageReadOver')}
        number
        value={average}
        onChange={setAverage}
        className="w-27.5"
      />
      <Button disabled={average.trim() === '' || measured.isPending} onClick={() => measured.mutate()}>
        {say('supply.takeIt')}
      </Button>
      {measured.data && <span role="status">{measured.data.says}</span>}
      <Refused error={measured.error} named />
    </div>
  );
}

/** Returns a name that no box has yet. */
function free(name: string, boxes: Form[]): string {
  const taken = boxes.map((box) => box.name);
  for (let count = 2; ; count++) {
    const next = count === 2 ? name : `${name}, ${count - 1}`;
    if (!taken.includes(next)) return next;
  }
}
