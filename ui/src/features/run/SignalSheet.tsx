import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask, client, type RunView, type TwinSignal } from '../../api';
import { Answer } from '../../parts';
import { Cell, Heads, RowHead, Table } from '../../parts/ui';
import { Envelope, Trapezoid } from '../../plot';
import { fixed, watts } from '../../quantity';
import { say } from '../../words';
import { ReadSheet } from './ReadSheet';
import { Tabs } from './Tabs';
import { useBenchDials } from './useLive';
import type { Run } from './useRun';

/** How clean the signal is: by the twin where the amplifier has one, and by what an analyser and a scope show. */
export default function SignalSheet({ view, run }: { view: RunView; run: Run }) {
  const bench = useBenchDials();
  const signal = useQuery({
    queryKey: ['signal', view.id, view.sequence, bench?.driveW, bench?.plate, bench?.load],
    queryFn: () => ask(client.GET('/api/runs/{id}/signal', { params: { path: { id: view.id } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <Answer query={signal} what={say('run.theSignal')}>
      {(data) => (
        <section aria-label={say('run.howCleanTheSignalIs')} className="sheet px-4 py-2.5">
          <header className="flex flex-wrap items-baseline gap-x-3 pb-1">
            <h1 className="text-22">{say('run.howCleanTheSignalIs')}</h1>
            <Tabs view={view} />
          </header>
          {data.twin && <ByTwin data={data.twin} />}
          <ReadSheet data={data.read} mayEnter={data.mayEnter} run={run} />
        </section>
      )}
    </Answer>
  );
}

function ByTwin({ data }: { data: TwinSignal }) {
  return (
    <>
      <p className="mb-2 text-18">
        <span className="head">{data.judgement}</span>{' '}
        <span className="text-14 text-soft">
          {say('run.byTheTwinWOf', {
            driveW: watts(data.driveW),
            plate: fixed(data.plate, 2),
            load: fixed(data.load, 2),
          })}
        </span>
      </p>
      <div className="grid grid-cols-2 gap-x-6 gap-y-3 max-phone:grid-cols-1">
        <figure>
          <Envelope input={data.curve.drive} output={data.curve.output} />
          <figcaption className="text-13 text-soft">{say('run.envelopeOfTwoEqualTones')}</figcaption>
        </figure>
        <figure>
          <Trapezoid input={data.curve.drive} output={data.curve.output} />
          <figcaption className="text-13 text-soft">{say('run.trapezoidOutputAgainstDrive')}</figcaption>
        </figure>
      </div>
      <div className="mt-3 grid grid-cols-2 gap-x-6 gap-y-3 max-phone:grid-cols-1">
        <Products data={data} />
        <Modes data={data} />
      </div>
    </>
  );
}

const dB = (value: number) => fixed(value, 1);

function Products({ data }: { data: TwinSignal }) {
  return (
    <Table caption={say('run.twoToneProductsDB')} tight className="self-start" part="products">
      <Heads of={['', say('run.toOneTone'), say('run.toPEP')]} end />
      <tbody>
        {data.products.map(({ label, toToneDb, toPepDb }) => (
          <tr key={label}>
            <RowHead>{label}</RowHead>
            <Cell figure end className="text-twin italic">
              {dB(toToneDb)}
            </Cell>
            <Cell figure end className="text-twin italic">
              {dB(toPepDb)}
            </Cell>
          </tr>
        ))}
        <tr>
          <RowHead>{say('run.compressionAtThePeak')}</RowHead>
          <Cell figure end className="text-twin italic">
            {dB(data.compressionDb)}
          </Cell>
          <td />
        </tr>
      </tbody>
    </Table>
  );
}

function Modes({ data }: { data: TwinSignal }) {
  return (
    <Table caption={say('run.averagesByModeAtThis')} tight className="self-start">
      <Heads of={['', 'W', say('run.plateA'), say('run.gridA'), say('run.heatW')]} end />
      <tbody>
        {data.modes.map((mode) => (
          <tr key={mode.mode}>
            <RowHead className="text-13">{mode.mode}</RowHead>
            {[
              fixed(mode.outputW, 0),
              fixed(mode.plateCurrentA, 3),
              fixed(mode.gridCurrentA, 3),
              fixed(mode.heatPerTubeW, 0),
            ].map((shown, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a column is its heading
              <Cell key={index} figure end className="text-twin italic">
                {shown}
              </Cell>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
