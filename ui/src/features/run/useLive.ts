import { createContext, useContext, useEffect, useMemo, useSyncExternalStore } from 'react';
import type { ExpectedCell, LiveFrame, LiveReading, RunView } from '../../api';

const NOTHING: LiveFrame = { readings: [], expected: [] };

/** Holds the last frame of a run's live stream; parts of the page look at what they need of it. */
export class Live {
  private frame: LiveFrame = NOTHING;
  private source: EventSource | undefined;
  private readonly listeners = new Set<() => void>();

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = () => this.frame;

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

/** Returns what the twin expects a meter to show at the dials and the drive as they stand. */
export function useLiveExpected(role: ExpectedCell['role']): ExpectedCell | undefined {
  return useFrame((frame) => frame.expected.find((one) => one.role === role));
}

/** Returns what the bench's panels show; undefined where the run is not on the bench. */
export function useBench(): LiveFrame['bench'] {
  return useFrame((frame) => frame.bench);
}

/** Returns what is wrong with sources, in words, each once. */
export function useTroubles(): string {
  return useFrame((frame) =>
    [...new Set(frame.readings.filter((one) => one.says !== '').map((one) => `${one.role}\u0000${one.says}`))].join(
      '\n',
    ),
  );
}
