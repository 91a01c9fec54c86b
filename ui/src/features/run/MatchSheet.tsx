import type { RunView } from '../../api';
import { MatchOrder } from '../../parts';
import { say } from '../../words';
import { LastSheet } from './LastSheet';
import type { Run } from './useRun';

/** The order of a matcher with both powers at each key-down, and the last of them. */
export function MatchSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const match = view.match;
  return (
    <LastSheet
      view={view}
      run={run}
      readOnly={readOnly}
      label={say('run.keyDowns')}
      all={{ to: '/drive/matcher', says: say('shared.matchersThatWereTuned') }}
      picture={() =>
        match && (
          <div className="pt-1 pb-3">
            <MatchOrder match={match} />
          </div>
        )
      }
    />
  );
}
