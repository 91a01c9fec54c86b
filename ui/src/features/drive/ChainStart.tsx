import type { ChainRequest, Choices, StartRequest } from '../../api';
import { Sheet, useChoices } from '../../parts';
import { Pick } from '../../parts/ui';
import { say } from '../../words';
import { SourcePick } from './SourcePick';
import { StartFoot } from './StartFoot';
import { loads, middle, named, reads, there, transistors, unread, useStart, useTyped } from './useStart';

interface Entry {
  amplifierId: string;
  exciterId: string;
  terminationId: string;
  scopeId: string;
  gateId: string;
  supplyId: string;
  wattId: string;
  band: StartRequest['band'];
  source: StartRequest['source'];
}

/** Begins the way up of the chain above as a run, where the station has what it takes. */
export function ChainStart({ chain, named: names }: { chain: ChainRequest; named: Record<string, string> }) {
  const choices = useChoices();
  if (!choices.data || reads(choices.data, 'OUTPUT_VPP').length === 0 || loads(choices.data).length === 0) return null;
  if (choices.data.amplifiers.length === 0 || choices.data.exciters.length === 0) return null;
  return <Start choices={choices.data} chain={chain} names={names} />;
}

function entryOf(choices: Choices, typed: Partial<Entry>): Entry {
  const stages = transistors(choices);
  const amplifierId = there(stages.length > 0 ? stages : choices.amplifiers, typed.amplifierId);
  const bands = choices.amplifiers.find((one) => one.id === amplifierId)?.bands ?? [];
  return {
    amplifierId,
    exciterId: there(choices.exciters, typed.exciterId),
    terminationId: there(loads(choices), typed.terminationId),
    scopeId: there(reads(choices, 'OUTPUT_VPP'), typed.scopeId),
    gateId: typed.gateId ?? '',
    supplyId: typed.supplyId ?? '',
    wattId: typed.wattId ?? '',
    band: bands.find((one) => one === typed.band) ?? bands[0] ?? 'MHZ_7',
    source: choices.sources.find((one) => one.code === typed.source)?.code ?? choices.sources[0]?.code ?? 'TYPED',
  } as Entry;
}

function Start({ choices, chain, names }: { choices: Choices; chain: ChainRequest; names: Record<string, string> }) {
  const [typed, keep] = useTyped<Entry>('tubrin.wayUp');
  const entry = entryOf(choices, typed);
  const change = (more: Partial<Entry>) => keep({ ...entry, ...more });
  const start = useStart((runId) => requestOf(choices, entry, chain, runId));
  const amplifier = choices.amplifiers.find((one) => one.id === entry.amplifierId);
  const bands = choices.bands.filter((one) => amplifier?.bands.includes(one.band));
  const pick = (label: string, field: keyof Entry, options: readonly (readonly [string, string])[]) => (
    <Pick label={label} value={entry[field]} options={options} onPick={(value) => change({ [field]: value })} />
  );
  return (
    <Sheet title={say('drive.theWayUpAsA')} part="chain-start">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!start.isPending) start.mutate();
        }}
      >
        <div className="grid grid-cols-2 gap-x-3 gap-y-2">
          {pick(say('drive.lastStage'), 'amplifierId', named(choices.amplifiers))}
          {pick(
            say('shared.band'),
            'band',
            bands.map((one) => [one.band, one.name] as const),
          )}
          {pick(say('drive.keyedBy'), 'exciterId', named(choices.exciters))}
          {pick(say('shared.dummyLoad'), 'terminationId', named(loads(choices)))}
          {pick(say('drive.peakToPeakBy'), 'scopeId', named(reads(choices, 'OUTPUT_VPP')))}
          {pick(say('drive.gateVoltageBy'), 'gateId', [
            ['', say('shared.notRead')],
            ...named(reads(choices, 'GATE_VOLTAGE')),
          ])}
          {pick(say('drive.supplyReadBy'), 'supplyId', [
            ['', say('shared.notRead')],
            ...named(reads(choices, 'SUPPLY_CURRENT')),
          ])}
          {pick(say('drive.outputBy'), 'wattId', [['', say('shared.notRead')], ...named(reads(choices, 'OUTPUT'))])}
          <SourcePick choices={choices} value={entry.source} onPick={(source) => change({ source })} />
        </div>
        <StartFoot label={say('drive.startTheWayUp')} start={start} missing={undefined} names={names} />
      </form>
    </Sheet>
  );
}

function requestOf(choices: Choices, entry: Entry, chain: ChainRequest, runId: string): StartRequest {
  const meterIds = [...new Set([entry.scopeId, entry.gateId, entry.supplyId, entry.wattId])].filter((id) => id !== '');
  return {
    runId,
    amplifierId: entry.amplifierId,
    exciterId: entry.exciterId,
    carrier: 'CW',
    meterIds,
    unread: unread(choices, meterIds, [
      ...(entry.gateId ? [] : (['GATE_VOLTAGE'] as const)),
      ...(entry.supplyId ? [] : (['SUPPLY_VOLTAGE', 'SUPPLY_CURRENT'] as const)),
      ...(entry.wattId ? [] : (['OUTPUT'] as const)),
    ]),
    terminationId: entry.terminationId,
    band: entry.band,
    frequency: middle(choices, entry.band),
    school: 'CHAIN',
    source: entry.source,
    chain,
  };
}
