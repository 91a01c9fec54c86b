import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask, client, type MapView, type Place, type RunView } from '../../../api';
import { Answer } from '../../../parts';
import { saveCsv, savePng, saveSvg } from '../../../plot';
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
  const withChart = (act: (svg: SVGSVGElement) => void) => {
    const svg = box.current?.querySelector<SVGSVGElement>('svg[data-part=map]');
    if (svg) act(svg);
  };
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
              <span className="noprint flex gap-2.5 text-13 text-act">
                <button type="button" className="underline" onClick={() => saveCsv(table(data), name)}>
                  CSV
                </button>
                <button type="button" className="underline" onClick={() => withChart((svg) => saveSvg(svg, name))}>
                  SVG
                </button>
                <button type="button" className="underline" onClick={() => withChart((svg) => void savePng(svg, name))}>
                  PNG
                </button>
              </span>
              <Tabs view={view} />
            </header>
            <div className="flex flex-wrap items-start gap-x-4 gap-y-3">
              <MapChart map={data} here={here} />
              <div className="grid min-w-[220px] flex-1 gap-3">
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

const ROWS: [string, (place: Place) => string][] = [
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
    <table className="w-full border-collapse" data-part="here-and-there">
      <caption className="mb-1 text-left text-14 text-soft">Here and there</caption>
      <thead className="text-13 text-soft">
        <tr>
          <td />
          {map.here && (
            <th scope="col" className="text-right font-normal">
              here
            </th>
          )}
          <th scope="col" className="text-right font-normal">
            finish at {watts(map.driveW)} W
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([label, shown]) => (
          <tr key={label} className="border-t border-hair">
            <th scope="row" className="py-0.5 text-left text-13 font-normal">
              {label}
            </th>
            {places.map((place, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: here, then the finish
              <td key={index} className="figure text-right text-14 text-twin italic">
                {shown(place)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
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
    <details className="mt-1 text-13">
      <summary className="cursor-pointer text-act">As a table: output in watts</summary>
      <table className="figure mt-1 border-collapse">
        <thead>
          <tr>
            {head?.map((cell) => (
              <th key={cell} scope="col" className="px-3 text-right font-normal text-soft">
                {cell}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row[0]} className="border-t border-hair">
              {row.map((cell, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is a mark of PLATE
                <td key={index} className={`px-3 text-right ${index === 0 ? 'text-soft' : ''}`}>
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
