import { useQuery } from '@tanstack/react-query';
import { ask, client } from '../../api';
import { Sheet } from '../../parts';
import { utc } from '../../quantity';

/** The last card row for what is chosen. */
export function LastRow(props: { amplifier?: string; band: string; termination?: string }) {
  const cards = useQuery({ queryKey: ['cards'], queryFn: () => ask(client.GET('/api/cards')) });
  const rows = cards.data?.filter((row) => row.amplifier === props.amplifier && row.band === props.band) ?? [];
  const row = rows.find((one) => one.termination === props.termination) ?? rows[0];
  if (!row) {
    return (
      <Sheet title="Last time">
        <p className="text-soft">No card row for this band yet. The dials start from the maker's chart.</p>
      </Sheet>
    );
  }
  return (
    <Sheet title="Last time" aside={<span className="text-12 text-soft">{utc(row.verifiedAt).slice(0, 10)}</span>}>
      <dl className="grid grid-cols-pairs items-baseline gap-x-3 gap-y-1">
        <dt className="text-soft">PLATE</dt>
        <dd className="figure text-22">{row.plate}</dd>
        <dt className="text-soft">LOAD</dt>
        <dd className="figure text-22">{row.load}</dd>
        <dt className="text-soft">Drive</dt>
        <dd className="figure">{row.driveW} W</dd>
        <dt className="text-soft">Output</dt>
        <dd className="figure">{row.outputW} W</dd>
      </dl>
      <p className="mt-1 text-13 text-soft">
        At {row.frequencyMhz} MHz into {row.termination}.
      </p>
    </Sheet>
  );
}
