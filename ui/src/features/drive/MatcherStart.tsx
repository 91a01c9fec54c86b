import { Link } from 'react-router';
import type { Choices, MatcherPageView, StartRequest } from '../../api';
import { isRefused, Sheet } from '../../parts';
import { Pick, TextField } from '../../parts/ui';
import { fixed, parseNumber } from '../../quantity';
import { say } from '../../words';
import { SourcePick } from './SourcePick';
import { StartFoot } from './StartFoot';
import { named, places, reads, there, useStart, useTyped } from './useStart';
import { WithChoices } from './WithChoices';

const KEY = 'tubrin.matcher';

interface Entry {
  amplifierId: string;
  exciterId: string;
  padId: string;
  terminationId: string;
  inputId: string;
  outputId: string;
  band: StartRequest['band'];
  frequency: string;
  source: StartRequest['source'];
}

/** What the fields are called on the form. */
const NAMES: Record<string, string> = {
  frequency: say('drive.frequency'),
  bench: say('shared.simulatedBench'),
  exciter: say('shared.exciter'),
};

interface Suggestions {
  /** The last one that was tuned. */
  suggested: MatcherPageView['rows'][number] | undefined;
  amplifier: string | undefined;
}

const idOf = (all: { id: string; name: string }[], name: string | undefined) =>
  all.find((one) => one.name === name)?.id;

/** Begins a run that tunes a matcher; that of the amplifier that was used last where nothing else is chosen. */
export function MatcherStart(suggestions: Suggestions) {
  return <WithChoices>{(choices) => <Start choices={choices} {...suggestions} />}</WithChoices>;
}

const withMatcher = (choices: Choices) => choices.amplifiers.filter((one) => one.matcher);

function entryOf(choices: Choices, typed: Partial<Entry>): Entry {
  const amplifierId = there(withMatcher(choices), typed.amplifierId);
  const bands = choices.amplifiers.find((one) => one.id === amplifierId)?.bands ?? [];
  const band = bands.find((one) => one === typed.band) ?? bands.find((one) => one === 'MHZ_7') ?? bands[0] ?? 'MHZ_7';
  const edges = choices.bands.find((one) => one.band === band);
  const isThere = (mhz: number) => edges !== undefined && mhz * 1e6 >= edges.lowestHz && mhz * 1e6 <= edges.highestHz;
  const ends = choices.terminations.filter((one) => one.bands.length === 0 || one.bands.includes(band));
  return {
    amplifierId,
    band,
    frequency:
      typed.frequency !== undefined && (typed.band === band || isThere(parseNumber(typed.frequency) ?? Number.NaN))
        ? typed.frequency
        : edges
          ? fixed((edges.lowestHz + edges.highestHz) / 2e6, 3)
          : '',
    exciterId: there(choices.exciters, typed.exciterId),
    padId: choices.pads.find((one) => one.id === typed.padId)?.id ?? '',
    terminationId: there(
      [...ends].sort((a, b) => b.bands.length - a.bands.length),
      typed.terminationId,
    ),
    inputId: there(reads(choices, 'INPUT_SWR'), typed.inputId),
    outputId: there(reads(choices, 'OUTPUT'), typed.outputId),
    source: choices.sources.find((one) => one.code === typed.source)?.code ?? choices.sources[0]?.code ?? 'TYPED',
  } as Entry;
}

function Start({ choices, suggested, amplifier: first }: Suggestions & { choices: Choices }) {
  const [typed, keep] = useTyped<Entry>(KEY);
  const entry = entryOf(choices, {
    amplifierId: idOf(choices.amplifiers, first),
    exciterId: idOf(choices.exciters, suggested?.exciter),
    outputId: idOf(choices.meters, suggested?.outputMeter),
    ...typed,
  });
  const change = (more: Partial<Entry>) => keep({ ...entry, ...more });
  const start = useStart((runId) => requestOf(choices, entry, runId));
  const amplifier = choices.amplifiers.find((one) => one.id === entry.amplifierId);
  const matcher = amplifier?.matcher;
  if (!amplifier || !matcher || !entry.exciterId || !entry.terminationId || !entry.inputId || !entry.outputId) {
    return (
      <Sheet title={say('shared.nextMove')} accent>
        <p className="head text-22 leading-head">{say('drive.describeTheMatcherFirst')}</p>
        <p className="mt-2 text-soft">
          {say('drive.itNeedsAnAmplifierWhose')}{' '}
          <Link className="text-act underline" to="/station">
            {say('shared.goToStation')}
          </Link>
        </p>
      </Sheet>
    );
  }
  const bands = choices.bands.filter((one) => amplifier.bands.includes(one.band));
  const ends = choices.terminations.filter((one) => one.bands.length === 0 || one.bands.includes(entry.band));
  return (
    <Sheet title={say('shared.nextMove')} accent part="matcher-start">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!start.isPending) start.mutate();
        }}
      >
        <p className="head text-22 leading-head">{say('drive.tuneTheMatcherOf', { amplifier: amplifier.name })}</p>
        <p className="mt-1 text-soft">
          {say('drive.itTunesWithToW', { leastW: matcher.leastW, mostW: matcher.mostW, reachSwr: matcher.reachSwr })}
        </p>
        <div className="mt-3 grid grid-cols-2 gap-x-3 gap-y-2">
          <Pick
            label={say('shared.amplifier')}
            value={entry.amplifierId}
            options={named(withMatcher(choices))}
            onPick={(amplifierId) => change({ amplifierId })}
          />
          <Pick
            label={say('shared.into')}
            value={entry.terminationId}
            options={named(ends)}
            onPick={(terminationId) => change({ terminationId })}
          />
          <Pick
            label={say('shared.band')}
            value={entry.band}
            options={bands.map((one) => [one.band, one.name] as const)}
            onPick={(band) => keep({ ...entry, ...entryOf(choices, { ...typed, band: band as Entry['band'] }) })}
          />
          <TextField
            label={say('drive.frequencyMHz')}
            value={entry.frequency}
            number
            className="w-full"
            invalid={isRefused(start.error, 'frequency')}
            onChange={(frequency) => change({ frequency })}
          />
          <Pick
            label={say('shared.exciter')}
            value={entry.exciterId}
            options={named(choices.exciters)}
            onPick={(exciterId) => change({ exciterId })}
          />
          <Pick
            label={say('drive.padBehindIt')}
            value={entry.padId}
            options={[['', say('shared.none')], ...named(choices.pads)]}
            onPick={(padId) => change({ padId })}
          />
          <Pick
            label={say('drive.inputBy')}
            value={entry.inputId}
            options={named(reads(choices, 'INPUT_SWR'))}
            onPick={(inputId) => change({ inputId })}
          />
          <Pick
            label={say('drive.outputBy')}
            value={entry.outputId}
            options={named(reads(choices, 'OUTPUT'))}
            onPick={(outputId) => change({ outputId })}
          />
          <SourcePick choices={choices} value={entry.source} onPick={(source) => change({ source })} />
        </div>
        <StartFoot
          label={say('drive.startWithThePoints')}
          start={start}
          missing={entry.frequency.trim() === '' ? say('drive.theFrequencyIsStillMissing') : undefined}
          names={NAMES}
        />
      </form>
    </Sheet>
  );
}

function requestOf(choices: Choices, entry: Entry, runId: string): StartRequest {
  return {
    runId,
    amplifierId: entry.amplifierId,
    exciterId: entry.exciterId,
    carrier: 'CW',
    meterIds: [...new Set([entry.inputId, entry.outputId])],
    positions: places(choices, entry.inputId, entry.outputId),
    terminationId: entry.terminationId,
    band: entry.band,
    frequency: entry.frequency,
    school: 'MATCHER',
    source: entry.source,
    ...(entry.padId ? { padId: entry.padId } : {}),
  };
}
