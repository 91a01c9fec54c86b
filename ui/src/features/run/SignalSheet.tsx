import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask, client, type RunView, type TwinSignal } from '../../api';
import { Answer } from '../../parts';
import { Cell, Heads, RowHead, Table } from '../../parts/ui';
import { Envelope, Trapezoid } from '../../plot';
import { watts } from '../../quantity';
import { ReadSheet } from './ReadSheet';
import { Tabs } from './Tabs';
import { useBench } from './useLive';
import type { Run } from './useRun';

/** How clean the signal is: by the twin where the amplifier has one, and by what an analyser and a scope show. */
export default function SignalSheet({ view, run }: { view: RunView; run: Run }) {
  const bench = useBench();
  const signal = useQuery({
    queryKey: ['signal', view.id, view.sequence, bench?.driveW, bench?.plate, bench?.load],
    queryFn: () => ask(client.GET('/api/runs/{id}/signal', { params: { path: { id: view.id } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <Answer query={signal} what="the signal">
      {(data) => (
        <section aria-label="How clean the signal is" className="sheet px-4 py-2.5">
          <header className="flex flex-wrap items-baseline gap-x-3 pb-1">
            <h1 className="text-22">How clean the signal is</h1>
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
          by the twin, {watts(data.driveW)} W of drive at the peak, PLATE {data.plate.toFixed(2)}, LOAD{' '}
          {data.load.toFixed(2)}
        </span>
      </p>
      <div className="grid grid-cols-2 gap-x-6 gap-y-3 max-phone:grid-cols-1">
        <figure>
          <Envelope input={data.curve.drive} output={data.curve.output} />
          <figcaption className="text-13 text-soft">
            Envelope of two equal tones: dotted is the drive, filled the output.
          </figcaption>
        </figure>
        <figure>
          <Trapezoid input={data.curve.drive} output={data.curve.output} />
          <figcaption className="text-13 text-soft">
            Trapezoid: output against drive. Straight sides are clean, bent-in ones flat-topped.
          </figcaption>
        </figure>
      </div>
      <div className="mt-3 grid grid-cols-2 gap-x-6 gap-y-3 max-phone:grid-cols-1">
        <Products data={data} />
        <Modes data={data} />
      </div>
    </>
  );
}

const dB = (value: number) => value.toFixed(1).replace('-', '\u2212');

function Products({ data }: { data: TwinSignal }) {
  return (
    <Table caption="Two-tone products, dB" tight className="self-start" part="products">
      <Heads of={['', 'to one tone', 'to PEP']} end />
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
          <RowHead>Compression at the peak</RowHead>
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
    <Table caption="Averages by mode, at this peak" tight className="self-start">
      <Heads of={['', 'W', 'plate A', 'grid A', 'heat W']} end />
      <tbody>
        {data.modes.map((mode) => (
          <tr key={mode.mode}>
            <RowHead className="text-13">{mode.mode}</RowHead>
            {[
              mode.outputW.toFixed(0),
              mode.plateCurrentA.toFixed(3),
              mode.gridCurrentA.toFixed(3),
              mode.heatPerTubeW.toFixed(0),
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
