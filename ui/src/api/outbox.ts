import { say } from '../words';
import { ask, client, type FieldProblem, type Refusal } from './client';
import type { ActRequest, RunView } from './schema';

/** What the operator did, before the outbox gives it an id and a place. */
export type Act = Omit<ActRequest, 'clientId' | 'expectedSequence'>;

/** An act on its way, with the id that makes a repeated send harmless. */
export type Pending = Act & { clientId: string };

export interface OutboxState {
  pending: readonly Pending[];
  /** Whether the server does not answer, or is slow to, and the acts wait. */
  waiting: boolean;
  /** What was refused of an entry, by its field, until it is entered again. */
  problems: Readonly<Record<string, FieldProblem>>;
}

/** Returns the field that an act enters something into, where it does. */
export function fieldOf(act: Act): string | undefined {
  switch (act.act) {
    case 'READ':
      return act.role;
    case 'SET':
      return act.control;
    case 'PRODUCTS':
      return act.products?.through;
    default:
      return undefined;
  }
}

/** What keeps acts through a reload; the browser's own storage is one. */
export interface Keeper {
  readonly length: number;
  key(index: number): string | null;
  getItem(key: string): string | null;
  setItem(key: string, value: string): void;
  removeItem(key: string): void;
}

interface Wires {
  runId: string;
  sequence: () => number;
  onView: (view: RunView) => void;
  /** Called for refusals that belong to no field. */
  onRefused: (act: Act, refusal: Refusal) => void;
  /** Called when the run moved on elsewhere, with what was not taken and belongs to no field. */
  onStale: (acts: Act[]) => void;
  storage?: Keeper;
}

/** How long an answer may take before the operator is told that what was entered waits. */
const SLOW_MS = 700;
/** How long an answer may take before the same act is sent again under its old id. */
const GIVE_UP_MS = 10_000;
const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 8000;

/**
 * Sends a run's acts one after the other, each at the sequence that the one before left. While the server does not answer, or
 * answers that it cannot keep anything now, they wait, here and in the browser's storage, and go out with their old ids.
 */
export class Outbox {
  private state: OutboxState;
  private readonly listeners = new Set<() => void>();
  private busy = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private pauseMs = FIRST_PAUSE_MS;
  private closed = true;

  constructor(private readonly wires: Wires) {
    this.state = { pending: this.read(), waiting: false, problems: {} };
  }

  readonly snapshot = (): OutboxState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  add(act: Act): void {
    const { [fieldOf(act) ?? '']: _mended, ...problems } = this.state.problems;
    const pending = { ...act, clientId: crypto.randomUUID() };
    this.keep(pending);
    this.set({ pending: [...this.state.pending, pending], problems });
    void this.send();
  }

  /** Begins to send: what waits already, and what is added. */
  open(): void {
    this.closed = false;
    void this.send();
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
  }

  private async send(): Promise<void> {
    if (this.busy || this.closed) return;
    this.busy = true;
    clearTimeout(this.timer);
    try {
      while (this.state.pending.length > 0 && !this.closed) {
        if (!(await this.sendFirst(this.state.pending[0] as Pending))) break;
      }
    } finally {
      this.busy = false;
    }
  }

  /** Sends the first act; returns whether to go on with the next. */
  private async sendFirst(act: Pending): Promise<boolean> {
    const slow = setTimeout(() => this.set({ waiting: true }), SLOW_MS);
    let view: RunView;
    try {
      view = await ask(
        client.POST('/api/runs/{id}/acts', {
          params: { path: { id: this.wires.runId } },
          body: { ...act, expectedSequence: this.wires.sequence() },
          signal: AbortSignal.timeout(GIVE_UP_MS),
        }),
      );
    } catch (error) {
      clearTimeout(slow);
      return this.handle(act, error as Refusal);
    }
    clearTimeout(slow);
    this.pauseMs = FIRST_PAUSE_MS;
    this.forget(act);
    try {
      this.wires.onView(view);
    } catch {
      // What it shows is the page's matter; what was taken is taken, and the next act goes out.
    }
    this.set({ pending: this.state.pending.filter((one) => one !== act), waiting: false });
    return true;
  }

  /** Returns whether to go on with the next act. */
  private handle(act: Pending, refusal: Refusal): boolean {
    if (refusal.passing) {
      this.set({ waiting: true });
      this.timer = setTimeout(() => void this.send(), this.pauseMs);
      this.pauseMs = Math.min(2 * this.pauseMs, LONGEST_PAUSE_MS);
      return false;
    }
    if (refusal.status === 409) {
      this.stale();
      return false;
    }
    const field = fieldOf(act);
    const problem = refusal.problems[0];
    const problems = field && problem ? { ...this.state.problems, [field]: problem } : this.state.problems;
    this.forget(act);
    this.set({ pending: this.state.pending.slice(1), waiting: false, problems });
    if (!field || !problem) this.wires.onRefused(act, refusal);
    return true;
  }

  /** What waits was meant for a run that stood otherwise: none of it is sent, and all that was typed stays where it is. */
  private stale(): void {
    const acts = this.state.pending;
    const problems = { ...this.state.problems };
    for (const act of acts) {
      const field = fieldOf(act);
      if (field) problems[field] = notTaken(act, field);
      this.forget(act);
    }
    this.set({ pending: [], waiting: false, problems });
    this.wires.onStale(acts.filter((act) => fieldOf(act) === undefined));
  }

  private set(change: Partial<OutboxState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }

  // Each act is kept under a key of its own: windows of the same run do not put each other's away.

  private keep(act: Pending): void {
    try {
      this.wires.storage?.setItem(`${this.prefix()}${Date.now()}.${act.clientId}`, JSON.stringify(act));
    } catch {
      // The storage is full or closed: it still goes out from here.
    }
  }

  private forget(act: Pending): void {
    try {
      for (const key of this.keys().filter((one) => one.endsWith(act.clientId))) this.wires.storage?.removeItem(key);
    } catch {
      // It would go out once more after a reload, with its old id.
    }
  }

  private read(): Pending[] {
    try {
      return this.keys().flatMap((key) => {
        const kept = this.wires.storage?.getItem(key);
        return kept ? [JSON.parse(kept) as Pending] : [];
      });
    } catch {
      return [];
    }
  }

  /** Returns the keys of what this run keeps, oldest first. */
  private keys(): string[] {
    const { storage } = this.wires;
    const keys = Array.from({ length: storage?.length ?? 0 }, (_, index) => storage?.key(index) ?? '');
    return keys.filter((key) => key.startsWith(this.prefix())).sort();
  }

  private prefix(): string {
    return `tubrin.outbox.${this.wires.runId}.`;
  }
}

function notTaken(act: Act, field: string): FieldProblem {
  return {
    code: 'STALE',
    field,
    found: act.text ?? '',
    message: say('api.notEntered'),
    allowed: '',
    remedy: say('api.enterAgain'),
  };
}
