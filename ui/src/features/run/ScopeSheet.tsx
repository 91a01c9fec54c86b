import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask, client, type RunView } from '../../api';
import { LookOrder } from '../../parts';
import { TraceShown } from '../../plot';
import { say } from '../../words';
import { LastSheet } from './LastSheet';
import { ReadSheet } from './ReadSheet';
import type { Run } from './useRun';

/** The looks at a scope in their order, the last trace, and what an analyser shows. */
export function ScopeSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const scope = view.scope;
  return (
    <>
      <LastSheet
        view={view}
        run={run}
        readOnly={readOnly}
        label={say('run.looks')}
        all={{ to: '/drive/waveform', says: say('run.waveformChecks') }}
        picture={(width) =>
          scope && (
            <div className="grid gap-2 pt-1 pb-3">
              <LookOrder scope={scope} />
              {scope.shows && <TraceShown shows={scope.shows} width={width} />}
            </div>
          )
        }
      />
      <Analyser view={view} run={run} />
    </>
  );
}

/** Products as an analyser shows them, of the exciter alone and through the amplifier. */
function Analyser({ view, run }: { view: RunView; run: Run }) {
  const signal = useQuery({
    queryKey: ['signal', view.id, view.sequence],
    queryFn: () => ask(client.GET('/api/runs/{id}/signal', { params: { path: { id: view.id } } })),
    placeholderData: keepPreviousData,
  });
  const read = signal.data?.read;
  const isEmpty = read && read.exciter.length === 0 && read.amplifier.length === 0;
  if (!signal.data || !read || view.steps.length === 0 || (isEmpty && !signal.data.mayEnter)) return null;
  return (
    <section aria-label={say('run.products')} className="sheet px-4 pb-2.5">
      <ReadSheet data={read} mayEnter={signal.data.mayEnter} run={run} byEye={false} />
    </section>
  );
}
