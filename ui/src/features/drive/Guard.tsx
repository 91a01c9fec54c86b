import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask, type BandView, client, type DriveView } from '../../api';
import { Diamond, Sheet, Trouble } from '../../parts';
import { Button, Cell, Heads, RowHead, Skeleton, Table } from '../../parts/ui';

/** From the band in use to every other: what to set first, why, and what would happen otherwise. */
export function Guard({ view, from, first }: { view: DriveView; from: BandView; first: boolean }) {
  const sheet = useRef<HTMLDivElement>(null);
  const [to, setTo] = useState<string>();
  const amplifier = view.amplifier?.id ?? '';
  const wanted = view.amplifier?.wantedW;
  const guards = useQuery({
    queryKey: ['drive', 'guard', amplifier, from.band, wanted],
    queryFn: () =>
      ask(
        client.GET('/api/drive/guard', {
          params: { query: { amplifier, from: from.band, ...(wanted ? { wanted } : {}) } },
        }),
      ),
    enabled: from.rows.length > 0,
  });
  useEffect(() => {
    if (first) sheet.current?.querySelector<HTMLElement>('button')?.focus();
  }, [first]);
  if (from.rows.length === 0) {
    return (
      <Sheet title="Next move" accent>
        <p className="head text-22 leading-head">Measure {from.name} first</p>
        <p className="mt-2 text-soft">
          Nobody has measured {from.name} yet. Start its table at the least drive; until then no change to it or from it
          is guarded.
        </p>
      </Sheet>
    );
  }
  if (guards.error) return <Trouble error={guards.error} />;
  if (!guards.data) return <Skeleton what="the guard" />;
  const chosen = guards.data.find((one) => one.band === to) ?? guards.data[0];
  return (
    <div ref={sheet} className="grid grid-cols-one gap-3.5" data-part="guard">
      {chosen && (
        <Sheet title="Next move" accent aside={<span className="text-soft">Band change</span>}>
          <p className="head text-27 leading-head">{chosen.title}</p>
          <p className="mt-2 text-soft">{chosen.says}</p>
          <p className="mt-2 flex items-baseline gap-2">
            {chosen.risky && <Diamond />}
            <span>{chosen.otherwise}</span>
          </p>
        </Sheet>
      )}
      <Sheet title={`Guard: from ${from.name} to …`}>
        <Table caption={`From ${from.name}`} quiet tight>
          <Heads of={['band', 'first, W', 'then up to', 'because']} />
          <tbody>
            {guards.data.map((one) => (
              <tr key={one.band} className={one.band === chosen?.band ? 'bg-wash' : ''}>
                <RowHead>
                  <Button kind="link" aria-pressed={one.band === chosen?.band} onClick={() => setTo(one.band)}>
                    {one.name.replace(' MHz', '')}
                  </Button>
                </RowHead>
                <Cell figure>{one.first}</Cell>
                <Cell figure>{one.upTo ?? '+3 dB each'}</Cell>
                <Cell className="text-13 text-soft">{one.because}</Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      </Sheet>
    </div>
  );
}
