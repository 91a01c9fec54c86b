import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ask, client, type PanelView, type PlayView, type PracticeActRequest, Refusal } from '../../api';
import { draftOf } from '../../parts';

export type Does = Omit<PracticeActRequest, 'clientId'>;

/** How often the panel is looked at while something moves, and while nothing does. */
const MOVING_MS = 120;
const STILL_MS = 1000;
/** How long pointers fall after the key came up. */
const FALLING_S = 3;
const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 8000;

/**
 * An exercise being played: the newest that was seen of its panel, and what does something there. Acts go one after the other under an
 * id of their own; while the server does not answer they wait, over a reload too, and a control that is turned on waits with its latest
 * place alone.
 */
export function usePlay(view: PlayView) {
  const queries = useQueryClient();
  const [refused, setRefused] = useState<Refusal>();
  const [waiting, setWaiting] = useState(false);
  /** What the key is to do, until it is done: the next press goes by it. */
  const [wish, setWish] = useState<boolean>();
  const { id } = view;
  const held = useMemo(() => draftOf<PracticeActRequest[]>(`practice.${id}`, 1), [id]);
  const queue = useRef<PracticeActRequest[]>([]);
  const sending = useRef(false);

  const now = useQuery({
    queryKey: ['practice-now', id],
    queryFn: () => ask(client.GET('/api/practices/{id}/now', { params: { path: { id } } })),
    enabled: !view.ended,
    refetchInterval: (query) => (moves(newer(view.panel, query.state.data)) ? MOVING_MS : STILL_MS),
    retry: false,
  });

  const send = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    let pause = FIRST_PAUSE_MS;
    while (queue.current[0]) {
      const act = queue.current[0];
      try {
        const after = await ask(client.POST('/api/practices/{id}/acts', { params: { path: { id } }, body: act }));
        queries.setQueryData(['practice', id], after);
        setWaiting(false);
        pause = FIRST_PAUSE_MS;
      } catch (error) {
        if (!(error instanceof Refusal) || error.status === 0 || error.status >= 500) {
          setWaiting(true);
          await new Promise((resolve) => setTimeout(resolve, pause));
          pause = Math.min(2 * pause, LONGEST_PAUSE_MS);
          continue;
        }
        setWaiting(false);
        setRefused(error);
        await queries.invalidateQueries({ queryKey: ['practice', id] });
      }
      queue.current.shift();
      if (queue.current.length > 0) held.keep(queue.current);
      else held.forget();
      if (!queue.current.some((one) => one.does === 'KEY')) setWish(undefined);
    }
    sending.current = false;
  }, [id, queries, held]);

  // What waited when the page was left goes on waiting.
  useEffect(() => {
    if (queue.current.length > 0) return;
    queue.current = view.ended ? [] : (held.read() ?? []);
    void send();
  }, [held, send, view.ended]);

  const does = useCallback(
    (act: Does) => {
      setRefused(undefined);
      if (act.does === 'KEY') setWish(act.on);
      const waits = queue.current.findIndex(
        (one, place) => place > 0 && act.does === 'TURN' && one.does === 'TURN' && one.control === act.control,
      );
      if (waits > 0) queue.current.splice(waits, 1);
      queue.current.push({ ...act, clientId: crypto.randomUUID() });
      held.keep(queue.current);
      void send();
    },
    [send, held],
  );

  // An exercise that ended elsewhere is read again.
  useEffect(() => {
    if (now.error instanceof Refusal && now.error.status === 404) void queries.invalidateQueries();
  }, [now.error, queries]);

  const panel = newer(view.panel, now.data);
  return { panel, keyed: wish ?? panel.keyed, does, refused, waiting: waiting || now.isError };
}

export type Played = ReturnType<typeof usePlay>;

const newer = (one: PanelView, other: PanelView | undefined) => (other && other.atS > one.atS ? other : one);

const moves = (panel: PanelView) => panel.keyed || panel.keyedS < FALLING_S;
