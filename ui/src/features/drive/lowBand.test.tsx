import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ResonancePageView, VoltsPageView } from '../../api';
import { answers, choicesOf, choose, Shell, thing } from '../../testing';
import { DrivePage } from './DrivePage';

const at = (minute: number) => `2026-11-28T09:${String(minute).padStart(2, '0')}:00Z`;

const RESONANCE: ResonancePageView = {
  rows: [
    {
      runId: '1',
      antenna: 'Mizzen',
      band: '472 kHz',
      at: at(0),
      drift: '−1.9 ± 0.8',
      came: 'in tune',
    },
  ],
  shownRunId: '1',
  shown: {
    witness: 'PHASE',
    unit: 'marks',
    alarm: 1,
    motor: -2,
    readings: [
      { at: at(0), motor: 0, off: 1.3 },
      { at: at(1), motor: -1, off: 0.8 },
      { at: at(40), motor: -2, off: -0.1 },
    ],
    found: [
      { at: at(0), steps: -2.6, low: -3.4, high: -1.8, motor: 0 },
      { at: at(40), steps: -1.8, low: -2.6, high: -1, motor: -2 },
    ],
    weather: [
      { at: at(0), weather: 'DRY', name: 'dry' },
      { at: at(20), weather: 'RAIN', name: 'rain' },
    ],
    off: '−0.1 ± 0.3',
    perStep: '+0.50 ± 0.08',
    drift: '−1.9 ± 0.8',
    wind: '0.12',
    alarmed: false,
    weathers: [],
    says: [],
  },
};

const row = (volts: number, watt: number, hotter: boolean): NonNullable<VoltsPageView['shown']>['rows'][number] => ({
  modules: 3,
  volts,
  watt,
  low: watt * 0.97,
  high: watt * 1.03,
  voltsShown: `${volts}.0 V`,
  output: `${watt} ± ${Math.round(watt * 0.03)} W`,
  current: '1.40 ± 0.02 A',
  efficiency: '92 ± 4 %',
  heat: '2 ± 1 W',
  sink: hotter ? '60 °C' : '24 °C',
  sinkExpected: '25 ± 3 °C',
  hotter,
});

const VOLTS: VoltsPageView = {
  rows: [
    {
      runId: '2',
      amplifier: 'Lugger 300',
      band: '472 kHz',
      modules: '3 modules',
      at: at(0),
      came: 'as much as it is rated for',
    },
  ],
  shownRunId: '2',
  shown: {
    moduleCount: 3,
    rows: [row(12, 18, false), row(24, 72, true)],
    laws: [{ modules: 3, wattPerSquareVolt: 0.125 }],
    leastV: 12,
    mostV: 48,
    mostW: 300,
    says: ['The heat sink is hotter than its heat explains.'],
  },
};

const CHOICES = choicesOf({
  amplifiers: [
    thing('k', 'Ketch 600', { tuned: false, bands: ['MHZ_7'] }),
    thing('l', 'Lugger 300', { tuned: false, bands: ['KHZ_137', 'KHZ_472'], moduleCount: 3 }),
  ],
  exciters: [thing('h', 'Halyard 100')],
  terminations: [thing('b', 'Ballast 1000'), thing('m', 'Mizzen', { bands: ['KHZ_472'] })],
  meters: [
    thing('f', 'Fathom', { reads: ['OUTPUT'] }),
    thing('p', 'Lugger 300 panel', { reads: ['OUTPUT', 'SUPPLY_VOLTAGE', 'SUPPLY_CURRENT'] }),
    thing('v', 'Vane', { reads: ['PHASE'] }),
    thing('w', 'Twin vanes', { reads: ['LINE_VOLTAGE', 'LINE_CURRENT'] }),
  ],
  bands: [
    { band: 'KHZ_137', name: '137 kHz', lowestHz: 135.7e3, highestHz: 137.8e3 },
    { band: 'KHZ_472', name: '472 kHz', lowestHz: 472e3, highestHz: 479e3 },
  ],
});

describe('the low bands', () => {
  let server: ReturnType<typeof answers>;
  let choices = CHOICES;
  let empty = false;

  beforeEach(() => {
    choices = CHOICES;
    empty = false;
    localStorage.clear();
  });
  afterEach(() => vi.unstubAllGlobals());

  const open = (tab: 'resonance' | 'volts') => {
    const view = empty ? { rows: [] } : tab === 'volts' ? VOLTS : RESONANCE;
    server = answers(() => ({
      choices,
      view,
      problem: { field: 'resonance.agreesAt', message: '“0” is below 0.001.' },
    }));
    render(
      <Shell>
        <MemoryRouter initialEntries={[`/drive/${tab}`]}>
          <Routes>
            <Route path="/drive/:tab?" element={<DrivePage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );
  };

  it('draws resonance over the day with its weather, and says each figure with its interval', async () => {
    open('resonance');
    const drawn = await screen.findByRole('img', { name: /Resonance last at −?-?1\.8 short steps/ });
    expect(drawn).toBeVisible();
    expect(within(drawn).getByText('rain')).toBeInTheDocument();
    for (const [label, figure] of [
      ['off, as read last', '−0.1 ± 0.3'],
      ['a short step up', '+0.50 ± 0.08'],
      ['drift', '−1.9 ± 0.8'],
    ] as const) {
      expect(screen.getByText(label).nextElementSibling).toHaveTextContent(figure);
    }
  });

  it('watches an antenna of a low band by phase, or by volts and amperes with what they agree at', async () => {
    open('resonance');
    await screen.findByText('Keep Mizzen in resonance');
    expect(screen.queryByLabelText('Volts over amperes at 50 Ω')).not.toBeInTheDocument();
    await userEvent.click(screen.getByText('Start with the points'));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      school: 'RESONANCE',
      terminationId: 'm',
      amplifierId: 'l',
      meterIds: ['v'],
      band: 'KHZ_472',
      frequency: '0.4755',
      resonance: { witness: 'PHASE' },
    });
    await choose(screen.getByLabelText('Watched by'), 'Twin vanes');
    fireEvent.change(screen.getByLabelText('Volts over amperes at 50 Ω'), { target: { value: '1' } });
    await userEvent.click(screen.getByText('Start with the points'));
    await waitFor(() => expect(server.sent).toHaveLength(2));
    expect(server.sent[1]).toMatchObject({
      meterIds: ['w'],
      resonance: { witness: 'VOLTS_OVER_AMPERES', agreesAt: '1' },
    });
    expect(await screen.findByText(/“0” is below 0.001/)).toBeVisible();
    expect(screen.getByLabelText('Volts over amperes at 50 Ω')).toHaveAttribute('aria-invalid', 'true');
  });

  it('shows what each voltage brought, and marks a sink that is too hot', async () => {
    open('volts');
    const table = await screen.findByRole('table', { name: 'What each supply voltage brought' });
    const rows = within(table).getAllByRole('row').slice(1);
    expect(rows).toHaveLength(2);
    expect(within(rows[0] as HTMLElement).queryByRole('img')).not.toBeInTheDocument();
    expect(rows[1]).toHaveTextContent('60 °C');
    expect(rows[1]?.querySelector('svg')).not.toBeNull();
    expect(screen.getByText('The heat sink is hotter than its heat explains.')).toBeVisible();
    expect(screen.getByRole('img', { name: /Output over supply volts/ })).toHaveTextContent('3 modules');
  });

  it('brings an amplifier that switches up with the modules that are in, by its own panel', async () => {
    open('volts');
    await screen.findByText('Lugger 300 up by its supply');
    await choose(screen.getByLabelText('Modules in'), '2');
    fireEvent.change(screen.getByLabelText('Output wanted, W'), { target: { value: '100' } });
    await userEvent.click(screen.getByText('Start with the points'));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      school: 'SUPPLY_TABLE',
      amplifierId: 'l',
      modules: 2,
      wantedOutput: '100',
      meterIds: ['p'],
      band: 'KHZ_472',
    });
  });

  it('says what is missing where nothing switches and nothing drifts', async () => {
    choices = choicesOf({ amplifiers: [], exciters: [], meters: [] });
    empty = true;
    open('volts');
    expect(await screen.findByText('Describe an amplifier that switches first')).toBeVisible();
    expect(screen.getByText(/No table yet/)).toBeVisible();
    open('resonance');
    expect(await screen.findByText('Describe antenna and phase meter first')).toBeVisible();
    expect(screen.getByText(/No antenna was watched yet/)).toBeVisible();
  });
});
