import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { EquipmentView, FitView } from '../../api';
import { Shell } from '../../testing';
import { EquipmentEditor } from './EquipmentEditor';
import { TwinWizard } from './TwinWizard';

const AMPLIFIER = {
  id: '11111111-1111-4111-8111-111111111111',
  revision: 3,
  kind: 'amplifier',
  name: 'Coracle',
  body: {
    kind: 'amplifier',
    name: 'Coracle',
    stage: { kind: 'tubes', tube: { construction: 'TRIODE' }, plateVoltageRestDcV: 1850, restingPlateCurrentA: 0.04 },
  },
} as unknown as EquipmentView;

const METER = {
  ...AMPLIFIER,
  kind: 'meter',
  name: 'Fathom',
  body: {
    kind: 'meter',
    name: 'Fathom',
    channels: [
      {
        role: 'OUTPUT',
        scaleUnit: 'W',
        ranges: [{ name: 'a', fullScale: 150 }],
        accuracy: { kind: 'ofFullScale', fraction: 0.05 },
        indication: 'AVERAGE',
        correctionFactor: 1,
      },
    ],
  },
} as unknown as EquipmentView;

const FOUND = {
  rows: [
    { label: 'Point 1: output, W', sheet: '190', twin: '189', offPercent: -0.4 },
    { label: 'Point 1: input SWR', sheet: '1.00', twin: '1.12', offPercent: 12.3 },
  ],
  constants: [
    { label: 'Bias, V', value: '9.8', determined: 'WELL', says: 'by the sheet' },
    { label: 'Amplification factor', value: '100', determined: 'NOT', says: 'not by the sheet: customary' },
  ],
  notes: ['The dials on 28 MHz are guesses.'],
  amplifier: { kind: 'amplifier', name: 'Coracle', twin: { kind: 'cathodeDriven' } },
  revision: 3,
} as unknown as FitView;

describe('from sheet to twin', () => {
  let sent: { method: string; url: string; body: Record<string, unknown> }[];
  let reply: { status: number; body: unknown };

  const show = (path: string, element: React.ReactNode, at: string) =>
    render(
      <Shell>
        <MemoryRouter initialEntries={[at]}>
          <Routes>
            <Route path={path} element={element} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  beforeEach(() => {
    sent = [];
    reply = { status: 200, body: FOUND };
    vi.stubGlobal('fetch', async (request: Request) => {
      sent.push({ method: request.method, url: request.url, body: (await request.json()) as Record<string, unknown> });
      return new Response(JSON.stringify(reply.body), {
        status: reply.status,
        headers: { 'Content-Type': 'application/json' },
      });
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  const wizard = () =>
    show('/station/:id/twin', <TwinWizard equipment={[AMPLIFIER]} />, `/station/${AMPLIFIER.id}/twin`);

  async function fill(user: ReturnType<typeof userEvent.setup>) {
    await user.type(screen.getByLabelText('Plate voltage under load'), '1700');
    await user.type(screen.getByLabelText('Plate current'), '0,18');
    await user.type(screen.getByLabelText('Grid current'), '.045');
    await user.type(screen.getByLabelText('Drive'), '20');
    await user.type(screen.getByLabelText('Output'), '190');
  }

  it('starts from the record, sends the sheet as numbers, and keeps the twin at the revision it was made for', async () => {
    const user = userEvent.setup();
    wizard();
    expect(screen.getByLabelText('Plate voltage at rest')).toHaveValue('1850');
    await fill(user);
    await user.click(screen.getByText('Find the twin'));
    expect(await screen.findByText('Point 1: output, W')).toBeInTheDocument();
    const sheet = sent[0]?.body.sheet as Record<string, unknown>;
    expect(sheet.operations).toEqual([
      { plateVoltageDcV: 1700, plateCurrentA: 0.18, gridCurrentA: 0.045, driveW: 20, outputW: 190 },
    ]);
    expect(sheet.amplificationFactor).toBeUndefined();
    reply = { status: 200, body: AMPLIFIER };
    await user.click(screen.getByText('Save this twin'));
    expect(await screen.findByText(/New runs with Coracle use it/)).toBeInTheDocument();
    expect(sent[1]?.method).toBe('PUT');
    expect(sent[1]?.url).toContain('revision=3');
    expect(sent[1]?.body.twin).toEqual({ kind: 'cathodeDriven' });
  });

  it('says which figure is not met and which constant is a custom', async () => {
    const user = userEvent.setup();
    wizard();
    await fill(user);
    await user.click(screen.getByText('Find the twin'));
    expect(await screen.findByText('not met')).toBeInTheDocument();
    expect(screen.getByText('not by the sheet: customary')).toBeInTheDocument();
    expect(screen.getByText('The dials on 28 MHz are guesses.')).toBeInTheDocument();
  });

  it('puts a refusal at its field', async () => {
    const user = userEvent.setup();
    wizard();
    await fill(user);
    reply = {
      status: 422,
      body: {
        title: 'Not taken',
        problems: [
          {
            code: 'OUT_OF_RANGE',
            field: 'sheet.operations.0.outputW',
            found: '190',
            message: '190 is beyond the range.',
            allowed: '1 to 150 W',
            remedy: 'Enter a value within 1 to 150 W.',
          },
        ],
      },
    };
    await user.click(screen.getByText('Find the twin'));
    expect(await screen.findByText(/Enter a value within 1 to 150 W/)).toBeInTheDocument();
    expect(screen.getByLabelText('Output')).toHaveAttribute('aria-invalid', 'true');
  });

  it('tries an instrument as the form has it, and says in words what came', async () => {
    const user = userEvent.setup();
    show('/station/new/:kind', <EquipmentEditor equipment={[]} />, '/station/new/instrument');
    await user.click(screen.getByText('Try it'));
    expect(await screen.findByText(/Fill in the fields first/)).toBeInTheDocument();
    await user.type(screen.getByLabelText('Port'), '5025');
    await user.type(screen.getByLabelText('Query, ended by ?, query 1'), 'MEAS:POW?');
    reply = { status: 200, body: [{ query: 'MEAS:POW?', health: 'SILENT', says: 'silent', answer: '' }] };
    await user.click(screen.getByText('Try it'));
    expect(await screen.findByText(/It is silent/)).toBeInTheDocument();
    await waitFor(() => expect(sent[0]?.body.port).toBe(5025));
    expect(sent[0]?.body.queries).toMatchObject([{ query: 'MEAS:POW?', role: 'OUTPUT' }]);
    await user.click(screen.getByText('Add a query'));
    const second = screen.getByLabelText('Query, ended by ?, query 2');
    await user.type(second, 'MEAS:REFL?');
    reply = {
      status: 200,
      body: [
        { query: 'MEAS:POW?', health: 'OK', says: 'answers', answer: '0.5389', value: 0.5389 },
        { query: 'MEAS:REFL?', health: 'SLOW', says: 'slow', answer: '0.02', value: 0.02 },
      ],
    };
    await user.click(screen.getByText('Try it'));
    expect(await screen.findByText('0.5389')).toBeInTheDocument();
    expect(screen.getByText(/It is slow: “0.02”/)).toBeInTheDocument();
  });

  it('says what belongs to no field of the form, too', async () => {
    const user = userEvent.setup();
    show('/station/:id/twin', <TwinWizard equipment={[AMPLIFIER]} />, `/station/${AMPLIFIER.id}/twin`);
    for (const [label, text] of [
      ['Plate voltage under load', '1700'],
      ['Plate current', '0.18'],
      ['Grid current', '0.045'],
      ['Drive', '20'],
      ['Output', '190'],
    ] as const) {
      await user.type(screen.getByLabelText(label), text);
    }
    const problem = { code: 'TWIN_UNSETTLED', field: 'sheet', found: '', allowed: '' };
    reply = {
      status: 422,
      body: {
        title: 'Not taken',
        problems: [{ ...problem, message: 'No twin fits it.', remedy: 'Look at the sheet.' }],
      },
    };
    await user.click(screen.getByText('Find the twin'));
    expect(await screen.findByText(/No twin fits it/)).toBeVisible();
  });

  it('begins a copy with all of the record but its name', async () => {
    localStorage.clear();
    const sent: Record<string, unknown>[] = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      if (request.method === 'POST') sent.push(await request.json());
      return new Response(JSON.stringify({ ...METER, id: 'copy' }), {
        headers: { 'Content-Type': 'application/json' },
      });
    });
    show('/station/new/:kind', <EquipmentEditor equipment={[METER]} />, `/station/new/${METER.kind}?like=${METER.id}`);
    const name = await screen.findByLabelText('Name');
    expect(name).toHaveValue('');
    expect(screen.getByText(`all as ${METER.name}; name it, and change what differs`)).toBeVisible();
    await userEvent.type(name, 'Lugger');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ ...METER.body, name: 'Lugger' });
  });

  it('offers types to start from, and begins with the one that was chosen', async () => {
    localStorage.clear();
    const type = { code: 'TRIODE_PAIR', name: 'pair of 350 W triodes', body: { ...AMPLIFIER.body, ratedOutputW: 850 } };
    vi.stubGlobal(
      'fetch',
      async () => new Response(JSON.stringify([type]), { headers: { 'Content-Type': 'application/json' } }),
    );
    show('/station/new/:kind', <EquipmentEditor equipment={[]} />, '/station/new/amplifier');
    expect(await screen.findByLabelText('Output that the maker claims')).toHaveValue('');
    await userEvent.click(await screen.findByText('pair of 350 W triodes'));
    await waitFor(() => expect(screen.getByLabelText('Output that the maker claims')).toHaveValue('850'));
    expect(screen.getByLabelText('Name')).toHaveValue('');
    expect(screen.getByText('pair of 350 W triodes')).toHaveAttribute('aria-current', 'true');
  });

  it('says what was refused at no field that it shows, and keeps what is typed while it is being saved', async () => {
    localStorage.clear();
    const user = userEvent.setup();
    const problem = { code: 'OUT_OF_RANGE', field: 'channels.0.ranges.7.fullScale', found: '', allowed: '' };
    reply = {
      status: 422,
      body: { title: 'Not taken', problems: [{ ...problem, message: 'That is too much.', remedy: 'Give less.' }] },
    };
    show('/station/:id', <EquipmentEditor equipment={[METER]} />, `/station/${METER.id}`);
    const name = await screen.findByLabelText('Name');
    await user.type(name, 'x');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(/That is too much/)).toBeVisible();

    let answer = () => {};
    vi.stubGlobal('fetch', async () => {
      await new Promise<void>((resolve) => {
        answer = resolve;
      });
      return new Response(JSON.stringify({ ...METER, revision: 4 }), {
        headers: { 'Content-Type': 'application/json' },
      });
    });
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await user.type(name, 'y');
    answer();
    await waitFor(() => expect(localStorage.getItem(`tubrin.draft.equipment.${METER.id}`)).toMatch(/"of":4.*Fathomxy/));
  });

  it('keeps no draft of a record that was only looked at', async () => {
    localStorage.clear();
    show('/station/:id', <EquipmentEditor equipment={[METER]} />, `/station/${METER.id}`);
    const name = await screen.findByLabelText('Name');
    expect(localStorage).toHaveLength(0);
    await userEvent.type(name, 'x');
    expect(localStorage).toHaveLength(1);
    await userEvent.type(name, '{Backspace}');
    expect(localStorage).toHaveLength(0);
  });
});
