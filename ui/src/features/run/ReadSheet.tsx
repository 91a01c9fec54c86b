import { useState } from 'react';
import type { ReadSignal } from '../../api';
import { Button, LimitBar } from '../../parts';
import { Envelope, Trapezoid } from '../../plot';
import type { Run } from './useRun';

const PATHS = [
  ['EXCITER', 'Exciter alone', 'exciter'],
  ['AMPLIFIER', 'Through the amplifier', 'amplifier'],
] as const;

interface Props {
  data: ReadSignal;
  mayEnter: boolean;
  run: Run;
}

/** What an analyser and a scope show of the signal, entered and judged. */
export function ReadSheet({ data, mayEnter, run }: Props) {
  const [toPep, setToPep] = useState(false);
  return (
    <section aria-label="As read" className="mt-4 border-t border-rule pt-3" data-part="as-read">
      <h2 className="text-18">As read on an analyser and a scope</h2>
      {data.judgement && <p className="head text-18">{data.judgement}</p>}
      <p className="mb-2 text-soft">
        {mayEnter
          ? 'Two equal tones, first the exciter alone into the load, then through the amplifier at the same drive.'
          : data.amplifier.length === 0 && !data.waveform
            ? 'Nothing was entered. It can be once a step is recorded, until the run ends.'
            : ''}
      </p>
      <div className="grid grid-cols-2 gap-x-6 gap-y-3 max-phone:grid-cols-1">
        <div>
          {mayEnter && (
            <fieldset className="mb-2 flex gap-4 text-13">
              <legend className="sr-only">Products are read</legend>
              {[false, true].map((pep) => (
                <label key={String(pep)} className="flex items-center gap-1.5">
                  <input
                    type="radio"
                    name="reference"
                    className="accent-act"
                    checked={toPep === pep}
                    onChange={() => setToPep(pep)}
                  />
                  {pep ? 'dB below PEP' : 'dB below one tone'}
                </label>
              ))}
            </fieldset>
          )}
          {mayEnter &&
            PATHS.map(([through, label]) => (
              <ProductsEntry key={through} through={through} label={label} toPep={toPep} run={run} />
            ))}
          <ReadTable data={data} />
        </div>
        <div>
          <Waveforms data={data} mayEnter={mayEnter} run={run} />
          {data.curve && (
            <div className="mt-2 grid grid-cols-2 gap-3">
              <Envelope input={data.curve.drive} output={data.curve.output} read />
              <Trapezoid input={data.curve.drive} output={data.curve.output} read />
              <p className="col-span-2 text-13 text-soft">
                The shape that has these products, if flattened peaks make them. An analyser shows no signs.
              </p>
            </div>
          )}
        </div>
      </div>
    </section>
  );
}

function ProductsEntry(props: { through: 'EXCITER' | 'AMPLIFIER'; label: string; toPep: boolean; run: Run }) {
  const { through, label, toPep, run } = props;
  const [third, setThird] = useState('');
  const [fifth, setFifth] = useState('');
  const problem = run.fieldProblems[through];
  const field = (name: string, value: string, set: (text: string) => void) => (
    <label className="flex items-center gap-1.5 text-soft">
      {name}
      <input
        className="field figure w-[64px]"
        inputMode="decimal"
        maxLength={8}
        aria-label={`${label}, ${name} order`}
        aria-invalid={problem !== undefined}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </label>
  );
  return (
    <form
      className="mb-2"
      onSubmit={(event) => {
        event.preventDefault();
        const below = (text: string) => text.trim().replace(/^[-\u2212]/, '');
        run.act({ act: 'PRODUCTS', products: { through, third: below(third), fifth: below(fifth), toPep } });
      }}
    >
      <p className="head">{label}</p>
      <div className="flex flex-wrap items-center gap-3">
        {field('third', third, setThird)}
        {field('fifth', fifth, setFifth)}
        <Button type="submit" disabled={third.trim() === ''}>
          Enter
        </Button>
      </div>
      {problem && (
        <p role="alert" className="mt-1 flex items-baseline gap-2">
          <LimitBar />
          <span>
            <b className="font-semibold">{problem.field}:</b> {problem.message}{' '}
            <span className="text-soft">{problem.remedy}</span>
          </span>
        </p>
      )}
    </form>
  );
}

const dB = (value: number | undefined | null) => (value == null ? '\u2013' : value.toFixed(1).replace('-', '\u2212'));

/** What was read, and what of it is the amplifier's own. */
function ReadTable({ data }: { data: ReadSignal }) {
  if (data.exciter.length + data.amplifier.length === 0) return null;
  return (
    <table className="w-full border-collapse" data-part="read-products">
      <caption className="mb-1 text-left text-14 text-soft">Products as read, dB</caption>
      <thead className="text-13 text-soft">
        <tr>
          <td />
          {['to one tone', 'to PEP'].map((head) => (
            <th key={head} scope="col" className="text-right font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {PATHS.flatMap(([through, label, key]) =>
          data[key].map((product) => (
            <tr key={through + product.label} className="border-t border-hair">
              <th scope="row" className="py-0.5 text-left font-normal">
                {label}, {product.label.toLowerCase()}
              </th>
              <td className="figure text-right">{dB(product.toToneDb)}</td>
              <td className="figure text-right">{dB(product.toPepDb)}</td>
            </tr>
          )),
        )}
        {data.own.map((part) => (
          <tr key={part.label} className="border-t border-hair">
            <th scope="row" className="py-0.5 text-left font-normal">
              The amplifier's own, {part.label.toLowerCase()}
            </th>
            <td className="figure text-right" colSpan={2}>
              {part.likelyDb == null ? 'not above the exciter\u2019s' : dB(part.likelyDb)}{' '}
              <span className="text-soft">
                ({part.leastDb == null ? 'nothing' : dB(part.leastDb)} to {dB(part.mostDb)})
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Waveforms({ data, mayEnter, run }: Props) {
  return (
    <div>
      <p className="head">On the scope, two tones or speech</p>
      {mayEnter && (
        <div className="my-1 flex flex-wrap gap-2">
          {data.waveforms.map(({ code, words }) => (
            <button
              key={code}
              type="button"
              aria-pressed={data.waveform === code}
              onClick={() => run.act({ act: 'WAVEFORM', waveform: code })}
              className={`min-h-[32px] rounded-3 border px-3 ${
                data.waveform === code ? 'head border-act bg-wash' : 'border-rule hover:bg-wash'
              }`}
            >
              {words}
            </button>
          ))}
        </div>
      )}
      {data.waveformMeans && (
        <p>
          {!mayEnter && <b className="head">{data.waveforms.find((one) => one.code === data.waveform)?.words}. </b>}
          {data.waveformMeans}
        </p>
      )}
    </div>
  );
}
