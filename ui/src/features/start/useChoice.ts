import { useState } from 'react';
import type { Choices, StartRequest } from '../../api';
import { showNumber } from '../../quantity';
import { positionsOf, readsUsually } from './positions';

/** What is chosen for the next run; ids may point to what is gone. */
export interface Choice {
  amplifierId: string;
  band: StartRequest['band'];
  terminationId: string;
  exciterId: string;
  carrier: StartRequest['carrier'];
  meterIds: string[];
  /** Of the meters in use that can show power in several ways. */
  positions: NonNullable<StartRequest['positions']>;
  school: StartRequest['school'];
  frequency: string;
  source: StartRequest['source'];
  /** Absent where there is no pad. */
  padId: string | undefined;
  /** Absent for the school's own custom. */
  rungs: StartRequest['rungs'];
  ownDrives: string;
  firstCeiling: string;
  /** What the dials are for. */
  use: NonNullable<StartRequest['use']>;
  /** Where a drive table ends, or what a long carrier brings, in watts; empty for as far as the amplifier is rated for, or what is customary. */
  wantedOutput: string;
  /** Whether no filter stands between amplifier and wattmeter. */
  unfiltered: boolean;
  /** Of the amplifier's own mode switch; absent where it has none. */
  switchPosition: string | undefined;
  /** As typed; empty for what is customary. */
  pace: Pace;
}

/** Key-down to aim for and at most, least rest, in seconds; by how many per cent limits are lowered. */
export interface Pace {
  aim: string;
  stop: string;
  rest: string;
  margin: string;
}

const KEY = 'tubrin.lastChoice';

function remembered(): Partial<Choice> {
  try {
    // A filter that was missing once is not taken to be missing again.
    return { ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Choice>), unfiltered: false };
  } catch {
    return {};
  }
}

export function remember(choice: Choice): void {
  localStorage.setItem(KEY, JSON.stringify(choice));
}

/** Returns the amplifiers that are brought up by drive; what switches is brought up by its supply, under Drive. */
export const climbing = (choices: Choices) => choices.amplifiers.filter((one) => one.moduleCount === undefined);

/** Returns the choice made complete: what was chosen where it is still there, else the first that fits. */
export function complete(choices: Choices, wanted: Partial<Choice>): Choice {
  const pick = (list: { id: string }[], id: string | undefined) =>
    (list.find((one) => one.id === id) ?? list[0])?.id ?? '';
  // The amplifier of the last run first, then those that have a meter of their own name.
  const rank = (name: string) => 2 * Number(name === choices.lastAmplifier) + Number(isRead(choices, name));
  const amplifiers = [...climbing(choices)].sort((a, b) => rank(b.name) - rank(a.name));
  const amplifierId = pick(amplifiers, wanted.amplifierId);
  const amplifier = choices.amplifiers.find((one) => one.id === amplifierId);
  const bands = amplifier?.bands ?? [];
  const tuned = amplifier?.tuned ?? true;
  const band =
    wanted.band && bands.includes(wanted.band)
      ? wanted.band
      : (bands.find((one) => one === 'MHZ_7') ?? bands[0] ?? 'MHZ_7');
  const fitting = choices.terminations.filter((one) => one.bands.length === 0 || one.bands.includes(band));
  const loadsFirst = [...fitting].sort((a, b) => a.bands.length - b.bands.length);
  const limits = choices.bands.find((one) => one.band === band);
  const frequency = Number(wanted.frequency?.replace(',', '.')) * 1e6;
  const inBand = limits !== undefined && frequency >= limits.lowestHz && frequency <= limits.highestHz;
  const typed = wanted.frequency !== undefined && wanted.band === band;
  const use = tuned ? (wanted.use ?? 'SPEECH_AND_CW') : 'SPEECH_AND_CW';
  const meterIds =
    wanted.amplifierId === amplifierId && wanted.meterIds
      ? wanted.meterIds.filter((id) => choices.meters.some((one) => one.id === id))
      : fittingMeters(choices, amplifier?.name ?? '', tuned);
  const school = tuned ? schoolFor(choices, wanted.school, { amplifierId, band, meterIds }, use) : 'DRIVE_TABLE';
  return {
    amplifierId,
    band,
    terminationId: pick(loadsFirst, wanted.terminationId),
    exciterId: pick(choices.exciters, wanted.exciterId),
    carrier: wanted.carrier ?? 'CW',
    rungs: tuned ? wanted.rungs : undefined,
    ownDrives: wanted.ownDrives ?? '',
    pace: { aim: '', stop: '', rest: '', margin: '', ...wanted.pace },
    firstCeiling: tuned ? (wanted.firstCeiling ?? '') : '',
    use,
    wantedOutput: tuned && use === 'SPEECH_AND_CW' ? '' : (wanted.wantedOutput ?? ''),
    unfiltered: !tuned && wanted.unfiltered === true,
    switchPosition:
      amplifier?.switchPositions.find((one) => one === wanted.switchPosition) ?? amplifier?.switchPositions[0],
    padId: choices.pads.some((one) => one.id === wanted.padId) ? wanted.padId : undefined,
    meterIds,
    positions: choices.meters
      .filter((meter) => meterIds.includes(meter.id))
      .flatMap((meter) => positionsOf(meter, wanted.positions ?? [], school)),
    school,
    source: (choices.sources.find((one) => one.code === wanted.source) ?? choices.sources[0])?.code as Choice['source'],
    frequency: typed || inBand ? (wanted.frequency ?? '') : limits ? middle(limits.lowestHz, limits.highestHz) : '',
  };
}

/** Schools of runs that begin elsewhere: they turn no dials, or follow from the amplifier. */
const OTHER_RUNS: readonly Choice['school'][] = [
  'DRIVE_TABLE',
  'ALC',
  'BIAS',
  'MATCHER',
  'CHAIN',
  'WAVEFORM',
  'SUPPLY_TABLE',
  'RESONANCE',
];

export const isOfOtherRuns = (school: Choice['school']) => OTHER_RUNS.includes(school);

function schoolFor(choices: Choices, wanted: Choice['school'] | undefined, of: Read, use: Choice['use']) {
  const kept = wanted && isOfOtherRuns(wanted) ? undefined : wanted;
  const fitting = [kept, suggestion(choices, of)?.school].filter((one) => one !== undefined);
  return fitting.find((one) => findsDialsFor(choices, use, one)) ?? 'PEAK_THEN_HEAVIER';
}

const findsDialsFor = (choices: Choices, use: Choice['use'], school: Choice['school']) =>
  use === 'SPEECH_AND_CW' || choices.schools.some((one) => one.code === school && one.forLongCarriers);

/** Returns the schools that turn dials and find those for a use. */
export const schoolsFor = (choices: Choices, use: Choice['use']) =>
  choices.schools.filter((one) => !isOfOtherRuns(one.code) && findsDialsFor(choices, use, one.code));

/** What is read of tubes, and what of a stage without dials alone. */
const OF_TUBES = ['PLATE_CURRENT', 'GRID_CURRENT', 'SCREEN_CURRENT', 'PLATE_VOLTAGE'];
const OF_TRANSISTORS = ['INPUT_POWER', 'INPUT_SWR', 'SUPPLY_CURRENT', 'SUPPLY_VOLTAGE', 'HEAT_SINK'];
/** What is read without a climb: the exciter's sound, idle currents. */
const OF_OTHER_RUNS = [
  'ALC_GAUGE',
  'SENSE_VOLTAGE',
  'DEVICE_CURRENT',
  'GATE_VOLTAGE',
  'GATE_RF',
  'OUTPUT_VPP',
  'PHASE',
  'LINE_VOLTAGE',
  'LINE_CURRENT',
  'SIGNAL_WIDTH',
];

/** Whether a meter has anything to say of an amplifier of that kind. */
export const suits = (meter: Choices['meters'][number], tuned: boolean) =>
  meter.reads.some((role) => ![...(tuned ? OF_TRANSISTORS : OF_TUBES), ...OF_OTHER_RUNS].includes(role));

/** Whether a meter is the panel of another amplifier. */
export const isOfAnother = (choices: Choices, amplifier: string, meter: string) =>
  choices.amplifiers.some((one) => one.name !== amplifier && meter.startsWith(one.name));

/** An amplifier on a band, with the meters in use. */
type Read = Pick<Choice, 'amplifierId' | 'band' | 'meterIds'>;

/** Returns which school suits an amplifier on a band with the meters in use, and why. */
export function suggestion(choices: Choices, { amplifierId, band, meterIds }: Read) {
  const read = choices.meters.filter((one) => meterIds.includes(one.id)).flatMap((one) => one.reads);
  return choices.suggestions.find(
    (one) => one.amplifierId === amplifierId && one.band === band && one.asks.every((role) => read.includes(role)),
  );
}

/** Returns meters that between them read each thing once: the amplifier's own before those of no or another amplifier. */
function fittingMeters(choices: Choices, amplifier: string, tuned: boolean): string[] {
  const strange = (name: string) => Number(isOfAnother(choices, amplifier, name));
  const own = (name: string) => (amplifier !== '' && name.startsWith(amplifier) ? 0 : 1);
  const order = choices.meters
    .filter((meter) => suits(meter, tuned))
    .sort((a, b) => own(a.name) - own(b.name) || strange(a.name) - strange(b.name));
  const read = new Set<string>();
  const chosen = order.filter((meter) => {
    const reads = readsUsually(meter);
    if (strange(meter.name) > 0 || reads.some((role) => read.has(role))) return false;
    for (const role of reads) read.add(role);
    return true;
  });
  return choices.meters.filter((meter) => chosen.includes(meter)).map((meter) => meter.id);
}

function isRead(choices: Choices, amplifier: string): boolean {
  return choices.meters.some((meter) => meter.name.startsWith(amplifier));
}

function middle(lowestHz: number, highestHz: number): string {
  return showNumber(Number(((lowestHz + highestHz) / 2e6).toFixed(3)));
}

/** What another place asks for: an amplifier, a band, the mode of the carrier, and whether it is measured without a filter. */
export function fromAddress(asked: URLSearchParams): Partial<Choice> {
  const amplifierId = asked.get('amplifier');
  const band = asked.get('band');
  const carrier = asked.get('carrier');
  const use = asked.get('use');
  return {
    ...(amplifierId ? { amplifierId, meterIds: undefined } : {}),
    ...(band ? { band: band as Choice['band'], frequency: undefined } : {}),
    ...(carrier ? { carrier: carrier as Choice['carrier'] } : {}),
    ...(use ? { use: use as Choice['use'] } : {}),
    ...(asked.has('unfiltered') ? { unfiltered: true } : {}),
  };
}

export function useChoice(choices: Choices, asked: Partial<Choice> = {}): [Choice, (change: Partial<Choice>) => void] {
  const [wanted, setWanted] = useState<Partial<Choice>>(() => ({ ...remembered(), ...asked }));
  const choice = complete(choices, wanted);
  return [
    choice,
    (change) =>
      setWanted({
        ...choice,
        ...change,
        // Another band has another middle, another amplifier other meters; a school taken as suggested follows what is suggested.
        ...(change.band ? { frequency: undefined } : {}),
        ...(change.amplifierId ? { meterIds: undefined, positions: undefined } : {}),
        // Another use has other schools and another output; how much a long carrier brings is of its amplifier.
        ...(change.use ? { school: undefined } : {}),
        ...(change.use || (change.amplifierId && choice.use === 'LONG_CARRIER') ? { wantedOutput: '' } : {}),
        // How pulses are read is not how a carrier is.
        ...(change.school && (change.school === 'PULSED') !== (choice.school === 'PULSED')
          ? { positions: undefined }
          : {}),
        ...(choice.school === suggestion(choices, choice)?.school && !change.school ? { school: undefined } : {}),
      }),
  ];
}
