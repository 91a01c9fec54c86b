import { Link } from 'react-router';
import type { BandView, DriveView } from '../../api';
import { LimitBar, Sheet } from '../../parts';
import { Button, Cell, Heads, RowHead, Table } from '../../parts/ui';
import { utc } from '../../quantity';
import { say } from '../../words';
import { tableAt } from './kinds';

const HEADS = [
  say('shared.set'),
  say('drive.atTheInputW'),
  say('shared.outputW'),
  say('drive.gainDB'),
  say('drive.inputSWR'),
  say('shared.supply'),
  say('shared.efficiency'),
  say('drive.heatW'),
  say('drive.heatSink'),
  say('drive.toTheTrip'),
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
        {band.rows.length > 0 ? say('drive.measureItAnew') : say('drive.startItsTable')}
      </Link>
    </Button>
  );
  return (
    <Sheet
      title={say('drive.keyDownByKeyDown', { band: band.name })}
      aside={
        <span className="noprint flex items-baseline gap-3 text-13">
          {band.runId && band.at && (
            <Link className="text-act underline" to={`/log/${band.runId}`}>
              {say('drive.runOf', { at: utc(band.at) })}
            </Link>
          )}
          {start}
        </span>
      }
    >
      {band.rows.length > 0 ? (
        <Table caption={say('drive.rowsOf', { band: band.name })} quiet wide={say('drive.rowsOf', { band: band.name })}>
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
        <p className="text-soft">{say('drive.neverMeasured')}</p>
      )}
      {band.trips.map((trip) => (
        <p key={trip.driveW} className="mt-1 flex items-baseline gap-2">
          <LimitBar />
          {trip.says}
        </p>
      ))}
      <p className="mt-1 text-13 text-soft">
        {band.compression && <>{say('drive.1DBOfCompressionAt', { compression: band.compression })} </>}
        {band.sink && <>{say('drive.heatSinkOf', { sink: band.sink })} </>}
        {band.continuous && <>{band.continuous}. </>}
        {band.held && <>{band.held}.</>}
      </p>
    </Sheet>
  );
}
