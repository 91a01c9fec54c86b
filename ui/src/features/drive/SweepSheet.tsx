import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { ask, client, type DriveView } from '../../api';
import { Diamond, Refused } from '../../parts';
import { Cell, Heads, Input, Label, RowHead, Skeleton, Table } from '../../parts/ui';
import { parseNumber } from '../../quantity';
import { say } from '../../words';
import { DriveTabs } from './DriveTabs';
import { tableAt } from './kinds';
import { useLast } from './useLast';

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** One drive over the bands, before and since something was changed: a relay, the firmware, a transistor. */
export function SweepSheet({ view }: { view: DriveView }) {
  const [drive, setDrive] = useState('');
  const [day, setDay] = useState('');
  const amplifier = view.amplifier?.id ?? '';
  const driveW = parseNumber(drive);
  const since = DAY.test(day) ? `${day}T00:00:00Z` : undefined;
  const sweep = useQuery({
    queryKey: ['drive', 'sweep', amplifier, view.kind, driveW, since],
    queryFn: () =>
      ask(
        client.GET('/api/drive/sweep', {
          params: {
            query: {
              amplifier,
              kind: view.kind,
              ...(driveW === undefined ? {} : { drive: driveW }),
              ...(since ? { since } : {}),
            },
          },
        }),
      ),
    placeholderData: (before) => before,
  });
  const data = useLast(sweep.data);
  const none = data?.bands.every((one) => one.change === undefined);
  return (
    <section aria-label={say('drive.oneDriveOverTheBands')} className="sheet m-5 px-4 pt-2.5 pb-3">
      <header className="mb-2 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">{say('drive.oneDriveOverTheBandsOf', { amplifier: view.amplifier?.name })}</h1>
        <DriveTabs />
      </header>
      <p className="max-w-prose text-soft">{say('drive.whatDidAChangeDo')}</p>
      <div className="my-2 flex flex-wrap items-center gap-x-5 gap-y-1">
        <span className="flex items-center gap-2">
          <Label htmlFor="sweep-drive">{say('shared.driveWithin')}</Label>
          <Input
            id="sweep-drive"
            number
            className="w-19"
            maxLength={8}
            placeholder={data ? String(data.driveW) : ''}
            value={drive}
            onChange={(event) => setDrive(event.target.value)}
          />
          <span className="text-soft">{say('drive.wAtTheInput')}</span>
        </span>
        <span className="flex items-center gap-2">
          <Label htmlFor="sweep-day">{say('drive.changedOn')}</Label>
          <Input
            id="sweep-day"
            className="w-32"
            maxLength={10}
            placeholder={data ? data.since.slice(0, 10) : '2026-11-28'}
            value={day}
            aria-invalid={day !== '' && !since}
            onChange={(event) => setDay(event.target.value)}
          />
          <span className="text-soft">{say('drive.yearMonthDayUTC')}</span>
        </span>
      </div>
      {sweep.error && <Refused error={sweep.error} />}
      {data ? (
        <Table caption={say('drive.beforeAndSince')} quiet wide={say('drive.beforeAndSince')}>
          <Heads
            of={[
              say('shared.bandWithin'),
              say('drive.beforeW'),
              say('drive.sinceW'),
              say('drive.changeDB'),
              say('drive.so'),
            ]}
          />
          <tbody>
            {data.bands.map((one) => (
              <tr key={one.band}>
                <RowHead>{one.name}</RowHead>
                <Cell figure>{one.before ?? '–'}</Cell>
                <Cell figure>{one.after ?? '–'}</Cell>
                <Cell figure>{one.change ?? '–'}</Cell>
                <Cell className={one.beyondNoise ? 'head' : 'text-soft'}>
                  {one.beyondNoise && <Diamond />} {one.says}
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      ) : (
        !sweep.error && <Skeleton what={say('drive.theSweep')} />
      )}
      {none && (
        <p className="mt-2 flex items-baseline gap-2">
          <Diamond />
          {say('drive.noBandWasMeasuredBefore')}{' '}
          <Link className="text-act underline" to={tableAt(amplifier, view.kind)}>
            {say('drive.startATable')}
          </Link>
          .
        </p>
      )}
      <p className="mt-2 text-13 text-soft">{say('drive.isHalfOfThe95')}</p>
    </section>
  );
}
