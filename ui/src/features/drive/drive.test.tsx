import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BandGuardView, BandView, DriveView, SweepView } from '../../api';
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
  kinds: [
    { kind: 'CARRIER', name: 'CW and speech', says: 'Key-downs of seconds.' },
    { kind: 'LONG', name: 'long carriers', says: 'The heat sink says how much.' },
  ],
  kind: 'CARRIER',
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

const SWEEP: SweepView = {
  driveW: 3.5,
  since: '2026-11-02T12:00:00Z',
  bands: [
    {
      band: 'MHZ_7',
      name: '7 MHz',
      before: '170 ± 40',
      after: '136 ± 40',
      change: '−1.0 ± 0.3',
      beyondNoise: true,
      says: 'less than before',
    },
    { band: 'MHZ_10', name: '10 MHz', beyondNoise: false, says: 'not measured before and after' },
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
        : request.url.includes('/sweep')
          ? SWEEP
          : VIEW;
      return new Response(JSON.stringify(body), { headers: { 'Content-Type': 'application/json' } });
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  const show = (at = '/drive') =>
    render(
      <Shell>
        <MemoryRouter initialEntries={[at]}>
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

  it('guards from a band that nobody has measured as from an unknown one, and leads to its table', async () => {
    const user = userEvent.setup();
    show();
    await user.click(await screen.findByRole('radio', { name: '50' }));
    expect(await screen.findByText('Guard: from a band unknown to …')).toBeInTheDocument();
    expect(asked.at(-1)).not.toContain('from=');
    expect(screen.getByRole('link', { name: 'Measure 50 MHz first' })).toHaveAttribute(
      'href',
      '/tune?amplifier=k&band=MHZ_50&carrier=CW',
    );
  });

  it('asks the guard for the mode there, and forgets the band in use where the operator does', async () => {
    const user = userEvent.setup();
    show();
    await user.click(await screen.findByLabelText('mode there'));
    await user.click(await screen.findByRole('option', { name: 'AM' }));
    await waitFor(() => expect(asked.at(-1)).toContain('mode=AM'));
    expect(asked.at(-1)).toContain('from=MHZ_7');
    await user.click(screen.getByRole('button', { name: 'Not sure where it stands' }));
    await waitFor(() => expect(asked.at(-1)).not.toContain('from='));
  });

  it('asks for rows of another kind', async () => {
    const user = userEvent.setup();
    show();
    await user.click(await screen.findByRole('radio', { name: 'long carriers' }));
    await waitFor(() => expect(asked.some((url) => /drive\?.*kind=LONG/.test(url))).toBe(true));
    expect(JSON.parse(localStorage.getItem('tubrin.drive') ?? '{}')).toMatchObject({ kind: 'LONG' });
  });

  it('lays one drive before a change beside the same since, and marks what is more than noise', async () => {
    const user = userEvent.setup();
    show('/drive/sweep');
    const change = await screen.findByRole('row', { name: /7 MHz/ });
    expect(change).toHaveTextContent('−1.0 ± 0.3');
    expect(change).toHaveTextContent('less than before');
    await user.type(screen.getByLabelText('changed on'), '2026-10-01');
    await waitFor(() => expect(decodeURIComponent(asked.at(-1) ?? '')).toContain('since=2026-10-01T00:00:00Z'));
    await user.type(screen.getByLabelText('drive'), '2.5');
    await waitFor(() => expect(asked.at(-1)).toContain('drive=2.5'));
  });
});
