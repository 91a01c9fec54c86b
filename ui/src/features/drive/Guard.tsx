import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { ask, type BandView, client, type DriveView } from '../../api';
import { Diamond, Sheet, Trouble } from '../../parts';
import { Button, Cell, Heads, Label, RowHead, Select, Skeleton, Table } from '../../parts/ui';
import { say } from '../../words';
import { MODE_OF, MODES, type Mode, tableAt } from './kinds';

interface Props {
  view: DriveView;
  from: BandView;
  /** Whether the eyes are to go here first. */
  first: boolean;
}

/** From the band in use, or from where nobody knows, to every other: what to set first, why, and what would happen otherwise. */
export function Guard({ view, from, first }: Props) {
  const sheet = useRef<HTMLDivElement>(null);
  const [to, setTo] = useState<string>();
  const [mode, setMode] = useState<Mode>(MODE_OF[view.kind]);
  const [lost, setLost] = useState(false);
  const amplifier = view.amplifier?.id ?? '';
  const wanted = view.amplifier?.wantedW;
  const kind = view.kind;
  const known = !lost && from.rows.length > 0;
  const guards = useQuery({
    queryKey: ['drive', 'guard', amplifier, kind, mode, known ? from.band : undefined, wanted],
    queryFn: () =>
      ask(
        client.GET('/api/drive/guard', {
          params: {
            query: { amplifier, kind, mode, ...(known ? { from: from.band } : {}), ...(wanted ? { wanted } : {}) },
          },
        }),
      ),
    placeholderData: (before) => before,
  });
  useEffect(() => {
    if (first) sheet.current?.querySelector<HTMLElement>('button')?.focus();
  }, [first]);
  if (guards.error) return <Trouble error={guards.error} />;
  if (!guards.data) return <Skeleton what={say('drive.theGuard')} />;
  const chosen = guards.data.find((one) => one.band === to) ?? guards.data[0];
  const start = known ? from.name : say('drive.aBandUnknown');
  return (
    <div ref={sheet} className="grid grid-cols-one gap-3.5" data-part="guard">
      {chosen && (
        <Sheet
          title={say('shared.nextMove')}
          accent
          aside={<span className="text-soft">{say('drive.bandChange')}</span>}
        >
          <p className="head text-27 leading-head">{chosen.title}</p>
          <p className="mt-2 text-soft">{chosen.says}</p>
          {chosen.before && <p className="mt-2">{chosen.before}</p>}
          <p className="mt-2 flex items-baseline gap-2">
            {chosen.risky && <Diamond />}
            <span>{chosen.otherwise}</span>
          </p>
        </Sheet>
      )}
      <Sheet title={say('drive.guardFromTo', { start })}>
        <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
          <span className="flex items-center gap-2">
            <Label htmlFor="mode-there">{say('drive.modeThere')}</Label>
            <Select
              id="mode-there"
              value={mode}
              onPick={(code) => setMode(code as Mode)}
              options={MODES.map((one) => [one, one] as const)}
            />
          </span>
          {from.rows.length > 0 && (
            <Button kind="link" aria-pressed={lost} onClick={() => setLost(!lost)}>
              {lost ? say('drive.from', { from: from.name }) : say('drive.notSureWhereItStands')}
            </Button>
          )}
        </div>
        {from.rows.length === 0 && (
          <p className="mb-2 text-13 text-soft">
            {say('drive.nobodyHasMeasuredYetSo', { from: from.name })}{' '}
            <Link className="text-act underline" to={tableAt(amplifier, kind, from.band)}>
              {say('drive.measureFirst', { from: from.name })}
            </Link>
            .
          </p>
        )}
        <Table caption={say('drive.fromStart', { start })} quiet tight>
          <Heads of={[say('shared.bandWithin'), say('drive.firstW'), say('drive.thenUpTo'), say('drive.because')]} />
          <tbody>
            {guards.data.map((one) => (
              <tr key={one.band} className={one.band === chosen?.band ? 'bg-wash' : ''}>
                <RowHead>
                  <Button kind="link" aria-pressed={one.band === chosen?.band} onClick={() => setTo(one.band)}>
                    {one.name.replace(' MHz', '')}
                  </Button>
                </RowHead>
                <Cell figure>{one.first}</Cell>
                <Cell figure>{one.upTo ?? say('drive.3DBEach')}</Cell>
                <Cell className="text-13 text-soft">{one.because}</Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      </Sheet>
    </div>
  );
}
