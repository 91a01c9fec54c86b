import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { MapView, PowerView, ReadSignal, RunView, TwinSignal } from '../../api';
import { Shell } from '../../testing';
import MapSheet from './map/MapSheet';
import { Pointers } from './Pointers';
import PowerSheet from './PowerSheet';
import SignalSheet from './SignalSheet';
import stored from './testRun.json';
import type { Run } from './useRun';

const run = { ...(stored as unknown as RunView), twin: true } as RunView;

function shows(body: unknown, status = 200) {
  vi.stubGlobal(
    'fetch',
    async () => new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } }),
  );
}

function show(view: ReactNode) {
  return render(
    <Shell>
      <MemoryRouter initialEntries={[`/tune/${run.id}/map`]}>{view}</MemoryRouter>
    </Shell>,
  );
}

describe('the pointers before the key goes down', () => {
  const scaled = {
    ...run,
    rows: run.rows.map((row) =>
      row.role === 'PLATE_VOLTAGE'
        ? row
        : {
            ...row,
            pointer: { fullScale: 1, ...(row.role === 'GRID_CURRENT' ? { stop: 0.19, stopShown: '0.190' } : {}) },
          },
    ),
    draft: { ...run.draft, twin: [{ role: 'OUTPUT', value: 0.59, low: 0.54, high: 0.64, shown: '0.59' }] },
  } as RunView;

  it('are shown of meters that have one and of which something is foreseen, and no longer once it is down', () => {
    const { rerender, container } = render(<Pointers view={scaled} />);
    const shown = () => [...container.querySelectorAll('li')].map((one) => one.textContent?.replace(/0\.0.*/, ''));
    expect(container.querySelectorAll('li')).toHaveLength(2);
    expect(shown()[0]).toContain('Output, W0.59');
    expect(shown()[1]).toContain('Grid current, Aback at 0.190');
    rerender(<Pointers view={{ ...scaled, school: 'PULSED' }} />);
    expect(shown()).toHaveLength(1);
    expect(shown()[0]).toContain('Grid current, Aback at 0.190');
    rerender(<Pointers view={{ ...scaled, clock: { ...scaled.clock, phase: 'KEY_DOWN' } }} />);
    expect(container.querySelectorAll('li')).toHaveLength(0);
  });
});

const COLUMNS = 21;
const ROWS = 21;
const grid = (height: (x: number, y: number) => number) =>
  Array.from({ length: COLUMNS * ROWS }, (_, i) =>
    height((i % COLUMNS) / (COLUMNS - 1), Math.floor(i / COLUMNS) / (ROWS - 1)),
  );
const place = (plate: number, load: number, outputW: number) => ({
  plate,
  load,
  outputW,
  plateCurrentA: 0.55,
  gridCurrentA: 0.17,
  heatPerTubeW: 240,
  efficiency: 0.65,
  thirdDb: -28,
});

const MAP: MapView = {
  driveW: 70,
  plates: Array.from({ length: COLUMNS }, (_, i) => 4.4 + (1.4 * i) / (COLUMNS - 1)),
  loads: Array.from({ length: ROWS }, (_, i) => (10 * i) / (ROWS - 1)),
  heights: [100, 200, 300, 400, 500, 600, 700, 800],
  outputW: grid((x, y) => 890 * (1 - (x - 0.5) ** 2 - (y - 0.45) ** 2)),
  grounds: [
    { kind: 'GRID_CURRENT_A', label: 'grid current over 0.2 A', limit: 0.2, grid: grid((_, y) => 0.4 * (1 - y)) },
    { kind: 'PLATE_PEAK_V', label: 'over 2800 V', limit: 2800, grid: grid((_, y) => 3000 - 4000 * y) },
  ],
  here: place(5.1, 4.2, 886),
  most: place(5.1, 4.44, 890),
  finish: place(5.09, 5.04, 872),
  trail: [
    [5.2, 0.5],
    [5.15, 2.5],
  ],
  reading: 'South is light, north is heavy.',
};

describe('the map', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('says where you are and where to finish, in words and in a table', async () => {
    shows(MAP);
    show(<MapSheet view={run} />);
    const chart = await screen.findByRole('img', { name: /the finish is at PLATE 5\.09, LOAD 5\.04, 872 W/ });
    expect(chart.getAttribute('aria-label')).toContain('You are at PLATE 5.10, LOAD 4.20');
    const table = screen.getByRole('table', { name: 'Here and there' });
    expect(within(table).getByRole('row', { name: /Output, W 886 872/ })).toBeInTheDocument();
    expect(within(table).queryByText('Screen current, A')).toBeNull();
    expect(screen.getByText('South is light, north is heavy.')).toBeInTheDocument();
  });

  it('hatches ground beyond limits, and only outlines ground that lies wholly within other ground', async () => {
    shows(MAP);
    const { container } = show(<MapSheet view={run} />);
    await screen.findByText(/grid current over 0\.2 A/);
    const fills = [...container.querySelectorAll('[data-part=map] path')].map((path) => path.getAttribute('fill'));
    expect(fills.filter((fill) => fill === 'url(#hatch-limit)')).toHaveLength(1);
    expect(fills.filter((fill) => fill === 'none')).toHaveLength(1);
  });

  it('joins the trail to where you are', async () => {
    shows(MAP);
    const { container } = show(<MapSheet view={run} />);
    await screen.findByRole('img', { name: /the finish is at/ });
    const trail = container.querySelector('[data-part=map] polyline')?.getAttribute('points')?.split(' ');
    expect(trail).toHaveLength(3);
  });

  it('marks where the next move leads, and for which drive', async () => {
    shows({ ...MAP, next: { load: 5.03, driveW: 70 } });
    const { container } = show(<MapSheet view={run} />);
    expect(await screen.findByText('next: LOAD 5.03, for 70 W')).toBeInTheDocument();
    expect(container.querySelectorAll('[data-part=map-next] line')).toHaveLength(1);
  });

  it('tells what to do where there is no twin', async () => {
    shows(
      { title: 'Not taken', detail: 'Brigantine has no twin on this band. Make one under Station.', problems: [] },
      422,
    );
    show(<MapSheet view={run} />);
    expect(await screen.findByText(/Make one under Station/)).toBeInTheDocument();
  });
});

const POWER: PowerView = {
  driveW: 70,
  plate: 5.1,
  load: 4.4,
  flows: [
    { code: 'PLATE_INPUT', label: 'Plate input', watt: 1300, in: true },
    { code: 'DRIVE', label: 'Drive', watt: 70, in: true },
    { code: 'OUTPUT', label: 'Output', watt: 890, in: false },
    { code: 'PLATE_HEAT', label: 'Plate heat', watt: 480, in: false },
  ],
  strain: [
    { label: 'Peak across PLATE', shown: '2900 V', limit: '2800 V', beyond: true },
    { label: 'Conduction', shown: '195 °', beyond: false },
  ],
};

describe('the flow of power', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('draws bars as high as their watts', async () => {
    shows(POWER);
    const { container } = show(<PowerSheet view={run} />);
    await screen.findByRole('img', { name: /Plate input 1300\.0 W, Drive 70\.0 W\. Power out: Output 890\.0 W/ });
    const heights = [...container.querySelectorAll('[data-part=flows] rect')].map((bar) =>
      Number(bar.getAttribute('height')),
    );
    expect((heights[0] ?? 0) / (heights[1] ?? 1)).toBeCloseTo(1300 / 70, 3);
    expect((heights[2] ?? 0) / (heights[3] ?? 1)).toBeCloseTo(890 / 480, 3);
    expect((heights[0] ?? 0) + (heights[1] ?? 0)).toBeCloseTo((heights[2] ?? 0) + (heights[3] ?? 0), 6);
  });

  it('says in words what exceeds its rating', async () => {
    shows(POWER);
    show(<PowerSheet view={run} />);
    expect(await screen.findByText('exceeds 2800 V')).toBeInTheDocument();
  });
});

const TWIN: TwinSignal = {
  driveW: 70,
  plate: 5.1,
  load: 4.4,
  products: [
    { label: 'Third order', toToneDb: -27.8, toPepDb: -33.82 },
    { label: 'Fifth order', toToneDb: -48.2, toPepDb: -54.22 },
  ],
  compressionDb: 2.1,
  curve: { drive: [0.2, 0.6, 1], output: [70, 205, 300] },
  modes: [{ mode: 'Speech', outputW: 125, plateCurrentA: 0.196, gridCurrentA: 0.012, heatPerTubeW: 199 }],
  judgement: 'Fair.',
};
const READ: ReadSignal = {
  exciter: [{ label: 'Third order', toToneDb: -36, toPepDb: -42.02 }],
  amplifier: [{ label: 'Third order', toToneDb: -28, toPepDb: -34.02 }],
  own: [{ label: 'Third order', leastDb: -32.4, likelyDb: -28.7, mostDb: -25.1 }],
  curve: { drive: [0.5, 1], output: [0.53, 0.96] },
  judgement: 'Fair as read.',
  waveform: 'FLAT_TOP',
  waveformMeans: 'Too much drive.',
  waveforms: [
    { code: 'CLEAN', words: 'Looks clean' },
    { code: 'FLAT_TOP', words: 'Flat tops' },
  ],
};

describe('the signal', () => {
  afterEach(() => vi.unstubAllGlobals());
  const act = vi.fn();
  const running = { act, fieldProblems: {} } as unknown as Run;

  it('gives products to one tone and to PEP, with a true minus', async () => {
    shows({ twin: TWIN, read: { ...READ, exciter: [], amplifier: [], own: [], curve: undefined }, mayEnter: false });
    show(<SignalSheet view={run} run={running} />);
    expect(await screen.findByRole('row', { name: 'Third order −27.8 −33.8' })).toBeInTheDocument();
    expect(screen.getByRole('row', { name: 'Fifth order −48.2 −54.2' })).toBeInTheDocument();
    expect(screen.getByRole('row', { name: 'Speech 125 0.196 0.012 199' })).toBeInTheDocument();
    expect(screen.getByRole('img', { name: 'Two-tone envelope' })).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Enter' })).not.toBeInTheDocument();
  });

  it('takes products as an analyser shows them, with the minus or without, and tells the amplifier’s own apart', async () => {
    shows({ read: READ, mayEnter: true });
    show(<SignalSheet view={run} run={running} />);
    expect(await screen.findByText('Fair as read.')).toBeInTheDocument();
    expect(
      screen.getByRole('row', { name: "The amplifier's own, third order −28.7 (−32.4 to −25.1)" }),
    ).toBeInTheDocument();
    await userEvent.type(screen.getByLabelText('Through the amplifier, third order'), '-31.5');
    await userEvent.click(screen.getByRole('radio', { name: 'dB below PEP' }));
    await userEvent.click(screen.getAllByRole('button', { name: 'Enter' })[1] as HTMLElement);
    expect(act).toHaveBeenLastCalledWith({
      act: 'PRODUCTS',
      products: { through: 'AMPLIFIER', third: '31.5', fifth: '', toPep: true },
    });
    expect(screen.getByRole('radio', { name: 'Flat tops', checked: true })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: 'Looks clean' }));
    expect(act).toHaveBeenLastCalledWith({ act: 'WAVEFORM', waveform: 'CLEAN' });
  });
});
