import { Link } from 'react-router';
import type { Choices, StartRequest } from '../../api';
import { isRefused, Sheet } from '../../parts';
import { Pick, TextField } from '../../parts/ui';
import { say } from '../../words';
import { SourcePick } from './SourcePick';
import { StartFoot } from './StartFoot';
import { middle, named, reads, there, useStart, useTyped } from './useStart';
import { WithChoices } from './WithChoices';

interface Entry {
  amplifierId: string;
  exciterId: string;
  padId: string;
  terminationId: string;
  wattId: string;
  panelId: string;
  band: StartRequest['band'];
  modules: string;
  wanted: string;
  source: StartRequest['source'];
}

/** What the fields are called on the form. */
const NAMES: Record<string, string> = {
  wantedOutput: say('drive.outputWanted'),
  exciter: say('shared.exciter'),
  bench: say('shared.simulatedBench'),
};

/** Begins a table by supply volts. */
export function VoltsStart() {
  return <WithChoices>{(choices) => <Start choices={choices} />}</WithChoices>;
}

const switching = (choices: Choices) => choices.amplifiers.filter((one) => one.moduleCount !== undefined);

/** Meters in their order, the amplifier's own first. */
const ownFirst = (meters: Choices['meters'], amplifier: string) =>
  [...meters].sort((a, b) => Number(b.name.startsWith(amplifier)) - Number(a.name.startsWith(amplifier)));

/** Meters that read volts and amperes of a supply. */
const panels = (choices: Choices, amplifier: string) =>
  ownFirst(
    reads(choices, 'SUPPLY_VOLTAGE').filter((one) => one.reads.includes('SUPPLY_CURRENT')),
    amplifier,
  );

const wattmeters = (choices: Choices, amplifier: string) => ownFirst(reads(choices, 'OUTPUT'), amplifier);

function entryOf(choices: Choices, typed: Partial<Entry>): Entry {
  const amplifierId = there(switching(choices), typed.amplifierId);
  const amplifier = choices.amplifiers.find((one) => one.id === amplifierId);
  const bands = amplifier?.bands ?? [];
  const count = amplifier?.moduleCount ?? 1;
  return {
    amplifierId,
    exciterId: there(choices.exciters, typed.exciterId),
    padId: choices.pads.find((one) => one.id === typed.padId)?.id ?? '',
    terminationId: there(choices.terminations, typed.terminationId),
    wattId: there(wattmeters(choices, amplifier?.name ?? ''), typed.wattId),
    panelId: there(panels(choices, amplifier?.name ?? ''), typed.panelId),
    band: bands.find((one) => one === typed.band) ?? bands.at(-1) ?? 'KHZ_472',
    modules: Number(typed.modules) <= count && typed.modules ? typed.modules : `${count}`,
    wanted: typed.wanted ?? '',
    source: choices.sources.find((one) => one.code === typed.source)?.code ?? choices.sources[0]?.code ?? 'TYPED',
  } as Entry;
}

function Start({ choices }: { choices: Choices }) {
  const [typed, keep] = useTyped<Entry>('tubrin.volts');
  const entry = entryOf(choices, typed);
  const change = (more: Partial<Entry>) => keep({ ...entry, ...more });
  const start = useStart((runId) => requestOf(choices, entry, runId));
  const amplifier = choices.amplifiers.find((one) => one.id === entry.amplifierId);
  if (!amplifier || !entry.exciterId || !entry.terminationId || !entry.wattId || !entry.panelId) {
    return (
      <Sheet title={say('shared.nextMove')} accent>
        <p className="head text-22 leading-head">{say('drive.describeAnAmplifierThat')}</p>
        <p className="mt-2 text-soft">
          {say('drive.itNeedsOneWhoseSupply')}{' '}
          <Link className="text-act underline" to="/station">
            {say('shared.goToStation')}
          </Link>
        </p>
      </Sheet>
    );
  }
  const bands = choices.bands.filter((one) => amplifier.bands.includes(one.band));
  const count = amplifier.moduleCount ?? 1;
  const counts = Array.from({ length: count }, (_, i) => [`${count - i}`, `${count - i}`] as const);
  const ends = choices.terminations.filter((one) => one.bands.length === 0 || one.bands.includes(entry.band));
  const pick = (label: string, field: keyof Entry, options: readonly (readonly [string, string])[]) => (
    <Pick label={label} value={entry[field]} options={options} onPick={(value) => change({ [field]: value })} />
  );
  return (
    <Sheet title={say('shared.nextMove')} accent part="volts-start">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!start.isPending) start.mutate();
        }}
      >
        <p className="head text-22 leading-head">{say('drive.upByItsSupply', { amplifier: amplifier.name })}</p>
        <p className="mt-1 text-soft">{say('drive.fromTheLowestVoltageEach')}</p>
        <div className="mt-3 grid grid-cols-2 gap-x-3 gap-y-2">
          {pick(say('shared.amplifier'), 'amplifierId', named(switching(choices)))}
          {pick(
            say('shared.band'),
            'band',
            bands.map((one) => [one.band, one.name] as const),
          )}
          {count > 1 && pick(say('drive.modulesIn'), 'modules', counts)}
          <TextField
            label={say('drive.outputWantedW')}
            value={entry.wanted}
            number
            className="w-full"
            invalid={isRefused(start.error, 'wantedOutput')}
            onChange={(wanted) => change({ wanted })}
          />
          {pick(say('shared.exciter'), 'exciterId', named(choices.exciters))}
          {pick(say('drive.padBehindIt'), 'padId', [['', say('shared.none')], ...named(choices.pads)])}
          {pick(say('shared.into'), 'terminationId', named(ends))}
          {pick(say('drive.outputBy'), 'wattId', named(wattmeters(choices, amplifier.name)))}
          {pick(say('drive.supplyReadBy'), 'panelId', named(panels(choices, amplifier.name)))}
          <SourcePick choices={choices} value={entry.source} onPick={(source) => change({ source })} />
        </div>
        <StartFoot label={say('drive.startWithThePoints')} start={start} missing={undefined} names={NAMES} />
      </form>
    </Sheet>
  );
}

function requestOf(choices: Choices, entry: Entry, runId: string): StartRequest {
  const count = choices.amplifiers.find((one) => one.id === entry.amplifierId)?.moduleCount ?? 1;
  return {
    runId,
    amplifierId: entry.amplifierId,
    exciterId: entry.exciterId,
    carrier: 'CW',
    meterIds: [...new Set([entry.wattId, entry.panelId])],
    terminationId: entry.terminationId,
    band: entry.band,
    frequency: middle(choices, entry.band),
    school: 'SUPPLY_TABLE',
    source: entry.source,
    wantedOutput: entry.wanted,
    ...(count > 1 ? { modules: Number(entry.modules) } : {}),
    ...(entry.padId ? { padId: entry.padId } : {}),
  };
}
