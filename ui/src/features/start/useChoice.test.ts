import { act, renderHook } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Choices } from '../../api';
import { box } from './testBox';
import { complete, fromAddress, remember, suggestion, useChoice } from './useChoice';

const school = (code: Choices['schools'][number]['code'], forLongCarriers: boolean) => ({
  code,
  name: code,
  detail: '',
  suits: '',
  costs: '',
  forLongCarriers,
});

const choices: Choices = {
  stationDescribed: true,
  amplifiers: [
    box('Ketch', { tuned: false }),
    box('Barque', { bands: ['MHZ_14'] }),
    box('Brigantine', { bands: ['MHZ_7', 'MHZ_14'] }),
  ],
  exciters: [box('Halyard')],
  pads: [box('Fender')],
  terminations: [box('Yardarm', { bands: ['MHZ_7'] }), box('Ballast')],
  meters: [box('Brigantine panel', { reads: ['PLATE_CURRENT'] }), box('Fathom', { reads: ['OUTPUT'] })],
  bands: [
    { band: 'MHZ_7', name: '7 MHz', lowestHz: 6.9e6, highestHz: 7.3e6 },
    { band: 'MHZ_14', name: '14 MHz', lowestHz: 14e6, highestHz: 14.35e6 },
  ],
  carriers: [],
  schools: [
    school('MAKERS_CHART', false),
    school('PEAK_THEN_HEAVIER', true),
    school('GRID_TARGET', false),
    school('DIP_AND_LOAD', false),
    school('PULSED', true),
  ],
  uses: [],
  suggestions: [
    {
      amplifierId: 'Brigantine',
      band: 'MHZ_7',
      asks: ['OUTPUT'],
      school: 'MAKERS_CHART',
      why: 'the twin knows this band.',
    },
    { amplifierId: 'Brigantine', band: 'MHZ_7', asks: [], school: 'PEAK_THEN_HEAVIER', why: 'too little is known.' },
    { amplifierId: 'Brigantine', band: 'MHZ_14', asks: [], school: 'PEAK_THEN_HEAVIER', why: 'too little is known.' },
  ],
  rungs: [],
  sources: [{ code: 'TYPED', name: 'Typed', detail: '' }],
};

describe('what is chosen first', () => {
  it('is an amplifier that can be tuned and is read by a meter, into a load before an antenna', () => {
    const choice = complete(choices, {});
    expect(choice.amplifierId).toBe('Brigantine');
    expect(choice.terminationId).toBe('Ballast');
    expect(choice.frequency).toBe('7.1');
  });
  it('is the amplifier of the last run, where there was one', () => {
    expect(complete({ ...choices, lastAmplifier: 'Barque' }, {}).amplifierId).toBe('Barque');
    expect(complete({ ...choices, lastAmplifier: 'Ketch' }, {}).amplifierId).toBe('Ketch');
  });
  it('makes a drive table of an amplifier without dials, with meters that have something to say of it', () => {
    const meters = [
      box('Brigantine panel', { reads: ['PLATE_CURRENT'] }),
      box('Fathom', { reads: ['OUTPUT'] }),
      box('Ketch panel', { reads: ['SUPPLY_CURRENT'] }),
      box('Sounding', { reads: ['SUPPLY_CURRENT'] }),
    ];
    const choice = complete({ ...choices, meters }, { amplifierId: 'Ketch', school: 'GRID_TARGET', rungs: 'OWN' });
    expect(choice.school).toBe('DRIVE_TABLE');
    expect(choice.rungs).toBeUndefined();
    expect(choice.meterIds).toEqual(['Fathom', 'Ketch panel']);
    const back = complete({ ...choices, meters }, { ...choice, amplifierId: 'Brigantine', meterIds: undefined });
    expect(back.school).toBe('MAKERS_CHART');
    expect(back.meterIds).toEqual(['Brigantine panel', 'Fathom']);
  });
  it('is the school for which all is read that it asks for', () => {
    expect(complete(choices, { amplifierId: 'Brigantine' }).school).toBe('MAKERS_CHART');
    const unread = complete(choices, { amplifierId: 'Brigantine', meterIds: ['Brigantine panel'] });
    expect(unread.school).toBe('PEAK_THEN_HEAVIER');
    expect(suggestion(choices, unread)?.why).toBe('too little is known.');
  });
  it('keeps what was chosen while it is there', () => {
    expect(complete(choices, { amplifierId: 'Barque' }).amplifierId).toBe('Barque');
    expect(complete(choices, { amplifierId: 'gone' }).amplifierId).toBe('Brigantine');
    expect(complete(choices, { terminationId: 'Yardarm' }).terminationId).toBe('Yardarm');
  });
  it('does not keep an antenna or a band that does not fit', () => {
    const choice = complete(choices, { amplifierId: 'Barque', band: 'MHZ_7', terminationId: 'Yardarm' });
    expect(choice.band).toBe('MHZ_14');
    expect(choice.terminationId).toBe('Ballast');
    expect(choice.frequency).toBe('14.175');
  });
  it('takes the meters of the amplifier chosen, each reading once', () => {
    const reads = ['PLATE_CURRENT'];
    const meters = [
      box('Fathom', { reads: ['OUTPUT'] }),
      box('Brigantine panel', { reads, switchPositions: [] }),
      box('Barque panel', { reads, switchPositions: [] }),
      box('Second wattmeter', { reads: ['OUTPUT'] }),
    ];
    const at = (amplifierId: string) => complete({ ...choices, meters }, { amplifierId }).meterIds;
    expect(at('Brigantine')).toEqual(['Fathom', 'Brigantine panel']);
    expect(at('Barque')).toEqual(['Fathom', 'Barque panel']);
  });
  it('keeps a frequency as it is typed', () => {
    expect(complete(choices, { band: 'MHZ_7', frequency: '7,0' }).frequency).toBe('7,0');
    expect(complete(choices, { band: 'MHZ_7', frequency: '' }).frequency).toBe('');
  });
});

describe('another amplifier', () => {
  it('takes its own meters, not those of the one before', () => {
    localStorage.clear();
    const panels = {
      ...choices,
      meters: [
        box('Barque panel', { reads: ['PLATE_CURRENT'] }),
        box('Brigantine panel', { reads: ['PLATE_CURRENT'] }),
        box('Fathom', { reads: ['OUTPUT'] }),
      ],
    };
    const { result } = renderHook(() => useChoice(panels));
    act(() => result.current[1]({ amplifierId: 'Brigantine' }));
    expect(result.current[0].meterIds).toEqual(['Brigantine panel', 'Fathom']);
    act(() => result.current[1]({ amplifierId: 'Barque' }));
    expect(result.current[0].meterIds).toEqual(['Barque panel', 'Fathom']);
  });
});

describe('the school', () => {
  it('is the one suggested for amplifier and band, and follows it until another is chosen', () => {
    localStorage.clear();
    const { result } = renderHook(() => useChoice(choices));
    expect(result.current[0].school).toBe('MAKERS_CHART');
    act(() => result.current[1]({ band: 'MHZ_14' }));
    expect(result.current[0].school).toBe('PEAK_THEN_HEAVIER');
    act(() => result.current[1]({ school: 'DIP_AND_LOAD' }));
    act(() => result.current[1]({ band: 'MHZ_7' }));
    expect(result.current[0].school).toBe('DIP_AND_LOAD');
  });
  it('is the customary one where nothing is suggested', () => {
    expect(complete(choices, { amplifierId: 'Barque' }).school).toBe('PEAK_THEN_HEAVIER');
  });
});

describe('what the dials are for', () => {
  it('is speech and CW, and a long carrier takes a school that finds its dials, and back', () => {
    localStorage.clear();
    const { result } = renderHook(() => useChoice(choices));
    expect(result.current[0]).toMatchObject({ use: 'SPEECH_AND_CW', school: 'MAKERS_CHART', wantedOutput: '' });
    act(() => result.current[1]({ use: 'LONG_CARRIER' }));
    expect(result.current[0]).toMatchObject({ use: 'LONG_CARRIER', school: 'PEAK_THEN_HEAVIER' });
    act(() => result.current[1]({ wantedOutput: '350' }));
    act(() => result.current[1]({ band: 'MHZ_14' }));
    expect(result.current[0]).toMatchObject({ use: 'LONG_CARRIER', wantedOutput: '350' });
    act(() => result.current[1]({ amplifierId: 'Barque' }));
    expect(result.current[0].wantedOutput).toBe('');
    act(() => result.current[1]({ amplifierId: 'Brigantine', band: 'MHZ_7' }));
    act(() => result.current[1]({ use: 'SPEECH_AND_CW' }));
    expect(result.current[0]).toMatchObject({ use: 'SPEECH_AND_CW', school: 'MAKERS_CHART', wantedOutput: '' });
  });
  it('can be asked for by the address', () => {
    const asked = fromAddress(new URLSearchParams('use=LONG_CARRIER'));
    expect(complete(choices, asked).school).toBe('PEAK_THEN_HEAVIER');
    expect(complete(choices, { ...asked, amplifierId: 'Ketch' }).use).toBe('SPEECH_AND_CW');
  });
});

describe('a table of another kind', () => {
  it('is begun in its mode, and a filter that was missing is not missing the next time', () => {
    localStorage.clear();
    const asked = fromAddress(new URLSearchParams('amplifier=Ketch&band=MHZ_7&carrier=AM&unfiltered='));
    const { result, unmount } = renderHook(() => useChoice(choices, asked));
    expect(result.current[0]).toMatchObject({ amplifierId: 'Ketch', carrier: 'AM', unfiltered: true });
    remember(result.current[0]);
    unmount();
    const again = renderHook(() => useChoice(choices));
    expect(again.result.current[0]).toMatchObject({ carrier: 'AM', unfiltered: false });
  });
});
