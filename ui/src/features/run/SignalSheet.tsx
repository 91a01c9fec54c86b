import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask, client, type RunView, type TwinSignal } from '../../api';
import { Answer } from '../../parts';
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
    <table className="w-full border-collapse self-start" data-part="products">
      <caption className="mb-1 text-left text-14 text-soft">Two-tone products, dB</caption>
      <thead className="text-13 text-soft">
        <tr>
          <td />
          <th scope="col" className="text-right font-normal">
            to one tone
          </th>
          <th scope="col" className="text-right font-normal">
            to PEP
          </th>
        </tr>
      </thead>
      <tbody>
        {data.products.map(({ label, toToneDb, toPepDb }) => (
          <tr key={label} className="border-t border-hair">
            <th scope="row" className="py-0.5 text-left font-normal">
              {label}
            </th>
            <td className="figure text-right text-twin italic">{dB(toToneDb)}</td>
            <td className="figure text-right text-twin italic">{dB(toPepDb)}</td>
          </tr>
        ))}
        <tr className="border-t border-hair">
          <th scope="row" className="py-0.5 text-left font-normal">
            Compression at the peak
          </th>
          <td className="figure text-right text-twin italic">{dB(data.compressionDb)}</td>
          <td />
        </tr>
      </tbody>
    </table>
  );
}

function Modes({ data }: { data: TwinSignal }) {
  return (
    <table className="w-full border-collapse self-start">
      <caption className="mb-1 text-left text-14 text-soft">Averages by mode, at this peak</caption>
      <thead className="text-13 text-soft">
        <tr>
          <td />
          {['W', 'plate A', 'grid A', 'heat W'].map((head) => (
            <th key={head} scope="col" className="text-right font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {data.modes.map((mode) => (
          <tr key={mode.mode} className="border-t border-hair">
            <th scope="row" className="py-0.5 text-left text-13 font-normal">
              {mode.mode}
            </th>
            {[
              mode.outputW.toFixed(0),
              mode.plateCurrentA.toFixed(3),
              mode.gridCurrentA.toFixed(3),
              mode.heatPerTubeW.toFixed(0),
            ].map((shown, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a column is its heading
              <td key={index} className="figure text-right text-twin italic">
                {shown}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
