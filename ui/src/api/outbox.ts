import { ask, client, type FieldProblem, type Refusal } from './client';
import type { ActRequest, RunView } from './schema';

/** What the operator did, before the outbox gives it an id and a place. */
export type Act = Omit<ActRequest, 'clientId' | 'expectedSequence'>;

/** An act on its way, with the id that makes a repeated send harmless. */
export type Pending = Act & { clientId: string };

export interface OutboxState {
  pending: readonly Pending[];
  /** Whether the server does not answer and the acts wait. */
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

interface Wires {
  runId: string;
  sequence: () => number;
  onView: (view: RunView) => void;
  /** Called for refusals that belong to no field. */
  onRefused: (act: Act, refusal: Refusal) => void;
  onStale: (act: Act) => void;
  storage?: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;
  retryMs?: number;
}

/**
 * Sends a run's acts one after the other, each at the sequence that the one before left. While the server does not answer
 * they wait, here and in the browser's storage, and go out with their old ids when it is back.
 */
export class Outbox {
  private state: OutboxState;
  private readonly listeners = new Set<() => void>();
  private busy = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
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
    this.set({ pending: [...this.state.pending, { ...act, clientId: crypto.randomUUID() }], problems });
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
    while (this.state.pending.length > 0 && !this.closed) {
      const act = this.state.pending[0] as Pending;
      try {
        const view = await ask(
          client.POST('/api/runs/{id}/acts', {
            params: { path: { id: this.wires.runId } },
            body: { ...act, expectedSequence: this.wires.sequence() },
          }),
        );
        this.wires.onView(view);
        this.set({ pending: this.state.pending.slice(1), waiting: false });
      } catch (error) {
        if (this.handle(act, error as Refusal)) break;
      }
    }
    this.busy = false;
  }

  /** Returns whether to stop sending for now. */
  private handle(act: Pending, refusal: Refusal): boolean {
    if (refusal.passing) {
      this.set({ waiting: true });
      this.timer = setTimeout(() => void this.send(), this.wires.retryMs ?? 2000);
      return true;
    }
    if (refusal.status === 409) {
      // What follows was meant for a run that stood otherwise.
      this.set({ pending: [], waiting: false });
      this.wires.onStale(act);
      return true;
    }
    const field = fieldOf(act);
    const problem = refusal.problems[0];
    const problems = field && problem ? { ...this.state.problems, [field]: problem } : this.state.problems;
    this.set({ pending: this.state.pending.slice(1), waiting: false, problems });
    if (!field || !problem) this.wires.onRefused(act, refusal);
    return false;
  }

  private set(change: Partial<OutboxState>): void {
    this.state = { ...this.state, ...change };
    if (this.state.pending.length > 0) {
      this.wires.storage?.setItem(this.key(), JSON.stringify(this.state.pending));
    } else {
      this.wires.storage?.removeItem(this.key());
    }
    for (const listener of this.listeners) listener();
  }

  private read(): Pending[] {
    try {
      return JSON.parse(this.wires.storage?.getItem(this.key()) ?? '[]') as Pending[];
    } catch {
      return [];
    }
  }

  private key(): string {
    return `tubrin.outbox.${this.wires.runId}`;
  }
}
