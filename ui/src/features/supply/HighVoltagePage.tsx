import { useQueryClient } from '@tanstack/react-query';
import { useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import type { HighVoltage, HighVoltageRecord, HighVoltageView, SupplyRecordView } from '../../api';
import { Sheet } from '../../parts';
import { Fields, RecordSheet, schemaOf, toForm, useRecordForm } from '../../parts/form';
import { Skeleton, tell } from '../../parts/ui';
import { Course, Sized } from '../../plot';
import { say } from '../../words';
import { Foot } from './Foot';
import { Facts, Findings } from './Parts';
import { Shelf } from './SupplyPage';
import { FRESH_HIGH_VOLTAGE, HIGH_VOLTAGE_FIELDS } from './spec';
import { put, saveHighVoltage, useHighVoltage } from './useSupplyRecords';

const SCHEMA = schemaOf(HIGH_VOLTAGE_FIELDS);

/** An amplifier's high-voltage supply: what it is made of, and what that comes to. */
export function HighVoltagePage({ records, kept }: { records: SupplyRecordView[]; kept?: HighVoltageRecord }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const record = useRecordForm({
    draft: `highVoltage.${kept?.id ?? 'new'}`,
    revision: kept?.revision ?? 0,
    fresh: () => toForm(HIGH_VOLTAGE_FIELDS, kept?.body ?? FRESH_HIGH_VOLTAGE),
    schema: SCHEMA,
    save: (form, revision) => saveHighVoltage(form as HighVoltage, kept && { record: kept, revision }),
    onSaved: (record) => {
      put(queries, record);
      tell(say('supply.highVoltageOfIsSaved', { record: record.name }));
      navigate(`/supply/high-voltage/${record.id}`);
    },
  });
  const form = useWatch({ control: record.form.control });
  const read = SCHEMA.safeParse(form);
  const nameless = read.success
    ? ({ ...read.data, name: String(read.data.name).trim() || say('supply.new') } as HighVoltage)
    : undefined;
  const view = useHighVoltage(nameless).data;
  return (
    <>
      <Shelf records={records} />
      <div className="mx-5 mt-3 mb-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-form">
        {view ? <ComesTo view={view} /> : <Skeleton what={say('supply.whatItComesTo')} />}
        <RecordSheet label={kept?.name ?? say('supply.newHighVoltageSupply')} record={record}>
          <h1 className="mb-3 text-22">
            {kept ? say('supply.highVoltageOf', { kept: kept.name }) : say('supply.highVoltageOfAnAmplifier')}
          </h1>
          <Fields fields={HIGH_VOLTAGE_FIELDS} />
          <Foot record={record} kept={kept} />
        </RecordSheet>
      </div>
    </>
  );
}

function ComesTo({ view }: { view: HighVoltageView }) {
  const last = view.course.at(-1);
  const wrong = view.findings.length > 0;
  return (
    <div className="grid gap-3.5">
      <section
        aria-label={say('supply.verdict')}
        className={`sheet border-l-4 px-4 py-3.5 ${wrong ? 'border-l-limit' : 'border-l-act'}`}
      >
        <h2 className="text-14 text-soft">{say('supply.verdict')}</h2>
        <p className={`head text-22 leading-tight ${wrong ? 'text-limit' : ''}`}>{view.title}</p>
        <p className="mt-1 text-soft">{view.reason}</p>
        <Findings findings={view.findings.slice(1)} />
        <ul className="mt-3 grid gap-1 border-t border-hair pt-2 text-watch" aria-label={say('supply.cautions')}>
          {view.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </section>
      {last && Number.isFinite(last.atS) && (
        <Sheet title={say('supply.afterSwitchOffIfEvery')}>
          <Sized>
            {(width) => (
              <Course
                width={width}
                label={say('supply.voltageAfterSwitchOff', { reason: view.reason })}
                xUnit="s"
                yUnit="V"
                log
                height={190}
                limit={{ y: view.lowV, label: view.lowLabel }}
                lines={[
                  { key: 'bank', look: 'main', points: view.course.map((one) => ({ x: one.atS, y: one.volts })) },
                ]}
              />
            )}
          </Sized>
        </Sheet>
      )}
      {view.groups.map((group) => (
        <Sheet key={group.title} title={group.title}>
          <Facts facts={group.facts} />
        </Sheet>
      ))}
    </div>
  );
}
