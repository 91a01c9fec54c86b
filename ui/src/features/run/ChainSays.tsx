import type { RunView } from '../../api';
import { Sheet } from '../../parts';
import { Cell, Heads, RowHead, Table } from '../../parts/ui';
import { showNumber } from '../../quantity';
import { say } from '../../words';

const MOST_ROWS = 6;

/** What was read on the way up, the last first, and what follows. */
export function ChainSays({ view }: { view: RunView }) {
  const chain = view.chain;
  if (!chain || chain.taken.length === 0) return null;
  return (
    <Sheet title={say('run.gainOnTheWayUp')} part="chain-says">
      {chain.says.map((sentence) => (
        <p key={sentence} className="mb-1.5">
          {sentence}
        </p>
      ))}
      <Table caption={say('run.gainOnTheWayUp')} quiet tight className="text-13">
        <Heads of={['dB', say('shared.output'), say('shared.gainDB')]} end />
        <tbody>
          {[...chain.taken]
            .reverse()
            .slice(0, MOST_ROWS)
            .map((one) => (
              <tr key={one.attenuationDb}>
                <RowHead className="figure">{showNumber(one.attenuationDb)}</RowHead>
                <Cell figure end>
                  {one.watt}
                </Cell>
                <Cell figure end>
                  {one.gain}
                </Cell>
              </tr>
            ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
