import { useMutation } from '@tanstack/react-query';
import { ask, client, type RunView } from '../../api';
import { Diamond, Sheet, Trouble } from '../../parts';
import { Button } from '../../parts/ui';
import { REPORTS } from './KeyClock';
import { isTuned } from './useDials';
import { useBench } from './useLive';

/** Where the bench's amplifier has tripped: what that means, and the way to reset it. */
export function TripReset({ view }: { view: RunView }) {
  const bench = useBench();
  const reset = useMutation({
    mutationFn: () =>
      ask(client.POST('/api/runs/{id}/bench', { params: { path: { id: view.id } }, body: { reset: true } })),
  });
  if (!bench?.tripped) return null;
  return (
    <Sheet title="Tripped" part="trip">
      <p className="mb-2 flex items-baseline gap-2">
        <Diamond />
        <span>
          {view.amplifier} has tripped by {REPORTS[bench.trip ?? 'TRIP_GRID']}.{' '}
          {isTuned(view)
            ? 'LOAD heavier and less drive first, then reset it and climb again.'
            : 'Say so below the clock: it is a row of the table. Drive to a quarter, then reset it.'}
        </span>
      </p>
      <Button disabled={reset.isPending} onClick={() => reset.mutate()}>
        Reset
      </Button>
      {reset.error && <Trouble error={reset.error} />}
    </Sheet>
  );
}
