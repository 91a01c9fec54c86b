import { useCallback, useContext, useRef } from 'react';
import { ask, client } from '../../api';
import { LiveContext } from './useLive';

type Turned = 'PLATE' | 'LOAD' | 'POT';

/** Returns what sends a control's place to the bench; while one place is on its way, only the latest waits. */
export function useBenchTurns(runId: string) {
  const waiting = useRef<Partial<Record<Turned, number>>>({});
  const sending = useRef(false);
  const { turned } = useContext(LiveContext);
  return useCallback(
    (name: Turned, to: number) => {
      turned();
      waiting.current[name] = to;
      if (sending.current) return;
      sending.current = true;
      const next = async () => {
        const control = (Object.keys(waiting.current) as Turned[])[0];
        const place = control && waiting.current[control];
        if (!control || place === undefined) {
          sending.current = false;
          return;
        }
        delete waiting.current[control];
        try {
          await ask(
            client.POST('/api/runs/{id}/bench', { params: { path: { id: runId } }, body: { control, to: place } }),
          );
        } catch {
          // The signal line shows that the bench is away; the control falls back to where it stands.
        }
        void next();
      };
      void next();
    },
    [runId, turned],
  );
}
