import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BandGuardView, BandView, DriveView } from '../../api';
import { Shell } from '../../testing';
import { DrivePage } from './DrivePage';

const row = (driveW: number, outputW: number) => ({
  driveW,
  outputW,
  set: `${driveW} W`,
  drive: `${driveW} ± 0.1`,
  output: `${outputW} ± 40`,
});

const band = (name: string, more: Partial<BandView> = {}): BandView => ({
  band: `MHZ_${name}` as BandView['band'],
  name: `${name} MHz`,
  rows: [],
  trips: [],
  law: [],
  wanted: { basis: 'UNKNOWN', says: 'unknown' },
  ...more,
});

const VIEW: DriveView = {
  amplifiers: [
    { id: 'k', name: 'Ketch 600' },
    { id: 'd', name: 'Dinghy 60' },
  ],
  amplifier: { id: 'k', name: 'Ketch 600', ratedW: 600, driveLimitW: 14, wantedW: 480 },
  bands: [
    band('7', {
      runId: 'r',
      at: '2026-11-02T12:00:00Z',
      rows: [row(1.7, 80), row(3.5, 170), row(7, 330)],
      law: [
        [7, 330],
        [10, 440],
      ],
      wanted: { basis: 'LAW', shown: '11.2±0.6', set: '11.5', says: 'beyond the rows' },
      gain: '17.0',
    }),
    band('10', {
      runId: 's',
      at: '2026-11-02T13:00:00Z',
      rows: [row(1.7, 150)],
      trips: [{ driveW: 6.2, outputW: 400, says: 'Tripped by drive at 6.2 W' }],
      wanted: { basis: 'TRIPS', says: 'trips' },
    }),
    band('50'),
  ],
};

const guard = (name: string, more: Partial<BandGuardView>): BandGuardView => ({
  band: `MHZ_${name}` as BandGuardView['band'],
  name: `${name} MHz`,
  title: `Exciter to 3 W, then ${name} MHz`,
  says: '3 W at the input.',
  otherwise: '11 W kept would be 2.5 dB above where it tripped.',
  risky: true,
  first: '3',
  upTo: '4.3',
  code: 'TRIPPED',
  because: 'tripped at 6.2 W',
  ...more,
});

describe('drive', () => {
  let asked: string[];

  beforeEach(() => {
    asked = [];
    localStorage.clear();
    vi.stubGlobal('fetch', async (request: Request) => {
      asked.push(request.url);
      const body = request.url.includes('/guard')
        ? [guard('10', {}), guard('50', { upTo: undefined, code: 'NEVER_MEASURED', because: 'never measured' })]
        : VIEW;
      return new Response(JSON.stringify(body), { headers: { 'Content-Type': 'application/json' } });
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  const show = () =>
    render(
      <Shell>
        <MemoryRouter initialEntries={['/drive']}>
          <Routes>
            <Route path="/drive/:tab?" element={<DrivePage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  it('shows the bands side by side: what was read, the law in brackets, a heavy tick for a trip', async () => {
    show();
    const stairs = await screen.findByRole('img', { name: /7 MHz: 80 W at 1.7 W, 170 W at 3.5 W/ });
    expect(within(stairs).getByText('(11.2±0.6)')).toBeInTheDocument();
    expect(within(stairs).getByText('trips')).toBeInTheDocument();
    expect(stairs.querySelectorAll('[data-part=trip-tick]')).toHaveLength(1);
    expect(stairs.getAttribute('aria-label')).toContain('50 MHz: never measured');
  });

  it('says the way to the band that is chosen, and asks anew for another output', async () => {
    const user = userEvent.setup();
    show();
    expect(await screen.findByText('Exciter to 3 W, then 10 MHz')).toBeInTheDocument();
    await user.click(screen.getByRole('button', { name: '50' }));
    expect(screen.getByText('Exciter to 3 W, then 50 MHz')).toBeInTheDocument();
    expect(screen.getByText('+3 dB each')).toBeInTheDocument();
    await user.type(screen.getByLabelText('wanted'), '300');
    await waitFor(() => expect(asked.some((url) => /drive\?.*wanted=300/.test(url))).toBe(true));
    expect(JSON.parse(localStorage.getItem('tubrin.drive') ?? '{}')).toMatchObject({ wanted: '300' });
  });

  it('says what cannot be wanted at its field, and goes on with the usual output', async () => {
    localStorage.setItem('tubrin.drive', JSON.stringify({ wanted: '99999' }));
    vi.stubGlobal('fetch', async (request: Request) => {
      const problem = { code: 'OUT_OF_RANGE', field: 'wanted', found: '99999', allowed: '' };
      return request.url.includes('wanted=99999')
        ? new Response(
            JSON.stringify({
              title: 'Not taken',
              problems: [{ ...problem, message: '99999 is too much.', remedy: 'Stay below 1200 W.' }],
            }),
            { status: 422, headers: { 'Content-Type': 'application/json' } },
          )
        : new Response(JSON.stringify(request.url.includes('/guard') ? [guard('10', {})] : VIEW), {
            headers: { 'Content-Type': 'application/json' },
          });
    });
    show();
    expect(await screen.findByText(/99999 is too much/)).toBeInTheDocument();
    expect(screen.getByLabelText('wanted')).toHaveAttribute('aria-invalid', 'true');
    expect(await screen.findByText('Exciter to 3 W, then 10 MHz')).toBeInTheDocument();
  });

  it('asks to measure a band that nobody has measured, and leads there', async () => {
    const user = userEvent.setup();
    show();
    await user.click(await screen.findByRole('radio', { name: '50' }));
    expect(screen.getByText('Measure 50 MHz first')).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Start its table' })).toHaveAttribute(
      'href',
      '/tune?amplifier=k&band=MHZ_50',
    );
  });
});
