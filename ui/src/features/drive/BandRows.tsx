import { Link } from 'react-router';
import type { BandView, DriveView } from '../../api';
import { LimitBar, Sheet } from '../../parts';
import { Button, Cell, Heads, RowHead, Table } from '../../parts/ui';
import { utc } from '../../quantity';
import { tableAt } from './kinds';

const HEADS = [
  'Set',
  'At the input, W',
  'Output, W',
  'Gain, dB',
  'Input SWR',
  'Supply',
  'Efficiency, %',
  'Heat, W',
  'Heat sink',
  'To the trip',
] as const;

interface Props {
  band: BandView;
  amplifierId: string;
  kind: DriveView['kind'];
}

/** One band, key-down by key-down, and what follows from it. */
export function BandRows({ band, amplifierId, kind }: Props) {
  const start = (
    <Button asChild>
      <Link to={tableAt(amplifierId, kind, band.band)}>
        {band.rows.length > 0 ? 'Measure it anew' : 'Start its table'}
      </Link>
    </Button>
  );
  return (
    <Sheet
      title={`${band.name}, key-down by key-down`}
      aside={
        <span className="noprint flex items-baseline gap-3 text-13">
          {band.runId && band.at && (
            <Link className="text-act underline" to={`/log/${band.runId}`}>
              run of {utc(band.at)}
            </Link>
          )}
          {start}
        </span>
      }
    >
      {band.rows.length > 0 ? (
        <Table caption={`Rows of ${band.name}`} quiet wide={`Rows of ${band.name}`}>
          <Heads of={HEADS} />
          <tbody>
            {band.rows.map((row) => (
              <tr key={row.driveW}>
                <RowHead className="figure whitespace-nowrap">{row.set}</RowHead>
                <Cell figure>{row.drive}</Cell>
                <Cell figure>{row.output}</Cell>
                <Cell figure>{row.gain}</Cell>
                <Cell figure>{row.swr}</Cell>
                <Cell figure>{row.supply}</Cell>
                <Cell figure>{row.efficiency}</Cell>
                <Cell figure>{row.heat}</Cell>
                <Cell figure>{row.sink}</Cell>
                <Cell figure>{row.room}</Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      ) : (
        <p className="text-soft">Never measured.</p>
      )}
      {band.trips.map((trip) => (
        <p key={trip.driveW} className="mt-1 flex items-baseline gap-2">
          <LimitBar />
          {trip.says}
        </p>
      ))}
      <p className="mt-1 text-13 text-soft">
        {band.compression && <>1 dB of compression at {band.compression}. </>}
        {band.sink && <>Heat sink {band.sink}. </>}
        {band.continuous && <>{band.continuous}. </>}
        {band.held && <>{band.held}.</>}
      </p>
    </Sheet>
  );
}
