import { useMutation } from '@tanstack/react-query';
import { ask, client, type RunView } from '../../api';
import { Diamond, Sheet, Trouble } from '../../parts';
import { Button } from '../../parts/ui';
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
          {view.amplifier} has tripped: far too much grid current. LOAD heavier and less drive first, then reset it and
          climb again.
        </span>
      </p>
      <Button disabled={reset.isPending} onClick={() => reset.mutate()}>
        Reset
      </Button>
      {reset.error && <Trouble error={reset.error} />}
    </Sheet>
  );
}
