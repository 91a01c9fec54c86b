import { describe, expect, it } from 'vitest';
import type { Choices } from '../../api';
import { chosenReaders, readerBoxes, toggledReader } from './positions';
import { box } from './testBox';
import { type Choice, complete } from './useChoice';

const AVERAGE = { role: 'OUTPUT', indication: 'AVERAGE' } as const;
const PEAK = { role: 'OUTPUT', indication: 'PEAK_HOLD' } as const;
const BACK = { role: 'REFLECTED', indication: 'AVERAGE' } as const;

const FATHOM = box('Fathom', {
  reads: ['OUTPUT', 'REFLECTED'],
  positions: [
    { position: AVERAGE, name: 'output' },
    { position: PEAK, name: 'output, peak hold' },
    { position: BACK, name: 'reflected' },
  ],
  usualPositions: [AVERAGE],
  pulsedPositions: [PEAK],
});
const choices = {
  stationDescribed: true,
  amplifiers: [box('Brigantine', { bands: ['MHZ_7'] })],
  exciters: [],
  pads: [],
  terminations: [],
  meters: [box('Brigantine panel', { reads: ['PLATE_CURRENT'] }), FATHOM, box('Back', { reads: ['REFLECTED'] })],
  bands: [],
  carriers: [],
  schools: [],
  suggestions: [],
  rungs: [],
  sources: [],
} as unknown as Choices;

const begin = (more: Partial<Choice> = {}) => complete(choices, more);
const picked = (choice: Choice, code: string) =>
  complete(choices, { ...choice, ...toggledReader(choices, choice, code) });

describe('one box whose switches choose what it shows', () => {
  it('stands there once for each position, in the customary one', () => {
    expect(readerBoxes(choices.meters).map((one) => one.detail)).toEqual([
      '',
      'output',
      'output, peak hold',
      'reflected',
      '',
    ]);
    const choice = begin();
    expect(choice.positions).toEqual([{ meterId: 'Fathom', position: AVERAGE }]);
    expect(chosenReaders(choices, choice)).toEqual(['Brigantine panel', 'Fathom OUTPUT AVERAGE', 'Back']);
  });
  it('holds peaks where pulses are read', () => {
    expect(begin({ school: 'PULSED' }).positions).toEqual([{ meterId: 'Fathom', position: PEAK }]);
  });
  it('is read in one way for each thing, and in more than one thing if that is wanted', () => {
    const peak = picked(begin(), 'Fathom OUTPUT PEAK_HOLD');
    expect(peak.positions).toEqual([{ meterId: 'Fathom', position: PEAK }]);
    const both = picked(peak, 'Fathom REFLECTED AVERAGE');
    expect(both.positions.map((one) => one.position)).toEqual([PEAK, BACK]);
    expect(both.meterIds).toEqual(peak.meterIds);
  });
  it('is out of use with its last position, and comes back with any', () => {
    const without = picked(begin(), 'Fathom OUTPUT AVERAGE');
    expect(without.meterIds).toEqual(['Brigantine panel', 'Back']);
    expect(without.positions).toEqual([]);
    const back = picked(without, 'Fathom REFLECTED AVERAGE');
    expect(back.meterIds).toContain('Fathom');
    expect(back.positions).toEqual([{ meterId: 'Fathom', position: BACK }]);
    expect(picked(back, 'Brigantine panel').meterIds).not.toContain('Brigantine panel');
  });
});
