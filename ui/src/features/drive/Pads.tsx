import { useQuery } from '@tanstack/react-query';
import { ask, client, type PadRequest } from '../../api';
import { Diamond, isRefused, Refused, Sheet } from '../../parts';
import { Cell, Fold, Heads, RowHead, Table, TextField } from '../../parts/ui';
import { say } from '../../words';
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
  exciter: say('shared.exciter'),
  wanted: say('shared.wanted'),
  inputMost: say('drive.inputStands'),
  'measured.without': say('drive.withoutThePad'),
  'measured.withoutScale': say('drive.fullScaleWithout'),
  'measured.with': say('drive.withThePad'),
  'measured.withScale': say('drive.fullScaleWith'),
  'measured.percent': say('shared.class'),
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
    <Sheet title={say('drive.padBetweenExciterAndAmplifier')} part="pads">
      <div className="flex flex-wrap items-end gap-3">
        {field('exciter', say('drive.exciterInW'))}
        {field('wanted', say('drive.wantedInW'))}
        {field('inputMost', say('drive.inputStandsInW'))}
      </div>
      <Refused error={pads.error} named={NAMES} />
      {view && (
        <>
          <p className="head mt-2.5 text-18">{view.title}</p>
          <p className="text-13 text-soft">{say('drive.exactlyDBInACommon', { exact: view.exact })}</p>
          <Table caption={say('drive.pads')} quiet tight wide={say('drive.pads')}>
            <Heads
              of={['dB', say('drive.exciterTo'), say('shared.heat'), say('drive.byMistake'), say('drive.heatThen')]}
            />
            <tbody>
              {view.pads.map((pad) => (
                <tr key={pad.attenuation}>
                  <RowHead className="figure">{pad.attenuation}</RowHead>
                  <Cell figure>{pad.reaches ? pad.set : say('drive.tooLittle')}</Cell>
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
              <span>{say('drive.keyedAtFullPowerBy', { attenuation: best.attenuation, mistake: best.mistake })}</span>
            </p>
          )}
        </>
      )}
      <Fold title={say('drive.measuredNotBelieved')} className="mt-2">
        <p className="mb-2 text-13 text-soft">{say('drive.theSameCarrierOnThe')}</p>
        <div className="flex flex-wrap items-end gap-3">
          {of('without', say('drive.withoutW'))}
          {of('withoutScale', say('drive.fullScaleW'))}
          {of('with', say('drive.withW'))}
          {of('withScale', say('drive.fullScaleW'))}
          {of('percent', say('drive.class'))}
        </div>
        {view?.measured && view.ofMeasured && (
          <p className="mt-2">
            <span className="head">{say('drive.measuredDb', { measured: view.measured })}</span>
            {say('drive.exciterToKeyedAtFull', { set: view.ofMeasured.set, mistake: view.ofMeasured.mistake })}
          </p>
        )}
      </Fold>
    </Sheet>
  );
}
