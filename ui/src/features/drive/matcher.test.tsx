import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Choices, MatcherPageView } from '../../api';
import { answers, choicesOf, Shell, thing } from '../../testing';
import { DrivePage } from './DrivePage';
import { places } from './useStart';

const VIEW: MatcherPageView = {
  rows: [
    {
      runId: 'new',
      amplifier: 'Dinghy 60',
      band: '7 MHz',
      frequencyMhz: 7.19,
      termination: 'Yardarm',
      exciter: 'Skiff 10',
      outputMeter: 'Shoal 80',
      at: '2026-11-02T12:00:00Z',
      bypassed: '2.20 ± 0.15',
      matched: '1.18 ± 0.08',
      came: 'not at its end',
    },
  ],
  shownRunId: 'new',
  shown: {
    order: [
      {
        node: 'PROVE',
        title: 'Off, and proven',
        stands: 'REFUSED',
        set: '0.7',
        input: '0.70 ± 0.04',
        output: '12.2 ± 0.9',
        swr: '1.13 ± 0.08',
        says: 'Not proven: no tuning.',
      },
      { node: 'TUNE', title: 'Tune', stands: 'AHEAD', says: 'Opens once it is off.' },
    ],
    says: [],
  },
  amplifier: 'Dinghy 60',
  byHand: ['RF off.', 'No cable, no ALC: nothing limits but you.'],
  inputs: 'Up to 1.5 is fine.',
  bands: [
    { band: 'MHZ_7', name: '7 MHz', tuneAt: '3.8', matched: '1.18 ± 0.08' },
    {
      band: 'MHZ_28',
      name: '28 MHz',
      amplifying: '2.40 ± 0.10',
      verdict: 'MAY_FOLD_BACK',
      says: 'the exciter may fold back',
    },
  ],
};

const MATCHER = { leastW: 3, mostW: 7, reachSwr: 3, switching: 'BY_HAND' } as const;

const CHOICES = choicesOf({
  amplifiers: [
    thing('k', 'Ketch 600', { tuned: false, bands: ['MHZ_7'] }),
    thing('d', 'Dinghy 60', { tuned: false, bands: ['MHZ_7'], matcher: MATCHER }),
  ],
  exciters: [thing('h', 'Halyard 100'), thing('s', 'Skiff 10')],
  meters: [
    thing('f', 'Fathom', { reads: ['OUTPUT'] }),
    thing('b', 'Shoal 80', { reads: ['OUTPUT'] }),
    thing('i', 'Leadline', { reads: ['INPUT_POWER', 'INPUT_SWR'] }),
  ],
});

describe('matchers', () => {
  let server: ReturnType<typeof answers>;
  let view: MatcherPageView;
  let choices: Choices;

  beforeEach(() => {
    view = VIEW;
    choices = CHOICES;
    localStorage.clear();
    server = answers(() => ({
      choices,
      view,
      problem: { field: 'frequency', message: '“8” is beyond 7 to 7.2.' },
    }));
  });
  afterEach(() => vi.unstubAllGlobals());

  const show = () =>
    render(
      <Shell>
        <MemoryRouter initialEntries={['/drive/matcher']}>
          <Routes>
            <Route path="/drive/:tab?" element={<DrivePage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  it('shows the order with both powers at each node, and where it is held up', async () => {
    show();
    const order = await screen.findByRole('list', { name: 'The order' });
    const [proof, tune] = within(order).getAllByRole('listitem');
    expect(proof).toHaveTextContent('set0.7');
    expect(proof).toHaveTextContent('in0.70 ± 0.04');
    expect(proof).toHaveTextContent('out12.2 ± 0.9');
    expect(proof).toHaveTextContent('Not proven: no tuning.');
    expect(proof).toHaveAttribute('aria-current', 'step');
    expect(tune).not.toHaveAttribute('aria-current');
    expect(screen.getByText(/nothing limits but you/)).toBeInTheDocument();
    const row = screen.getByRole('row', { name: /28 MHz/ });
    expect(within(row).getByText('the exciter may fold back')).toBeInTheDocument();
  });

  it('begins with what was used last, and names what is refused', async () => {
    const user = userEvent.setup();
    show();
    expect(await screen.findByText('Tune the matcher of Dinghy 60')).toBeInTheDocument();
    const frequency = screen.getByLabelText('Frequency, MHz');
    await user.clear(frequency);
    expect(screen.getByRole('button', { name: 'Start with the points' })).toBeDisabled();
    await user.type(frequency, '8');
    await user.click(screen.getByRole('button', { name: 'Start with the points' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      school: 'MATCHER',
      amplifierId: 'd',
      exciterId: 's',
      meterIds: ['i', 'b'],
      frequency: '8',
    });
    expect(await screen.findByText(/is beyond 7 to 7.2/)).toBeInTheDocument();
    expect(frequency).toHaveAttribute('aria-invalid', 'true');
  });

  it('says of one wattmeter that is moved between input and output where it stands', async () => {
    const at = (role: 'INPUT_POWER' | 'OUTPUT' | 'REFLECTED') => ({ role, indication: 'AVERAGE' }) as const;
    const all = [at('INPUT_POWER'), at('OUTPUT'), at('REFLECTED')];
    const moved = thing('m', 'Mover', {
      reads: ['INPUT_POWER', 'INPUT_SWR', 'OUTPUT', 'REFLECTED'],
      positions: all.map((position) => ({ position, name: position.role })),
      usualPositions: [at('OUTPUT')],
    });
    const output = thing('b', 'Shoal 80', { reads: ['OUTPUT'] });
    choices = choicesOf({ ...CHOICES, meters: [output, moved] });
    expect(places(choices, 'm', 'b')).toEqual([{ meterId: 'm', position: at('INPUT_POWER') }]);
    expect(places(choices, '', 'm')).toEqual([{ meterId: 'm', position: at('OUTPUT') }]);
    // A box with a head at either place shows both at once.
    expect(places(choicesOf({ ...CHOICES, meters: [{ ...moved, usualPositions: all }] }), 'm', 'm')).toEqual(
      all.map((position) => ({ meterId: 'm', position })),
    );
    const user = userEvent.setup();
    show();
    await user.click(await screen.findByRole('button', { name: 'Start with the points' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      meterIds: ['m', 'b'],
      positions: [{ meterId: 'm', position: at('INPUT_POWER') }],
    });
  });

  it('says what a station lacks, and what it is about where none was tuned', async () => {
    view = { rows: [], byHand: [], inputs: '', bands: [] };
    choices = choicesOf({ ...CHOICES, amplifiers: [CHOICES.amplifiers[0]] });
    show();
    expect(await screen.findByText(/No matcher was tuned yet/)).toBeInTheDocument();
    expect(await screen.findByText('Describe the matcher first')).toBeInTheDocument();
  });
});
