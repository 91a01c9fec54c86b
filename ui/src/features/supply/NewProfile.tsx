import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import type { ProfileRun, SupplyRecordView } from '../../api';
import { Fields, RecordSheet, schemaOf, toForm, useRecordForm } from '../../parts/form';
import { Pick } from '../../parts/ui';
import { say } from '../../words';
import { Foot } from './Foot';
import { Shelf } from './SupplyPage';
import { PROFILE_FIELDS } from './spec';
import { put, saveProfile, useEquipment } from './useSupplyRecords';

const SCHEMA = schemaOf(PROFILE_FIELDS);
const LONGEST_NAME = 80;

/** Which set is to be measured, and on what supply. */
export function NewProfile({ records }: { records: SupplyRecordView[] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const exciters = useEquipment('exciter');
  const amplifiers = useEquipment('amplifier');
  const supplies = useEquipment('supply');
  const record = useRecordForm({
    draft: 'profile.new',
    revision: 0,
    fresh: () => toForm(PROFILE_FIELDS, {}),
    schema: SCHEMA,
    save: (form) => saveProfile({ ...form, keyed: [] } as unknown as ProfileRun),
    onSaved: (record) => {
      put(queries, record);
      navigate(`/supply/profiles/${record.id}`);
    },
  });
  const { control, setValue } = record.form;
  const [set, supply] = useWatch({ control, name: ['set', 'supply'] }) as string[];
  // It is named after both, until it is named by hand.
  useEffect(() => {
    const subscription = record.form.watch((form, { name }) => {
      if (name !== 'set' && name !== 'supply') return;
      setValue('name', [form.set, form.supply].filter(Boolean).join(' on ').slice(0, LONGEST_NAME));
    });
    return () => subscription.unsubscribe();
  }, [record.form, setValue]);
  const sets = [
    ...exciters.map((one) => [one.name, one.powerMaxW] as const),
    ...amplifiers.filter((one) => one.stage.kind === 'transistors').map((one) => [one.name, one.ratedOutputW] as const),
  ];
  return (
    <>
      <Shelf records={records} />
      <RecordSheet label={say('supply.measureASet')} record={record} className="mx-5 mt-3">
        <h1 className="text-22">{say('supply.measureWhatASetDraws')}</h1>
        <p className="mb-3 text-soft">{say('supply.intoADummyLoadA')}</p>
        <div className="mb-3 flex flex-wrap gap-4">
          <Pick
            label={say('supply.oneOfTheStationsSets')}
            value={sets.some(([name]) => name === set) ? (set ?? '') : ''}
            options={[['', say('supply.another')], ...sets.map(([name]) => [name, name] as const)]}
            onPick={(name) => {
              setValue('set', name);
              setValue('greatestW', String(sets.find(([one]) => one === name)?.[1] ?? ''));
            }}
          />
          <Pick
            label={say('supply.onOneOfItsSupplies')}
            value={supplies.some((one) => one.name === supply) ? (supply ?? '') : ''}
            options={[['', say('supply.another')], ...supplies.map((one) => [one.name, one.name] as const)]}
            onPick={(name) => setValue('supply', name)}
          />
        </div>
        <Fields fields={PROFILE_FIELDS} />
        <Foot record={record} kept={undefined} />
      </RecordSheet>
    </>
  );
}
