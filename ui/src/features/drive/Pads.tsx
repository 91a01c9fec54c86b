import { useQuery } from '@tanstack/react-query';
import { ask, client, type PadRequest } from '../../api';
import { Diamond, isRefused, Refused, Sheet } from '../../parts';
import { Cell, Fold, Heads, RowHead, Table, TextField } from '../../parts/ui';
import { useLast } from './useLast';
import { useTyped } from './useStart';

type Measured = NonNullable<PadRequest['measured']>;

interface Entry {
  exciter: string;
  wanted: string;
  inputMost: string;
  measured: Measured;
}

const USUAL: Entry = {
  exciter: '100',
  wanted: '6',
  inputMost: '15',
  measured: { without: '', withoutScale: '', with: '', withScale: '', percent: '5' },
};

const NAMES: Record<string, string> = {
  exciter: 'Exciter',
  wanted: 'Wanted',
  inputMost: 'Input stands',
  'measured.without': 'Without the pad',
  'measured.withoutScale': 'Full scale without',
  'measured.with': 'With the pad',
  'measured.withScale': 'Full scale with',
  'measured.percent': 'Class',
};

/** Which pad between exciter and amplifier, what it takes, and what keying by mistake does. */
export function Pads() {
  const [typed, keep] = useTyped<Entry>('tubrin.pads');
  const entry = { ...USUAL, ...typed };
  const change = (more: Partial<Entry>) => keep({ ...entry, ...more });
  const { measured, ...drive } = entry;
  const isMeasured = measured.without !== '' && measured.with !== '';
  const body: PadRequest = {
    ...drive,
    ...(isMeasured
      ? {
          measured: {
            ...measured,
            withoutScale: measured.withoutScale || measured.without,
            withScale: measured.withScale || measured.withoutScale || measured.without,
          },
        }
      : {}),
  };
  const pads = useQuery({
    queryKey: ['drive', 'pads', body],
    queryFn: () => ask(client.POST('/api/drive/pads', { body })),
    placeholderData: (before) => before,
    retry: false,
  });
  const view = useLast(pads.data);
  const best = view?.pads.filter((pad) => pad.reaches).at(-1);
  const field = (key: 'exciter' | 'wanted' | 'inputMost', label: string) => (
    <TextField
      label={label}
      number
      className="w-20"
      value={entry[key]}
      invalid={isRefused(pads.error, key)}
      onChange={(text) => change({ [key]: text })}
    />
  );
  const of = (key: keyof Measured, label: string) => (
    <TextField
      label={label}
      number
      className="w-20"
      value={measured[key]}
      invalid={isRefused(pads.error, `measured.${key}`)}
      onChange={(text) => change({ measured: { ...measured, [key]: text } })}
    />
  );
  return (
    <Sheet title="Pad between exciter and amplifier" part="pads">
      <div className="flex flex-wrap items-end gap-3">
        {field('exciter', 'Exciter, W')}
        {field('wanted', 'Wanted, W')}
        {field('inputMost', 'Input stands, W')}
      </div>
      <Refused error={pads.error} named={NAMES} />
      {view && (
        <>
          <p className="head mt-2.5 text-18">{view.title}</p>
          <p className="text-13 text-soft">Exactly {view.exact} dB. In a common line reception loses as much.</p>
          <Table caption="Pads" quiet tight wide="Pads">
            <Heads of={['dB', 'exciter to', 'heat', 'by mistake', 'heat then']} />
            <tbody>
              {view.pads.map((pad) => (
                <tr key={pad.attenuation}>
                  <RowHead className="figure">{pad.attenuation}</RowHead>
                  <Cell figure>{pad.reaches ? pad.set : 'too little'}</Cell>
                  <Cell figure>{pad.heat}</Cell>
                  <Cell figure>{pad.keyedDrive}</Cell>
                  <Cell figure>{pad.keyedHeat}</Cell>
                </tr>
              ))}
            </tbody>
          </Table>
          {best && (
            <p className="mt-2 flex items-baseline gap-2">
              {best.risky && <Diamond />}
              <span>
                Keyed at full power by mistake, {best.attenuation} dB let through {best.mistake}.
              </span>
            </p>
          )}
        </>
      )}
      <Fold title="Measured, not believed" className="mt-2">
        <p className="mb-2 text-13 text-soft">
          The same carrier on the same meter, without the pad and with it; each on the finest range that takes it.
        </p>
        <div className="flex flex-wrap items-end gap-3">
          {of('without', 'Without, W')}
          {of('withoutScale', 'full scale, W')}
          {of('with', 'With, W')}
          {of('withScale', 'full scale, W')}
          {of('percent', 'class, %')}
        </div>
        {view?.measured && view.ofMeasured && (
          <p className="mt-2">
            <span className="head">{view.measured} dB</span>: exciter to {view.ofMeasured.set}. Keyed at full power by
            mistake: {view.ofMeasured.mistake}.
          </p>
        )}
      </Fold>
    </Sheet>
  );
}
