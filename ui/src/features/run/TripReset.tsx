import { useMutation } from '@tanstack/react-query';
import { ask, client, type RunView } from '../../api';
import { Diamond, Sheet, Trouble } from '../../parts';
import { Button } from '../../parts/ui';
import { say } from '../../words';
import { REPORTS } from './KeyClock';
import { isTuned } from './useDials';
import { useBench } from './useLive';

/** Where the bench's amplifier has tripped: what that means, and the way to reset it. */
export function TripReset({ view }: { view: RunView }) {
  const tripped = useBench((bench) => bench.tripped);
  const trip = useBench((bench) => bench.trip);
  const reset = useMutation({
    mutationFn: () =>
      ask(client.POST('/api/runs/{id}/bench', { params: { path: { id: view.id } }, body: { reset: true } })),
  });
  if (!tripped) return null;
  return (
    <Sheet title={say('run.trippedTitle')} part="trip">
      <p className="mb-2 flex items-baseline gap-2">
        <Diamond />
        <span>
          {say('run.hasTrippedBy', {
            amplifier: view.amplifier,
            kind: REPORTS[trip ?? 'TRIP_GRID'],
            next: isTuned(view) ? say('run.loadHeavierAndLessDrive') : say('run.saySoBelowTheClock'),
          })}
        </span>
      </p>
      <Button disabled={reset.isPending} onClick={() => reset.mutate()}>
        {say('run.reset')}
      </Button>
      {reset.error && <Trouble error={reset.error} />}
    </Sheet>
  );
}
