import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useMatch } from 'react-router';
import { ask, client, type RunView } from '../api';
import { Diamond, useKeyUp, useNow } from '../parts';
import { Button } from '../parts/ui';
import { say } from '../words';

const LOOK_MS = 1000;

/** Says on every page that the simulated bench is keyed, for how long, and lets its key go. */
export function KeyedSign() {
  const queries = useQueryClient();
  const key = useQuery({
    queryKey: ['bench'],
    queryFn: () => ask(client.GET('/api/bench')),
    // A bench that is away for a moment is looked at as often: its key may be down when it is back.
    refetchInterval: (current) => (current.state.data?.named === false ? false : LOOK_MS),
    retry: false,
  });
  const runId = useMatch('/tune/:runId/*')?.params.runId;
  const run = useQuery({
    queryKey: ['run', runId],
    enabled: false,
    select: ({ source, phase }: RunView) => source === 'BENCH' && phase !== 'FINISHED' && phase !== 'ABANDONED',
  });
  const measures = useMatch('/supply/profiles/:id') !== null;
  const own = measures || run.data === true;
  const keyedForS = key.data?.keyedForS;
  const keyed = keyedForS !== undefined;
  const now = useNow(500, keyed);
  const keyUp = () => {
    void ask(client.POST('/api/bench/key-up', { params: { query: { noted: false } } }))
      // The sign stays while the key is down; nothing else is to be said of it.
      .catch(() => undefined)
      .then(() => Promise.all([['bench'], ['run']].map((queryKey) => queries.invalidateQueries({ queryKey }))));
  };
  // A page that keys the bench by itself knows sooner, and notes it where it belongs.
  useKeyUp(keyed && !own, true, keyUp);
  if (!keyed) return null;
  const seconds = Math.max(0, Math.floor(keyedForS + (now - key.dataUpdatedAt) / 1000));
  return (
    <span role="status" data-part="keyed" className="flex items-center gap-2 font-semibold text-watch">
      <Diamond /> {say('app.keyedS', { seconds: seconds })}
      {!own && (
        <Button kind="link" onClick={keyUp} className="min-h-7 text-watch">
          {say('shared.keyUp')}
        </Button>
      )}
      {!own && (
        <Button kind="link" asChild>
          <Link to="/tune">{say('app.itsRun')}</Link>
        </Button>
      )}
    </span>
  );
}
