import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask, client, type DialPlace, type MapView, type RunView } from '../../../api';
import { Answer } from '../../../parts';
import { Cell, Fold, Heads, RowHead, Table } from '../../../parts/ui';
import { SaveDrawing } from '../../../plot';
import { fixed, watts } from '../../../quantity';
import { say } from '../../../words';
import { Tabs } from '../Tabs';
import { useBenchDials } from '../useLive';
import { MapChart } from './MapChart';

/** How long a dial must stand still before the figures of the place are asked for. */
const SETTLE_MS = 250;

export default function MapSheet({ view }: { view: RunView }) {
  const present = useBenchDials();
  const settled = useSettled(present ? `${present.driveW} ${present.plate} ${present.load}` : '');
  const map = useQuery({
    queryKey: ['map', view.id, view.sequence, settled],
    queryFn: () => ask(client.GET('/api/runs/{id}/map', { params: { path: { id: view.id } } })),
    placeholderData: keepPreviousData,
  });
  const box = useRef<HTMLDivElement>(null);
  return (
    <Answer query={map} what={say('run.theMap')}>
      {(data) => {
        const here: [number, number] | undefined = present
          ? [present.plate, present.load]
          : data.here && [data.here.plate, data.here.load];
        const name = `map-${view.band.replace(' ', '')}-${watts(data.driveW)}W`;
        return (
          <section aria-label={say('run.theGround')} className="sheet px-4 py-2.5" ref={box}>
            <header className="flex flex-wrap items-baseline gap-x-3 pb-1">
              <h1 className="text-22">{say('run.theGroundAtW', { driveW: watts(data.driveW) })}</h1>
              <p className="text-soft">{say('run.outputInWattsOverBoth')}</p>
              <SaveDrawing
                name={name}
                csv={() => table(data)}
                drawing={() => box.current?.querySelector<SVGSVGElement>('svg[data-part=map]')}
              />
              <Tabs view={view} />
            </header>
            <div className="flex flex-wrap items-start gap-x-4 gap-y-3">
              <MapChart map={data} here={here} />
              <div className="grid min-w-55 flex-1 gap-3">
                <HereAndThere map={data} />
                <p className="text-soft">{data.reading}</p>
              </div>
            </div>
            <AsTable map={data} />
          </section>
        );
      }}
    </Answer>
  );
}

function useSettled(value: string): string {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}

const ROWS: [string, (place: DialPlace) => string][] = [
  ['PLATE', (place) => fixed(place.plate, 2)],
  ['LOAD', (place) => fixed(place.load, 2)],
  [say('shared.outputW'), (place) => fixed(place.outputW, 0)],
  [say('run.plateCurrentA'), (place) => fixed(place.plateCurrentA, 3)],
  [say('run.gridCurrentA'), (place) => fixed(place.gridCurrentA, 3)],
  [say('run.screenCurrentA'), (place) => (place.screenCurrentA == null ? '' : fixed(place.screenCurrentA, 3))],
  [say('run.heatPerTubeW'), (place) => fixed(place.heatPerTubeW, 0)],
  [say('shared.efficiency'), (place) => (place.efficiency === undefined ? '' : fixed(100 * place.efficiency, 0))],
  [say('run.productsDB'), (place) => (place.thirdDb == null ? '' : fixed(place.thirdDb, 0))],
];

/** What the twin shows here and at the finish. */
function HereAndThere({ map }: { map: MapView }) {
  const places = [map.here, map.finish].filter((one) => one !== undefined);
  const rows = ROWS.filter(([, shown]) => places.some((place) => shown(place) !== ''));
  return (
    <Table caption={say('run.hereAndThere')} tight part="here-and-there">
      <Heads
        of={['', ...(map.here ? [say('run.here')] : []), say('run.finishAtW', { driveW: watts(map.driveW) })]}
        end
      />
      <tbody>
        {rows.map(([label, shown]) => (
          <tr key={label}>
            <RowHead className="text-13">{label}</RowHead>
            {places.map((place, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: here, then the finish
              <Cell key={index} figure end className="text-14 text-twin italic">
                {shown(place)}
              </Cell>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** Returns output at every fourth row and eighth column, as text. */
function table(map: MapView): string[][] {
  const columns = map.plates.map((_, index) => index).filter((index) => index % 8 === 0);
  const rows = map.loads.map((_, index) => index).filter((index) => index % 6 === 0);
  return [
    ['LOAD', ...columns.map((column) => (map.plates[column] ?? 0).toFixed(2))],
    ...rows.map((row) => [
      (map.loads[row] ?? 0).toFixed(1),
      ...columns.map((column) => (map.outputW[row * map.plates.length + column] ?? 0).toFixed(0)),
    ]),
  ];
}

function AsTable({ map }: { map: MapView }) {
  const [head, ...rows] = table(map);
  return (
    <Fold title={<span className="text-13 text-act">{say('run.asATableOutputIn')}</span>} className="mt-1">
      <Table
        caption={say('run.outputInWattsOverBothHead')}
        quiet
        tight
        wide={say('run.outputOverTheDials')}
        className="figure text-13"
      >
        <Heads of={head ?? []} end />
        <tbody>
          {rows.map(([load, ...watt]) => (
            <tr key={load}>
              <RowHead>{load}</RowHead>
              {watt.map((cell, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is a mark of PLATE
                <Cell key={index} figure end>
                  {cell}
                </Cell>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </Fold>
  );
}
