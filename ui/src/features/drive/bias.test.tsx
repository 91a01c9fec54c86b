import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BiasPageView, Choices } from '../../api';
import { answers, choicesOf, Shell, thing } from '../../testing';
import { DrivePage } from './DrivePage';

const VIEW: BiasPageView = {
  rows: [
    {
      runId: 'new',
      amplifier: 'Ketch 600',
      devices: 2,
      idle: '80',
      because: 'sheet',
      at: '2026-11-02T12:00:00Z',
      came: 'set, hot',
    },
    {
      runId: 'old',
      amplifier: 'Ketch 600',
      devices: 2,
      idle: '80',
      because: 'sheet',
      at: '2026-11-01T12:00:00Z',
      came: 'a device ran away',
    },
  ],
  shownRunId: 'new',
  shown: {
    unit: 'mV',
    decimals: 1,
    potTurns: 10,
    tolerancePercent: 2,
    rungs: [
      { device: 1, base: 9.7, aim: 199.3, tolerance: 3.8, is: 200.1 },
      { device: 2, base: 200.1, aim: 389.7, tolerance: 3.8 },
    ],
    offPercent: [0.3, 13.4],
    devices: [
      { device: 1, current: '80.3 ± 0.8', gate: '3.41', within: true, verdict: 'within 2 %' },
      { device: 2, current: '84.0 ± 0.8', within: false, verdict: 'off' },
    ],
    says: ['Devices 1 and 2 are no pair.'],
  },
};

const CHOICES = choicesOf({
  amplifiers: [
    thing('a', 'Brigantine'),
    thing('d', 'Dinghy 60', { tuned: false, bands: ['MHZ_7'] }),
    thing('k', 'Ketch 600', { tuned: false, bands: ['MHZ_7'] }),
  ],
  exciters: [thing('h', 'Halyard 100')],
  meters: [
    thing('f', 'Fathom', { reads: ['OUTPUT'] }),
    thing('s', 'Plummet', { reads: ['SENSE_VOLTAGE', 'DEVICE_CURRENT', 'GATE_VOLTAGE'] }),
  ],
});

describe('idle currents', () => {
  let server: ReturnType<typeof answers>;
  let view: BiasPageView;
  let choices: Choices;

  beforeEach(() => {
    view = VIEW;
    choices = CHOICES;
    localStorage.clear();
    server = answers(() => ({
      choices,
      view,
      problem: { field: 'bias.idle', message: '“8000” is beyond 5 to 5000.' },
    }));
  });
  afterEach(() => vi.unstubAllGlobals());

  const show = () =>
    render(
      <Shell>
        <MemoryRouter initialEntries={['/drive/bias']}>
          <Routes>
            <Route path="/drive/:tab?" element={<DrivePage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  it('draws one step a device with its aim, and how far each reading was off', async () => {
    show();
    const stair = await screen.findByRole('img', {
      name: 'Device 1: aim 199.3 mV, reads 200.1 mV; Device 2: aim 389.7 mV, not turned yet',
    });
    expect(within(stair).getByText('aim 389.7')).toBeInTheDocument();
    expect(within(stair).getByText('200.1')).toBeInTheDocument();
    // One reading within the strip, one beyond its end.
    expect(stair.querySelectorAll('circle')).toHaveLength(1);
    expect(stair.querySelectorAll('path.fill-watch')).toHaveLength(1);
    const table = screen.getByRole('table', { name: 'Where each device came to' });
    expect(within(table).getByText('80.3 ± 0.8')).toBeInTheDocument();
    expect(within(table).getByText('within 2 %')).toBeInTheDocument();
    expect(within(table).getByText('off')).toBeInTheDocument();
    expect(screen.getByText('Devices 1 and 2 are no pair.')).toBeInTheDocument();
  });

  it('shows another climb when it is chosen', async () => {
    const user = userEvent.setup();
    show();
    const [, old] = await screen.findAllByRole('button', { name: 'Ketch 600' });
    if (old) await user.click(old);
    await waitFor(() => expect(server.asked.some((url) => url.includes('run=old'))).toBe(true));
    expect(screen.getByText('a device ran away')).toBeInTheDocument();
  });

  it('sends what was typed of the amplifier that was set last, and names what is refused', async () => {
    const user = userEvent.setup();
    show();
    expect(await screen.findByText('Set the idle current of Ketch 600')).toBeInTheDocument();
    const begin = screen.getByRole('button', { name: 'Start with the pots' });
    expect(begin).toBeDisabled();
    await user.type(screen.getByLabelText('Idle current of each, mA'), '8000');
    await user.type(screen.getByLabelText('Figure from'), 'sheet');
    await user.type(screen.getByLabelText('Printed on it, Ω'), '2.2');
    expect(begin).toBeDisabled();
    await user.type(screen.getByLabelText('Measured, Ω'), '2.37');
    await user.click(begin);
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      unread: ['GATE_VOLTAGE'],
      school: 'BIAS',
      amplifierId: 'k',
      meterIds: ['s'],
      terminationId: 'l',
      frequency: '7.100',
      bias: { devices: '2', idle: '8000', nominal: '2.2', measured: '2.37', bound: '0.5', newBoard: false },
    });
    expect(await screen.findByText(/is beyond 5 to 5000/)).toBeInTheDocument();
    expect(screen.getByLabelText('Idle current of each, mA')).toHaveAttribute('aria-invalid', 'true');
  });

  it('says what a station lacks, and what it is about where nothing was set', async () => {
    view = { rows: [] };
    choices = choicesOf({ ...CHOICES, meters: [CHOICES.meters[0]] });
    show();
    expect(await screen.findByText(/No idle current was set yet/)).toBeInTheDocument();
    expect(await screen.findByText('Describe the station first')).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Start with the pots' })).toBeNull();
  });
});
