import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Shell } from '../../testing';
import { CasePage, default as FaultsPage } from '.';

const SUSPECTS = [
  { cause: 'JUMPER_OPEN', name: 'Jumper cable is open', how: 'possible', percent: 48 },
  { cause: 'RELAY_CONTACTS', name: 'Relay contacts are pitted', how: 'possible', percent: 31 },
];

const CASE = {
  id: 'c1',
  revision: 1,
  amplifier: 'Brigantine',
  symptoms: 'Reception dead after transmitting',
  note: '',
  openedOn: '2026-05-01',
  verdict: 'CHECK',
  sentence: 'Swap the jumper for one that you trust.',
  why: 'Of all checks this one tells most.',
  check: 'SWAP_JUMPER',
  answers: [
    { yes: true, label: 'It is gone', means: 'Most likely: the jumper (96 %).' },
    { yes: false, label: 'It stays', means: 'Most likely: the relay (55 %).' },
  ],
  cautions: [],
  also: [],
  suspects: SUSPECTS,
  others: [{ check: 'WORK_RELAY', says: 'Work the relay. Does it come and go?', yes: 'Yes', no: 'No' }],
  steps: [{ at: '2026-05-01T10:00:00Z', says: 'The log: has output fallen?', answer: 'No' }],
};

const FAULTS = {
  symptoms: [
    { code: 'RECEIVE_DEAD', name: 'Reception dead', within: 'ANY' },
    { code: 'FILAMENT_DARK', name: 'Filament dark', within: 'TUBES' },
    { code: 'DEVICE_RUNS_AWAY', name: 'Current runs away', within: 'TRANSISTORS' },
  ],
  mostSymptoms: 4,
  amplifiers: [
    { name: 'Brigantine', within: 'TUBES' },
    { name: 'Ketch 600', within: 'TRANSISTORS' },
  ],
  cases: [
    { id: 'c0', amplifier: 'Barque', symptoms: 'Hum', openedOn: '2026-04-01', closed: true, says: 'Fixed: capacitor.' },
  ],
};

const QUESTIONS = [
  { check: 'ASK_SUDDEN', says: 'Did it begin from one day to the next?' },
  { check: 'ASK_CHANGED', says: 'Was anything changed before?' },
];

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': status < 400 ? 'application/json' : 'application/problem+json' },
  });

describe('faults', () => {
  let now: object;
  let sent: Record<string, unknown>[];
  let away: boolean;

  beforeEach(() => {
    now = CASE;
    sent = [];
    away = false;
    localStorage.clear();
    vi.stubGlobal('fetch', async (request: Request) => {
      const path = new URL(request.url).pathname;
      if (request.method === 'POST') {
        if (away) return json({ title: 'The database does not answer', detail: 'Try again.', problems: [] }, 503);
        sent.push(await request.json());
        return json(now, path.endsWith('/acts') ? 200 : 201);
      }
      if (path === '/api/faults/questions') return json(QUESTIONS);
      return json(path === '/api/faults' ? FAULTS : now);
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
            <Route path="/faults" element={<FaultsPage />} />
            <Route path="/faults/:caseId" element={<CasePage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  it('begins with what is seen: only symptoms that the amplifier can have, and goes to the case', async () => {
    open('/faults');
    expect(await screen.findByRole('checkbox', { name: 'Filament dark' })).toBeVisible();
    expect(screen.queryByRole('checkbox', { name: 'Current runs away' })).not.toBeInTheDocument();
    expect(screen.getByText('Fixed: capacitor.')).toBeVisible();
    const find = screen.getByRole('button', { name: 'Find the cause' });
    expect(find).toBeDisabled();
    await userEvent.click(screen.getByRole('checkbox', { name: 'Reception dead' }));
    await userEvent.click(find);
    expect(await screen.findByText('Swap the jumper for one that you trust.')).toBeVisible();
    expect(sent[0]).toMatchObject({ amplifier: 'Brigantine', symptoms: ['RECEIVE_DEAD'], intermittent: false });
  });

  it('asks what is known already, and sends what is, not what is left open or taken back', async () => {
    open('/faults');
    await userEvent.click(await screen.findByRole('checkbox', { name: 'Reception dead' }));
    const answer = async (question: string, word: string) =>
      userEvent.click(within(await screen.findByRole('radiogroup', { name: question })).getByText(word));
    await answer('Did it begin from one day to the next?', 'no');
    await answer('Was anything changed before?', 'yes');
    await answer('Was anything changed before?', 'not known');
    await userEvent.click(screen.getByRole('button', { name: 'Find the cause' }));
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.known).toEqual([{ check: 'ASK_SUDDEN', yes: false }]);
  });

  it('keeps what was chosen where the server is away, and sends it under the same id again', async () => {
    away = true;
    const { unmount } = open('/faults');
    await userEvent.click(await screen.findByRole('checkbox', { name: 'Reception dead' }));
    await userEvent.click(screen.getByRole('button', { name: 'Find the cause' }));
    expect(await screen.findByText('The database does not answer')).toBeVisible();
    unmount();
    away = false;
    open('/faults');
    expect(await screen.findByRole('checkbox', { name: 'Reception dead' })).toBeChecked();
    await userEvent.click(screen.getByRole('button', { name: 'Find the cause' }));
    await screen.findByText('Swap the jumper for one that you trust.');
    expect(sent).toHaveLength(1);
  });

  it('is answered by keys, skipped and undone', async () => {
    open('/faults/c1');
    await screen.findByText('Swap the jumper for one that you trust.');
    now = { ...CASE, revision: 2 };
    await userEvent.keyboard('2');
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toEqual({ act: 'ANSWER', check: 'SWAP_JUMPER', yes: false, revision: 1 });
    await vi.waitFor(async () => {
      await userEvent.keyboard('3');
      expect(sent).toHaveLength(2);
    });
    expect(sent[1]).toEqual({ act: 'SKIP', check: 'SWAP_JUMPER', revision: 2 });
    await vi.waitFor(async () => {
      await userEvent.keyboard('z');
      expect(sent).toHaveLength(3);
    });
    expect(sent[2]).toMatchObject({ act: 'UNDO' });
  });

  it('takes a cause that was put right without being asked for, and a check that was made before', async () => {
    open('/faults/c1');
    const suspects = await screen.findByRole('region', { name: 'What it may be' });
    expect(within(suspects).getByText('48 %', { normalizer: (text) => text.replace(/\s/g, ' ') })).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'I put it right: Relay contacts are pitted' }));
    expect(screen.getByText(/Put right: Relay contacts are pitted/)).toBeVisible();
    await userEvent.keyboard('1');
    await vi.waitFor(() => expect(sent[0]).toMatchObject({ act: 'FIX', cause: 'RELAY_CONTACTS', yes: true }));
    await userEvent.click(screen.getByText('Other checks, or those already made'));
    await userEvent.click(screen.getByRole('button', { name: 'Work the relay. Does it come and go? Yes' }));
    await vi.waitFor(() => expect(sent[1]).toMatchObject({ act: 'ANSWER', check: 'WORK_RELAY', yes: true }));
  });

  it('is opened again where the symptom came back', async () => {
    now = { ...CASE, verdict: 'CURED', sentence: 'Gone since the jumper was replaced.', check: undefined, answers: [] };
    open('/faults/c1');
    await screen.findByText('Gone since the jumper was replaced.');
    expect(screen.queryByRole('button', { name: /I put it right/ })).not.toBeInTheDocument();
    await userEvent.keyboard('2');
    await vi.waitFor(() => expect(sent[0]).toEqual({ act: 'BACK', revision: 1 }));
  });
});
