import { Link } from 'react-router';
import type { RunView } from '../../api';
import { ToggleGroup } from '../../parts/ui';
import { say } from '../../words';
import type { Run } from './useRun';

/** What two wattmeters in the line say of each other, and whether they have changed places. */
export function WattmetersLine({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const two = view.wattmeters;
  if (!two) return null;
  return (
    <section aria-label={say('run.wattmeters')} data-part="wattmeters" className="border-t border-rule px-4 py-2">
      <p>{two.says.join(' ')}</p>
      <div className="mt-1 flex flex-wrap items-center gap-3 text-13 text-soft">
        {!readOnly && (
          <>
            {say('run.theirPlaces')}
            <ToggleGroup
              label={say('run.theirPlaces')}
              value={two.changedOver ? '1' : '0'}
              onPick={(text) => void run.act({ act: 'SET', control: 'WATTMETERS', text })}
              options={[
                ['0', say('run.asTheyStoodAtFirst')],
                ['1', say('run.changedOver')],
              ]}
            />
          </>
        )}
        {readOnly && two.comparison && (
          <Link className="noprint text-act underline" to="/station/meters" state={two}>
            {say('run.correctBy', { second: two.second, first: two.first })}
          </Link>
        )}
      </div>
    </section>
  );
}
