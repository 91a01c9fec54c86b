import type { RunView } from '../../api';
import { MatchOrder } from '../../parts';
import { LastSteps } from './LastSteps';
import type { Run } from './useRun';

/** The order of a matcher with both powers at each key-down, and the last of them; all once the run is over. */
export function MatchSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  return (
    <section aria-label={view.title} className="sheet overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2.5 pb-1">
        <h1 className="text-22">{view.title}</h1>
        <p className="text-soft">{view.subtitle}</p>
        <a className="noprint ml-auto text-13 text-act underline" href={`/api/runs/${view.id}/steps.csv`}>
          CSV
        </a>
      </header>
      {view.match && (
        <div className="px-4 pt-1 pb-3">
          <MatchOrder match={view.match} />
        </div>
      )}
      <LastSteps
        view={view}
        run={run}
        readOnly={readOnly}
        label="Key-downs"
        all={{ to: '/drive/matcher', says: 'Matchers that were tuned' }}
      />
    </section>
  );
}
