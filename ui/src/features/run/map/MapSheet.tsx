import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask, client, type DialPlace, type MapView, type RunView } from '../../../api';
import { Answer } from '../../../parts';
import { Cell, Fold, Heads, RowHead, Table } from '../../../parts/ui';
import { SaveDrawing } from '../../../plot';
import { watts } from '../../../quantity';
import { Tabs } from '../Tabs';
import { useBench } from '../useLive';
import { MapChart } from './MapChart';

/** How long a dial must stand still before the figures of the place are asked for. */
const SETTLE_MS = 250;

export default function MapSheet({ view }: { view: RunView }) {
  const bench = useBench();
  const present = bench?.present ? bench : undefined;
  const settled = useSettled(present ? `${present.driveW} ${present.plate} ${present.load}` : '');
  const map = useQuery({
    queryKey: ['map', view.id, view.sequence, settled],
    queryFn: () => ask(client.GET('/api/runs/{id}/map', { params: { path: { id: view.id } } })),
    placeholderData: keepPreviousData,
  });
  const box = useRef<HTMLDivElement>(null);
  return (
    <Answer query={map} what="the map">
      {(data) => {
        const here: [number, number] | undefined = present
          ? [present.plate, present.load]
          : data.here && [data.here.plate, data.here.load];
        const name = `map-${view.band.replace(' ', '')}-${watts(data.driveW)}W`;
        return (
          <section aria-label="The ground" className="sheet px-4 py-2.5" ref={box}>
            <header className="flex flex-wrap items-baseline gap-x-3 pb-1">
              <h1 className="text-22">The ground at {watts(data.driveW)} W</h1>
              <p className="text-soft">output in watts over both dials, by the twin</p>
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
  ['PLATE', (place) => place.plate.toFixed(2)],
  ['LOAD', (place) => place.load.toFixed(2)],
  ['Output, W', (place) => place.outputW.toFixed(0)],
  ['Plate current, A', (place) => place.plateCurrentA.toFixed(3)],
  ['Grid current, A', (place) => place.gridCurrentA.toFixed(3)],
  ['Screen current, A', (place) => place.screenCurrentA?.toFixed(3) ?? ''],
  ['Heat per tube, W', (place) => place.heatPerTubeW.toFixed(0)],
  ['Efficiency, %', (place) => (place.efficiency === undefined ? '' : (100 * place.efficiency).toFixed(0))],
  ['Products, dB', (place) => place.thirdDb?.toFixed(0).replace('-', '\u2212') ?? ''],
];

/** What the twin shows here and at the finish. */
function HereAndThere({ map }: { map: MapView }) {
  const places = [map.here, map.finish].filter((one) => one !== undefined);
  const rows = ROWS.filter(([, shown]) => places.some((place) => shown(place) !== ''));
  return (
    <Table caption="Here and there" tight part="here-and-there">
      <Heads of={['', ...(map.here ? ['here'] : []), `finish at ${watts(map.driveW)} W`]} end />
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
    <Fold title={<span className="text-13 text-act">As a table: output in watts</span>} className="mt-1">
      <Table
        caption="Output in watts over both dials"
        quiet
        tight
        wide="Output over the dials"
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
