import type { RunView } from '../../api';
import { WayUp } from '../../plot';
import { say } from '../../words';
import { LastSheet } from './LastSheet';
import type { Run } from './useRun';

/** The way up as a stair, and the last key-downs. */
export function ChainSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const chain = view.chain;
  return (
    <LastSheet
      view={view}
      run={run}
      readOnly={readOnly}
      label={say('run.keyDowns')}
      all={{ to: '/drive/chain', says: say('shared.chain') }}
      fileName={`chain-${view.amplifier.replaceAll(' ', '-')}`}
      picture={(width, drawing) => chain && <WayUp drawing={drawing} {...chain} width={width} />}
    />
  );
}
