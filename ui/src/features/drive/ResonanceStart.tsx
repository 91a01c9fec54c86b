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
  antennaId: string;
  band: StartRequest['band'];
  amplifierId: string;
  exciterId: string;
  meterId: string;
  agreesAt: string;
  source: StartRequest['source'];
}

/** What the fields are called on the form. */
const NAMES: Record<string, string> = {
  'resonance.agreesAt': say('drive.voltsOverAmperesAt50'),
  bench: say('shared.simulatedBench'),
};

/** Begins a watch over an antenna. */
export function ResonanceStart() {
  return <WithChoices>{(choices) => <Start choices={choices} />}</WithChoices>;
}

/** Antennas of the lowest bands first, since it is they that drift. */
const antennas = (choices: Choices) =>
  choices.terminations
    .filter((one) => one.bands.length > 0)
    .sort((a, b) => Number(b.bands.some(isLow)) - Number(a.bands.some(isLow)));

const isLow = (band: string) => band.startsWith('KHZ_');

const meters = (choices: Choices) => [
  ...reads(choices, 'PHASE'),
  ...reads(choices, 'LINE_VOLTAGE').filter((one) => one.reads.includes('LINE_CURRENT')),
];

const on = (choices: Choices, band: string) =>
  choices.amplifiers.filter((one) => one.bands.some((other) => other === band));

function entryOf(choices: Choices, typed: Partial<Entry>): Entry {
  const antennaId = there(antennas(choices), typed.antennaId);
  const bands = choices.terminations.find((one) => one.id === antennaId)?.bands ?? [];
  const band = bands.find((one) => one === typed.band) ?? bands.find(isLow) ?? bands[0] ?? 'KHZ_472';
  return {
    antennaId,
    band,
    amplifierId: there(on(choices, band), typed.amplifierId),
    exciterId: there(choices.exciters, typed.exciterId),
    meterId: there(meters(choices), typed.meterId),
    agreesAt: typed.agreesAt ?? '50',
    source: choices.sources.find((one) => one.code === typed.source)?.code ?? choices.sources[0]?.code ?? 'TYPED',
  } as Entry;
}

function Start({ choices }: { choices: Choices }) {
  const [typed, keep] = useTyped<Entry>('tubrin.resonance');
  const entry = entryOf(choices, typed);
  const change = (more: Partial<Entry>) => keep({ ...entry, ...more });
  const start = useStart((runId) => requestOf(choices, entry, runId));
  const antenna = choices.terminations.find((one) => one.id === entry.antennaId);
  const meter = choices.meters.find((one) => one.id === entry.meterId);
  if (!antenna || !meter || !entry.amplifierId || !entry.exciterId) {
    return (
      <Sheet title={say('shared.nextMove')} accent>
        <p className="head text-22 leading-head">{say('drive.describeAntennaAndPhaseMeter')}</p>
        <p className="mt-2 text-soft">
          {say('drive.itNeedsAnAntennaAn')}{' '}
          <Link className="text-act underline" to="/station">
            {say('shared.goToStation')}
          </Link>
        </p>
      </Sheet>
    );
  }
  const byPhase = meter.reads.includes('PHASE');
  const pick = (label: string, field: keyof Entry, options: readonly (readonly [string, string])[]) => (
    <Pick label={label} value={entry[field]} options={options} onPick={(value) => change({ [field]: value })} />
  );
  return (
    <Sheet title={say('shared.nextMove')} accent part="resonance-start">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!start.isPending) start.mutate();
        }}
      >
        <p className="head text-22 leading-head">{say('drive.keepInResonance', { antenna: antenna.name })}</p>
        <p className="mt-1 text-soft">{say('drive.readWhileYouSendOne')}</p>
        <div className="mt-3 grid grid-cols-2 gap-x-3 gap-y-2">
          {pick(say('drive.antennaToWatch'), 'antennaId', named(antennas(choices)))}
          {pick(
            say('shared.band'),
            'band',
            choices.bands.filter((one) => antenna.bands.includes(one.band)).map((one) => [one.band, one.name] as const),
          )}
          {pick(say('drive.watchedBy'), 'meterId', named(meters(choices)))}
          {!byPhase && (
            <TextField
              label={say('drive.voltsOverAmperesAt50')}
              value={entry.agreesAt}
              number
              className="w-full"
              invalid={isRefused(start.error, 'resonance.agreesAt')}
              onChange={(agreesAt) => change({ agreesAt })}
            />
          )}
          {pick(say('shared.amplifier'), 'amplifierId', named(on(choices, entry.band)))}
          {pick(say('shared.exciter'), 'exciterId', named(choices.exciters))}
          <SourcePick choices={choices} value={entry.source} onPick={(source) => change({ source })} />
        </div>
        <StartFoot label={say('drive.startWithThePoints')} start={start} missing={undefined} names={NAMES} />
      </form>
    </Sheet>
  );
}

function requestOf(choices: Choices, entry: Entry, runId: string): StartRequest {
  const byPhase = choices.meters.find((one) => one.id === entry.meterId)?.reads.includes('PHASE');
  return {
    runId,
    amplifierId: entry.amplifierId,
    exciterId: entry.exciterId,
    carrier: 'CW',
    meterIds: [entry.meterId],
    terminationId: entry.antennaId,
    band: entry.band,
    frequency: middle(choices, entry.band),
    school: 'RESONANCE',
    source: entry.source,
    resonance: byPhase ? { witness: 'PHASE' } : { witness: 'VOLTS_OVER_AMPERES', agreesAt: entry.agreesAt },
  };
}
