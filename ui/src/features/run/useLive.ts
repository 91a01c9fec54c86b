import { replaceEqualDeep } from '@tanstack/react-query';
import { createContext, useContext, useEffect, useMemo, useSyncExternalStore } from 'react';
import type { ExpectedCell, LiveFrame, LiveReading, RunView } from '../../api';

/** A source that is not well, and how. */
export type Trouble = Pick<LiveReading, 'role' | 'says'>;

const NOTHING: LiveFrame = { readings: [], expected: [], pastPeak: false };

/** How long a turn takes to the bench, to its meters and back. */
const AFTER_TURN_MS = 700;

/** How long a frame counts as live. */
const STALE_MS = 1500;

/**
 * Holds the last frame of a run's live stream; parts of the page look at what they need of it. Of all windows that show the
 * run, one reads the stream and tells the others: a browser opens few connections to one host, and the key must always get
 * through. A hidden window reads nothing.
 */
export class Live {
  private frame: LiveFrame = NOTHING;
  /** The same list as long as nothing changes, so that what shows it is drawn again only then. */
  private troubles: Trouble[] = [];
  private channel: BroadcastChannel | undefined;
  private turn: AbortController | undefined;
  private stale: ReturnType<typeof setTimeout> | undefined;
  private runId = '';
  /** From when on frames are of what was turned last. */
  private toldFrom = 0;
  private readonly listeners = new Set<() => void>();

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = () => this.frame;

  troubled = () => this.troubles;

  /** Returns what reading the meters now would come to; what was told before a turn says nothing of what follows it. */
  ifRead = () => (performance.now() < this.toldFrom ? undefined : this.frame.ifRead);

  /** Says that something was turned here. */
  turned = () => {
    this.toldFrom = performance.now() + AFTER_TURN_MS;
  };

  open(runId: string) {
    this.runId = runId;
    this.channel = new BroadcastChannel(`tubrin.live.${runId}`);
    this.channel.onmessage = (event) => this.take(event.data as LiveFrame);
    document.addEventListener('visibilitychange', this.seen);
    this.seen();
  }

  close() {
    document.removeEventListener('visibilitychange', this.seen);
    this.endTurn();
    this.channel?.close();
    this.take(NOTHING);
    clearTimeout(this.stale);
  }

  /** While the window is seen, waits for its turn to read. */
  private seen = () => {
    if (document.visibilityState === 'hidden') {
      this.endTurn();
    } else if (!this.turn) {
      const turn = new AbortController();
      this.turn = turn;
      const read = () => this.read(turn.signal);
      // Where the browser has no locks each window reads for itself.
      const reading = navigator.locks?.request(`tubrin.live.${this.runId}`, { signal: turn.signal }, read) ?? read();
      // Given up before its turn came.
      reading.catch(() => undefined);
    }
  };

  private endTurn() {
    this.turn?.abort();
    this.turn = undefined;
  }

  /** Reads the stream until its turn ends. */
  private read(signal: AbortSignal): Promise<void> {
    return new Promise((done) => {
      const source = new EventSource(`/api/runs/${this.runId}/live`);
      source.onmessage = (event) => this.tell(JSON.parse(event.data as string) as LiveFrame);
      // The browser connects again by itself; meanwhile nothing old is shown as live.
      source.onerror = () => this.tell(NOTHING);
      signal.addEventListener('abort', () => {
        source.close();
        done();
      });
    });
  }

  private tell(frame: LiveFrame) {
    this.take(frame);
    this.channel?.postMessage(frame);
  }

  take(frame: LiveFrame) {
    // What has not changed stays the same object: what shows it is not drawn again twenty times a second.
    this.frame = replaceEqualDeep(this.frame, frame);
    clearTimeout(this.stale);
    if (frame !== NOTHING) this.stale = setTimeout(() => this.take(NOTHING), STALE_MS);
    const troubles = frame.readings.filter((one) => one.says !== '').map(({ role, says }) => ({ role, says }));
    this.troubles = replaceEqualDeep(this.troubles, troubles);
    for (const listener of this.listeners) listener();
  }
}

export const LiveContext = createContext(new Live());

/** Opens the live stream of a run while it goes on and does not live by typing alone. */
export function useLiveStream(live: Live, view: RunView | undefined) {
  const runId = view?.id;
  const wanted =
    view !== undefined && view.source !== 'TYPED' && view.phase !== 'FINISHED' && view.phase !== 'ABANDONED';
  useEffect(() => {
    if (!runId || !wanted) return;
    live.open(runId);
    return () => live.close();
  }, [live, runId, wanted]);
}

function useFrame<T>(pick: (frame: LiveFrame) => T): T {
  const live = useContext(LiveContext);
  return useSyncExternalStore(live.subscribe, () => pick(live.snapshot()));
}

/** Returns what a meter shows now. */
export function useLiveReading(role: LiveReading['role']): LiveReading | undefined {
  return useFrame((frame) => frame.readings.find((one) => one.role === role));
}

/** Returns what to do about the first meter that is beyond its limit now. */
export function useOver(): string | undefined {
  return useFrame((frame) => frame.readings.find((one) => one.over)?.over);
}

/** Returns what the twin expects a meter to show at the dials and the drive as they stand. */
export function useLiveExpected(role: ExpectedCell['role']): ExpectedCell | undefined {
  return useFrame((frame) => frame.expected.find((one) => one.role === role));
}

/** What the bench's panels show. */
type BenchView = NonNullable<LiveFrame['bench']>;

/** Returns one thing that the bench's panels show; undefined where the run is not on the bench. */
export function useBench<T>(pick: (bench: BenchView) => T): T | undefined {
  return useFrame((frame) => frame.bench && pick(frame.bench));
}

/** Returns where drive and dials of the bench stand; undefined where the run is not on it, or it is away. */
export function useBenchDials(): Pick<BenchView, 'driveW' | 'plate' | 'load'> | undefined {
  const driveW = useBench((bench) => (bench.present ? bench.driveW : undefined));
  const plate = useBench((bench) => bench.plate);
  const load = useBench((bench) => bench.load);
  return useMemo(
    () => (driveW === undefined ? undefined : { driveW, plate: plate ?? 0, load: load ?? 0 }),
    [driveW, plate, load],
  );
}

/** Returns the sources that are not well. */
export function useTroubles(): Trouble[] {
  const live = useContext(LiveContext);
  return useSyncExternalStore(live.subscribe, live.troubled);
}

/** The meter that is nearest to its limit now. */
export interface Nearest {
  role: LiveReading['role'];
  share: number;
  over: boolean;
}

/** Returns the meter that is nearest to its limit now. */
export function useNearest(): Nearest | undefined {
  const live = useContext(LiveContext);
  // One text as long as nothing changes, so that what shows it is drawn again only then.
  const told = useSyncExternalStore(live.subscribe, () => {
    const nearest = live
      .snapshot()
      .readings.filter((one) => one.ofLimit !== undefined)
      .sort((a, b) => (b.ofLimit ?? 0) - (a.ofLimit ?? 0))[0];
    return nearest && JSON.stringify({ role: nearest.role, share: nearest.ofLimit, over: Boolean(nearest.over) });
  });
  return told ? (JSON.parse(told) as Nearest) : undefined;
}
