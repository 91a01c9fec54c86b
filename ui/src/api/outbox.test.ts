import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Act, Outbox, type RunView } from '.';

/** A server that keeps what it takes, answers by its script, and knows ids that it has seen. */
class Server {
  taken: string[] = [];
  seen = new Set<string>();
  script: (number | 'down')[] = [];
  sequence = 1;

  readonly fetch = async (request: Request): Promise<Response> => {
    const next = this.script.shift() ?? 200;
    if (next === 'down') throw new TypeError('connection refused');
    const act = (await request.json()) as Act & { clientId: string; expectedSequence: number };
    if (next !== 200) return json(next, { title: 'Not taken', detail: 'why', problems: [{ code: 'NOT_A_NUMBER' }] });
    if (!this.seen.has(act.clientId)) {
      if (act.expectedSequence !== this.sequence) return json(409, { title: 'stale' });
      this.seen.add(act.clientId);
      this.taken.push(act.text ?? act.act);
      this.sequence += 1;
    }
    return json(200, { sequence: this.sequence });
  };
}

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

const read = (text: string): Act => ({ act: 'READ', role: 'OUTPUT', text });
const flush = () => vi.advanceTimersByTimeAsync(5000);

describe('outbox', () => {
  const server = new Server();
  let sequence = 1;
  let refused: string[] = [];
  let stale: string[] = [];
  const storage = new Map<string, string>();
  let full = false;
  let viewFails = false;
  const open = () => {
    const box = new Outbox({
      runId: 'r',
      sequence: () => sequence,
      onView: (view: RunView) => {
        sequence = view.sequence;
        if (viewFails) throw new Error('the page fell over');
      },
      onRefused: (act) => refused.push(act.text ?? ''),
      onStale: (acts) => stale.push(...acts.map((act) => act.act)),
      storage: {
        get length() {
          return storage.size;
        },
        key: (index) => [...storage.keys()][index] ?? null,
        getItem: (key) => storage.get(key) ?? null,
        setItem: (key, value) => {
          if (full) throw new Error('QuotaExceededError');
          storage.set(key, value);
        },
        removeItem: (key) => void storage.delete(key),
      },
    });
    box.open();
    return box;
  };

  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('fetch', server.fetch);
    Object.assign(server, { taken: [], seen: new Set(), script: [], sequence: 1 });
    sequence = 1;
    refused = [];
    stale = [];
    storage.clear();
    full = false;
    viewFails = false;
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('sends what is typed in quick succession one after the other', async () => {
    const box = open();
    for (const text of ['1', '2', '3', '4']) box.add(read(text));
    await flush();
    expect(server.taken).toEqual(['1', '2', '3', '4']);
    expect(box.snapshot().pending).toEqual([]);
  });

  it('waits while the server is down and sends each act once when it is back', async () => {
    server.script = ['down', 503, 'down'];
    const box = open();
    box.add(read('1'));
    box.add(read('2'));
    await vi.advanceTimersByTimeAsync(10);
    expect(box.snapshot().waiting).toBe(true);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(server.taken).toEqual(['1', '2']);
    expect(box.snapshot()).toEqual({ pending: [], waiting: false, problems: {} });
  });

  it('keeps what waits through a reload', async () => {
    server.script = ['down'];
    const before = open();
    for (const text of ['1', '2', '3']) {
      before.add(read(text));
      vi.advanceTimersByTime(2);
    }
    await vi.advanceTimersByTimeAsync(10);
    before.close();
    open();
    await flush();
    expect(server.taken).toEqual(['1', '2', '3']);
    expect(storage.size).toBe(0);
  });

  it('does not record twice what the server took before its reply was lost', async () => {
    const box = open();
    box.add(read('1'));
    const { fetch } = server;
    let lost = true;
    vi.stubGlobal('fetch', async (request: Request) => {
      const reply = await fetch(request);
      if (lost) {
        lost = false;
        throw new TypeError('reset');
      }
      return reply;
    });
    await flush();
    expect(server.taken).toEqual(['1']);
    expect(box.snapshot().pending).toEqual([]);
  });

  it('goes on after a refusal', async () => {
    server.script = [422];
    const box = open();
    box.add(read('abc'));
    box.add(read('2'));
    await flush();
    expect(server.taken).toEqual(['2']);
    expect(refused).toEqual([]);
  });

  it('holds what was refused of a field until it is entered again', async () => {
    server.script = [422];
    const box = open();
    box.add(read('abc'));
    await flush();
    expect(box.snapshot().problems.OUTPUT?.code).toBe('NOT_A_NUMBER');
    box.add(read('138'));
    expect(box.snapshot().problems).toEqual({});
  });

  it('tells a refusal that belongs to no field', async () => {
    server.script = [422];
    const box = open();
    box.add({ act: 'NOTE', text: 'too long' });
    await flush();
    expect(refused).toEqual(['too long']);
  });

  it('keeps what was typed while the database is away, however long and whatever the failure is called', async () => {
    server.script = [...Array(9).fill(500), ...Array(9).fill(503), 507, 502];
    const box = open();
    for (const text of ['1', '2', '3', '4']) box.add(read(text));
    await vi.advanceTimersByTimeAsync(30_000);
    expect(box.snapshot().pending).toHaveLength(4);
    expect(box.snapshot().waiting).toBe(true);
    await vi.advanceTimersByTimeAsync(200_000);
    expect(server.taken).toEqual(['1', '2', '3', '4']);
    expect(storage.size).toBe(0);
  });

  it('says within a second that what was entered waits when no answer comes', async () => {
    vi.stubGlobal('fetch', () => new Promise(() => undefined));
    const box = open();
    box.add(read('1'));
    await vi.advanceTimersByTimeAsync(600);
    expect(box.snapshot().waiting).toBe(false);
    await vi.advanceTimersByTimeAsync(400);
    expect(box.snapshot().waiting).toBe(true);
  });

  it('goes on when the page falls over at a view, and when the storage is full', async () => {
    viewFails = true;
    full = true;
    const box = open();
    box.add(read('1'));
    box.add(read('2'));
    await flush();
    box.add(read('3'));
    await flush();
    expect(server.taken).toEqual(['1', '2', '3']);
  });

  it('never clears what was typed when the run moved on elsewhere', async () => {
    server.sequence = 7;
    const box = open();
    box.add(read('1'));
    box.add({ act: 'SET', control: 'LOAD', text: '4.5' });
    box.add({ act: 'RECORD' });
    await flush();
    expect(server.taken).toEqual([]);
    expect(box.snapshot().pending).toEqual([]);
    expect(Object.values(box.snapshot().problems).map((problem) => [problem.field, problem.found])).toEqual([
      ['OUTPUT', '1'],
      ['LOAD', '4.5'],
    ]);
    expect(stale).toEqual(['RECORD']);
    expect(storage.size).toBe(0);
  });

  it('leaves alone what another window of the same run keeps', async () => {
    server.script = ['down'];
    const other = open();
    other.add(read('1'));
    await vi.advanceTimersByTimeAsync(10);
    const box = open();
    await flush();
    expect(server.taken).toEqual(['1']);
    server.script = ['down'];
    other.add(read('2'));
    await vi.advanceTimersByTimeAsync(10);
    box.add({ act: 'NOTE', text: 'other' });
    await vi.advanceTimersByTimeAsync(10);
    expect([...storage.values()].some((kept) => kept.includes('"2"'))).toBe(true);
  });
});
