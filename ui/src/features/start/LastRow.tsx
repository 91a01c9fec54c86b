import { useQuery } from '@tanstack/react-query';
import { ask, type CardView, client } from '../../api';
import { Sheet } from '../../parts';
import { utc } from '../../quantity';
import { say, within } from '../../words';

/** The last card row for what is chosen. */
export function LastRow(props: { amplifier?: string; band: string; termination?: string; use: CardView['use'] }) {
  const cards = useQuery({ queryKey: ['cards'], queryFn: () => ask(client.GET('/api/cards')) });
  const rows =
    cards.data?.filter(
      (row) => row.amplifier === props.amplifier && row.band === props.band && row.use === props.use,
    ) ?? [];
  const row = rows.find((one) => one.termination === props.termination) ?? rows[0];
  if (!row) {
    return (
      <Sheet title={say('start.lastTime')}>
        <p className="text-soft">{say('start.noCardRowForThis')}</p>
      </Sheet>
    );
  }
  return (
    <Sheet
      title={
        row.use === 'LONG_CARRIER' ? say('start.lastTimeFor', { use: within(row.useName) }) : say('start.lastTime')
      }
      aside={<span className="text-12 text-soft">{utc(row.verifiedAt).slice(0, 10)}</span>}
    >
      <dl className="grid grid-cols-pairs items-baseline gap-x-3 gap-y-1">
        <dt className="text-soft">PLATE</dt>
        <dd className="figure text-22">{row.plate}</dd>
        <dt className="text-soft">LOAD</dt>
        <dd className="figure text-22">{row.load}</dd>
        <dt className="text-soft">{say('shared.drive')}</dt>
        <dd className="figure">{row.driveW} W</dd>
        <dt className="text-soft">{say('shared.outputHead')}</dt>
        <dd className="figure">{row.outputW} W</dd>
      </dl>
      <p className="mt-1 text-13 text-soft">
        {say('start.atMHzInto', { frequencyMhz: row.frequencyMhz, termination: row.termination })}
      </p>
    </Sheet>
  );
}
