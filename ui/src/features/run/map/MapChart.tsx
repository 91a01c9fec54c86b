import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import type { Ground, MapView } from '../../../api';
import { ContourLabels, Contours, Halo, levels } from '../../../plot';
import { fixed, watts } from '../../../quantity';
import { decimal, say } from '../../../words';

const WIDTH = 590;
const HEIGHT = 482;
const FRAME = { left: 48, right: 576, top: 24, bottom: 436 };

/** What a kind of ground is hatched in; heat is a slope and watched, the rest are cliffs. */
const WATCHED = ['PLATE_HEAT_PER_TUBE_W'];

interface Props {
  map: MapView;
  here?: [number, number];
}

/** The ground: output as contours, ground beyond limits hatched, the way from here to the finish. */
export function MapChart({ map, here }: Props) {
  const { plates, loads } = map;
  const grid = (values: number[]) => ({ columns: plates.length, rows: loads.length, values });
  const most = Math.max(...map.outputW);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the lines follow from the map alone
  const lines = useMemo(() => levels(grid(map.outputW), map.heights, FRAME), [map]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the grounds follow from the map alone
  const grounds = useMemo(
    () =>
      map.grounds.map((ground) => {
        const [level] = levels(grid(ground.grid), [ground.limit], FRAME);
        const watched = WATCHED.includes(ground.kind);
        return { ...ground, path: level?.path ?? '', watched, inside: isInside(ground, map.grounds) };
      }),
    [map],
  );
  const x = scaleLinear([plates[0] ?? 0, plates.at(-1) ?? 1], [FRAME.left, FRAME.right]);
  const y = scaleLinear([loads[0] ?? 0, loads.at(-1) ?? 1], [FRAME.bottom, FRAME.top]);
  const at = (place: { plate: number; load: number }) => [x(place.plate), y(place.load)] as const;
  const finish = map.finish && at(map.finish);
  const now = here && ([x(here[0]), y(here[1])] as const);
  const trail = map.trail.map(([plate, load]) => [x(plate ?? 0), y(load ?? 0)] as const);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={describe(map, here)}
      className="block h-auto max-w-full"
      data-part="map"
    >
      <defs>
        <clipPath id="map-frame">
          <rect x={FRAME.left} y={FRAME.top} width={FRAME.right - FRAME.left} height={FRAME.bottom - FRAME.top} />
        </clipPath>
        <Hatch id="hatch-limit" turn={45} className="stroke-limit" />
        <Hatch id="hatch-watch" turn={-45} className="stroke-watch" />
      </defs>
      <g clipPath="url(#map-frame)">
        <Contours lines={lines} thin={0.9} heavy={2} />
        {grounds.map((ground) => (
          <path
            key={ground.kind}
            d={ground.path}
            fill={ground.inside ? 'none' : ground.watched ? 'url(#hatch-watch)' : 'url(#hatch-limit)'}
            className={ground.watched ? 'stroke-watch' : 'stroke-limit'}
            strokeWidth="2"
            strokeDasharray={ground.inside ? '7 4' : undefined}
          />
        ))}
      </g>
      <rect
        x={FRAME.left}
        y={FRAME.top}
        width={FRAME.right - FRAME.left}
        height={FRAME.bottom - FRAME.top}
        className="fill-none stroke-rule"
      />
      <Axes x={x} y={y} />
      <ContourLabels lines={lines} from={most * 0.4} />
      {grounds.map((ground, index) => (
        <Halo
          key={ground.kind}
          at={[FRAME.left + 10, FRAME.top + 20 + 19 * index]}
          anchor="start"
          className={ground.watched ? 'fill-watch' : 'fill-limit'}
        >
          {`${ground.inside ? '- -' : ground.watched ? '\\\\\\' : '///'} ${ground.label}`}
        </Halo>
      ))}
      {now && finish && <Way from={now} to={finish} />}
      {trail.length > 0 && (
        <polyline
          points={[...trail, ...(now ? [now] : [])].map((point) => point.join(',')).join(' ')}
          className="fill-none stroke-ink"
          strokeWidth="2"
        />
      )}
      {trail.map(([cx, cy]) => (
        <circle key={`${cx} ${cy}`} cx={cx} cy={cy} r="5" className="fill-ink" />
      ))}
      {map.most && (
        <path
          d={`M${at(map.most)[0] - 5} ${at(map.most)[1]}h10M${at(map.most)[0]} ${at(map.most)[1] - 5}v10`}
          className="stroke-twin"
          strokeWidth="2"
        />
      )}
      {finish && (
        <>
          <rect
            x={finish[0] - 8}
            y={finish[1] - 8}
            width="16"
            height="16"
            className="fill-none stroke-act"
            strokeWidth="3"
          />
          <Halo at={[finish[0] + 16, finish[1] - 10]} anchor="start" className="head fill-act">
            {say('run.finishAtW', { driveW: watts(map.driveW) })}
          </Halo>
        </>
      )}
      {map.next && <Next next={map.next} x={x} y={y} />}
      {now && (
        <circle cx={now[0]} cy={now[1]} r="7" className="fill-sheet stroke-ink" strokeWidth="3" data-part="map-here" />
      )}
    </svg>
  );
}

/** Whether ground lies wholly within other ground that is closed: then its line is enough. */
function isInside(ground: Ground, all: Ground[]): boolean {
  return all.some(
    (other) =>
      other !== ground &&
      ground.grid.every((value, i) => value <= ground.limit || (other.grid[i] ?? 0) > other.limit) &&
      other.grid.some((value, i) => value > other.limit && (ground.grid[i] ?? 0) <= ground.limit),
  );
}

function Hatch({ id, turn, className }: { id: string; turn: number; className: string }) {
  return (
    <pattern id={id} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform={`rotate(${turn})`}>
      <line x1="0" x2="0" y1="0" y2="8" className={className} strokeWidth="1.4" strokeOpacity="0.55" />
    </pattern>
  );
}

/** The way to go, from the edge of here to the edge of there. */
function Way({ from, to }: { from: readonly [number, number]; to: readonly [number, number] }) {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (length < 26) return null;
  const part = (px: number) => [
    from[0] + ((to[0] - from[0]) * px) / length,
    from[1] + ((to[1] - from[1]) * px) / length,
  ];
  const [x1, y1] = part(9);
  const [x2, y2] = part(length - 12);
  return <line x1={x1} y1={y1} x2={x2} y2={y2} className="stroke-act" strokeWidth="4" />;
}

/** Where the next move leads, for the drive that it is meant for: a line where one dial stays as it is. */
function Next({ next, x, y }: { next: NonNullable<MapView['next']>; x: Scale; y: Scale }) {
  const { plate, load } = next;
  const marks = [plate !== undefined && `PLATE ${fixed(plate, 2)}`, load !== undefined && `LOAD ${fixed(load, 2)}`];
  const cy = load === undefined ? FRAME.top + 14 : Math.min(FRAME.bottom - 8, Math.max(FRAME.top + 8, y(load)));
  return (
    <g data-part="map-next">
      {load !== undefined && (
        <line
          x1={FRAME.left}
          x2={FRAME.right}
          y1={cy}
          y2={cy}
          className="stroke-act"
          strokeWidth="2"
          strokeDasharray="6 4"
        />
      )}
      {plate !== undefined && (
        <line
          x1={x(plate)}
          x2={x(plate)}
          y1={FRAME.top}
          y2={FRAME.bottom}
          className="stroke-act"
          strokeWidth="2"
          strokeDasharray="6 4"
        />
      )}
      <Halo at={[FRAME.right - 8, cy - 11]} anchor="end" className="fill-act">
        {say('run.nextForW', { dials: marks.filter(Boolean).join(', '), driveW: watts(next.driveW) })}
      </Halo>
    </g>
  );
}

type Scale = ReturnType<typeof scaleLinear<number, number>>;

function Axes({ x, y }: { x: Scale; y: Scale }) {
  return (
    <g className="text-13">
      {x.ticks(7).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={FRAME.bottom} y2={FRAME.bottom + 6} className="stroke-soft" />
          <text x={x(tick)} y={FRAME.bottom + 22} textAnchor="middle" className="figure fill-soft">
            {decimal(x.tickFormat(7)(tick))}
          </text>
        </g>
      ))}
      {y.ticks(9).map((tick) => (
        <g key={tick}>
          <line x1={FRAME.left - 6} x2={FRAME.left} y1={y(tick)} y2={y(tick)} className="stroke-soft" />
          <text x={FRAME.left - 10} y={y(tick) + 4} textAnchor="end" className="figure fill-soft">
            {tick}
          </text>
        </g>
      ))}
      <text x={FRAME.right} y={FRAME.bottom + 42} textAnchor="end" className="head fill-ink">
        PLATE
      </text>
      <text x={8} y={14} className="head fill-ink">
        LOAD
      </text>
    </g>
  );
}

function describe(map: MapView, here?: [number, number]): string {
  const finish = map.finish;
  const start = say('run.outputOverPLATEAndLOAD', { driveW: map.driveW });
  const from = here ? say('run.youAreAtPLATELOAD', { plate: fixed(here[0], 2), load: fixed(here[1], 2) }) : '';
  return finish
    ? say('run.forThisDriveTheFinish', {
        start,
        from,
        plate: fixed(finish.plate, 2),
        load: fixed(finish.load, 2),
        outputW: Math.round(finish.outputW),
      })
    : `${start}${from}`;
}
