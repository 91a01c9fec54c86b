import { QueryClient } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ActRequest, RunView } from '../../api';
import { choose, Shell } from '../../testing';
import { RunPage } from './RunPage';
import { switchEar } from './sound/settings';
import stored from './testRun.json';

const run = stored as unknown as RunView;

/** Answers as the server would, with the demo's climb in progress; keeps what was sent. */
class Server {
  view: RunView = run;
  acts: ActRequest[] = [];
  answer: (request: ActRequest) => Response | Promise<Response> = () => {
    this.view = { ...this.view, sequence: this.view.sequence + 1 };
    return json(200, this.view);
  };
  read: () => Response | Promise<Response> = () => json(200, this.view);

  readonly fetch = async (request: Request): Promise<Response> => {
    if (request.method === 'GET') return this.read();
    const sent = (await request.json()) as ActRequest;
    this.acts.push(sent);
    return this.answer(sent);
  };
}

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

describe('the run', () => {
  let server: Server;
  let queries: QueryClient;

  beforeEach(async () => {
    server = new Server();
    vi.stubGlobal('fetch', server.fetch);
    localStorage.clear();
    queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    render(
      <Shell client={queries}>
        <MemoryRouter initialEntries={[`/tune/${run.id}`]}>
          <Routes>
            <Route path="/tune/:runId" element={<RunPage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );
    await screen.findByText(run.advice.sentence);
  });
  afterEach(() => vi.unstubAllGlobals());

  const kinds = () => server.acts.map((one) => one.act);
  const shows = (view: Partial<RunView>) => {
    server.view = { ...run, sequence: run.sequence + 1, ...view };
    return act(() => queries.invalidateQueries());
  };

  it('shows each step that was done, with its figures', () => {
    const rows = within(screen.getByRole('table')).getAllByRole('row');
    const output = rows.find((row) => row.textContent?.startsWith('Output'));
    expect(
      within(output as HTMLElement)
        .getAllByRole('cell')
        .map((cell) => cell.textContent),
    ).toEqual(expect.arrayContaining(['138', '235', '380', '590']));
    expect(screen.getByText('Room left at 35 W')).toBeInTheDocument();
  });

  it('fills the screen with the next move at a glance; the keys go on, and to type leaves it for the first row', async () => {
    await userEvent.keyboard('f');
    const glance = screen.getByRole('region', { name: 'Glance' });
    expect(within(glance).getByRole('heading', { name: run.advice.sentence })).toHaveFocus();
    expect(within(glance).getByText('PLATE').nextSibling).toHaveTextContent(/^\d+\.\d\d$/);
    expect(within(glance).getByText(/of limit$/).nextSibling).toHaveTextContent(/^\d+ %$/);
    expect(screen.queryByRole('table')).not.toBeInTheDocument();
    await userEvent.keyboard(' ');
    await waitFor(() => expect(kinds()).toEqual(['KEY']));
    await userEvent.keyboard('e');
    expect(screen.queryByRole('region', { name: 'Glance' })).not.toBeInTheDocument();
    await waitFor(() => expect(document.activeElement).toHaveAttribute('data-entry'));
  });

  it('says the next move when asked, in words where the system has no voice, and keeps what was switched on', async () => {
    const caption = () => document.querySelector('[data-part=caption]')?.textContent;
    await userEvent.keyboard('n');
    expect(caption()).toBe('♪ next move: no voice on this system');
    const said: string[] = [];
    vi.stubGlobal(
      'SpeechSynthesisUtterance',
      class {
        constructor(readonly text: string) {}
      },
    );
    vi.stubGlobal('speechSynthesis', {
      getVoices: () => [{}],
      cancel: () => undefined,
      speak: (one: { text: string }) => said.push(one.text),
    });
    await userEvent.click(screen.getByRole('button', { name: 'Sound' }));
    await userEvent.click(screen.getByRole('switch', { name: 'Next move' }));
    await userEvent.keyboard('{Escape}');
    server.view = { ...run, sequence: run.sequence + 1, advice: { ...run.advice, sentence: 'Key down at 20 W.' } };
    await act(() => queries.invalidateQueries());
    await waitFor(() => expect(said).toEqual(['Key down at 20 watts.']));
    expect(JSON.parse(localStorage.getItem('tubrin.sound') ?? '')).toMatchObject({ voice: true, clock: false });
    switchEar('voice', false);
  });

  it('opens a figure to what it was calculated from and what leaves it open, and closes to where it was', async () => {
    const asked: string[] = [];
    const before = server.read;
    vi.stubGlobal('fetch', async (request: Request) => {
      if (!request.url.includes('/figures/')) return request.method === 'GET' ? before() : server.fetch(request);
      asked.push(new URL(request.url).pathname);
      return json(200, {
        title: 'Efficiency',
        shown: '53 ± 9 %',
        formula: 'Output over plate voltage times plate current.',
        used: [{ name: 'Output', shown: '138 ± 24 W' }],
        shares: [{ says: 'Fathom: Output, 500 W', percent: 71.6 }],
        narrower: 'Fathom: Output, 500 W makes 72 % of it. Without that it would be ± 5 %.',
      });
    });
    const figure = screen.getAllByRole('button', { name: /^Efficiency .*: how it was calculated$/ })[0] as HTMLElement;
    figure.focus();
    await userEvent.keyboard('{Enter}');
    expect(await screen.findByText('Output over plate voltage times plate current.')).toBeInTheDocument();
    expect(screen.getByText('72 %')).toBeInTheDocument();
    expect(asked).toEqual([`/api/runs/${run.id}/steps/0/figures/EFFICIENCY`]);
    expect(server.acts).toEqual([]);
    await userEvent.keyboard('{Escape}');
    expect(figure).toHaveFocus();
  });

  it('follows the next move with Enter, once, however often it is pressed before the reply', async () => {
    let reply: (response: Response) => void = () => undefined;
    server.answer = () => new Promise((resolve) => (reply = resolve));
    await userEvent.keyboard('{Enter}{Enter}{Enter}');
    await waitFor(() => expect(kinds()).toEqual(['FOLLOW']));
    await act(async () => reply(json(200, { ...run, sequence: run.sequence + 1 })));
    expect(kinds()).toEqual(['FOLLOW']);
    expect(server.acts[0]?.expectedSequence).toBe(run.sequence);
  });

  const next = { ...run.advice, sentence: 'Rest 10 s' };
  const sentence = () => document.querySelector('[data-part=sentence]');

  it('shows what comes next at once, and takes it back where nothing answers', async () => {
    await shows({ onceDone: next });
    let reply: (response: Response) => void = () => undefined;
    server.answer = () => new Promise((resolve) => (reply = resolve));
    await userEvent.keyboard('{Enter}');
    expect(sentence()).toHaveTextContent('Rest 10 s');
    expect(await screen.findByText(/Not saved yet/)).toBeInTheDocument();
    expect(sentence()).toHaveTextContent(run.advice.sentence);
    await act(async () => reply(json(200, { ...server.view, sequence: run.sequence + 2, advice: next })));
    expect(sentence()).toHaveTextContent('Rest 10 s');
    expect(screen.queryByText(/Not saved yet/)).not.toBeInTheDocument();
  });

  it('goes back to the move before where what was done is refused', async () => {
    await shows({ onceDone: next });
    server.answer = () => json(422, { title: 'Not taken', detail: 'Why.', problems: [] });
    await userEvent.keyboard('{Enter}');
    expect(await screen.findByText('Not taken')).toBeInTheDocument();
    expect(sentence()).toHaveTextContent(run.advice.sentence);
  });

  it('does not key again where the hand comes just after the key went up by itself', async () => {
    const now = vi.spyOn(performance, 'now').mockReturnValue(performance.now());
    await shows({ clock: { ...run.clock, phase: 'KEY_DOWN' } });
    await screen.findByRole('button', { name: /Key up/ });
    await shows({ sequence: run.sequence + 2, clock: { ...run.clock, phase: 'RESTING' } });
    expect(screen.queryByRole('button', { name: /Key up/ })).not.toBeInTheDocument();
    await userEvent.keyboard(' ');
    expect(kinds()).toEqual([]);
    now.mockReturnValue(performance.now() + 60_000);
    await userEvent.keyboard(' ');
    now.mockRestore();
    await waitFor(() => expect(kinds()).toEqual(['KEY']));
  });

  it('keys with Space and undoes with Z', async () => {
    await userEvent.keyboard(' ');
    await userEvent.keyboard('z');
    await waitFor(() => expect(kinds()).toEqual(['KEY', 'UNDO']));
    expect(server.acts[1]?.expectedSequence).toBe(run.sequence + 1);
  });

  it('goes by the key as it was pressed, not as it was answered', async () => {
    let reply: (response: Response) => void = () => undefined;
    server.answer = () => new Promise((resolve) => (reply = resolve));
    await userEvent.keyboard(' ');
    expect(await screen.findByRole('button', { name: /Key up/ })).toBeVisible();
    await userEvent.keyboard(' ');
    expect(screen.queryByRole('button', { name: /Key up/ })).not.toBeInTheDocument();
    await userEvent.keyboard(' ');
    expect(screen.getByRole('button', { name: /Key up/ })).toBeVisible();
    const keyed = { ...run.clock, phase: 'KEY_DOWN' as const };
    const up = { ...run.clock, phase: 'RESTING' as const };
    for (const [at, clock] of [keyed, up, keyed].entries()) {
      await waitFor(() => expect(server.acts).toHaveLength(at + 1));
      await act(async () => reply(json(200, { ...run, clock, sequence: run.sequence + at + 1 })));
    }
    expect(kinds()).toEqual(['KEY', 'UNKEY', 'KEY']);
  });

  it('sends a reading as it was typed, from the first empty row on', async () => {
    await userEvent.keyboard('r');
    expect(screen.getByLabelText('Output, W')).toHaveFocus();
    await userEvent.keyboard('0,87 kW{Enter}');
    expect(screen.getByLabelText('Plate current, A')).toHaveFocus();
    await waitFor(() => expect(server.acts[0]).toMatchObject({ act: 'READ', role: 'OUTPUT', text: '0,87 kW' }));
  });

  it('keeps single keys out of a field', async () => {
    await userEvent.click(screen.getByLabelText('Note'));
    await userEvent.keyboard('zzz rdy');
    expect(screen.getByLabelText('Note')).toHaveValue('zzz rdy');
    expect(server.acts).toEqual([]);
  });

  it('turns a dial at once and keeps where it stands when it rests', async () => {
    const dial = screen.getByRole('heading', { name: 'PLATE' }).parentElement as HTMLElement;
    for (const shiftKey of [false, false, true]) fireEvent.keyDown(document.body, { key: 'ArrowLeft', shiftKey });
    expect(within(dial).getByRole('status')).toHaveTextContent('4.89');
    expect(server.acts).toEqual([]);
    await waitFor(() => expect(server.acts).toHaveLength(1));
    expect(server.acts[0]).toMatchObject({ act: 'SET', control: 'PLATE', text: '4.89' });
  });

  it('steps the drive along the ladder', async () => {
    await userEvent.keyboard('d');
    await userEvent.keyboard('{Shift>}d{/Shift}');
    await waitFor(() => expect(server.acts.map((one) => one.text)).toEqual(['70', '17.5']));
  });

  it('tells what was refused of an entry beside it', async () => {
    const problem = {
      code: 'NEGATIVE',
      field: 'OUTPUT',
      found: '-5',
      message: '-5 is below zero.',
      allowed: '',
      remedy: 'R.',
    };
    server.answer = () => json(422, { title: 'Not taken', detail: '', problems: [problem] });
    await userEvent.type(screen.getByLabelText('Output, W'), '-5{Enter}');
    expect(await screen.findByText(/-5 is below zero/)).toBeInTheDocument();
    expect(screen.getByLabelText('Output, W')).toBeInvalid();
    expect(screen.getByLabelText('Output, W')).toHaveAccessibleDescription(/below zero/);
  });

  it('tells when another window moved the run on', async () => {
    server.answer = () => json(409, { title: 'Changed', detail: '' });
    await userEvent.type(screen.getByLabelText('Output, W'), '870{Enter}');
    expect(await screen.findByText('This run moved on in another window')).toBeInTheDocument();
    expect(screen.getByLabelText('Output, W')).toHaveValue('870');
    expect(screen.getByText(/Not entered/)).toBeInTheDocument();
  });

  it('never goes back to an older view that was under way', async () => {
    let late: (response: Response) => void = () => undefined;
    server.read = () => new Promise((resolve) => (late = resolve));
    void queries.invalidateQueries();
    await userEvent.keyboard('{Enter}');
    await waitFor(() => expect(kinds()).toEqual(['FOLLOW']));
    await act(async () => late(json(200, run)));
    await userEvent.keyboard('z');
    await waitFor(() => expect(server.acts[1]?.expectedSequence).toBe(run.sequence + 1));
  });

  it('says that nothing is saved while the server is away', async () => {
    server.answer = () => {
      throw new TypeError('refused');
    };
    await userEvent.type(screen.getByLabelText('Output, W'), '870{Enter}');
    expect(await screen.findByText(/Not saved yet: output/)).toBeInTheDocument();
    expect(screen.getByLabelText('Output, W')).toHaveValue('870');
  });

  it('takes the corrected record of a meter when it is asked to', async () => {
    await shows({ corrections: [{ meterId: 'f', meter: 'Fathom' }] });
    expect(await screen.findByText(/The record of Fathom was changed/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Take the new record' }));
    await waitFor(() => expect(server.acts[0]).toMatchObject({ act: 'CORRECT', meterId: 'f' }));
  });

  it('leaves two tones unmeasured where there is no analyser', async () => {
    await shows({ advice: { ...run.advice, move: 'ANSWER', onSignal: 'EXCITER_TONES', button: 'Yes' } });
    await userEvent.click(await screen.findByRole('button', { name: 'Not measured' }));
    await waitFor(() => expect(server.acts[0]).toMatchObject({ act: 'LEAVE', check: 'EXCITER_TONES' }));
  });

  it('asks before power in the order of switching on, and nothing before it can be seen', async () => {
    const point = (code: string, moment: RunView['preflight'][number]['moment'], due: boolean) => ({
      code,
      text: code,
      moment,
      answered: moment === 'COLD',
      due,
    });
    await shows({
      phase: 'WARMING',
      steps: [],
      advice: { ...run.advice, move: 'SWITCH_HEATERS_ON', sentence: 'Switch the heaters on' },
      preflight: [
        point('covers on', 'COLD', true),
        point('air moving', 'HEATERS_ON', false),
        point('resting volts', 'WARM', false),
      ],
    });
    const rows = within(await screen.findByRole('region', { name: 'Before power' })).getAllByRole('listitem');
    expect(rows.map((row) => row.textContent)).toEqual([
      expect.stringContaining('covers on'),
      expect.stringContaining('tubes warm'),
      expect.stringContaining('air movingwith the heaters on'),
      expect.stringContaining('resting voltswhen warm'),
    ]);
    expect(screen.queryByRole('button', { name: /^Yes: / })).not.toBeInTheDocument();
  });

  it('goes on by another school', async () => {
    await choose(screen.getByLabelText('School'), 'Grid target');
    await waitFor(() => expect(server.acts.at(-1)).toMatchObject({ act: 'SCHOOL', school: 'GRID_TARGET' }));
  });
});
