import type { RunView } from '../../api';
import { WayUp } from '../../plot';
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
      label="Key-downs"
      all={{ to: '/drive/chain', says: 'Chain' }}
      fileName={`chain-${view.amplifier.replaceAll(' ', '-')}`}
      picture={(width, drawing) => chain && <WayUp drawing={drawing} {...chain} width={width} />}
    />
  );
}
