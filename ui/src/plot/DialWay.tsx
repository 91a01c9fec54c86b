import { scaleLinear } from 'd3-scale';
import { type Ref, useMemo } from 'react';
import { fixed } from '../quantity';
import { say } from '../words';
import { ContourLabels, Contours } from './Contours';
import { levels } from './contourPath';
import { Grid, signed } from './Grid';

interface Place {
  plate: number;
  load: number;
}

/** Output over the dials: row by row, LOAD slow, PLATE fast. */
interface Terrain {
  driveW: number;
  plates: number[];
  loads: number[];
  outputs: number[];
  heights: number[];
}

interface Props {
  own: readonly Place[];
  end: Place;
  ridge: readonly Place[];
  terrain: Terrain;
  now?: Place;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const HEIGHT = 270;
const LEFT = 42;
const RIGHT = 16;
const TOP = 30;
const FOOT = 34;

/** Both dials as a map: output as contours, the ridge of resonance dotted, the way that was gone in ink, the best end as a ring. */
export function DialWay({ own, end, ridge, terrain, now, width, drawing }: Props) {
  const x = scaleLinear([terrain.plates[0] ?? 0, terrain.plates.at(-1) ?? 1], [LEFT, width - RIGHT]);
  const y = scaleLinear([terrain.loads[0] ?? 0, terrain.loads.at(-1) ?? 1], [HEIGHT - FOOT, TOP]);
  const [low = 0, high = 0] = x.domain();
  const lines = useMemo(
    () =>
      levels({ columns: terrain.plates.length, rows: terrain.loads.length, values: terrain.outputs }, terrain.heights, {
        left: LEFT,
        right: width - RIGHT,
        bottom: HEIGHT - FOOT,
        top: TOP,
      }),
    [terrain, width],
  );
  const inside = (one: Place) => one.plate >= low && one.plate <= high;
  const line = (all: readonly Place[]) =>
    all.map((one, place) => `${place === 0 ? 'M' : 'L'}${x(one.plate).toFixed(1)} ${y(one.load).toFixed(1)}`).join('');
  const last = own.at(-1);
  const told = (one: Place | undefined) => (one ? `${fixed(one.plate, 2)} / ${fixed(one.load, 2)}` : '–');
  return (
    <svg
      ref={drawing}
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={say('plot.dialsWay', { own: told(last), best: told(end) })}
      className="block text-12"
      data-part="dial-way"
    >
      <text x={4} y={12} className="fill-soft">
        LOAD
      </text>
      <Grid at={y.ticks(5)} y={y} from={LEFT} to={width - RIGHT} />
      {x.ticks(6).map((tick) => (
        <text key={tick} x={x(tick)} y={HEIGHT - 16} textAnchor="middle" className="figure fill-soft">
          {signed(tick)}
        </text>
      ))}
      <text x={width - RIGHT} y={HEIGHT - 2} textAnchor="end" className="fill-soft">
        PLATE
      </text>
      <Contours lines={lines} thin={0.7} heavy={1.6} />
      <ContourLabels lines={lines} />
      <path d={line(ridge.filter(inside))} fill="none" className="stroke-twin" strokeWidth="2" strokeDasharray="2 4" />
      <circle cx={x(end.plate)} cy={y(end.load)} r="7" fill="none" className="stroke-twin" strokeWidth="2.5" />
      <path d={line(own)} fill="none" className="stroke-ink" strokeWidth="2" />
      {last && <circle cx={x(last.plate)} cy={y(last.load)} r="4.5" className="fill-ink" />}
      {now && (
        <circle
          cx={x(now.plate)}
          cy={y(now.load)}
          r="8"
          fill="none"
          className="stroke-act"
          strokeWidth="3"
          data-part="now"
        />
      )}
    </svg>
  );
}
