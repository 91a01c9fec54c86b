import { Link } from 'react-router';
import type { Choices, StartRequest } from '../../api';
import { isRefused, Sheet } from '../../parts';
import { Fold, Pick, TextField } from '../../parts/ui';
import { SourcePick } from './SourcePick';
import { StartFoot } from './StartFoot';
import { loads, named, reads, there, useStart, useTyped } from './useStart';
import { WithChoices } from './WithChoices';

const KEY = 'tubrin.alc';

type Sound = NonNullable<StartRequest['sound']>;

interface Entry extends Sound {
  exciterId: string;
  amplifierId: string;
  terminationId: string;
  meterId: string;
  gaugeId: string;
  /** What shows the width of the signal; mostly nobody looks. */
  widthId: string;
  carrier: StartRequest['carrier'];
  band: StartRequest['band'];
  frequency: string;
  source: StartRequest['source'];
}

interface Known {
  /** An exciter whose level was measured with another firmware. */
  suggested: string | undefined;
  /** Meters of output, the finest first. */
  outputMeters: string[];
}

/** What is tried where nothing else was chosen: three tones over the passband of speech and data. */
const USUAL = { program: 'Computer', device: '', systemVolume: '', low: '500', middle: '1500', high: '2500' };

/** What the fields are called on the form. */
const NAMES: Record<string, string> = {
  'sound.setPower': 'Set power',
  'sound.otherPower': 'A second one',
  'sound.systemVolume': 'System volume',
  'sound.low': 'Low tone',
  'sound.middle': 'Middle tone',
  'sound.high': 'High tone',
  middleHz: 'Middle tone',
  highHz: 'High tone',
  program: 'Slider of',
  device: 'By (interface, cable)',
  frequency: 'Frequency',
  bench: 'Simulated bench',
};

/** Begins a run by levels. */
export function AlcStart(props: Known) {
  return <WithChoices>{(choices) => <Start choices={choices} {...props} />}</WithChoices>;
}

function entryOf(choices: Choices, outputMeters: string[], typed: Partial<Entry>): Entry {
  const exciterId = there(choices.exciters, typed.exciterId);
  const exciter = choices.exciters.find((one) => one.id === exciterId)?.name ?? '';
  // Small powers want a fine meter; the gauge is the exciter's own.
  const meters = [...reads(choices, 'OUTPUT')].sort((a, b) => outputMeters.indexOf(a.id) - outputMeters.indexOf(b.id));
  const gauges = reads(choices, 'ALC_GAUGE');
  const own = gauges.find((meter) => meter.name.startsWith(exciter))?.id ?? '';
  const band = typed.band ?? 'MHZ_7';
  const limits = choices.bands.find((one) => one.band === band);
  const middle = limits ? ((limits.lowestHz + limits.highestHz) / 2e6).toFixed(2) : '';
  return {
    ...USUAL,
    setPower: '',
    otherPower: '',
    ...typed,
    exciterId,
    amplifierId: there(choices.amplifiers, typed.amplifierId),
    terminationId: there(loads(choices), typed.terminationId),
    meterId: there(meters, typed.meterId),
    widthId: reads(choices, 'SIGNAL_WIDTH').find((one) => one.id === typed.widthId)?.id ?? '',
    gaugeId: typed.exciterId === exciterId ? (typed.gaugeId ?? own) : own,
    carrier: typed.carrier ?? 'DATA',
    band,
    frequency: typed.band === band && typed.frequency ? typed.frequency : middle,
    source: choices.sources.find((one) => one.code === typed.source)?.code ?? choices.sources[0]?.code ?? 'TYPED',
  } as Entry;
}

function Start({ choices, suggested, outputMeters }: Known & { choices: Choices }) {
  const [typed, keep] = useTyped<Entry>(KEY);
  const entry = entryOf(choices, outputMeters, {
    exciterId: choices.exciters.find((one) => one.name === suggested)?.id,
    ...typed,
  });
  const change = (more: Partial<Entry>) => keep({ ...entry, ...more });
  const start = useStart((runId) => requestOf(entry, runId));
  const exciter = choices.exciters.find((one) => one.id === entry.exciterId);
  const text = (field: keyof Sound, label: string, unit = '') => (
    <TextField
      label={unit ? `${label}, ${unit}` : label}
      value={entry[field] ?? ''}
      number={unit !== ''}
      maxLength={60}
      className="w-full"
      invalid={[`sound.${field}`, field, `${field}Hz`].some((one) => isRefused(start.error, one))}
      onChange={(value) => change({ [field]: value })}
    />
  );
  if (!exciter || !choices.amplifiers[0] || !entry.meterId || !entry.terminationId) {
    return (
      <Sheet title="Next move" accent>
        <p className="head text-22 leading-head">Describe the station first</p>
        <p className="mt-2 text-soft">
          It needs an exciter, the amplifier that is bypassed, a dummy load and a wattmeter outside the exciter.{' '}
          <Link className="text-act underline" to="/station">
            Go to Station
          </Link>
        </p>
      </Sheet>
    );
  }
  const ready = entry.device.trim() !== '' && entry.setPower.trim() !== '' && entry.otherPower.trim() !== '';
  return (
    <Sheet title="Next move" accent part="alc-start">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!start.isPending) start.mutate();
        }}
      >
        <p className="head text-22 leading-head">Try the level of {exciter.name}</p>
        <p className="mt-1 text-soft">
          {exciter.name === suggested && 'Its firmware is another than when its level was tried. '}
          Into the dummy load, amplifier in bypass: about 35 short key-downs.
        </p>
        <div className="mt-3 grid grid-cols-2 gap-x-3 gap-y-2">
          <Pick
            label="Exciter"
            value={entry.exciterId}
            options={named(choices.exciters)}
            onPick={(exciterId) =>
              change({ exciterId, gaugeId: entryOf(choices, outputMeters, { exciterId }).gaugeId })
            }
          />
          <Pick
            label="Mode"
            value={entry.carrier}
            options={[
              ['DATA', 'data'],
              ['SSB', 'speech'],
            ]}
            onPick={(carrier) => change({ carrier: carrier as Entry['carrier'] })}
          />
          {text('setPower', 'Set power', 'W')}
          {text('otherPower', 'A second one', 'W')}
          {text('program', 'Slider of')}
          {text('device', 'By (interface, cable)')}
        </div>
        <Fold title="Meters, band, load and tones" className="mt-2">
          <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2">
            {text('systemVolume', 'System volume', '%')}
            <SourcePick choices={choices} value={entry.source} onPick={(source) => change({ source })} />
            <Pick
              label="Output by"
              value={entry.meterId}
              options={named(reads(choices, 'OUTPUT'))}
              onPick={(meterId) => change({ meterId })}
            />
            <Pick
              label="Gauge"
              value={entry.gaugeId}
              options={[['', 'not read'], ...named(reads(choices, 'ALC_GAUGE'))]}
              onPick={(gaugeId) => change({ gaugeId })}
            />
            <Pick
              label="Signal width"
              value={entry.widthId}
              options={[['', 'not read'], ...named(reads(choices, 'SIGNAL_WIDTH'))]}
              onPick={(widthId) => change({ widthId })}
            />
            <Pick
              label="Band"
              value={entry.band}
              options={choices.bands.map((one) => [one.band, one.name] as const)}
              onPick={(band) => change({ band: band as Entry['band'], frequency: '' })}
            />
            <TextField
              label="Frequency, MHz"
              number
              value={entry.frequency}
              className="w-full"
              invalid={isRefused(start.error, 'frequency')}
              onChange={(frequency) => change({ frequency })}
            />
            <Pick
              label="Bypassed"
              value={entry.amplifierId}
              options={named(choices.amplifiers)}
              onPick={(amplifierId) => change({ amplifierId })}
            />
            <Pick
              label="Dummy load"
              value={entry.terminationId}
              options={named(loads(choices))}
              onPick={(terminationId) => change({ terminationId })}
            />
          </div>
          <div className="mt-2 grid grid-cols-3 gap-x-3">
            {text('low', 'Low tone', 'Hz')}
            {text('middle', 'Middle', 'Hz')}
            {text('high', 'High', 'Hz')}
          </div>
        </Fold>
        <StartFoot
          label="Start with the level"
          start={start}
          missing={ready ? undefined : 'Powers and interface are still missing.'}
          names={NAMES}
        />
      </form>
    </Sheet>
  );
}

function requestOf(entry: Entry, runId: string): StartRequest {
  return {
    runId,
    amplifierId: entry.amplifierId,
    exciterId: entry.exciterId,
    carrier: entry.carrier,
    meterIds: [entry.meterId, entry.gaugeId, entry.widthId].filter((id) => id !== ''),
    terminationId: entry.terminationId,
    band: entry.band,
    frequency: entry.frequency,
    school: 'ALC',
    source: entry.source,
    sound: {
      program: entry.program,
      device: entry.device,
      systemVolume: entry.systemVolume,
      setPower: entry.setPower,
      otherPower: entry.otherPower,
      low: entry.low,
      middle: entry.middle,
      high: entry.high,
    },
  };
}
