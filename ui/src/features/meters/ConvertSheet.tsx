import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, client, type RangeChoice } from '../../api';
import { Diamond, isRefused, Refused, Sheet } from '../../parts';
import { Button, Pick, TextField } from '../../parts/ui';
import { say } from '../../words';

const TONES = [
  ['CARRIER', say('meters.aSteadyCarrier')],
  ['TWO_TONE_AVERAGE_POWER', say('meters.twoTonesAveragePower')],
  ['TWO_TONE_AVERAGE_VOLTAGE', say('meters.twoTonesAverageVoltage')],
] as const;

/** What a scope, a detector or a bridge shows, in watts; and whether the wattmeter agrees. */
export function ConvertSheet({ ranges }: { ranges: RangeChoice[] }) {
  const meters = [...new Map(ranges.map((range) => [range.meterId, range.meter]))];
  const [entry, setEntry] = useState('');
  const [ohm, setOhm] = useState('50');
  const [tones, setTones] = useState<(typeof TONES)[number][0]>('CARRIER');
  const [swr, setSwr] = useState('');
  const [meterId, setMeterId] = useState(meters[0]?.[0] ?? '');
  const [reading, setReading] = useState('');
  const [reflected, setReflected] = useState('');
  const convert = useMutation({
    mutationFn: () =>
      ask(client.POST('/api/meters/convert', { body: { entry, ohm, tones, swr, meterId, meterReading: reading } })),
  });
  const line = useMutation({
    mutationFn: () => ask(client.POST('/api/meters/reflection', { body: { meterId, forward: reading, reflected } })),
  });
  const said = convert.data;
  return (
    <Sheet title={say('meters.fromVoltsToWatts')} part="convert">
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          convert.mutate();
        }}
      >
        <div className="flex flex-wrap items-end gap-2">
          <TextField
            label={say('meters.read424Vpp53')}
            value={entry}
            onChange={setEntry}
            className="w-60"
            invalid={isRefused(convert.error, 'entry')}
          />
          <TextField
            label={say('meters.across')}
            value={ohm}
            onChange={setOhm}
            className="w-18.5"
            invalid={isRefused(convert.error, 'ohm')}
          />
        </div>
        <div className="flex flex-wrap items-end gap-2">
          <Pick
            label={say('shared.of')}
            value={tones}
            onPick={(code) => setTones(code as typeof tones)}
            options={TONES}
          />
          <TextField
            label="SWR"
            value={swr}
            onChange={setSwr}
            className="w-16"
            invalid={isRefused(convert.error, 'swr')}
          />
          <Button kind="main" type="submit" disabled={entry.trim() === '' || convert.isPending}>
            {say('meters.convert')}
          </Button>
        </div>
        <div className="flex flex-wrap items-end gap-2">
          <Pick label={say('meters.meanwhile')} value={meterId} onPick={setMeterId} options={meters} />
          <TextField
            label={say('meters.showsW')}
            value={reading}
            onChange={setReading}
            className="w-21"
            invalid={isRefused(convert.error, 'meterReading') || isRefused(line.error, 'forward')}
          />
          <TextField
            label={say('meters.backW')}
            value={reflected}
            onChange={setReflected}
            className="w-18.5"
            invalid={isRefused(line.error, 'reflected')}
          />
          <Button onClick={() => line.mutate()} disabled={reading.trim() === '' || reflected.trim() === ''}>
            SWR
          </Button>
        </div>
      </form>
      {said && (
        <div role="status" className="mt-3">
          <p className="figure text-22 font-semibold">{said.power} W</p>
          {tones !== 'CARRIER' && <p className="figure">{say('meters.wPEP', { pep: said.pep })}</p>}
          <p className="text-13 text-soft">{said.volts}</p>
          <p className="text-13 text-soft">{said.worst}</p>
          {said.agreement && (
            <p className={`mt-1 flex items-baseline gap-2 ${said.causes.length > 0 ? 'text-watch' : ''}`}>
              {said.causes.length > 0 && <Diamond />}
              <span>{said.agreement}</span>
            </p>
          )}
          {said.causes.length > 0 && (
            <ol className="list-decimal pl-5">
              {said.causes.map((cause) => (
                <li key={cause}>{cause}</li>
              ))}
            </ol>
          )}
        </div>
      )}
      {line.data && (
        <p role="status" className="mt-2">
          <span className="figure">{line.data.net} W</span> {say('meters.goOnSWR')}{' '}
          <span className="figure">{line.data.swr}</span>,
          {line.data.returnLoss ? (
            <>
              {say('meters.returnLoss')}{' '}
              <span className="figure">{say('meters.dB', { returnLoss: line.data.returnLoss })}</span>
            </>
          ) : (
            say('meters.nothingComesBack')
          )}
        </p>
      )}
      <Refused error={convert.error} />
      <Refused error={line.error} />
    </Sheet>
  );
}
