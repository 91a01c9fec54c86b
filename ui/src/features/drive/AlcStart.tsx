import { Link } from 'react-router';
import type { Choices, StartRequest } from '../../api';
import { isRefused, Sheet } from '../../parts';
import { Fold, Pick, TextField } from '../../parts/ui';
import { fixed } from '../../quantity';
import { say } from '../../words';
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
const USUAL = {
  program: say('drive.computer'),
  device: '',
  systemVolume: '',
  low: '500',
  middle: '1500',
  high: '2500',
};

/** What the fields are called on the form. */
const NAMES: Record<string, string> = {
  'sound.setPower': say('shared.setPower'),
  'sound.otherPower': say('drive.aSecondOne'),
  'sound.systemVolume': say('drive.systemVolume'),
  'sound.low': say('drive.lowTone'),
  'sound.middle': say('drive.middleTone'),
  'sound.high': say('drive.highTone'),
  middleHz: say('drive.middleTone'),
  highHz: say('drive.highTone'),
  program: say('drive.sliderOf'),
  device: say('drive.byInterfaceCable'),
  frequency: say('drive.frequency'),
  bench: say('shared.simulatedBench'),
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
  const middle = limits ? fixed((limits.lowestHz + limits.highestHz) / 2e6, 2) : '';
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
      <Sheet title={say('shared.nextMove')} accent>
        <p className="head text-22 leading-head">{say('shared.describeTheStationFirst')}</p>
        <p className="mt-2 text-soft">
          {say('drive.itNeedsAnExciterThe')}{' '}
          <Link className="text-act underline" to="/station">
            {say('shared.goToStation')}
          </Link>
        </p>
      </Sheet>
    );
  }
  const ready = entry.device.trim() !== '' && entry.setPower.trim() !== '' && entry.otherPower.trim() !== '';
  return (
    <Sheet title={say('shared.nextMove')} accent part="alc-start">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!start.isPending) start.mutate();
        }}
      >
        <p className="head text-22 leading-head">{say('drive.tryTheLevelOf', { exciter: exciter.name })}</p>
        <p className="mt-1 text-soft">
          {say('drive.intoTheDummyLoadAmplifier', {
            tried: exciter.name === suggested && say('drive.itsFirmwareIsAnotherThan'),
          })}
        </p>
        <div className="mt-3 grid grid-cols-2 gap-x-3 gap-y-2">
          <Pick
            label={say('shared.exciter')}
            value={entry.exciterId}
            options={named(choices.exciters)}
            onPick={(exciterId) =>
              change({ exciterId, gaugeId: entryOf(choices, outputMeters, { exciterId }).gaugeId })
            }
          />
          <Pick
            label={say('shared.mode')}
            value={entry.carrier}
            options={[
              ['DATA', say('drive.data')],
              ['SSB', say('shared.speech')],
            ]}
            onPick={(carrier) => change({ carrier: carrier as Entry['carrier'] })}
          />
          {text('setPower', say('shared.setPower'), 'W')}
          {text('otherPower', say('drive.aSecondOne'), 'W')}
          {text('program', say('drive.sliderOf'))}
          {text('device', say('drive.byInterfaceCable'))}
        </div>
        <Fold title={say('drive.metersBandLoadAndTones')} className="mt-2">
          <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2">
            {text('systemVolume', say('drive.systemVolume'), '%')}
            <SourcePick choices={choices} value={entry.source} onPick={(source) => change({ source })} />
            <Pick
              label={say('drive.outputBy')}
              value={entry.meterId}
              options={named(reads(choices, 'OUTPUT'))}
              onPick={(meterId) => change({ meterId })}
            />
            <Pick
              label={say('drive.gauge')}
              value={entry.gaugeId}
              options={[['', say('shared.notRead')], ...named(reads(choices, 'ALC_GAUGE'))]}
              onPick={(gaugeId) => change({ gaugeId })}
            />
            <Pick
              label={say('drive.signalWidth')}
              value={entry.widthId}
              options={[['', say('shared.notRead')], ...named(reads(choices, 'SIGNAL_WIDTH'))]}
              onPick={(widthId) => change({ widthId })}
            />
            <Pick
              label={say('shared.band')}
              value={entry.band}
              options={choices.bands.map((one) => [one.band, one.name] as const)}
              onPick={(band) => change({ band: band as Entry['band'], frequency: '' })}
            />
            <TextField
              label={say('drive.frequencyMHz')}
              number
              value={entry.frequency}
              className="w-full"
              invalid={isRefused(start.error, 'frequency')}
              onChange={(frequency) => change({ frequency })}
            />
            <Pick
              label={say('drive.bypassed')}
              value={entry.amplifierId}
              options={named(choices.amplifiers)}
              onPick={(amplifierId) => change({ amplifierId })}
            />
            <Pick
              label={say('shared.dummyLoad')}
              value={entry.terminationId}
              options={named(loads(choices))}
              onPick={(terminationId) => change({ terminationId })}
            />
          </div>
          <div className="mt-2 grid grid-cols-3 gap-x-3">
            {text('low', say('drive.lowTone'), 'Hz')}
            {text('middle', say('drive.middle'), 'Hz')}
            {text('high', say('drive.high'), 'Hz')}
          </div>
        </Fold>
        <StartFoot
          label={say('drive.startWithTheLevel')}
          start={start}
          missing={ready ? undefined : say('drive.powersAndInterfaceAreStill')}
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
    meterIds: [...new Set([entry.meterId, entry.gaugeId, entry.widthId])].filter((id) => id !== ''),
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
