import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ChainRequest } from '../../api';
import { Shell } from '../../testing';
import { DrivePage } from './DrivePage';

const node = (name: string, dbm: number, more = {}) => ({
  name,
  dbm,
  shown: `${dbm}.0`,
  watt: '1 W',
  ...more,
});

const CHAIN = {
  title: 'Attenuator to 50 dB, then key',
  says: 'Down by 10 dB at a time.',
  end: 'WANTED',
  beyond: ['Final is fed with 6 W without an attenuator, 0.8 dB above the 5 W that it may be.'],
  generator: node('generator', 10),
  nodes: [node('Driver', 30, { change: '+20.0' }), node('Final', 44, { change: '+14.0', mostDbm: 37 })],
  settings: [
    { attenuation: '50', input: '0.1 µW', volts: '6 mV', output: '250 µW', outputVolts: '320 mV' },
    { attenuation: '40', input: '1 µW', volts: '20 mV', output: '2.5 mW', outputVolts: '1 V' },
  ],
};

const PADS = {
  title: 'A pad of 12 dB, exciter to 95 W',
  exact: '12.2',
  pads: [
    {
      attenuation: '12',
      reaches: true,
      set: '95 W',
      heat: '89 W',
      keyedHeat: '94 W',
      keyedDrive: '6.3 W',
      mistake: '6.3 W, 3.8 dB below what the input stands',
      risky: false,
    },
  ],
};

describe('chain', () => {
  let sent: ChainRequest[];
  let refusesChain: boolean;

  beforeEach(() => {
    sent = [];
    refusesChain = false;
    localStorage.clear();
    vi.stubGlobal('fetch', async (request: Request) => {
      const json = { headers: { 'Content-Type': 'application/json' } };
      if (request.url.includes('/pads')) return new Response(JSON.stringify(PADS), json);
      sent.push((await request.json()) as ChainRequest);
      if (!refusesChain) return new Response(JSON.stringify(CHAIN), json);
      const problem = { code: 'OUT_OF_RANGE', field: 'parts.1.decibels', found: '-3', allowed: '' };
      return new Response(
        JSON.stringify({ title: 'Not accepted', problems: [{ ...problem, message: '−3 is too little.', remedy: '' }] }),
        { ...json, status: 422 },
      );
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  const show = () =>
    render(
      <Shell>
        <MemoryRouter initialEntries={['/drive/chain']}>
          <Routes>
            <Route path="/drive/:tab?" element={<DrivePage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  it('draws the levels from generator to load, with a heavy tick where more may not be fed in', async () => {
    show();
    const stair = await screen.findByRole('img', { name: /generator 10.0 dBm.*Driver 30.0 dBm.*Final 44.0 dBm/ });
    expect(stair.querySelectorAll('[data-part=most-input]')).toHaveLength(1);
    expect(screen.getByText('Attenuator to 50 dB, then key')).toBeInTheDocument();
    expect(screen.getByText(/Final is fed with 6 W/)).toBeInTheDocument();
    const way = screen.getByRole('table', { name: 'The way up' });
    expect(within(way).getAllByRole('row')).toHaveLength(3);
    expect(within(way).getByRole('columnheader', { name: 'gate DC, V' })).toBeInTheDocument();
  });

  it('says that volts shown open are half, and keeps what was typed through a reload', async () => {
    const user = userEvent.setup();
    const { unmount } = show();
    await user.click(await screen.findByLabelText('Generator shows'));
    await user.click(await screen.findByRole('option', { name: 'volts RMS, open' }));
    expect(await screen.findByText(/the power a quarter/)).toBeInTheDocument();
    await user.click(screen.getByRole('button', { name: 'Add a part' }));
    const name = screen.getByLabelText('Name of part 5');
    await user.clear(name);
    await user.type(name, 'Tail');
    await waitFor(() => expect(sent.at(-1)?.parts.at(-1)?.name).toBe('Tail'));
    unmount();
    show();
    expect(await screen.findByLabelText('Name of part 5')).toHaveValue('Tail');
    await user.click(screen.getByRole('button', { name: 'Delete part 1, Driver' }));
    await waitFor(() => expect(sent.at(-1)?.parts.map((one) => one.name)).toEqual(['Pad', 'Final', 'Filter', 'Tail']));
  });

  it('names the part that was refused, at its field, and keeps the picture', async () => {
    const user = userEvent.setup();
    show();
    await screen.findByRole('img', { name: /generator/ });
    refusesChain = true;
    await user.type(screen.getByLabelText('Decibels of part 2'), '9');
    expect(await screen.findByText('Pad, takes or gives:')).toBeInTheDocument();
    expect(screen.getByLabelText('Decibels of part 2')).toHaveAttribute('aria-invalid', 'true');
    expect(screen.getByRole('img', { name: /generator/ })).toBeInTheDocument();
  });

  it('says which pad, and what keying by mistake does', async () => {
    show();
    expect(await screen.findByText('A pad of 12 dB, exciter to 95 W')).toBeInTheDocument();
    expect(screen.getByRole('row', { name: /12 95 W 89 W 6.3 W 94 W/ })).toBeInTheDocument();
    expect(screen.getByText(/12 dB let through 6.3 W, 3.8 dB below what the input stands/)).toBeInTheDocument();
  });
});
