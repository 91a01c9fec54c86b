import { Link } from 'react-router';
import type { Choices, StartRequest } from '../../api';
import { isRefused, Sheet } from '../../parts';
import { Pick, TextField } from '../../parts/ui';
import { say } from '../../words';
import { SourcePick } from './SourcePick';
import { StartFoot } from './StartFoot';
import { loads, middle, named, reads, there, unread, useStart, useTyped } from './useStart';
import { WithChoices } from './WithChoices';

interface Entry {
  amplifierId: string;
  exciterId: string;
  padId: string;
  terminationId: string;
  scopeId: string;
  wattId: string;
  band: StartRequest['band'];
  drive: string;
  output: string;
  source: StartRequest['source'];
}

/** What the fields are called on the form. */
const NAMES: Record<string, string> = {
  'scope.drive': say('shared.drive'),
  'scope.output': say('shared.outputHead'),
  bench: say('shared.simulatedBench'),
  exciter: say('shared.exciter'),
};

/** Begins a look at the waveform, of the amplifier that was looked at last where nothing else is chosen. */
export function WaveformStart({ suggested }: { suggested: string | undefined }) {
  return <WithChoices>{(choices) => <Start choices={choices} suggested={suggested} />}</WithChoices>;
}

function entryOf(choices: Choices, typed: Partial<Entry>): Entry {
  const amplifierId = there(choices.amplifiers, typed.amplifierId);
  const bands = choices.amplifiers.find((one) => one.id === amplifierId)?.bands ?? [];
  return {
    amplifierId,
    exciterId: there(choices.exciters, typed.exciterId),
    padId: choices.pads.find((one) => one.id === typed.padId)?.id ?? '',
    terminationId: there(loads(choices), typed.terminationId),
    scopeId: there(reads(choices, 'OUTPUT_VPP'), typed.scopeId),
    wattId: typed.wattId ?? reads(choices, 'OUTPUT')[0]?.id ?? '',
    band: bands.find((one) => one === typed.band) ?? bands.find((one) => one === 'MHZ_7') ?? bands[0] ?? 'MHZ_7',
    drive: typed.drive ?? '',
    output: typed.output ?? '',
    source: choices.sources.find((one) => one.code === typed.source)?.code ?? choices.sources[0]?.code ?? 'TYPED',
  } as Entry;
}

function missing(entry: Entry): string | undefined {
  const both = entry.drive.trim() === '' && entry.output.trim() === '';
  if (both) return say('drive.driveAndOutputAreStill');
  if (entry.drive.trim() === '') return say('drive.theDriveIsStillMissing');
  return entry.output.trim() === '' ? say('drive.theOutputIsStillMissing') : undefined;
}

function Start({ choices, suggested }: { choices: Choices; suggested: string | undefined }) {
  const [typed, keep] = useTyped<Entry>('tubrin.waveform');
  const entry = entryOf(choices, {
    amplifierId: choices.amplifiers.find((one) => one.name === suggested)?.id,
    ...typed,
  });
  const change = (more: Partial<Entry>) => keep({ ...entry, ...more });
  const start = useStart((runId) => requestOf(choices, entry, runId));
  const amplifier = choices.amplifiers.find((one) => one.id === entry.amplifierId);
  if (!amplifier || !entry.exciterId || !entry.terminationId || !entry.scopeId) {
    return (
      <Sheet title={say('shared.nextMove')} accent>
        <p className="head text-22 leading-head">{say('drive.describeTheScopeFirst')}</p>
        <p className="mt-2 text-soft">
          {say('drive.itNeedsAMeterThat')}{' '}
          <Link className="text-act underline" to="/station">
            {say('shared.goToStation')}
          </Link>
        </p>
      </Sheet>
    );
  }
  const bands = choices.bands.filter((one) => amplifier.bands.includes(one.band));
  const pick = (label: string, field: keyof Entry, options: readonly (readonly [string, string])[]) => (
    <Pick label={label} value={entry[field]} options={options} onPick={(value) => change({ [field]: value })} />
  );
  const watt = (label: string, field: 'drive' | 'output') => (
    <TextField
      label={label}
      value={entry[field]}
      number
      className="w-full"
      invalid={isRefused(start.error, `scope.${field}`)}
      onChange={(value) => change({ [field]: value })}
    />
  );
  return (
    <Sheet title={say('shared.nextMove')} accent part="waveform-start">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!start.isPending) start.mutate();
        }}
      >
        <p className="head text-22 leading-head">{say('drive.lookAtTheWaveformOf', { amplifier: amplifier.name })}</p>
        <p className="mt-1 text-soft">{say('drive.fiveShortLooksTheExciter')}</p>
        <div className="mt-3 grid grid-cols-2 gap-x-3 gap-y-2">
          {pick(say('shared.amplifier'), 'amplifierId', named(choices.amplifiers))}
          {pick(
            say('shared.band'),
            'band',
            bands.map((one) => [one.band, one.name] as const),
          )}
          {watt(say('drive.driveAtItsPeaksW'), 'drive')}
          {watt(say('drive.outputToExpectW'), 'output')}
          {pick(say('shared.exciter'), 'exciterId', named(choices.exciters))}
          {pick(say('drive.padBehindIt'), 'padId', [['', say('shared.none')], ...named(choices.pads)])}
          {pick(say('shared.dummyLoad'), 'terminationId', named(loads(choices)))}
          {pick(say('drive.scope'), 'scopeId', named(reads(choices, 'OUTPUT_VPP')))}
          {pick(say('drive.outputBy'), 'wattId', [['', say('shared.notRead')], ...named(reads(choices, 'OUTPUT'))])}
          <SourcePick choices={choices} value={entry.source} onPick={(source) => change({ source })} />
        </div>
        <StartFoot label={say('drive.startWithThePoints')} start={start} missing={missing(entry)} names={NAMES} />
      </form>
    </Sheet>
  );
}

function requestOf(choices: Choices, entry: Entry, runId: string): StartRequest {
  const meterIds = [...new Set([entry.scopeId, entry.wattId])].filter((id) => id !== '');
  return {
    runId,
    amplifierId: entry.amplifierId,
    exciterId: entry.exciterId,
    carrier: 'CW',
    meterIds,
    unread: unread(choices, meterIds, entry.wattId ? [] : ['OUTPUT']),
    terminationId: entry.terminationId,
    band: entry.band,
    frequency: middle(choices, entry.band),
    school: 'WAVEFORM',
    source: entry.source,
    scope: { drive: entry.drive, output: entry.output },
    ...(entry.padId ? { padId: entry.padId } : {}),
  };
}
