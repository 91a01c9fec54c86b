import { useState } from 'react';
import type { ReadSignal } from '../../api';
import { LimitBar } from '../../parts';
import { Button, Cell, Heads, Input, OneOf, RowHead, Table, ToggleGroup } from '../../parts/ui';
import { Envelope, Trapezoid } from '../../plot';
import { fixed } from '../../quantity';
import { say, within } from '../../words';
import type { Run } from './useRun';

const PATHS = [
  ['EXCITER', say('run.exciterAlone'), 'exciter'],
  ['AMPLIFIER', say('run.throughTheAmplifier'), 'amplifier'],
] as const;

const REFERENCES = [
  { code: 'tone', name: say('run.dBBelowOneTone') },
  { code: 'pep', name: say('run.dBBelowPEP') },
];

type Waveform = ReadSignal['waveforms'][number]['code'];

interface Props {
  data: ReadSignal;
  mayEnter: boolean;
  run: Run;
  /** Whether the waveform is said by eye here. */
  byEye?: boolean;
}

/** What an analyser and a scope show of the signal, entered and judged. */
export function ReadSheet({ data, mayEnter, run, byEye = true }: Props) {
  const [reference, setReference] = useState<'tone' | 'pep'>('tone');
  const toPep = reference === 'pep';
  return (
    <section
      aria-label={say('run.asRead')}
      className={byEye ? 'mt-4 border-t border-rule pt-3' : 'pt-2.5'}
      data-part="as-read"
    >
      <h2 className="text-18">{byEye ? say('run.asReadOnAnAnalyser') : say('run.asReadOnAnAnalyserAlone')}</h2>
      {data.judgement && <p className="head text-18">{data.judgement}</p>}
      <p className="mb-2 text-soft">
        {mayEnter
          ? say('run.twoEqualTonesFirstThe')
          : data.amplifier.length === 0 && !data.waveform
            ? say('run.nothingWasEnteredItCan')
            : ''}
      </p>
      <div className="grid grid-cols-2 gap-x-6 gap-y-3 max-phone:grid-cols-1">
        <div>
          {mayEnter && (
            <div className="mb-2 text-13">
              <OneOf
                label={say('run.productsAreRead')}
                options={REFERENCES}
                chosen={[reference]}
                onPick={(code) => setReference(code as typeof reference)}
              />
            </div>
          )}
          {mayEnter &&
            PATHS.map(([through, label]) => (
              <ProductsEntry key={through} through={through} label={label} toPep={toPep} run={run} />
            ))}
          <ReadTable data={data} />
        </div>
        <div>
          {byEye && <Waveforms data={data} mayEnter={mayEnter} run={run} />}
          {data.curve && (
            <div className="mt-2 grid grid-cols-2 gap-3">
              <Envelope input={data.curve.drive} output={data.curve.output} read />
              <Trapezoid input={data.curve.drive} output={data.curve.output} read />
              <p className="col-span-2 text-13 text-soft">{say('run.theShapeThatHasThese')}</p>
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
    <span className="flex items-center gap-1.5 text-soft">
      <span aria-hidden="true">{name}</span>
      <Input
        number
        className="w-16"
        maxLength={8}
        aria-label={say('run.order', { label, name })}
        aria-invalid={problem !== undefined}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </span>
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
          {say('shared.enter')}
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

const dB = (value: number | undefined | null) => (value == null ? '\u2013' : fixed(value, 1));

/** What was read, and what of it is the amplifier's own. */
function ReadTable({ data }: { data: ReadSignal }) {
  if (data.exciter.length + data.amplifier.length === 0) return null;
  return (
    <Table caption={say('run.productsAsReadDB')} tight part="read-products">
      <Heads of={['', say('run.toOneTone'), say('run.toPEP')]} end />
      <tbody>
        {PATHS.flatMap(([through, label, key]) =>
          data[key].map((product) => (
            <tr key={through + product.label}>
              <RowHead>
                {label}, {within(product.label)}
              </RowHead>
              <Cell figure end>
                {dB(product.toToneDb)}
              </Cell>
              <Cell figure end>
                {dB(product.toPepDb)}
              </Cell>
            </tr>
          )),
        )}
        {data.own.map((part) => (
          <tr key={part.label}>
            <RowHead>{say('run.theAmplifiersOwn', { label: within(part.label) })}</RowHead>
            <Cell figure end colSpan={2}>
              {part.likelyDb == null ? say('run.notAboveTheExciterS') : dB(part.likelyDb)}{' '}
              <span className="text-soft">
                {say('run.to', {
                  leastDb: part.leastDb == null ? say('shared.nothing') : dB(part.leastDb),
                  mostDb: dB(part.mostDb),
                })}
              </span>
            </Cell>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

function Waveforms({ data, mayEnter, run }: Props) {
  return (
    <div>
      <p className="head">{say('run.onTheScopeTwoTones')}</p>
      {mayEnter && (
        <ToggleGroup
          label={say('run.seenOnTheScope')}
          className="my-1"
          value={data.waveform}
          onPick={(code) => run.act({ act: 'WAVEFORM', waveform: code as Waveform })}
          options={data.waveforms.map(({ code, words }) => [code, words] as const)}
        />
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
