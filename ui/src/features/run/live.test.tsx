import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { Profiler } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { LiveFrame, RunView } from '../../api';
import { Shell } from '../../testing';
import { RunPage } from './RunPage';
import stored from './testRun.json';

const run = { ...(stored as unknown as RunView), source: 'BENCH', twin: true } as RunView;

const FRAME: LiveFrame = {
  pastPeak: false,
  readings: [
    {
      role: 'OUTPUT',
      health: 'OK',
      says: '',
      near: false,
      value: 928,
      shown: '928',
      withUncertainty: '928 ± 43',
      ageS: 0.02,
    },
    { role: 'PLATE_CURRENT', health: 'SILENT', says: 'silent', near: false },
  ],
  bench: {
    present: true,
    keyed: false,
    driveW: 70,
    plate: 5.11,
    load: 4.2,
    band: 'MHZ_7',
    tripped: false,
    pot: 0,
    heaterS: 200,
  },
  expected: [{ role: 'OUTPUT', value: 886, low: 849, high: 923, shown: '886' }],
};

/** A bias climb in which the first of two devices is half way. */
const BIAS: Partial<RunView> = {
  kind: 'BIAS',
  dials: [],
  twin: false,
  draft: { ...run.draft, device: '1', cells: [] },
  rows: [
    {
      role: 'SENSE_VOLTAGE',
      label: 'Sense voltage',
      unit: 'mV',
      instrument: 'Plummet',
      range: '2 V',
      ranges: ['2 V'],
      asked: true,
    },
  ],
  bias: {
    unit: 'mV',
    decimals: 1,
    potTurns: 10,
    tolerancePercent: 2,
    rungs: [
      { device: 1, base: 9.7, aim: 199.3, tolerance: 3.8 },
      { device: 2, base: 199.3, aim: 388.9, tolerance: 3.8 },
    ],
    offPercent: [],
    devices: [],
    says: [],
  },
};

/** The browser's stream of server-sent events, fed by the test. */
class Stream {
  static last: Stream | undefined;
  onmessage: ((event: { data: string }) => void) | undefined;
  onerror: (() => void) | undefined;
  closed = false;
  constructor(readonly url: string) {
    Stream.last = this;
  }
  close() {
    this.closed = true;
  }
}

const send = (frame: LiveFrame) => act(() => Stream.last?.onmessage?.({ data: JSON.stringify(frame) }));

describe('a run on the bench', () => {
  let sent: { url: string; body: Record<string, unknown> }[];
  let page: ReturnType<typeof render>;
  let phase = run.clock.phase;
  let advice: Partial<typeof run.advice> = {};
  let more: Partial<RunView> = {};

  let drawn = 0;
  const opens = () =>
    render(
      <Shell>
        <MemoryRouter initialEntries={[`/tune/${run.id}`]}>
          <Profiler id="page" onRender={() => drawn++}>
            <Routes>
              <Route path="/tune/:runId/:tab?" element={<RunPage />} />
            </Routes>
          </Profiler>
        </MemoryRouter>
      </Shell>,
    );

  beforeEach(async () => {
    sent = [];
    vi.stubGlobal('EventSource', Stream);
    vi.stubGlobal('fetch', async (request: Request) => {
      if (request.method === 'POST') {
        sent.push({ url: request.url, body: (await request.json()) as Record<string, unknown> });
        if (request.url.endsWith('/bench')) return new Response(null, { status: 204 });
      }
      return new Response(
        JSON.stringify({ ...run, ...more, advice: { ...run.advice, ...advice }, clock: { ...run.clock, phase } }),
        {
          headers: { 'Content-Type': 'application/json' },
        },
      );
    });
    localStorage.clear();
    page = opens();
    await screen.findByText(run.advice.sentence);
    await waitFor(() => expect(Stream.last?.url).toBe(`/api/runs/${run.id}/live`));
    send(FRAME);
  });
  afterEach(() => vi.unstubAllGlobals());

  const part = (name: string) => page.container.querySelector(`[data-part=${name}]`);

  it('shows what a meter shows now beside what the twin expects', () => {
    expect(part('now-OUTPUT')?.textContent).toBe('928');
    expect(part('twin-OUTPUT')?.textContent).toContain('886');
    send({ ...FRAME, readings: [{ ...(FRAME.readings[0] as object), shown: '931' } as LiveFrame['readings'][number]] });
    expect(part('now-OUTPUT')?.textContent).toBe('931');
  });

  it('says to key up at once where a meter is beyond its limit while keyed', async () => {
    const over = 'Key up: output over 1000 W';
    const beyond = {
      ...FRAME,
      readings: [{ ...(FRAME.readings[0] as object), shown: '1031', over } as LiveFrame['readings'][number]],
    };
    send(beyond);
    expect(part('now-OUTPUT')?.closest('button')?.className).toContain('text-limit');
    expect(part('sentence')?.textContent).toBe(run.advice.sentence);
    page.unmount();
    phase = 'KEY_DOWN';
    page = opens();
    await screen.findByText(run.advice.sentence);
    send(beyond);
    expect(screen.getByRole('alert').textContent).toContain(over);
    send(FRAME);
    expect(part('sentence')?.textContent).toBe(run.advice.sentence);
    phase = run.clock.phase;
  });

  it('takes no readings with Enter while the key is up', async () => {
    page.unmount();
    advice = { move: 'KEY_AND_PEAK', button: undefined };
    page = opens();
    await screen.findByText(run.advice.sentence);
    sent = [];
    fireEvent.keyDown(document.body, { key: 'Enter' });
    await new Promise((later) => setTimeout(later, 150));
    expect(sent).toEqual([]);
    fireEvent.keyDown(document.body, { key: 'r' });
    await waitFor(() => expect(sent[0]?.body.act).toBe('TAKE'));
    advice = {};
  });

  it('says which source is not well, in its row and on the line', () => {
    expect(part('step-table')?.textContent).toContain('silent');
    expect(part('signal-line')?.textContent).toContain('plate current silent');
  });

  it('shows the dials of the bench and turns them at once, sending only the last of many turns', async () => {
    const plate = () => part('dial-PLATE')?.querySelector('output')?.textContent;
    expect(plate()).toBe('5.11');
    for (let i = 0; i < 6; i++) fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    expect(plate()).toBe('5.71');
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ control: 'PLATE', to: 5.71 }));
    expect(sent.length).toBeLessThan(6);
    expect(sent.every((one) => one.url.endsWith('/bench'))).toBe(true);
    // The bench has come there, and its feed goes on, however long the answer took.
    send({ ...FRAME, bench: { ...(FRAME.bench as object), plate: 5.71 } as LiveFrame['bench'] });
    fireEvent.keyDown(document.body, { key: 'ArrowLeft', shiftKey: true });
    expect(plate()).toBe('5.7');
  });

  it('takes all readings with R, and goes to the entries with E', async () => {
    fireEvent.keyDown(document.body, { key: 'r' });
    await waitFor(() => expect(sent.at(-1)?.body.act).toBe('TAKE'));
    fireEvent.keyDown(document.body, { key: 'e' });
    expect(document.activeElement?.getAttribute('data-entry')).toBeTruthy();
  });

  describe('R', () => {
    /** What the meters would come to if they were read now: more room used than was. */
    const ifRead: NonNullable<LiveFrame['ifRead']> = {
      id: '22222222-2222-4222-8222-222222222222',
      sequence: run.sequence,
      draft: { ...run.draft, cells: [{ role: 'OUTPUT', shown: '917', range: '1.5 kW', confirmed: false }] },
      room: { ...run.room, rooms: run.room.rooms.map((one) => ({ ...one, shown: '917 of 1000 W' })) },
      signs: [],
    };
    const isJudged = () => part('room')?.textContent?.includes('917 of 1000 W');
    let answer: (status: number, body: unknown) => void;
    let posted: unknown[];
    beforeEach(() => {
      const read = globalThis.fetch;
      posted = [];
      vi.stubGlobal('fetch', (request: Request) =>
        request.method === 'POST'
          ? new Promise((done) => {
              void request.json().then((body) => posted.push(body));
              answer = (status, body) =>
                done(new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } }));
            })
          : read(request),
      );
      send({ ...FRAME, ifRead });
    });

    it('shows at once what the readings come to, and takes it back where nothing answers', async () => {
      fireEvent.keyDown(document.body, { key: 'r' });
      expect(isJudged()).toBe(true);
      await waitFor(() => expect(posted.at(-1)).toMatchObject({ act: 'TAKE', told: ifRead.id }));
      expect(page.container.querySelector<HTMLInputElement>('[data-entry=OUTPUT]')?.value).toBe('917');
      expect(await screen.findByText(/Not saved yet/)).toBeInTheDocument();
      expect(isJudged()).toBe(false);
      await act(async () => answer(200, { ...run, ...ifRead, sequence: run.sequence + 3 }));
      await waitFor(() => expect(isJudged()).toBe(true));
      expect(screen.queryByText(/Not saved yet/)).not.toBeInTheDocument();
    });

    it('goes back to what was where the readings are refused', async () => {
      fireEvent.keyDown(document.body, { key: 'r' });
      expect(isJudged()).toBe(true);
      await act(async () => answer(422, { title: 'Not taken', detail: 'Why.', problems: [] }));
      expect(await screen.findByText('Not taken')).toBeInTheDocument();
      expect(isJudged()).toBe(false);
    });

    it('says nothing ahead just after a turn', async () => {
      fireEvent.keyDown(document.body, { key: 'ArrowRight' });
      fireEvent.keyDown(document.body, { key: 'r' });
      expect(isJudged()).toBe(false);
      await waitFor(() => expect(posted.at(-1)).toMatchObject({ act: 'TAKE' }));
      expect(posted.at(-1)).not.toHaveProperty('told');
    });

    it('says nothing ahead of where the run stood before', () => {
      send({ ...FRAME, ifRead: { ...ifRead, sequence: run.sequence - 1 } });
      fireEvent.keyDown(document.body, { key: 'r' });
      expect(isJudged()).toBe(false);
    });
  });

  it('says that the bench is away, and shows nothing old as live', () => {
    send({
      readings: [],
      expected: [],
      pastPeak: false,
      bench: { ...(FRAME.bench as object), present: false } as LiveFrame['bench'],
    });
    expect(part('signal-line')?.textContent).toContain('simulated bench away');
    expect(part('now-OUTPUT')).toBeNull();
    send(FRAME);
    act(() => Stream.last?.onerror?.());
    expect(part('now-OUTPUT')).toBeNull();
  });

  it('is drawn anew only where a frame shows something new', () => {
    send(FRAME);
    drawn = 0;
    // The heaters' seconds run on, and nothing shows them.
    for (let s = 1; s <= 20; s++)
      send({ ...FRAME, bench: { ...(FRAME.bench as object), heaterS: 200 + s } as LiveFrame['bench'] });
    expect(drawn).toBeLessThan(5);
    send({ ...FRAME, readings: FRAME.readings.map((one) => ({ ...one, shown: '931' })) });
    expect(part('now-OUTPUT')?.textContent).toContain('931');
  });

  it('shows a trip on the amplifier, and resets it', async () => {
    send({ ...FRAME, bench: { ...(FRAME.bench as object), tripped: true } as LiveFrame['bench'] });
    expect(part('signal-line')?.textContent).toContain('tripped');
    fireEvent.click(screen.getByText('Reset'));
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ reset: true }));
    send(FRAME);
    expect(part('trip')).toBeNull();
  });

  it('keeps the dials where they stand when the bench is away, by typing', async () => {
    send({ ...FRAME, bench: { ...(FRAME.bench as object), present: false } as LiveFrame['bench'] });
    fireEvent.keyDown(document.body, { key: 'ArrowUp' });
    await waitFor(() => expect(sent.at(-1)?.body.act).toBe('SET'), { timeout: 2000 });
    expect(sent.at(-1)?.body.control).toBe('LOAD');
  });

  it('shows an idle current in large while its pot is turned by keys, and which pot goes down at once', async () => {
    page.unmount();
    more = BIAS;
    phase = 'KEY_DOWN';
    advice = { move: 'ADJUST', sentence: 'Pot 1 up to 104.5 mV', button: undefined };
    page = opens();
    await screen.findByText('Pot 1 up to 104.5 mV');
    const sense = { role: 'SENSE_VOLTAGE', health: 'OK', says: '', near: false, value: 98.2, shown: '98.2' } as const;
    const frame: LiveFrame = { ...FRAME, readings: [sense] };
    if (frame.bench) frame.bench = { ...frame.bench, pot: 6.5 };
    send(frame);
    expect(part('watched')?.textContent).toBe('98.2 mV now');
    expect(part('bias-now')).not.toBeNull();
    expect(part('dial-PLATE')).toBeNull();
    const pot = () => part('pot')?.querySelector('output')?.textContent;
    expect(pot()).toBe('6.500');
    sent = [];
    fireEvent.keyDown(document.body, { key: 'ArrowUp' });
    fireEvent.keyDown(document.body, { key: 'ArrowUp', shiftKey: true });
    expect(pot()).toBe('6.522');
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ control: 'POT', to: 6.522 }));
    fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    expect(pot()).toBe('7.022');
    // It goes no further than its end.
    for (let i = 0; i < 9; i++) fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    expect(pot()).toBe('10.000');
    const over = 'Pot 1 down at once: above 109.7 mV';
    send({ ...frame, readings: [{ ...sense, shown: '113.0', over }] });
    expect(screen.getByRole('alert').textContent).toContain(over);
    more = {};
    phase = run.clock.phase;
    advice = {};
  });

  it('ends the stream with the page', () => {
    page.unmount();
    expect(Stream.last?.closed).toBe(true);
  });
});
