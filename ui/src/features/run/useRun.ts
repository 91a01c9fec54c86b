import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { type Act, ask, client, fieldOf, type LiveFrame, Outbox, type RunView } from '../../api';
import { ROLE_NAMES } from '../../parts';
import { say } from '../../words';

/** What the operator is told about an act that was not taken. */
export interface Notice {
  title: string;
  detail: string;
}

const FAST_MS = 1000;
const SLOW_MS = 15_000;

/** How soon to look again: while something runs on the clock, each second. */
function refreshMs(view: RunView | undefined): number {
  const running =
    view && (view.clock.phase === 'KEY_DOWN' || view.clock.phase === 'RESTING' || view.phase === 'WARMING');
  return running ? FAST_MS : SLOW_MS;
}

/** Returns the view that knows more: a reading that was under way while an act was taken comes back older than its reply. */
function newer(known: RunView | undefined, read: RunView): RunView {
  return known && known.sequence > read.sequence ? known : read;
}

const DONE: Partial<Record<Act['act'], string>> = {
  FOLLOW: say('run.theNextMoveDone'),
  KEY: say('run.keyDown'),
  UNKEY: say('run.keyUp'),
  TAKE: say('run.allMetersRead'),
  RECORD: say('run.theStepRecorded'),
  UNDO: say('run.theLastStepUndone'),
  AGAIN: say('run.theStepTriedAgain'),
  SIGN: say('run.whatWasSeenOrHeard'),
  LEAVE: say('run.aPointLeftUnmeasured'),
  CORRECT: say('run.theCorrectedMeter'),
  FINISH: say('run.theRunFinished'),
  ABANDON: say('run.theRunLeft'),
};

/** Returns what an act was, in the words of a notice. */
function described(act: Act): string {
  const field = fieldOf(act);
  const words = field ? (ROLE_NAMES[field] ?? field) : (DONE[act.act] ?? act.act.toLowerCase());
  return act.text ? `${words} “${act.text}”` : words;
}

/** What a view is about to become by an act, and where the run stood when it was pressed. */
interface Told {
  act: Act['act'];
  sequence: number;
  change: Partial<RunView>;
  /** The readings that it shows. */
  readings?: string;
}

/** Returns what a view becomes by an act as far as the server has said it before; undefined where it has not. */
function toldOf(act: Act, view: RunView | undefined, ifRead: LiveFrame['ifRead']): Told | undefined {
  if (!view) return undefined;
  const told = (change: Partial<RunView>) => ({ act: act.act, sequence: view.sequence, change });
  if (act.act === 'FOLLOW' && view.onceDone) return told({ advice: view.onceDone });
  if (act.act === 'TAKE' && ifRead?.sequence === view.sequence) {
    const { id, room, signs } = ifRead;
    return { ...told({ draft: { ...ifRead.draft, expected: view.draft.expected }, room, signs }), readings: id };
  }
  return undefined;
}

/**
 * Keeps one run: its view, what is on its way to the server, and what was refused of it.
 *
 * @param ifRead what reading the meters now would come to
 */
export function useRun(runId: string, ifRead: () => LiveFrame['ifRead']) {
  const queries = useQueryClient();
  const key = useMemo(() => ['run', runId], [runId]);
  const query = useQuery({
    queryKey: key,
    queryFn: async () => {
      const read = await ask(client.GET('/api/runs/{id}', { params: { path: { id: runId } } }));
      return newer(queries.getQueryData<RunView>(key), read);
    },
    refetchInterval: (current) => refreshMs(current.state.data),
  });
  const [notice, setNotice] = useState<Notice>();

  const outbox = useMemo(
    () =>
      new Outbox({
        runId,
        storage: localStorage,
        sequence: () => queries.getQueryData<RunView>(key)?.sequence ?? 0,
        onView: (view) => {
          queries.setQueryData<RunView>(key, (known) => newer(known, view));
        },
        onStale: (acts) => {
          const lost = acts.map(described).join(', ');
          setNotice({
            title: say('run.thisRunMovedOnIn'),
            detail: say('run.itIsShownHereAs', { lost: lost ? say('run.notDone', { lost }) : '' }),
          });
          void queries.invalidateQueries({ queryKey: key });
        },
        onRefused: (_act, refusal) => {
          const problem = refusal.problems[0];
          setNotice({
            title: problem ? `${refusal.title}. ${problem.message}` : refusal.title,
            detail: `${problem?.remedy ?? refusal.detail}${refusal.reference ? say('run.reference', { reference: refusal.reference }) : ''}`,
          });
        },
      }),
    [runId, queries, key],
  );
  const sending = useSyncExternalStore(outbox.subscribe, outbox.snapshot);

  const loaded = query.data !== undefined;
  useEffect(() => {
    if (!loaded) return;
    outbox.open();
    return () => outbox.close();
  }, [loaded, outbox]);

  const [told, setTold] = useState<Told>();
  const act = useCallback(
    (done: Act) => {
      setNotice(undefined);
      const next = toldOf(done, queries.getQueryData<RunView>(key), ifRead());
      if (next) setTold(next);
      // What was seen is what is saved, also where the key comes up before the server has it.
      outbox.add(next?.readings ? { ...done, told: next.readings } : done);
    },
    [outbox, queries, key, ifRead],
  );

  // What it comes to stands there in the next frame. Where it is not taken, or nothing answers, what was before is back.
  const known = query.data;
  const isTold =
    known?.sequence === told?.sequence && !sending.waiting && sending.pending.some((one) => one.act === told?.act);
  const change = isTold ? told?.change : undefined;
  const view = useMemo(() => (known && change ? { ...known, ...change } : known), [known, change]);

  /** Server's clock less the browser's, in ms. */
  const skewMs = query.data ? Date.parse(query.data.now) - query.dataUpdatedAt : 0;
  const keying = sending.pending.findLast((one) => one.act === 'KEY' || one.act === 'UNKEY');
  const keyedInView = query.data?.clock.phase === 'KEY_DOWN';
  return {
    view,
    error: query.error,
    retry: () => void query.refetch(),
    act,
    /** Whether the key is down, by what was pressed last, answered or not. */
    keyed: keying ? keying.act === 'KEY' : keyedInView,
    skewMs,
    fieldProblems: sending.problems,
    /** Fields whose entry is on its way. */
    pendingFields: sending.pending.map(fieldOf),
    notice,
    dismiss: () => setNotice(undefined),
    /** What waits because the server does not answer, in words; undefined while all goes out at once. */
    waiting: sending.waiting ? sending.pending.map(described) : undefined,
    /** Whether something is on its way: what the next move says may be about to change. */
    busy: sending.pending.length > 0,
    /** Whether an answer to it may come at any moment. */
    unanswered: sending.pending.length > 0 && !sending.waiting,
  };
}

export type Run = ReturnType<typeof useRun>;
