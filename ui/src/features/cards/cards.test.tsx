import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { CardView, Choices } from '../../api';
import { choose, Shell } from '../../testing';
import CardsPage from '.';

const card = (more: Partial<CardView>): CardView => ({
  runId: 'r',
  amplifier: 'Brigantine',
  band: 'MHZ_7',
  bandName: '7 MHz',
  frequencyHz: 7.1e6,
  frequencyMhz: '7.100',
  termination: 'Ballast 1000',
  exciter: 'Halyard 100',
  carrier: 'CW',
  use: 'SPEECH_AND_CW',
  useName: 'Speech and CW',
  pulsed: false,
  plate: '5.09',
  load: '5.0',
  driveW: '70',
  outputW: '875',
  plateCurrentMa: '576',
  verifiedAt: '2026-11-05T18:40:00Z',
  times: 1,
  ...more,
});

const choices = {
  stationDescribed: true,
  amplifiers: [
    {
      id: 'A',
      name: 'Brigantine',
      detail: '',
      tuned: true,
      bands: ['MHZ_7'],
      reads: [],
      switchPositions: ['SSB', 'CW'],
    },
  ],
  exciters: [],
  pads: [],
  terminations: [
    { id: 'L', name: 'Ballast 1000', detail: '', tuned: true, bands: [], reads: [], switchPositions: [] },
    { id: 'Y', name: 'Yardarm', detail: '', tuned: true, bands: ['MHZ_7'], reads: [], switchPositions: [] },
  ],
  meters: [],
  bands: [{ band: 'MHZ_7', name: '7 MHz', lowestHz: 6.9e6, highestHz: 7.3e6 }],
  carriers: [],
  schools: [],
  suggestions: [],
  rungs: [],
  sources: [],
} as unknown as Choices;

interface Sent {
  path: string;
  body: unknown;
}

function answers(cards: CardView[], reply: (sent: Sent) => [number, unknown]) {
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname;
    if (request.method === 'GET') {
      return Response.json(path === '/api/cards' ? cards : choices);
    }
    const one = { path, body: await request.json() };
    sent.push(one);
    const [status, body] = reply(one);
    return Response.json(body, { status });
  });
  return sent;
}

function show() {
  render(
    <Shell>
      <MemoryRouter initialEntries={['/cards']}>
        <CardsPage />
      </MemoryRouter>
    </Shell>,
  );
}

describe('the cards', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('have a line for each segment, load and switch position, with how often and what drifted', async () => {
    answers(
      [
        card({ times: 3, drift: 'since 2026-09-12: PLATE +0.03, LOAD 0, output −40 ± 9 W' }),
        card({ frequencyMhz: '7.010', switchPosition: 'CW', runId: undefined }),
      ],
      () => [200, {}],
    );
    show();
    const rows = await screen.findAllByRole('row', { name: /7 MHz/ });
    expect(rows).toHaveLength(2);
    expect(within(rows[0] as HTMLElement).getByText(/3×/)).toBeVisible();
    expect(within(rows[0] as HTMLElement).getByText(/output −40 ± 9 W/)).toBeVisible();
    expect(within(rows[1] as HTMLElement).getByText('CW')).toBeVisible();
    expect(within(rows[1] as HTMLElement).queryByRole('link')).not.toBeInTheDocument();
  });

  it('say what dials are for and what was pulsed, where there is a choice', async () => {
    answers(
      [
        card({}),
        card({ use: 'LONG_CARRIER', useName: 'Long carrier', load: '3.0', outputW: '400' }),
        card({ frequencyHz: 14.1e6, pulsed: true }),
      ],
      () => [200, {}],
    );
    show();
    expect(await screen.findByRole('columnheader', { name: 'For' })).toBeVisible();
    expect(screen.getByRole('cell', { name: 'Long carrier' })).toBeVisible();
    expect(screen.getByRole('cell', { name: 'Speech and CW, pulsed' })).toBeVisible();
  });
  it('bring rows in from a file, and say how many were new', async () => {
    const sent = answers([card({})], () => [200, { rows: 5, kept: 2 }]);
    show();
    const file = new File(['amplifier,band\n'], 'cards.csv', { type: 'text/csv' });
    await userEvent.upload(await screen.findByLabelText('Bring rows in, CSV'), file);
    expect(await screen.findByText('2 of 5 rows were new.')).toBeVisible();
    expect(sent).toEqual([{ path: '/api/cards/import', body: { text: 'amplifier,band\n' } }]);
  });

  it('set the paper that they are printed on', async () => {
    answers([card({})], () => [200, {}]);
    show();
    await choose(await screen.findByLabelText('Paper'), 'Letter');
    expect(document.querySelector('style')?.textContent).toContain('size: letter landscape');
  });

  it('find dials ahead for what is asked, with the switch, and show how sure they are', async () => {
    const sent = answers([card({})], () => [
      200,
      { plate: '5.07 ± 0.05', load: '4.15 ± 0.17', basis: 'by the twin', reach: 'Stay within 7.025 and 7.300 MHz.' },
    ]);
    show();
    await userEvent.type(await screen.findByLabelText('MHz, 6.9 to 7.3'), '7.2');
    await choose(screen.getByLabelText('Into'), 'Yardarm');
    await choose(screen.getByLabelText('Its switch'), 'CW');
    await userEvent.click(screen.getByText('Find the dials'));
    expect(await screen.findByText('5.07 ± 0.05')).toBeVisible();
    expect(screen.getByText('Stay within 7.025 and 7.300 MHz.')).toBeVisible();
    expect(sent[0]?.body).toEqual({
      amplifierId: 'A',
      terminationId: 'Y',
      band: 'MHZ_7',
      frequency: '7.2',
      switchPosition: 'CW',
    });
  });

  it('name what is wrong with a frequency beside it', async () => {
    answers([card({})], () => [
      422,
      {
        title: 'Refused',
        problems: [
          {
            code: 'OUT_OF_RANGE',
            field: 'frequency',
            found: '14',
            message: '14 is beyond the range.',
            allowed: '',
            remedy: 'Enter a value within 6.9 to 7.3.',
          },
        ],
      },
    ]);
    show();
    await userEvent.type(await screen.findByLabelText('MHz, 6.9 to 7.3'), '14');
    await userEvent.click(screen.getByText('Find the dials'));
    expect(await screen.findByRole('alert')).toHaveTextContent('Enter a value within 6.9 to 7.3.');
    expect(screen.getByLabelText('MHz, 6.9 to 7.3')).toBeInvalid();
  });
});
