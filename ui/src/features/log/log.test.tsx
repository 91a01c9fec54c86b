import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { CompareRunsView, LogPage as LogPageView, PlaceView, RunSummary, SeriesView } from '../../api';
import { choose, Shell } from '../../testing';
import { ComparePage, default as LogPage, TrendsPage } from '.';

function answers(bodies: Record<string, unknown>) {
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname;
    const body = bodies[path];
    return new Response(JSON.stringify(body ?? { title: 'Not there' }), {
      status: body === undefined ? 404 : 200,
      headers: { 'Content-Type': 'application/json' },
    });
  });
}

function show(view: ReactNode, path: string, route: string) {
  return render(
    <Shell>
      <MemoryRouter initialEntries={[path]}>
        <Routes>
          <Route path={route} element={view} />
          <Route path="*" element={<p>elsewhere</p>} />
        </Routes>
      </MemoryRouter>
    </Shell>,
  );
}

const run = (id: string, more: Partial<RunSummary> = {}): RunSummary => ({
  id,
  startedAt: '2026-11-05T18:23:00Z',
  lastAt: '2026-11-05T18:40:00Z',
  amplifier: 'Brigantine',
  termination: 'Ballast 1000',
  band: 'MHZ_7',
  bandName: '7 MHz',
  frequencyHz: 7.1e6,
  ending: 'FINISHED',
  steps: 6,
  outputW: 875,
  stair: [138, 380, 875],
  school: 'PEAK_THEN_HEAVIER',
  schoolName: 'Peak, then heavier',
  arcs: 0,
  trips: 0,
  ...more,
});

const RUNS = [
  run('a'),
  run('b', { bandName: '14 MHz', startedAt: '2026-10-01T18:00:00Z', lineVoltageV: 229, arcs: 1, trips: 2 }),
  run('c', { amplifier: 'Barque', schoolName: 'Dip and load', startedAt: '2026-09-01T18:00:00Z', longCarrierW: 350 }),
];

const PAGE: LogPageView = {
  runs: RUNS,
  page: 1,
  pages: 1,
  perPage: 100,
  asked: 3,
  all: 3,
  choices: {
    amplifiers: ['Barque', 'Brigantine'],
    bands: [
      { code: 'MHZ_7', name: '7 MHz' },
      { code: 'MHZ_14', name: '14 MHz' },
    ],
    terminations: ['Ballast 1000'],
    schools: [{ code: 'DIP_AND_LOAD', name: 'Dip and load' }],
  },
};

/** Answers like the server, and notes what was asked. */
function log(page: (query: URLSearchParams) => LogPageView) {
  const asked: string[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const query = new URL(request.url).searchParams;
    asked.push(query.toString());
    return new Response(JSON.stringify(page(query)), { headers: { 'Content-Type': 'application/json' } });
  });
  show(<LogPage />, '/log', '/log');
  return asked;
}

describe('the log', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('shows of each run what was seen in it and what it was made under', async () => {
    log(() => PAGE);
    const row = await screen.findByRole('row', { name: /14 MHz/ });
    expect(within(row).getByText('1 arc, 2 trips')).toBeVisible();
    expect(within(row).getByText('229')).toBeVisible();
    const forACarrier = await screen.findAllByText('long carrier, 350 W');
    expect(forACarrier.map((one) => one.closest('tr'))).toEqual([screen.getByRole('row', { name: /Barque/ })]);
  });

  it('asks for a box and a date, says how many are left, and begins again at the newest', async () => {
    const asked = log((query) =>
      query.has('from')
        ? { ...PAGE, runs: [], asked: 0 }
        : { ...PAGE, asked: query.has('amplifier') ? 250 : 3, all: 300, pages: 3 },
    );
    await userEvent.click(await screen.findByRole('button', { name: 'Older' }));
    await choose(screen.getByLabelText('Amplifier'), 'Brigantine');
    expect(await screen.findByText('250 of 300 runs')).toBeVisible();
    await userEvent.type(screen.getByLabelText('From'), '2026-10-15');
    expect(await screen.findByText('No run is like that. Choose less.')).toBeVisible();
    expect(asked).toEqual(['', 'page=2', 'amplifier=Brigantine', 'amplifier=Brigantine&from=2026-10-15']);
  });

  it('goes page by page to the oldest run', async () => {
    const asked = log((query) => {
      const page = Number(query.get('page') ?? 1);
      return { ...PAGE, runs: page === 40 ? [RUNS[0] as RunSummary] : RUNS, page, pages: 40, asked: 3901, all: 3901 };
    });
    expect(await screen.findByText('1 to 3 of 3 901')).toBeVisible();
    expect(screen.getByRole('button', { name: 'Newer' })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Oldest' }));
    expect(await screen.findByText('3 901 to 3 901 of 3 901')).toBeVisible();
    expect(screen.getByRole('button', { name: 'Older' })).toBeDisabled();
    expect(asked).toEqual(['', 'page=40']);
  });

  it('compares the two that were ticked last', async () => {
    log(() => PAGE);
    const boxes = await screen.findAllByRole('checkbox');
    expect(screen.queryByText('Compare the two')).not.toBeInTheDocument();
    for (const box of boxes) await userEvent.click(box);
    expect(screen.getByText('Compare the two')).toHaveAttribute('href', '/log/compare/b/c');
    expect(boxes[0]).not.toBeChecked();
  });
});

const PLACES: PlaceView[] = [
  { amplifier: 'Brigantine', band: 'MHZ_14', bandName: '14 MHz', termination: 'Ballast 1000', runs: 17 },
];
const SERIES: SeriesView[] = [
  {
    code: 'SAG',
    label: 'Sag of plate voltage',
    unit: '%',
    runs: 2,
    runsPerPoint: 1,
    scatter: 0.3,
    points: [
      { at: '2026-09-01T00:00:00Z', value: 9, line: 9 },
      { at: '2026-10-01T00:00:00Z', value: 9.2, line: 9 },
    ],
    changes: [],
    says: 'No change beyond its scatter of 0.3 %.',
  },
  {
    code: 'OUTPUT_TO_INPUT',
    label: 'Output meter against plate meters',
    unit: '%',
    runs: 2,
    runsPerPoint: 1,
    scatter: 0.4,
    points: [
      { at: '2026-09-01T00:00:00Z', value: 58, line: 58 },
      { at: '2026-10-01T00:00:00Z', value: 54, line: 54 },
    ],
    changes: [
      {
        kind: 'STEP',
        after: '2026-09-01T00:00:00Z',
        before: '2026-10-01T00:00:00Z',
        says: 'Between 2026-09-01 and 2026-10-01 it went down at once by 4.0 ± 0.4 %.',
      },
    ],
    says: '',
    look: 'Compare the output meter with a reference.',
  },
];

describe('trends', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('show what changed before what did not, with its date, size and what to look at', async () => {
    answers({ '/api/trends/places': PLACES, '/api/trends': { series: SERIES, test: 'Told by a chi-square test.' } });
    show(<TrendsPage />, '/log/trends', '/log/trends');
    const titles = (await screen.findAllByRole('heading', { level: 2 })).map((one) => one.textContent);
    expect(titles).toEqual(['Output meter against plate meters', 'Sag of plate voltage']);
    expect(screen.getByText(/went down at once by 4.0 ± 0.4 %/)).toBeVisible();
    expect(screen.getByText('Compare the output meter with a reference.')).toBeVisible();
    expect(screen.getByText('No change beyond its scatter of 0.3 %.')).toBeVisible();
    expect(screen.getByText('Told by a chi-square test.')).toBeVisible();
    expect(screen.getByRole('img', { name: /over 2 runs. Between 2026-09-01/ })).toBeVisible();
  });

  it('say what to do first where there is nothing to follow', async () => {
    answers({ '/api/trends/places': [] });
    show(<TrendsPage />, '/log/trends', '/log/trends');
    expect(await screen.findByText('No trend yet')).toBeVisible();
  });
});

const BOTH: CompareRunsView = {
  first: { id: 'a', startedAt: '2026-09-01T18:00:00Z', what: 'Brigantine, 14 MHz' },
  second: { id: 'b', startedAt: '2026-11-01T18:00:00Z', what: 'Brigantine, 14 MHz', conditions: 'line 229 V' },
  pairs: [
    {
      drive: '70',
      rows: [
        { label: 'Output, W', first: '835 ± 43', second: '685 ± 43', difference: '−150 ± 6', beyond: true },
        { label: 'PLATE', first: '7.41', second: '7.41', beyond: false },
      ],
    },
    { drive: '35', rows: [{ label: 'Output, W', first: '580 ± 43', beyond: false }] },
  ],
};

describe('two runs', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('stand beside each other, drive by drive, with what differs', async () => {
    answers({ '/api/runs/compare': BOTH });
    show(<ComparePage />, '/log/compare/a/b', '/log/compare/:first/:second');
    const row = await screen.findByRole('row', { name: /70 W Output, W/ });
    expect(within(row).getByText('−150 ± 6')).toHaveClass('inline-flex');
    expect(screen.getByText('line 229 V')).toBeVisible();
    expect(screen.getByRole('row', { name: '35 W Output, W 580 ± 43 –' })).toBeVisible();
  });

  it('say where they were not made alike', async () => {
    answers({ '/api/runs/compare': { ...BOTH, unlike: 'Not made alike: another band.' } });
    show(<ComparePage />, '/log/compare/a/b', '/log/compare/:first/:second');
    expect(await screen.findByText('Not made alike: another band.')).toBeVisible();
  });

  it('say so when one of them is gone', async () => {
    answers({});
    show(<ComparePage />, '/log/compare/a/b', '/log/compare/:first/:second');
    expect(await screen.findByRole('alert')).toHaveTextContent('Not there');
  });
});
