import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { get, useFieldArray, useFormContext, useFormState, useWatch } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import * as z from 'zod/mini';
import type { Plan, PlanRecord, SupplyRecordView } from '../../api';
import { FileButton, Refused } from '../../parts';
import { Fields, type Form, kindsOf, RecordSheet, schemaOf, toForm, useRecordForm } from '../../parts/form';
import { Button, Pick } from '../../parts/ui';
import { parseNumber } from '../../quantity';
import { say } from '../../words';
import { Boxes, fieldsOf, isSet, OwnDuty, Part } from './Boxes';
import { Foot } from './Foot';
import { Shelf } from './SupplyPage';
import {
  CIRCUIT_FIELDS,
  FRESH_PLAN,
  FRESH_STRETCH,
  LEAD_FIELDS,
  PLAN_FIELDS,
  SET_FIELDS,
  STANDBY_FIELDS,
  STEADY_FIELDS,
  stretchFields,
} from './spec';
import { put, savePlan, useEquipment, useSavePlan } from './useSupplyRecords';

const WISHES = [
  ['', say('supply.noMatter')],
  ['PRICE', say('supply.price')],
  ['CAPACITY', say('supply.capacity')],
  ['EFFICIENCY', say('shared.efficiencyWithin')],
  ['QUIETNESS', say('supply.quietness')],
] as const;

const SCHEMA = schemaOf(PLAN_FIELDS, {
  lead: schemaOf(LEAD_FIELDS),
  circuit: schemaOf(CIRCUIT_FIELDS),
  boxes: z.array(
    kindsOf([
      { kind: 'steady', fields: STEADY_FIELDS },
      { kind: 'transmitting', fields: SET_FIELDS },
    ]),
  ),
  pattern: z.array(schemaOf(stretchFields([]))),
  battery: z.optional(schemaOf(STANDBY_FIELDS)),
});

function opened(plan: Form): Form {
  return {
    ...toForm(PLAN_FIELDS, plan),
    lead: toForm(LEAD_FIELDS, plan.lead),
    circuit: toForm(CIRCUIT_FIELDS, plan.circuit),
    boxes: plan.boxes.map((box: Form) => toForm(fieldsOf(box), box)),
    pattern: plan.pattern.map((one: Form) => toForm(stretchFields([]), one)),
    battery: plan.battery ? toForm(STANDBY_FIELDS, plan.battery) : undefined,
  };
}

/** All of a plan as a form. */
export function PlanEditor({ records, kept }: { records: SupplyRecordView[]; kept?: PlanRecord }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const toPlan = (record: PlanRecord) => navigate(`/supply/plans/${record.id}`);
  const record = useRecordForm({
    draft: `plan.${kept?.id ?? 'new'}`,
    revision: kept?.revision ?? 0,
    fresh: () => opened(kept?.body ?? FRESH_PLAN),
    schema: SCHEMA,
    save: (form, revision) => savePlan(form as Plan, kept && { record: kept, revision }),
    onSaved: (record) => {
      put(queries, record);
      toPlan(record);
    },
  });
  return (
    <>
      <Shelf records={records} tools={!kept && <Bring onKept={toPlan} />} />
      <RecordSheet label={kept?.name ?? say('supply.newPlan')} record={record} className="mx-5 mt-3 mb-5">
        <h1 className="mb-3 text-22">{kept ? kept.name : say('supply.newPlan')}</h1>
        <Fields fields={PLAN_FIELDS} />
        <Fed />
        <Boxes records={records} />
        <Used />
        <Part title={say('supply.leadToTheSetThat')}>
          <Fields fields={LEAD_FIELDS} at="lead." />
        </Part>
        <Part title={say('supply.circuitOfTheHouse')}>
          <Fields fields={CIRCUIT_FIELDS} at="circuit." />
        </Part>
        <Foot record={record} kept={kept} />
      </RecordSheet>
    </>
  );
}

/** What feeds it, and what is wanted first of that. */
function Fed() {
  const { setValue, getValues } = useFormContext();
  const { errors } = useFormState();
  const supplies = useEquipment('supply');
  const batteries = useEquipment('battery');
  const [supply, battery, wished] = useWatch({ name: ['supply', 'battery', 'wishes'] }) as [
    Form | undefined,
    Form | undefined,
    string[] | undefined,
  ];
  const wishes = wished ?? [];
  const dirty = { shouldDirty: true } as const;
  return (
    <>
      <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
        <Pick
          label={say('shared.supply')}
          value={supply?.name ?? ''}
          options={choices(supplies, supply?.name)}
          onPick={(name) => setValue('supply', supplies.find((one) => one.name === name) ?? supply, dirty)}
        />
        <Pick
          label={say('supply.batteryThatStandsBy')}
          value={battery?.battery.name ?? ''}
          options={choices(batteries, battery?.battery.name)}
          onPick={(name) => {
            const chosen = batteries.find((one) => one.name === name);
            const before = getValues('battery') as Form | undefined;
            setValue(
              'battery',
              chosen ? { chargingA: '0', temperatureC: '20', ...before, battery: chosen } : undefined,
              dirty,
            );
          }}
        />
        {[0, 1].map((rank) => (
          <Pick
            key={rank}
            label={rank === 0 ? say('supply.youWantFirst') : say('supply.andThen')}
            value={wishes[rank] ?? ''}
            options={WISHES.filter(([code]) => code === '' || wishes[1 - rank] !== code)}
            onPick={(code) => {
              const next = [wishes[0] ?? '', wishes[1] ?? ''];
              next[rank] = code;
              setValue('wishes', next.filter(Boolean), dirty);
            }}
          />
        ))}
        <Link className="pb-1.5 text-act underline" to="/station/new/supply">
          {say('supply.describeASupply')}
        </Link>
      </div>
      {get(errors, 'supply') && (
        <p role="alert" className="mt-1 text-13 text-limit">
          {say('supply.chooseTheSupplyThatFeeds', {
            first: supplies.length === 0 && say('supply.describeOneInStationFirst'),
          })}
        </p>
      )}
      {battery && (
        <Part title={say('supply.battery', { battery: battery.battery.name })}>
          <Fields fields={STANDBY_FIELDS} at="battery." />
        </Part>
      )}
    </>
  );
}

/** Who transmits when, how long, and how. */
function Used() {
  const { getValues, setValue, watch } = useFormContext();
  const pattern = useFieldArray({ name: 'pattern' });
  const boxes = useWatch({ name: 'boxes' }) as Form[];
  const sets = [...new Set<string>(boxes.filter(isSet).map((box) => String(box.name ?? '')))];
  const names = useRef<string[]>([]);
  names.current = boxes.map((box) => String(box.name ?? ''));
  // A set that is called otherwise keeps its transmissions.
  useEffect(() => {
    const subscription = watch((form, { name }) => {
      const index = Number(/^boxes\.(\d+)\.name$/.exec(name ?? '')?.[1] ?? Number.NaN);
      const before = names.current[index];
      const now = form.boxes?.[index]?.name;
      if (before === undefined || before === now) return;
      names.current[index] = now;
      (form.pattern as Form[]).forEach((one, at) => {
        if (one.box === before) setValue(`pattern.${at}.box`, now);
      });
    });
    return () => subscription.unsubscribe();
  }, [watch, setValue]);
  const add = () =>
    pattern.append(
      toForm(stretchFields(sets), { ...FRESH_STRETCH, box: sets[0], ...after(getValues('pattern') as Form[]) }),
      { shouldFocus: false },
    );
  return (
    <Part
      title={say('supply.howItIsUsed')}
      tools={sets.length > 0 && <Button onClick={add}>{say('supply.addATransmission')}</Button>}
    >
      {sets.length === 0 && <p className="text-soft">{say('supply.addASetFirst')}</p>}
      <div className="grid gap-3">
        {pattern.fields.map((one, index) => (
          <div key={one.id} className="border-t border-hair pt-2">
            <Fields fields={stretchFields(sets)} at={`pattern.${index}.`} />
            <Keyed index={index} />
            <Button kind="quiet" onClick={() => pattern.remove(index)}>
              {say('supply.deleteThisTransmission')}
            </Button>
          </div>
        ))}
      </div>
    </Part>
  );
}

function Keyed({ index }: { index: number }) {
  const kind = useWatch({ name: `pattern.${index}.envelope.kind` }) as string;
  return kind === 'keyed' ? <OwnDuty index={index} /> : null;
}

const choices = (list: { name: string }[], chosen: string | undefined) => {
  const names = list.map((one) => one.name);
  return [
    ['', say('shared.none')],
    ...(chosen && !names.includes(chosen) ? [chosen, ...names] : names).map((one) => [one, one]),
  ] as [string, string][];
};

/** A new transmission begins when the last one ends. */
function after(pattern: Form[]): Form {
  const last = pattern.at(-1);
  return last
    ? { fromS: 60 * ((parseNumber(String(last.fromS)) ?? 0) + (parseNumber(String(last.lengthS)) ?? 0)) || 0 }
    : {};
}

/** A plan from a file. */
function Bring({ onKept }: { onKept: (record: PlanRecord) => void }) {
  const keep = useSavePlan();
  const [broken, setBroken] = useState(false);
  return (
    <span className="flex flex-wrap items-center gap-2">
      <FileButton
        label={say('supply.bringAPlanInJSON')}
        accept=".json,application/json"
        onFile={async (file) => {
          setBroken(false);
          try {
            keep.mutate(JSON.parse(await file.text()) as Plan, { onSuccess: onKept });
          } catch {
            setBroken(true);
          }
        }}
      />
      {broken && (
        <span role="alert" className="text-limit">
          {say('supply.thatFileIsNoJSON')}
        </span>
      )}
      <Refused error={keep.error} named />
    </span>
  );
}
