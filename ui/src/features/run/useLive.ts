import { createContext, useContext, useEffect, useMemo, useSyncExternalStore } from 'react';
import type { ExpectedCell, LiveFrame, LiveReading, RunView } from '../../api';

/** A source that is not well, and how. */
export type Trouble = Pick<LiveReading, 'role' | 'says'>;

const NOTHING: LiveFrame = { readings: [], expected: [] };

/** Holds the last frame of a run's live stream; parts of the page look at what they need of it. */
export class Live {
  private frame: LiveFrame = NOTHING;
  /** The same list as long as nothing changes, so that what shows it is drawn again only then. */
  private troubles: Trouble[] = [];
  private source: EventSource | undefined;
  private readonly listeners = new Set<() => void>();

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = () => this.frame;

  troubled = () => this.troubles;

  open(runId: string) {
    this.source = new EventSource(`/api/runs/${runId}/live`);
    this.source.onmessage = (event) => this.take(JSON.parse(event.data as string) as LiveFrame);
    // The browser connects again by itself; meanwhile nothing old is shown as live.
    this.source.onerror = () => this.take(NOTHING);
  }

  close() {
    this.source?.close();
    this.take(NOTHING);
  }

  take(frame: LiveFrame) {
    this.frame = frame;
    const troubles = frame.readings.filter((one) => one.says !== '').map(({ role, says }) => ({ role, says }));
    if (JSON.stringify(troubles) !== JSON.stringify(this.troubles)) this.troubles = troubles;
    for (const listener of this.listeners) listener();
  }
}

export const LiveContext = createContext(new Live());

/** Opens the live stream of a run while it goes on and does not live by typing alone. */
export function useLiveStream(view: RunView | undefined): Live {
  const live = useMemo(() => new Live(), []);
  const runId = view?.id;
  const wanted =
    view !== undefined && view.source !== 'TYPED' && view.phase !== 'FINISHED' && view.phase !== 'ABANDONED';
  useEffect(() => {
    if (!runId || !wanted) return;
    live.open(runId);
    return () => live.close();
  }, [live, runId, wanted]);
  return live;
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

/** Returns what the bench's panels show; undefined where the run is not on the bench. */
export function useBench(): LiveFrame['bench'] {
  return useFrame((frame) => frame.bench);
}

/** Returns the sources that are not well. */
export function useTroubles(): Trouble[] {
  const live = useContext(LiveContext);
  return useSyncExternalStore(live.subscribe, live.troubled);
}
