import type { VoltsView } from '../api';
import { say } from '../words';
import { Diamond } from './marks';
import { Cell, Heads, RowHead, ScrollArea, Table } from './ui';

/** What each voltage brought, with what its heat makes of the sink at rest. */
export function VoltsRows({ volts }: { volts: VoltsView }) {
  const several = volts.moduleCount > 1;
  const heads = [
    say('parts.supply'),
    ...(several ? [say('parts.modules')] : []),
    say('shared.output'),
    say('parts.drawn'),
    say('shared.efficiencyWithin'),
    say('shared.heat'),
    say('parts.sink'),
    say('parts.atRest'),
  ];
  return (
    <>
      <ScrollArea label={say('parts.whatEachSupplyVoltageBrought')}>
        <Table caption={say('parts.whatEachSupplyVoltageBrought')} quiet tight className="text-13" part="volts-rows">
          <Heads of={heads} end />
          <tbody>
            {volts.rows.map((row, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: rows are only added
              <tr key={index}>
                <RowHead className="text-right">
                  <span className="figure whitespace-nowrap">{row.voltsShown}</span>
                </RowHead>
                {several && (
                  <Cell figure end>
                    {row.modules}
                  </Cell>
                )}
                {[row.output, row.current, row.efficiency, row.heat].map((shown, column) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a column is its heading
                  <Cell key={column} figure end>
                    {shown ?? '–'}
                  </Cell>
                ))}
                <Cell figure end>
                  {row.hotter && <Diamond />} {row.sink ?? '–'}
                </Cell>
                <Cell figure end>
                  {row.sinkExpected ?? '–'}
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      </ScrollArea>
      {volts.says.map((sentence) => (
        <p key={sentence} className="py-1">
          {sentence}
        </p>
      ))}
    </>
  );
}
