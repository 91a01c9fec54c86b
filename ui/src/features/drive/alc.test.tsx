import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { AlcView } from '../../api';
import { answers, choicesOf, Shell, thing } from '../../testing';
import { DrivePage } from './DrivePage';

const point = (level: number, outputW: number, gauge: number, down = false) => ({ level, outputW, gauge, down });

const SHUT = 'Measured with firmware 2.4; now it is 3.0.';

const VIEW: AlcView = {
  rows: [
    {
      runId: 'new',
      exciter: 'Skiff 10',
      mode: 'Data',
      band: '7 MHz',
      firmware: '2.0',
      at: '2026-11-02T12:00:00Z',
      window: '46 to 55 %',
      right: '17 to 23',
      shut: false,
    },
    {
      runId: 'old',
      exciter: 'Halyard 100',
      mode: 'Data',
      band: '7 MHz',
      firmware: '2.4',
      at: '2026-09-12T12:00:00Z',
      window: '34 to 40 %',
      right: '8, at rest',
      shut: true,
      shutWords: SHUT,
    },
  ],
  outputMeters: ['p', 'f'],
  shownRunId: 'new',
  shown: {
    series: [
      {
        label: '1 W, 1500 Hz',
        points: [point(0.1, 0.03, 5), point(0.4, 0.5, 15), point(0.8, 1.05, 50), point(0.4, 0.51, 17, true)],
      },
    ],
    setPowerW: 1,
    gaugeEnd: 60,
    knee: { level: 0.58, halfWidth: 0.02, perLevel: 1.77, shown: '58 ± 2 %' },
    window: { low: 0.46, high: 0.55, shown: '46 to 55 %' },
    gauge: {
      kind: 'MOVES_THROUGHOUT',
      low: 17,
      high: 23,
      title: 'This gauge moves throughout',
      says: 'It rises from the first level on.',
      right: '17 to 23',
    },
    says: ['The output stopped following at 58 ± 2 %.'],
  },
};

const CHOICES = choicesOf({
  amplifiers: [thing('a', 'Brigantine')],
  exciters: [thing('h', 'Halyard 100'), thing('s', 'Skiff 10')],
  meters: [
    thing('f', 'Fathom', { reads: ['OUTPUT'] }),
    thing('p', 'Plumb', { reads: ['OUTPUT'] }),
    thing('g', 'Skiff 10 gauge', { reads: ['ALC_GAUGE'] }),
  ],
});

describe('levels', () => {
  let server: ReturnType<typeof answers>;
  let view: AlcView;

  beforeEach(() => {
    view = VIEW;
    localStorage.clear();
    server = answers(() => ({
      choices: CHOICES,
      view,
      problem: { field: 'sound.setPower', message: '“500” is beyond 0.1 to 10 W.' },
    }));
  });
  afterEach(() => vi.unstubAllGlobals());

  const show = () =>
    render(
      <Shell>
        <MemoryRouter initialEntries={['/drive/alc']}>
          <Routes>
            <Route path="/drive/:tab?" element={<DrivePage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  it('draws output and gauge over the level, and where to set it', async () => {
    show();
    const stair = await screen.findByRole('img', { name: /80 %: 1.05 W; knee 58 ± 2 %; set between 46 and 55 %/ });
    expect(within(stair).getByText('set it here')).toBeInTheDocument();
    expect(within(stair).getByText('right: 17 to 23')).toBeInTheDocument();
    expect(within(stair).getByText('set power 1 W')).toBeInTheDocument();
    // The way down is a mark of its own, no part of the stair.
    expect(stair.querySelectorAll('circle')).toHaveLength(1);
    expect(screen.getByText('The output stopped following at 58 ± 2 %.')).toBeInTheDocument();
  });

  it('says which level a firmware has shut, and proposes that exciter', async () => {
    show();
    expect(await screen.findByText('Try the level of Halyard 100')).toBeInTheDocument();
    const row = screen.getByRole('button', { name: 'Halyard 100' }).closest('tr') as HTMLElement;
    expect(within(row).getByText('shut')).toBeInTheDocument();
    expect(within(row).queryByText('34 to 40 %')).toBeNull();
  });

  it('sends what was typed, with the exciter’s own gauge and the finest meter, and names what is refused', async () => {
    const user = userEvent.setup();
    view = { rows: [], outputMeters: ['p', 'f'] };
    localStorage.setItem('tubrin.alc', JSON.stringify({ exciterId: 's' }));
    show();
    expect(await screen.findByText(/No level was tried yet/)).toBeInTheDocument();
    const begin = await screen.findByRole('button', { name: 'Start with the level' });
    expect(begin).toBeDisabled();
    await user.type(screen.getByLabelText('Set power, W'), '500');
    await user.type(screen.getByLabelText('A second one, W'), '2.5');
    await user.type(screen.getByLabelText('By (interface, cable)'), 'cable');
    await user.click(begin);
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      school: 'ALC',
      exciterId: 's',
      meterIds: ['p', 'g'],
      terminationId: 'l',
      sound: { setPower: '500', otherPower: '2.5', device: 'cable', middle: '1500' },
    });
    expect(await screen.findByText(/is beyond 0.1 to 10 W/)).toBeInTheDocument();
    expect(screen.getByText('Set power:')).toBeInTheDocument();
    expect(screen.getByLabelText('Set power, W')).toHaveAttribute('aria-invalid', 'true');
    expect(JSON.parse(localStorage.getItem('tubrin.alc') ?? '{}')).toMatchObject({ setPower: '500' });
  });
});
