import { useMutation } from '@tanstack/react-query';
import { ask, client, type RunView } from '../../api';
import { Diamond, Sheet, Trouble } from '../../parts';
import { Button } from '../../parts/ui';
import { useBench } from './useLive';

const CAUSES: Record<string, string> = {
  TRIP_INPUT: 'too much drive',
  TRIP_OUTPUT: 'too much output',
  TRIP_REFLECTED: 'too much comes back',
  TRIP_HEAT: 'its heat sink is too hot',
  TRIP_FILTER: 'the filter of another band was in line',
};

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
          {view.amplifier} has tripped{bench.trip ? `: ${CAUSES[bench.trip]}` : ': far too much grid current'}.{' '}
          {view.dials.length > 0
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
