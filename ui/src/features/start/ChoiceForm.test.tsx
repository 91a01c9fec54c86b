import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Choices } from '../../api';
import { BandSheet, WaySheet } from './ChoiceForm';
import { ChoiceLine } from './ChoiceLine';
import { box } from './testBox';
import { complete } from './useChoice';

const choices: Choices = {
  stationDescribed: true,
  amplifiers: [box('Brigantine', { bands: ['MHZ_7'] })],
  exciters: [box('Halyard')],
  pads: [box('Fender', { detail: '16 dB' })],
  terminations: [box('Ballast')],
  meters: [box('Fathom', { reads: ['OUTPUT'] })],
  bands: [{ band: 'MHZ_7', name: '7 MHz', lowestHz: 6.9e6, highestHz: 7.3e6 }],
  carriers: [{ code: 'CW', name: 'CW', detail: '' }],
  schools: [
    {
      code: 'PEAK_THEN_HEAVIER',
      name: 'Peak, then heavier',
      detail: 'Peak both.',
      suits: 'Triodes.',
      costs: 'As it comes.',
      forLongCarriers: true,
    },
    {
      code: 'GRID_TARGET',
      name: 'Grid target',
      detail: 'Most grid current.',
      suits: 'What trips.',
      costs: 'Little.',
      forLongCarriers: false,
    },
  ],
  uses: [
    { code: 'SPEECH_AND_CW', name: 'Speech and CW', detail: 'Full drive.' },
    { code: 'LONG_CARRIER', name: 'Long carrier', detail: 'Less, and cooler.' },
  ],
  suggestions: [
    { amplifierId: 'Brigantine', band: 'MHZ_7', asks: [], school: 'GRID_TARGET', why: 'the twin knows this band.' },
  ],
  rungs: [
    { code: 'DOUBLING', name: 'Doubling', detail: '' },
    { code: 'OWN', name: 'Own list', detail: '' },
  ],
  sources: [{ code: 'TYPED', name: 'Typed', detail: '' }],
};

function show(wanted: Parameters<typeof complete>[1] = {}) {
  const change = vi.fn();
  const props = { choices, choice: complete(choices, wanted), change };
  render(
    <>
      <ChoiceLine {...props} />
      <BandSheet {...props} />
      <WaySheet {...props} />
    </>,
  );
  return change;
}

describe('what to tune', () => {
  it('says of the school that is chosen what it does, whom it suits and what heat it costs', async () => {
    const change = show({ school: 'GRID_TARGET' });
    const school = screen.getByRole('radiogroup', { name: 'School' });
    expect(within(school).getByText('Most grid current.')).toBeInTheDocument();
    expect(school).toHaveTextContent('Suits: What trips. Heat: Little.');
    expect(within(school).queryByText('Peak both.')).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: 'Peak, then heavier' }));
    expect(change).toHaveBeenLastCalledWith({ school: 'PEAK_THEN_HEAVIER' });
  });

  it('marks the school that is suggested and says why', () => {
    show({ school: 'PEAK_THEN_HEAVIER' });
    expect(screen.getByRole('radio', { name: 'Grid target suggested' })).not.toBeChecked();
    expect(screen.getByRole('radiogroup', { name: 'School' })).toHaveTextContent(
      'Suggested here: Grid target, since the twin knows this band.',
    );
  });

  it('asks for the output of a long carrier alone, and offers the schools that find its dials', async () => {
    const change = show();
    expect(screen.queryByLabelText('output, W')).toBeNull();
    await userEvent.click(screen.getByRole('radio', { name: 'Long carrier' }));
    expect(change).toHaveBeenCalledWith({ use: 'LONG_CARRIER' });
    cleanup();
    const again = show({ use: 'LONG_CARRIER' });
    expect(screen.getByText('Less, and cooler.')).toBeVisible();
    expect(screen.queryByRole('radio', { name: /^Grid target/ })).toBeNull();
    expect(screen.queryByText(/Suggested here/)).toBeNull();
    await userEvent.type(screen.getByLabelText('output, W'), '3');
    expect(again).toHaveBeenCalledWith({ wantedOutput: '3' });
  });
  it('takes a pad, and none again', async () => {
    const change = show();
    await userEvent.click(screen.getByRole('button', { name: 'Pad: no pad. Change' }));
    expect(screen.getByRole('radio', { name: 'no pad' })).toBeChecked();
    await userEvent.click(screen.getByRole('radio', { name: /Fender/ }));
    expect(change).toHaveBeenLastCalledWith({ padId: 'Fender' });
  });

  it('goes back from a pad to none', async () => {
    const change = show({ padId: 'Fender' });
    await userEvent.click(screen.getByRole('button', { name: 'Pad: Fender. Change' }));
    expect(screen.getByRole('radio', { name: /Fender/ })).toBeChecked();
    await userEvent.click(screen.getByRole('radio', { name: 'no pad' }));
    expect(change).toHaveBeenLastCalledWith({ padId: undefined });
  });

  it('asks for the drives of a ladder of one’s own only where that is chosen', async () => {
    const change = show();
    await userEvent.click(screen.getByRole('button', { name: /Rarely changed/ }));
    expect(screen.queryByLabelText('drives, W')).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: 'Own list' }));
    expect(change).toHaveBeenLastCalledWith({ rungs: 'OWN' });
  });

  it('keeps the drives as they are typed', async () => {
    const change = show({ rungs: 'OWN', ownDrives: '4 9' });
    await userEvent.click(screen.getByRole('button', { name: /Rarely changed/ }));
    await userEvent.type(screen.getByLabelText('drives, W'), ';');
    expect(change).toHaveBeenLastCalledWith({ ownDrives: '4 9;' });
    await userEvent.click(screen.getByRole('radio', { name: 'by the school' }));
    expect(change).toHaveBeenLastCalledWith({ rungs: undefined });
  });

  it('takes the maker’s ceiling for the first step', async () => {
    const change = show();
    await userEvent.click(screen.getByRole('button', { name: /Rarely changed/ }));
    await userEvent.type(screen.getByLabelText(/plate current at the first step/), '0');
    expect(change).toHaveBeenLastCalledWith({ firstCeiling: '0' });
  });

  it('takes a pace of one’s own, and says it where it is folded', async () => {
    const change = show({ pace: { aim: '7', stop: '', rest: '', margin: '10' } });
    const fold = screen.getByRole('button', { name: /Rarely changed/ });
    expect(fold).toHaveTextContent('key-down, aim 7 s, limits held below the record by 10 %');
    await userEvent.click(fold);
    await userEvent.type(screen.getByLabelText('at most'), '9');
    expect(change).toHaveBeenLastCalledWith({ pace: { aim: '7', stop: '9', rest: '', margin: '10' } });
  });

  it('changes the band by a digit', async () => {
    const change = show();
    await userEvent.keyboard('1');
    expect(change).toHaveBeenLastCalledWith({ band: 'MHZ_7' });
  });
});
