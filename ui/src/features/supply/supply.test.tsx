import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { LiveSupply, PlanView, ProfileView, SupplyRecordView } from '../../api';
import { choose, Shell } from '../../testing';
import SupplyPage from '.';
import { benchMeters } from './benchMeters';
import recorded from './testSupply.json';

// biome-ignore lint/suspicious/noExplicitAny: what was recorded of a server, looked into anywhere
type Body = Record<string, any>;

const PLAN = recorded.plan as unknown as SupplyRecordView;
const PROFILE = recorded.profile as unknown as SupplyRecordView;
const VIEW = recorded.planView as unknown as PlanView;
const PROFILE_VIEW = recorded.profileView as unknown as ProfileView;
const LIVE: LiveSupply = {
  benchThere: true,
  keyed: false,
  exciterW: 1,
  aimS: 5,
  stopS: 10,
  figures: [
    { role: 'OUTPUT', meter: 'Fathom', shown: '49.9 W', health: 'OK', says: '' },
    { role: 'SUPPLY_CURRENT', meter: 'Sounding', shown: '15.2 A', health: 'OK', says: '' },
    { role: 'SUPPLY_VOLTAGE', meter: 'Sounding', health: 'SILENT', says: 'Silent' },
  ],
};

// What is typed in one test is no draft of the next.
afterEach(() => localStorage.clear());

interface Sent {
  method: string;
  path: string;
  query: string;
  body: Body;
}

/** Answers as the server does; a plan's own answer can be changed by what is sent. */
function answers(more: (sent: Sent) => [number, unknown] | undefined = () => undefined): Sent[] {
  const all: Sent[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname: path, search: query } = new URL(request.url);
    if (request.method === 'GET') {
      const known: Record<string, unknown> = {
        '/api/supply-records': [PLAN, PROFILE],
        '/api/supply/live': LIVE,
        '/api/equipment': [
          { id: 'w', revision: 1, kind: 'supply', name: 'Windlass 40', body: (PLAN.body as Body).supply },
          { id: 'c', revision: 1, kind: 'supply', name: 'Capstan 25', body: { kind: 'supply', name: 'Capstan 25' } },
        ],
      };
      return Response.json(known[path] ?? []);
    }
    const text = await request.text();
    const sent = { method: request.method, path, query, body: text ? JSON.parse(text) : {} };
    all.push(sent);
    const [status, answer] =
      more(sent) ??
      (path === '/api/supply/plan'
        ? [200, VIEW]
        : path === '/api/supply/profile'
          ? [200, PROFILE_VIEW]
          : [200, { ...PLAN, revision: PLAN.revision + 1, body: sent.body }]);
    return status === 204 ? new Response(null, { status }) : Response.json(answer, { status });
  });
  return all;
}

function show(path: string) {
  render(
    <Shell>
      <MemoryRouter initialEntries={[path]}>
        <Routes>
          <Route path="/supply/*" element={<SupplyPage />} />
        </Routes>
      </MemoryRouter>
    </Shell>,
  );
}

/** Returns a field of a form, once it is there. */
async function field(path: string): Promise<HTMLInputElement> {
  await waitFor(() => expect(document.querySelector(`[data-field="${path}"]`)).not.toBeNull());
  return document.querySelector(`[data-field="${path}"]`) as HTMLInputElement;
}

/** Returns what was sent of a kind, once it was. */
async function found(sent: Sent[], is: (one: Sent) => boolean): Promise<Sent> {
  await waitFor(() => expect(sent.some(is)).toBe(true));
  return sent.find(is) as Sent;
}

const refusal = (field: string) => ({
  title: 'Not taken',
  detail: '',
  problems: [
    { code: 'OUT_OF_RANGE', field, found: '0', message: '0 is beyond the range.', allowed: '', remedy: 'More.' },
  ],
});

describe('a plan', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('says the verdict with its reason and shows each tread of the stair with its fall', async () => {
    answers();
    show('/supply');
    const verdict = await screen.findByRole('region', { name: 'Verdict' });
    expect(within(verdict).getByText('The lead is too thin')).toBeVisible();
    expect(within(verdict).getByText(/reach the set at its peak/)).toBeVisible();
    expect(screen.getByRole('img', { name: /Terminals 13.80 V.*Lead back 12.24 V/ })).toBeVisible();
    expect(screen.getByText('Next standard size')).toBeVisible();
  });

  it('is judged anew as soon as something is turned, and kept only when told', async () => {
    const sent = answers();
    show('/supply');
    await screen.findByRole('region', { name: 'Verdict' });
    await choose(screen.getByLabelText('Lead'), '2 × 16 mm²');
    await waitFor(() => expect(sent.at(-1)?.body.lead.areaM2).toBe(16e-6));
    expect(sent.every((one) => one.path === '/api/supply/plan')).toBe(true);
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    const kept = sent.find((one) => one.method === 'PUT');
    expect(kept?.body.lead.areaM2).toBe(16e-6);
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Put back' })).toBeNull());
  });

  it('keeps what was seen while something typed is refused, and says what', async () => {
    answers((sent) => (sent.body.lead?.lengthM === 0.001 ? [422, refusal('lead.lengthM')] : undefined));
    show('/supply');
    await screen.findByRole('region', { name: 'Verdict' });
    const length = screen.getByDisplayValue('7');
    await userEvent.clear(length);
    await userEvent.type(length, '0.001');
    expect(await screen.findByText('0 is beyond the range.')).toBeVisible();
    expect(screen.getByText('The lead is too thin')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Put back' }));
    await waitFor(() => expect(screen.queryByText('0 is beyond the range.')).toBeNull());
  });

  it('moves a rating by arrows one ampere at a time, at once', async () => {
    const sent = answers();
    show('/supply');
    const rating = await screen.findByRole('slider', { name: /Windlass 40: 40 A/ });
    for (let i = 0; i < 3; i++) fireEvent.keyDown(rating, { key: 'ArrowDown' });
    expect(rating).toHaveAttribute('aria-valuenow', '37');
    await waitFor(() => expect(sent.at(-1)?.body.supply).toMatchObject({ continuousA: 37, intermittentA: 37 }));
  });

  it('takes a measured set into its form and goes to the field that is refused', async () => {
    const sent = answers((one) => (one.method === 'PUT' ? [422, refusal('boxes.0.leastV')] : undefined));
    show(`/supply/plans/${PLAN.id}/edit`);
    await choose(await screen.findByLabelText('Add a measured set'), PROFILE.name);
    // The name is taken by the set that was there.
    expect(await field('boxes.4.name')).toHaveValue('Halyard 100, 2');
    fireEvent.click(screen.getByText('Save'));
    const put = await found(sent, (one) => one.method === 'PUT');
    expect(put.body.boxes.at(-1)).toMatchObject({
      kind: 'transmitting',
      profile: (PROFILE_VIEW.box as Body).profile,
    });
    const refused = await field('boxes.0.leastV');
    await waitFor(() => expect(refused).toHaveFocus());
  });
});

describe('the form of a plan', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('takes own duty from an average that was read', async () => {
    const sent = answers((one) =>
      one.path === '/api/supply/duty' ? [200, { onShare: 0.412, says: 'On for 41 %' }] : undefined,
    );
    show(`/supply/plans/${PLAN.id}/edit`);
    fireEvent.change(await screen.findByLabelText(/Own duty/), { target: { value: '8,2' } });
    fireEvent.click(screen.getByText('Take it'));
    expect(await screen.findByText('On for 41 %')).toBeVisible();
    expect(sent.at(-1)?.body).toMatchObject({ averageA: '8,2', peakEnvelopeW: 50, profile: { set: 'Halyard 100' } });
    expect(document.querySelector('[data-field="pattern.0.envelope.onShare"]')).toHaveValue('41.2');
  });

  it('lets a renamed set keep its transmissions, and one taken away lose them', async () => {
    answers();
    show(`/supply/plans/${PLAN.id}/edit`);
    const name = await field('boxes.0.name');
    fireEvent.change(name, { target: { value: 'Halyard, left' } });
    expect(document.querySelector('[data-field="pattern.0.box"]')).toHaveTextContent('Halyard, left');
    fireEvent.click(screen.getByText('Delete Halyard, left'));
    expect(document.querySelector('[data-field="pattern.0.box"]')).toBeNull();
    expect(screen.getByText('Add a set first.')).toBeVisible();
  });

  it('stands as it was left when the page is opened anew, until one begins anew', async () => {
    answers();
    show(`/supply/plans/${PLAN.id}/edit`);
    fireEvent.change(await field('lead.lengthM'), { target: { value: '17' } });
    cleanup();
    show(`/supply/plans/${PLAN.id}/edit`);
    expect(await field('lead.lengthM')).toHaveValue('17');
    expect(screen.getByText(/As you left it/)).toBeVisible();
    fireEvent.click(screen.getByText('Begin anew'));
    expect(await field('lead.lengthM')).not.toHaveValue('17');
    expect(screen.queryByText(/As you left it/)).toBeNull();
  });

  it('says which field is no number, and sends nothing', async () => {
    const sent = answers();
    show(`/supply/plans/${PLAN.id}/edit`);
    const cell = await field('boxes.0.profile.points.2.currentA');
    fireEvent.change(cell, { target: { value: 'eleven' } });
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(/“eleven” is not a number/)).toBeVisible();
    await waitFor(() => expect(cell).toHaveFocus());
    expect(sent).toEqual([]);
  });
});

describe('two plans', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('stand beside each other, and what differs stands out', async () => {
    const thick = structuredClone(VIEW);
    thick.verdict.title = 'Windlass 40 carries the station';
    answers((sent) => (sent.body.lead?.areaM2 === 16e-6 ? [200, thick] : undefined));
    show('/supply');
    await screen.findByRole('region', { name: 'Verdict' });
    await choose(screen.getByLabelText('Beside'), 'this plan as saved');
    await choose(screen.getByLabelText('Lead'), '2 × 16 mm²');
    const beside = await screen.findByRole('region', { name: 'Beside each other' });
    const row = await within(beside).findByRole('row', {
      name: /Verdict Windlass 40 carries the station The lead is too thin/,
    });
    expect(within(row).getAllByRole('cell')[0]).toHaveClass('font-semibold');
  });
});

describe('a high voltage', () => {
  afterEach(() => vi.unstubAllGlobals());
  const HIGH = {
    title: 'One capacitor stands too high',
    reason: '424 V in the worst case.',
    findings: [{ code: 'CAPACITOR_OVER', title: 'One capacitor stands too high', meaning: '', act: '' }],
    groups: [{ title: 'Sharing', facts: [{ what: 'Worst capacitor', figure: '424 V', note: 'rated 400 V' }] }],
    lowV: 50,
    lowLabel: '50 V: short it and measure',
    course: [
      { atS: 0, volts: 2800 },
      { atS: 50, volts: 20 },
    ],
    cautions: ['Bleeders fail.'],
  };

  it('is judged as it is typed, with its cautions, and not while a figure is none', async () => {
    const sent = answers((one) => (one.path === '/api/supply/high-voltage' ? [200, HIGH] : undefined));
    show('/supply/high-voltage/new');
    const verdict = await screen.findByRole('region', { name: 'Verdict' });
    expect(within(verdict).getByText('Bleeders fail.')).toBeVisible();
    expect(screen.getByText('424 V')).toBeVisible();
    const rated = document.querySelector('[data-field="bank.eachRatedV"]') as HTMLInputElement;
    fireEvent.change(rated, { target: { value: '400' } });
    await waitFor(() => expect(sent.at(-1)?.body.bank.eachRatedV).toBe(400));
    const before = sent.length;
    fireEvent.change(rated, { target: { value: 'x' } });
    expect(sent.length).toBe(before);
    expect(screen.getByText('424 V')).toBeVisible();
  });
});

describe('the measuring of a set', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('takes what instruments show by R, leaves a silent one to be typed, and records by Enter', async () => {
    const sent = answers((one) => (one.path === '/api/supply/bench' ? [204, null] : undefined));
    show(`/supply/profiles/${PROFILE.id}`);
    await screen.findByText('Enough: the profile stands');
    await waitFor(() => expect(screen.getByText('49.9 W')).toBeVisible());
    await userEvent.keyboard(' ');
    await waitFor(() =>
      expect(sent.some((one) => one.body.keyed === true && one.body.supply === 'Windlass 40')).toBe(true),
    );
    await userEvent.keyboard('r');
    expect(screen.getByLabelText(/Output, W/)).toHaveValue('49.9 W');
    expect(screen.getByLabelText(/Voltage, V/)).toHaveValue('');
    await userEvent.type(screen.getByLabelText(/Voltage, V/), '13.6{Escape}');
    await userEvent.keyboard('{Enter}');
    const read = await found(sent, (one) => one.path.endsWith('/readings'));
    expect(read.body).toEqual({ keyed: true, output: '49.9 W', current: '15.2 A', voltage: '13.6' });
  });

  it('undoes the last reading by Z, once', async () => {
    const sent = answers((one) =>
      one.path.endsWith('/readings') ? [200, { ...PROFILE, revision: PROFILE.revision + 1 }] : undefined,
    );
    show(`/supply/profiles/${PROFILE.id}`);
    await screen.findByText('Enough: the profile stands');
    await userEvent.keyboard('z');
    expect(sent.some((one) => one.method === 'PUT')).toBe(false);
    await userEvent.keyboard('{Enter}');
    await screen.findByRole('button', { name: /Undo/ });
    await userEvent.keyboard('z');
    const put = await found(sent, (one) => one.method === 'PUT');
    expect(put.body).toEqual(PROFILE.body);
    await waitFor(() => expect(screen.queryByRole('button', { name: /Undo/ })).toBeNull());
  });

  it('says what the set draws at any output, and where that is refused', async () => {
    const sent = answers((one) =>
      one.query === '?atW=37'
        ? [200, { ...PROFILE_VIEW, at: [{ what: 'Current', figure: '13.2 ± 0.4 A', note: 'between what was read' }] }]
        : one.query === '?atW=9000'
          ? [422, refusal('atW')]
          : undefined,
    );
    show(`/supply/profiles/${PROFILE.id}`);
    const at = within(await screen.findByRole('region', { name: 'At any output' }));
    await userEvent.type(at.getByLabelText('At, W'), '37');
    expect(await at.findByText('13.2 ± 0.4 A')).toBeVisible();
    await userEvent.clear(at.getByLabelText('At, W'));
    expect(at.queryByText('13.2 ± 0.4 A')).toBeNull();
    fireEvent.change(at.getByLabelText('At, W'), { target: { value: '9000' } });
    expect(await at.findByText(/atW/)).toBeVisible();
    expect(sent.some((one) => one.query === '?atW=9000')).toBe(true);
  });

  it('lets the key of the bench up by itself when the time is out', async () => {
    const sent = answers((one) => (one.path === '/api/supply/bench' ? [204, null] : undefined));
    show(`/supply/profiles/${PROFILE.id}`);
    await screen.findByText('Enough: the profile stands');
    await waitFor(() => expect(screen.getByText('49.9 W')).toBeVisible());
    const started = Date.now();
    vi.spyOn(Date, 'now').mockImplementation(() => started);
    LIVE.keyed = true;
    await userEvent.keyboard(' ');
    await waitFor(() => expect(sent.some((one) => one.body.keyed === true)).toBe(true));
    vi.spyOn(Date, 'now').mockImplementation(() => started + 10_500);
    await waitFor(() => expect(sent.some((one) => one.body.keyed === false)).toBe(true), { timeout: 3000 });
    LIVE.keyed = false;
    vi.restoreAllMocks();
  });

  it('offers the meters of the bench where nothing reads, and adds them to the station', async () => {
    const figures = LIVE.figures;
    LIVE.figures = [];
    const sent = answers((one) => (one.path === '/api/equipment' ? [201, {}] : undefined));
    show(`/supply/profiles/${PROFILE.id}`);
    await userEvent.click(await screen.findByRole('button', { name: "Read the bench's meters" }));
    await waitFor(() => expect(sent.filter((one) => one.path === '/api/equipment')).toHaveLength(4));
    const roles = sent
      .filter((one) => one.body.kind === 'instrument')
      .flatMap((one) => one.body.queries.map((query: { role: string }) => query.role));
    expect(roles).toEqual(['OUTPUT', 'SUPPLY_CURRENT', 'SUPPLY_VOLTAGE']);
    LIVE.figures = figures;
  });

  it('takes a reading away again', async () => {
    const sent = answers();
    show(`/supply/profiles/${PROFILE.id}`);
    await userEvent.click(await screen.findByRole('button', { name: 'Delete: Keyed, 49.8 W' }));
    const put = await found(sent, (one) => one.method === 'PUT');
    const left = put.body.keyed.map((one: Body) => one.outputW);
    expect(left).toEqual(
      (PROFILE.body as Body).keyed.map((one: Body) => one.outputW).filter((watt: number) => watt !== 49.8),
    );
  });
});

describe('a set to be measured', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('is named after set and supply, and begins without a reading', async () => {
    const sent = answers((one) =>
      one.path === '/api/supply-records/profiles' ? [201, { ...PROFILE, id: 'new' }] : undefined,
    );
    show('/supply/profiles/new');
    await choose(await screen.findByLabelText('on one of its supplies'), 'Capstan 25');
    fireEvent.change(document.querySelector('[data-field=set]') as HTMLInputElement, { target: { value: 'Skiff 10' } });
    fireEvent.change(document.querySelector('[data-field=greatestW]') as HTMLInputElement, { target: { value: '10' } });
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    const post = await found(sent, (one) => one.path === '/api/supply-records/profiles');
    expect(post.body).toEqual({
      name: 'Skiff 10 on Capstan 25',
      set: 'Skiff 10',
      supply: 'Capstan 25',
      greatestW: 10,
      keyed: [],
    });
  });
});

describe("the bench's meters", () => {
  it('are offered only for what nothing reads', () => {
    const of = (figures: LiveSupply['figures']) => benchMeters({ ...LIVE, figures }).map((one) => one.kind);
    expect(of([])).toEqual(['meter', 'instrument', 'meter', 'instrument']);
    expect(of(LIVE.figures)).toEqual([]);
    expect(of(LIVE.figures.slice(0, 1))).toEqual(['meter', 'instrument']);
  });
});
