import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { choose, Shell } from '../../testing';
import MetersPage from '.';

const RANGES = [
  { meterId: 'F', meter: 'Fathom', range: '150 W' },
  { meterId: 'F', meter: 'Fathom', range: '1.5 kW', compared: '2026-11-01' },
];
const BELIEF = [
  {
    role: 'Output',
    value: '900 W',
    ranked: [
      { meter: 'Fathom', range: '1.5 kW', plusMinus: '± 9 W', compared: 'compared 2026-11-01 with Ballast by heat' },
      { meter: 'Log line', range: '2 kW', plusMinus: '± 60 W' },
    ],
  },
];
const FOUND = {
  kept: false,
  found: [
    {
      meter: 'Fathom',
      range: '150 W',
      says: 'reads 6.0 ± 1.2 % low',
      lowEnd: '',
      believable: true,
      fit: 'The points lie on their line as closely as they should.',
      rows: [{ reference: '100 ± 1', raw: '94', corrected: '100', off: '0' }],
    },
  ],
};

function answers(reply: (path: string, body: Record<string, unknown>) => [number, unknown]) {
  const sent: Record<string, unknown>[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname;
    if (request.method === 'GET') return Response.json(path.endsWith('/ranges') ? RANGES : BELIEF);
    const body = await request.json();
    sent.push(body);
    const [status, answer] = reply(path, body);
    return Response.json(answer, { status });
  });
  return sent;
}

function show() {
  render(
    <Shell>
      <MemoryRouter initialEntries={['/station/meters']}>
        <MetersPage />
      </MemoryRouter>
    </Shell>,
  );
}

describe('meters against each other', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('say whom to believe, since when, and who comes after', async () => {
    answers(() => [200, {}]);
    show();
    const item = await screen.findByRole('listitem');
    expect(within(item).getByText('Fathom, 1.5 kW')).toBeVisible();
    expect(within(item).getByText('compared 2026-11-01 with Ballast by heat')).toBeVisible();
    expect(within(item).getByText('then Log line ± 60 W')).toBeVisible();
  });

  it('send what was read, show what is found, and apply it only when told', async () => {
    const sent = answers((_, body) => [200, { ...FOUND, kept: body.keep }]);
    show();
    await userEvent.type(await screen.findByLabelText('called'), 'Ballast by heat');
    await userEvent.type(screen.getByLabelText('Reference, point 1'), '100');
    await userEvent.type(screen.getByLabelText('Fathom, point 1'), '94');
    await userEvent.click(screen.getByRole('button', { name: 'Compare' }));
    expect(await screen.findByText('reads 6.0 ± 1.2 % low')).toBeVisible();
    expect(sent[0]).toEqual({
      reference: 'Ballast by heat',
      referencePercent: '2',
      meters: [{ meterId: 'F', range: '150 W' }],
      points: [{ reference: '100', readings: ['94'] }],
      keep: false,
    });
    await userEvent.click(screen.getByRole('button', { name: 'Apply from now on' }));
    expect(await screen.findByText(/Applied from now on/)).toBeVisible();
    expect(sent[1]?.keep).toBe(true);
  });

  it('ask for the load instead of a per cent where the reference is volts', async () => {
    answers(() => [200, FOUND]);
    show();
    await choose(await screen.findByLabelText('The reference is'), 'volts across a measured load');
    expect(screen.getByLabelText('load as measured, Ω')).toBeVisible();
    expect(screen.queryByLabelText('right within ±, %')).not.toBeInTheDocument();
  });

  it('mark the cell that was refused', async () => {
    answers(() => [
      422,
      {
        title: 'Refused',
        problems: [
          {
            code: 'NOT_A_NUMBER',
            field: 'points.0.reference',
            found: 'x',
            message: '“x” is not a number.',
            allowed: '',
            remedy: 'Type digits.',
          },
        ],
      },
    ]);
    show();
    await userEvent.type(await screen.findByLabelText('Reference, point 1'), 'x');
    await userEvent.click(screen.getByRole('button', { name: 'Compare' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('is not a number');
    expect(screen.getByLabelText('Reference, point 1')).toBeInvalid();
  });

  it('say where volts and wattmeter differ what to look at, in order', async () => {
    answers(() => [
      200,
      {
        power: '798 ± 28',
        pep: '798 ± 28',
        volts: '199.8 V rms',
        worst: '282 V at worst',
        agreement: 'They differ: −158 ± 52 W.',
        causes: ['the load’s resistance', 'the range'],
      },
    ]);
    show();
    await userEvent.type(await screen.findByLabelText(/Read: 424 Vpp/), '565 Vpp');
    await userEvent.click(screen.getByRole('button', { name: 'Convert' }));
    expect(await screen.findByText('798 ± 28 W')).toBeVisible();
    expect(screen.getByText('the load’s resistance').compareDocumentPosition(screen.getByText('the range'))).toBe(
      Node.DOCUMENT_POSITION_FOLLOWING,
    );
  });
});
