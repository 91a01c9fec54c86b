import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { RunView } from '../../api';
import { Shell } from '../../testing';
import MetersPage from '../meters';
import stored from './testRun.json';
import type { Run } from './useRun';
import { WattmetersLine } from './WattmetersLine';

const run = {
  ...(stored as unknown as RunView),
  wattmeters: {
    first: 'Fathom',
    second: 'Marker',
    changedOver: false,
    says: ['Marker shows 4.9 ± 1.6 % more than Fathom, over 2 steps.'],
    comparison: {
      range: '2 kW',
      indication: 'AVERAGE',
      percent: '9.7',
      points: [
        { reference: '230', reading: '241' },
        { reference: '890', reading: '935' },
      ],
    },
  },
} as RunView;

const show = (view: RunView, act: Run['act'], readOnly: boolean) =>
  render(
    <Shell>
      <MemoryRouter initialEntries={['/log/1']}>
        <Routes>
          <Route
            path="/log/:id"
            element={<WattmetersLine view={view} run={{ act } as unknown as Run} readOnly={readOnly} />}
          />
          <Route path="/station/meters" element={<MetersPage />} />
        </Routes>
      </MemoryRouter>
    </Shell>,
  );

describe('two wattmeters in one line', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('says what they show of each other, and notes that they have changed places', async () => {
    const act = vi.fn();
    show(run, act, false);
    expect(screen.getByText(/Marker shows 4.9 ± 1.6 % more/)).toBeInTheDocument();
    expect(screen.getByRole('radio', { name: 'as at first' })).toBeChecked();
    await userEvent.click(screen.getByRole('radio', { name: 'changed over' }));
    expect(act).toHaveBeenCalledWith({ act: 'SET', control: 'WATTMETERS', text: '1' });
    expect(screen.queryByRole('link')).not.toBeInTheDocument();
  });

  it('hands over what was read, for the one to be corrected by the other', async () => {
    const ranges = [
      { meterId: 'F', meter: 'Fathom', range: '1.5 kW', name: '1.5 kW', indication: 'AVERAGE' },
      { meterId: 'M', meter: 'Marker', range: '2 kW', name: '2 kW', indication: 'AVERAGE' },
    ];
    const sent: unknown[] = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      if (request.method !== 'GET') {
        sent.push(await request.json());
        return Response.json({ found: [], kept: false });
      }
      return Response.json(new URL(request.url).pathname.endsWith('/ranges') ? ranges : []);
    });
    show(run, vi.fn(), true);
    expect(screen.queryByRole('radio')).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('link', { name: 'Correct Marker by Fathom' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Compare' }));
    expect(sent).toEqual([
      {
        reference: 'Fathom',
        referencePercent: '9.7',
        meters: [{ meterId: 'M', range: '2 kW', indication: 'AVERAGE' }],
        points: [
          { reference: '230', readings: ['241'] },
          { reference: '890', readings: ['935'] },
        ],
        keep: false,
      },
    ]);
  });

  it('says nothing of a run with one', () => {
    show({ ...run, wattmeters: undefined }, vi.fn(), false);
    expect(screen.queryByRole('region', { name: 'Wattmeters' })).not.toBeInTheDocument();
  });
});
