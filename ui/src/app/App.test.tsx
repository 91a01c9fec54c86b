import { render, screen, waitFor, waitForElementToBeRemoved } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, useNavigate } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Shell } from '../testing';
import { App } from './App';

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

/** A page of the log that no view can draw: the list is missing. */
const BROKEN = { all: 1, asked: 1, page: 1, pages: 1, perPage: 50, choices: {} };

describe('the page', () => {
  let answers: Record<string, () => Response>;

  beforeEach(() => {
    answers = {
      '/api/station': () => json({ revision: 1, station: { name: 'Skerry Point' } }),
      '/api/bench': () => json({ named: false }),
      '/api/cards': () => json([]),
      '/api/runs': () => json(BROKEN),
    };
    vi.stubGlobal('fetch', async (request: Request) => answers[new URL(request.url).pathname]?.() ?? json({}, 404));
    // What breaks is told in the console as well.
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
  });

  afterEach(() => {
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });

  let back: () => void = () => undefined;
  function Back() {
    const navigate = useNavigate();
    back = () => navigate(-1);
    return null;
  }

  const open = (path: string) =>
    render(
      <Shell>
        <MemoryRouter initialEntries={[path]}>
          <Back />
          <App />
        </MemoryRouter>
      </Shell>,
    );

  it('goes on where one view breaks: its bar stands, the view can be tried again, other places work', async () => {
    open('/log');
    expect(await screen.findByText('This view broke')).toBeVisible();
    expect(screen.getByRole('link', { name: 'Tubrin' })).toBeVisible();
    answers['/api/runs'] = () => json({ ...BROKEN, all: 0, asked: 0, runs: [] });
    await userEvent.click(screen.getByRole('link', { name: 'Cards' }));
    expect(await screen.findByText('No card yet')).toBeVisible();
    expect(screen.queryByText('This view broke')).not.toBeInTheDocument();
  });

  it('goes to a place by G and its letter, shows the keys by ?, and gives the focus back', async () => {
    open('/cards');
    await screen.findByText('No card yet');
    await userEvent.keyboard('?');
    expect(await screen.findByRole('dialog', { name: 'Keys' })).toBeVisible();
    await userEvent.keyboard('gl');
    expect(screen.getByText('No card yet')).toBeInTheDocument();
    await userEvent.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).not.toBeInTheDocument();
    answers['/api/runs'] = () => json({ ...BROKEN, all: 0, asked: 0, runs: [] });
    await userEvent.keyboard('gl');
    expect(await screen.findByText('No run yet')).toBeVisible();
  });

  it('takes the focus to the heading of a view that is opened, and back to the link that was followed', async () => {
    answers['/api/runs'] = () => json({ ...BROKEN, all: 0, asked: 0, runs: [] });
    open('/log');
    const start = await screen.findByRole('link', { name: 'Start a climb' });
    expect(document.body).toHaveFocus();
    await userEvent.click(screen.getByRole('link', { name: 'Cards' }));
    const heading = await screen.findByRole('heading', { name: 'No card yet' });
    await waitFor(() => expect(heading).toHaveFocus());
    await userEvent.click(screen.getByRole('link', { name: 'Log' }));
    expect(await screen.findByText('No run yet')).toBeVisible();
    (await screen.findByRole('link', { name: 'Start a climb' })).focus();
    await userEvent.keyboard('gc');
    await waitFor(() => expect(screen.getByRole('heading', { name: 'No card yet' })).toHaveFocus());
    back();
    await waitFor(() => expect(screen.getByRole('link', { name: 'Start a climb' })).toHaveFocus());
    expect(start).not.toBeInTheDocument();
  });

  it('leaves the focus where the operator has put it meanwhile', async () => {
    open('/log');
    await screen.findByText('This view broke');
    let answer: (response: Response) => void = () => undefined;
    answers['/api/cards'] = () => new Promise<Response>((resolve) => (answer = resolve)) as unknown as Response;
    await userEvent.click(screen.getByRole('link', { name: 'Cards' }));
    expect(await screen.findByText('Reading the cards')).toBeInTheDocument();
    const keys = screen.getByRole('button', { name: /keys/ });
    keys.focus();
    answer(json([]));
    expect(await screen.findByText('No card yet')).toBeVisible();
    expect(keys).toHaveFocus();
  });

  it('shows where a view will stand while it is read, and what to do where it is not there', async () => {
    let answer: (response: Response) => void = () => undefined;
    answers['/api/cards'] = () => new Promise<Response>((resolve) => (answer = resolve)) as unknown as Response;
    open('/cards');
    expect(await screen.findByText('Reading the cards')).toBeInTheDocument();
    answer(json({ title: 'The database does not answer', detail: 'Try it again.', problems: [] }, 503));
    expect(await screen.findByText('The database does not answer')).toBeVisible();
    answers['/api/cards'] = () => json([]);
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('No card yet')).toBeVisible();
  });

  it('says within a second that the bench is keyed, also after it was away for a moment', async () => {
    const looks = [{ named: true }, { named: true, keyedForS: 3.2 }];
    answers['/api/bench'] = () => json(looks.length > 1 ? looks.shift() : looks[0]);
    open('/cards');
    expect(await screen.findByText(/^keyed 3 s/, {}, { timeout: 1900 })).toBeVisible();
    answers['/api/bench'] = () => json({ named: true });
    await waitForElementToBeRemoved(() => screen.queryByText(/^keyed/), { timeout: 1900 });
  });
});
