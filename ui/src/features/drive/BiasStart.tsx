import { Link } from 'react-router';
import type { Choices, StartRequest } from '../../api';
import { isRefused, Sheet } from '../../parts';
import { Check, Fold, Pick, TextField } from '../../parts/ui';
import { fixed } from '../../quantity';
import { say } from '../../words';
import { SourcePick } from './SourcePick';
import { StartFoot } from './StartFoot';
import { loads, named, reads, there, transistors, unread, useStart, useTyped } from './useStart';
import { WithChoices } from './WithChoices';

const KEY = 'tubrin.bias';

type Bias = NonNullable<StartRequest['bias']>;

interface Entry extends Omit<Bias, 'newBoard'> {
  newBoard: boolean;
  by: 'RESISTOR' | 'AMMETER';
  amplifierId: string;
  exciterId: string;
  terminationId: string;
  senseId: string;
  feedId: string;
  gateId: string;
  source: StartRequest['source'];
}

const USUAL = {
  devices: '2',
  idle: '',
  because: '',
  nominal: '',
  measured: '',
  bound: '0.5',
  potTurns: '10',
  newBoard: false,
  by: 'RESISTOR' as const,
  gateId: '',
};

/** What the fields are called on the form. */
const NAMES: Record<string, string> = {
  'bias.devices': say('drive.devices'),
  'bias.idle': say('drive.idleCurrentOfEach'),
  'bias.nominal': say('drive.printedOnIt'),
  'bias.measured': say('shared.measured'),
  'bias.bound': say('drive.measuredWithin'),
  'bias.potTurns': say('drive.turnsOfAPot'),
  because: say('drive.figureFrom'),
  bench: say('shared.simulatedBench'),
};

/** Begins a bias climb; of the amplifier that was set last where nothing else is chosen. */
export function BiasStart({ suggested }: { suggested: string | undefined }) {
  return <WithChoices>{(choices) => <Start choices={choices} suggested={suggested} />}</WithChoices>;
}

function entryOf(choices: Choices, typed: Partial<Entry>): Entry {
  return {
    ...USUAL,
    ...typed,
    amplifierId: there(transistors(choices), typed.amplifierId),
    exciterId: there(choices.exciters, typed.exciterId),
    terminationId: there(loads(choices), typed.terminationId),
    senseId: there(reads(choices, 'SENSE_VOLTAGE'), typed.senseId),
    feedId: there(reads(choices, 'DEVICE_CURRENT'), typed.feedId),
    source: choices.sources.find((one) => one.code === typed.source)?.code ?? choices.sources[0]?.code ?? 'TYPED',
  } as Entry;
}

function Start({ choices, suggested }: { choices: Choices; suggested: string | undefined }) {
  const [typed, keep] = useTyped<Entry>(KEY);
  const entry = entryOf(choices, {
    amplifierId: choices.amplifiers.find((one) => one.name === suggested)?.id,
    ...typed,
  });
  const change = (more: Partial<Entry>) => keep({ ...entry, ...more });
  const start = useStart((runId) => requestOf(choices, entry, runId));
  const text = (field: keyof Omit<Bias, 'newBoard'>, label: string, unit = '', isNumber = unit !== '') => (
    <TextField
      label={unit ? `${label}, ${unit}` : label}
      value={entry[field] ?? ''}
      number={isNumber}
      maxLength={120}
      className="w-full"
      invalid={[`bias.${field}`, field].some((one) => isRefused(start.error, one))}
      onChange={(value) => change({ [field]: value })}
    />
  );
  const amplifier = choices.amplifiers.find((one) => one.id === entry.amplifierId);
  const isSensed = entry.by === 'RESISTOR';
  const meterId = isSensed ? entry.senseId : entry.feedId;
  if (!amplifier || !entry.exciterId || !entry.terminationId || (!entry.senseId && !entry.feedId)) {
    return (
      <Sheet title={say('shared.nextMove')} accent>
        <p className="head text-22 leading-head">{say('shared.describeTheStationFirst')}</p>
        <p className="mt-2 text-soft">
          {say('drive.itNeedsAnAmplifierWith')}{' '}
          <Link className="text-act underline" to="/station">
            {say('shared.goToStation')}
          </Link>
        </p>
      </Sheet>
    );
  }
  const given = [entry.idle, entry.because, ...(isSensed ? [entry.nominal ?? '', entry.measured ?? ''] : [])];
  const ready = meterId !== '' && given.every((one) => one.trim() !== '');
  return (
    <Sheet title={say('shared.nextMove')} accent part="bias-start">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!start.isPending) start.mutate();
        }}
      >
        <p className="head text-22 leading-head">{say('drive.setTheIdleCurrentOf', { amplifier: amplifier.name })}</p>
        <p className="mt-1 text-soft">{say('drive.keyedWithoutDriveLoadOn')}</p>
        <div className="mt-3 grid grid-cols-2 gap-x-3 gap-y-2">
          <Pick
            label={say('shared.amplifier')}
            value={entry.amplifierId}
            options={named(transistors(choices))}
            onPick={(amplifierId) => change({ amplifierId })}
          />
          {text('devices', say('drive.devices'), '', true)}
          {text('idle', say('drive.idleCurrentOfEach'), 'mA')}
          {text('because', say('drive.figureFrom'))}
          <Pick
            label={say('drive.readBy')}
            value={entry.by}
            options={[
              ['RESISTOR', say('drive.aCommonResistor')],
              ['AMMETER', say('drive.anAmmeterEach')],
            ]}
            onPick={(by) => change({ by: by as Entry['by'] })}
          />
          <Pick
            label={say('shared.meter')}
            value={meterId}
            options={named(reads(choices, isSensed ? 'SENSE_VOLTAGE' : 'DEVICE_CURRENT'))}
            onPick={(id) => change(isSensed ? { senseId: id } : { feedId: id })}
          />
          {isSensed && text('nominal', say('drive.printedOnIt'), 'Ω')}
          {isSensed && text('measured', say('shared.measured'), 'Ω')}
        </div>
        <Fold title={say('drive.potsGateLoadReadings')} className="mt-2">
          <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2">
            {text('potTurns', say('drive.turnsOfAPot'), '', true)}
            {isSensed && text('bound', say('drive.measuredWithin'), '%')}
            <Pick
              label={say('drive.gateBy')}
              value={entry.gateId}
              options={[['', say('shared.notRead')], ...named(reads(choices, 'GATE_VOLTAGE'))]}
              onPick={(gateId) => change({ gateId })}
            />
            <SourcePick choices={choices} value={entry.source} onPick={(source) => change({ source })} />
            <Pick
              label={say('drive.keyedBy')}
              value={entry.exciterId}
              options={named(choices.exciters)}
              onPick={(exciterId) => change({ exciterId })}
            />
            <Pick
              label={say('shared.dummyLoad')}
              value={entry.terminationId}
              options={named(loads(choices))}
              onPick={(terminationId) => change({ terminationId })}
            />
          </div>
          <div className="mt-2">
            <Check checked={entry.newBoard} onCheck={(newBoard) => change({ newBoard })}>
              {say('drive.aNewBoardTheDevices')}
            </Check>
          </div>
        </Fold>
        <StartFoot
          label={say('drive.startWithThePots')}
          start={start}
          missing={
            ready
              ? undefined
              : say('drive.areStillMissing', {
                  source: isSensed ? say('drive.currentItsSourceAndThe') : say('drive.currentAndItsSource'),
                })
          }
          names={NAMES}
        />
      </form>
    </Sheet>
  );
}

function requestOf(choices: Choices, entry: Entry, runId: string): StartRequest {
  const bands = choices.amplifiers.find((one) => one.id === entry.amplifierId)?.bands ?? [];
  const band = choices.bands.find((one) => bands.includes(one.band)) ?? choices.bands[0];
  const isSensed = entry.by === 'RESISTOR';
  const meterIds = [...new Set([isSensed ? entry.senseId : entry.feedId, entry.gateId])].filter((id) => id !== '');
  return {
    runId,
    amplifierId: entry.amplifierId,
    exciterId: entry.exciterId,
    carrier: 'CW',
    meterIds,
    unread: unread(choices, meterIds, entry.gateId ? [] : ['GATE_VOLTAGE']),
    terminationId: entry.terminationId,
    band: band?.band ?? 'MHZ_7',
    // No RF flows: the frequency is only where the exciter stands.
    frequency: band ? fixed((band.lowestHz + band.highestHz) / 2e6, 3) : '',
    school: 'BIAS',
    source: entry.source,
    bias: {
      devices: entry.devices,
      idle: entry.idle,
      because: entry.because,
      nominal: isSensed ? entry.nominal : undefined,
      measured: isSensed ? entry.measured : undefined,
      bound: isSensed ? entry.bound : undefined,
      potTurns: entry.potTurns,
      newBoard: entry.newBoard,
    },
  };
}
