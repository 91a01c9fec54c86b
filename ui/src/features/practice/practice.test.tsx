import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { DebriefView, PlayView, PracticesView } from '../../api';
import { Shell } from '../../testing';
import { DebriefPage, PlayPage, default as PracticePage } from '.';

const PRACTICES: PracticesView = {
  lessons: [
    {
      code: 'FIRST_CLIMB',
      name: 'The first climb',
      says: 'Nothing is wrong.',
      alone: 83,
      helped: 98,
      times: 2,
      best: 91,
    },
    { code: 'ONE_METER', name: 'One meter', says: 'One thing at a time.', alone: 80, helped: 97, times: 0 },
  ],
  weekLesson: 'ONE_METER',
  weekSeed: 123,
  week: '2026-W48',
  shortWarmUpS: 10,
  amplifiers: [{ name: 'Practice amplifier' }, { id: 'a1', name: 'Brigantine' }],
  plays: [
    {
      id: 'p0',
      lesson: 'The first climb',
      code: '1-000007',
      helped: true,
      startedOn: '2026-05-01',
      ended: true,
      points: 91,
    },
    { id: 'p9', lesson: 'One meter', code: '2-000009', helped: false, startedOn: '2026-05-02', ended: false },
  ],
};

const METER = {
  meter: 'Fathom',
  role: 'OUTPUT',
  name: 'Output',
  value: 80,
  most: 150,
  shown: '80',
  unit: 'W',
  atStop: false,
} as const;

const PLAY: PlayView = {
  id: 'p1',
  sequence: 0,
  lesson: 'The first climb',
  goal: 'Tune for full output.',
  code: '1-000007',
  amplifier: 'Practice amplifier',
  ended: false,
  band: 'MHZ_7',
  place: '7.1 MHz into a load',
  limits: [{ name: 'Grid current', most: '200 mA' }],
  plateDial: { least: 0, most: 10, markStep: 1, card: '5.1' },
  loadDial: { least: 0, most: 10, markStep: 1 },
  loadSense: 'more is heavier',
  exciterLeast: 1,
  exciterMost: 100,
  exciterStep: 1,
  exciterUnit: 'W',
  bands: [
    { code: 'MHZ_7', name: '7 MHz' },
    { code: 'MHZ_14', name: '14 MHz' },
  ],
  modes: [
    { code: 'CW', name: 'CW' },
    { code: 'SSB', name: 'SSB' },
  ],
  positions: [
    { code: 'PLATE_CURRENT', name: 'Plate current' },
    { code: 'GRID_CURRENT', name: 'Grid current' },
  ],
  ranges: [
    { code: '150 W', name: '150 W' },
    { code: '1500 W', name: '1500 W' },
  ],
  keyDownAimS: 5,
  keyDownStopS: 10,
  steps: [],
  causes: [{ code: 'SOFT_TUBE', name: 'A tube is soft' }],
  said: [],
  panel: {
    atS: 20,
    keyed: false,
    keyedS: 30,
    exciter: 8,
    mode: 'CW',
    band: 'MHZ_7',
    operate: true,
    tripped: false,
    plate: 5,
    load: 4,
    shown: 'PLATE_CURRENT',
    range: '150 W',
    holds: false,
    warmUpLeftS: 0,
    snapped: false,
    meters: [METER],
  },
};

const sample = (atS: number, keyed: boolean, outputW: number) => ({
  atS,
  keyed,
  driveW: 10,
  plate: 5 + atS / 100,
  load: 4,
  outputW,
  plateMa: 300,
  gridMa: 250,
  heatPercent: 20,
});

const DEBRIEF: DebriefView = {
  id: 'p1',
  lesson: 'A hidden fault',
  code: '10-000031',
  amplifier: 'Practice amplifier',
  helped: false,
  startedAt: '2026-05-01T10:00:00Z',
  points: 75,
  marks: [{ subject: 'OUTPUT', name: 'Output', figure: '93 %', says: 'Of 872 W.', points: 30, most: 35 }],
  own: [{ atS: 12, driveW: 10, outputW: 150, plate: 5.1, load: 4 }],
  best: [{ atS: 0, driveW: 9, outputW: 180, plate: 5.2, load: 3.5 }],
  bestEnd: { atS: 0, driveW: 70, outputW: 872, plate: 5, load: 2.2 },
  ridge: [
    { plate: 5, load: 2 },
    { plate: 5.1, load: 4 },
  ],
  terrain: {
    driveW: 70,
    plates: [4.9, 5, 5.1],
    loads: [0, 5, 10],
    outputs: [100, 500, 100, 200, 900, 200, 50, 300, 50],
    heights: [200, 400, 600, 800],
  },
  moments: [{ fromS: 10, toS: 12, says: 'Grid current beyond its limit for 2.0 s.', signs: 'Coupled too lightly' }],
  found: [{ code: 'BAD_RELAY', name: 'A relay makes bad contact', tells: 'Output jumps.' }],
  said: [{ name: 'A tube is soft', right: false, atS: 50 }],
  samples: [
    sample(0, false, 0),
    sample(10, true, 100),
    sample(10.4, true, 120),
    sample(12, true, 150),
    sample(61, false, 0),
  ],
  plateLimitMa: 660,
  gridLimitMa: 200,
  licenceW: 1000,
};

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': status < 400 ? 'application/json' : 'application/problem+json' },
  });

describe('practice', () => {
  let play: PlayView;
  let sent: Record<string, unknown>[];
  let answers: (() => Response | Promise<Response>)[];

  beforeEach(() => {
    play = PLAY;
    sent = [];
    answers = [];
    localStorage.clear();
    vi.stubGlobal('fetch', async (request: Request) => {
      const path = new URL(request.url).pathname;
      if (request.method === 'DELETE') return new Response(null, { status: 204 });
      if (request.method === 'POST') {
        sent.push(await request.json());
        const answer = answers.shift();
        if (answer) return answer();
        play = { ...play, sequence: play.sequence + 1, panel: { ...play.panel, atS: play.panel.atS + 1 } };
        return json(play, path.endsWith('/acts') ? 200 : 201);
      }
      if (path.endsWith('/now')) return json(play.panel);
      if (path.endsWith('/debrief')) return json(DEBRIEF);
      return json(path === '/api/practices' ? PRACTICES : play);
    });
  });

  afterEach(() => {
    vi.unstubAllGlobals();
    localStorage.clear();
  });

  const open = (path: string) =>
    render(
      <Shell>
        <MemoryRouter initialEntries={[path]}>
          <Routes>
            <Route path="/practice" element={<PracticePage />} />
            <Route path="/practice/:practiceId" element={<PlayPage />} />
            <Route path="/practice/:practiceId/debrief" element={<DebriefPage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  it('begins a lesson as it was chosen, and remembers how', async () => {
    const { unmount } = open('/practice');
    await userEvent.click(await screen.findByRole('radio', { name: 'Alone' }));
    await userEvent.click(screen.getByRole('radio', { name: 'Per cent' }));
    unmount();
    open('/practice');
    expect(await screen.findByRole('radio', { name: 'Per cent' })).toBeChecked();
    await userEvent.click(screen.getByRole('button', { name: 'Begin: The first climb' }));
    expect(await screen.findByText('Tune for full output.')).toBeVisible();
    expect(sent[0]).toMatchObject({ lesson: 'FIRST_CLIMB', helped: false, scale: 'PERCENT', panel: 'SEVERAL' });
    expect(sent[0]).not.toHaveProperty('seed');
  });

  it('plays the week as everybody does, and the code of somebody else', async () => {
    open('/practice');
    await userEvent.click(await screen.findByRole('button', { name: 'Begin' }));
    await waitFor(() => expect(sent[0]).toMatchObject({ lesson: 'ONE_METER', seed: 123, helped: false }));
  });

  it('takes a code only where there is such a lesson', async () => {
    open('/practice');
    const code = await screen.findByRole('textbox', { name: 'Code of an exercise' });
    await userEvent.type(code, '3-42');
    expect(screen.getByRole('button', { name: 'Play it' })).toBeDisabled();
    await userEvent.clear(code);
    await userEvent.type(code, '2-4711{Enter}');
    await waitFor(() => expect(sent[0]).toMatchObject({ lesson: 'ONE_METER', seed: 4711 }));
  });

  it('leads to what goes on and to what ended', async () => {
    open('/practice');
    const played = await screen.findByRole('region', { name: 'Exercises so far' });
    expect(within(played).getByRole('link', { name: 'The first climb' })).toHaveAttribute(
      'href',
      '/practice/p0/debrief',
    );
    expect(within(played).getByRole('link', { name: 'One meter' })).toHaveAttribute('href', '/practice/p9');
    expect(within(played).getByText('91 of 100')).toBeVisible();
  });

  it('is worked by keys, and turns the pointer at once', async () => {
    open('/practice/p1');
    await screen.findByText('Tune for full output.');
    await userEvent.keyboard(' ');
    await waitFor(() => expect(sent[0]).toMatchObject({ does: 'KEY', on: true }));
    await userEvent.keyboard('{ArrowRight}');
    expect(screen.getByText('5.10')).toBeVisible();
    await userEvent.keyboard('{Shift>}{ArrowUp}{/Shift}');
    expect(screen.getByText('4.02')).toBeVisible();
    await userEvent.keyboard('drmw');
    await waitFor(() =>
      expect(sent.map((one) => one.does)).toEqual(['KEY', 'TURN', 'TURN', 'TURN', 'READ', 'METER', 'RANGE']),
    );
    expect(sent[3]).toMatchObject({ control: 'DRIVE', to: 16 });
    expect(sent[5]).toMatchObject({ role: 'GRID_CURRENT' });
    expect(new Set(sent.map((one) => one.clientId)).size).toBe(7);
  });

  it('lets the key up that it has just put down, however slow the answer', async () => {
    open('/practice/p1');
    await screen.findByText('Tune for full output.');
    answers = [() => new Promise((answer) => setTimeout(() => answer(json(play)), 500))];
    await userEvent.keyboard(' ');
    expect(await screen.findByRole('button', { name: /Key up/ })).toBeVisible();
    await userEvent.keyboard(' ');
    await waitFor(() => expect(sent.map((one) => one.on)).toEqual([true, false]));
  });

  it('keeps what was done while the server is away, under the same id, and sends of a turned dial the last place alone', async () => {
    open('/practice/p1');
    await screen.findByText('Tune for full output.');
    // Away for as long as the keys take, on however slow a machine.
    answers = Array.from({ length: 50 }, () => () => json({ title: 'Away', detail: '', problems: [] }, 503));
    await userEvent.keyboard('r');
    await screen.findByText(/what was done waits/);
    await userEvent.keyboard('{ArrowRight}{ArrowRight}{ArrowRight}');
    answers = [];
    const of = (what: string) => sent.filter((one) => one.does === what);
    await waitFor(() => expect(of('TURN')).toHaveLength(1), { timeout: 10_000 });
    expect(of('TURN')[0]).toMatchObject({ control: 'PLATE', to: 5.3 });
    expect(of('READ').length).toBeGreaterThan(1);
    for (const one of of('READ')) expect(one).toEqual(sent[0]);
    await waitFor(() => expect(screen.queryByText(/what was done waits/)).not.toBeInTheDocument());
  });

  it('sends what waited when the page was left, under the same id, and then holds nothing more', async () => {
    const { unmount } = open('/practice/p1');
    await screen.findByText('Tune for full output.');
    answers = [() => new Promise(() => undefined)];
    await userEvent.keyboard('r');
    await waitFor(() => expect(sent).toHaveLength(1));
    unmount();
    answers = [];
    open('/practice/p1');
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]).toEqual(sent[0]);
    await waitFor(() => expect(localStorage.getItem('tubrin.draft.practice.p1')).toBeNull());
  });

  it('says what is refused and goes on', async () => {
    open('/practice/p1');
    await screen.findByText('Tune for full output.');
    answers = [() => json({ title: 'Not at this panel', detail: 'Choose another.', problems: [] }, 422)];
    await userEvent.click(screen.getByRole('radio', { name: 'SSB' }));
    expect(await screen.findByText('Not at this panel')).toBeVisible();
    await userEvent.click(screen.getByRole('radio', { name: 'Standby' }));
    await waitFor(() => expect(sent[1]).toMatchObject({ does: 'OPERATE', on: false }));
    expect(screen.queryByText('Not at this panel')).not.toBeInTheDocument();
  });

  it('shows the next move where it is wanted, and what tripped', async () => {
    play = {
      ...PLAY,
      help: {
        sentence: 'LOAD heavier',
        why: 'Grid current.',
        cautions: ['Thousands of volts.'],
        lookAt: [],
        button: 'Done',
      },
      matcher: '5 to 25 W',
      panel: { ...PLAY.panel, tripped: true, meters: [{ ...METER, atStop: true, limit: 100 }] },
    };
    open('/practice/p1');
    expect(await screen.findByText('LOAD heavier')).toBeVisible();
    expect(screen.getByText('Thousands of volts.')).toBeVisible();
    expect(screen.getByText('at the end of its scale')).toBeVisible();
    expect(screen.getByText('5 to 25 W')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Reset' }));
    await userEvent.click(screen.getByRole('button', { name: 'Tune the matcher' }));
    await waitFor(() => expect(sent.map((one) => one.does)).toEqual(['RESET', 'MATCH']));
  });

  it('asks before it ends, and shows the debrief', async () => {
    open('/practice/p1');
    await userEvent.click(await screen.findByRole('button', { name: 'I am done: to the debrief' }));
    answers = [
      () => {
        play = { ...play, ended: true, sequence: 1 };
        return json(play);
      },
    ];
    await userEvent.click(screen.getByRole('button', { name: 'End it' }));
    expect(await screen.findByText('75 points of 100')).toBeVisible();
    expect(sent[0]).toMatchObject({ does: 'END' });
  });

  it('goes through what happened second by second, and to what cost something', async () => {
    open('/practice/p1/debrief');
    const replay = await screen.findByRole('region', { name: 'Second by second' });
    expect(within(replay).getByText('1:01 · key up')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: '0:10' }));
    expect(within(replay).getByText('0:10 · keyed')).toBeVisible();
    expect(within(replay).getByText('100 W')).toBeVisible();
    expect(within(replay).getByText('250 mA')).toHaveClass('text-limit');
    await act(() => userEvent.keyboard('{ArrowRight}'));
    expect(within(replay).getByText('150 W')).toBeVisible();
    const slider = within(replay).getByRole('slider', { name: 'Moment' });
    slider.focus();
    await userEvent.keyboard('{Home}');
    expect(within(replay).getByText('0:00 · key up')).toBeVisible();
  });

  it('says what was hidden and what was said in vain, and is deleted', async () => {
    open('/practice/p1/debrief');
    expect(await screen.findByText('not found')).toBeVisible();
    expect(screen.getByText('Output jumps.')).toBeVisible();
    expect(screen.getByText(/A tube is soft: was not so/)).toBeVisible();
    expect(screen.getByText('Coupled too lightly')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Delete the exercise' }));
    await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect(await screen.findByRole('heading', { name: 'Practice' })).toBeVisible();
  });
});
