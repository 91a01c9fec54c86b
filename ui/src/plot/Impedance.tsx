import { scaleLinear } from 'd3-scale';
import { fixed, showNumber } from '../quantity';
import { say } from '../words';

interface Point {
  frequencyHz: number;
  ohm: number;
  reactanceOhm: number;
  swr: number;
}

const WIDTH = 560;
const HEIGHT = 190;
const LEFT = 34;
const RIGHT = 46;
const TOP = 12;
const BOTTOM = 24;
const MOST_SWR = 5;

/** Standing-wave ratio, resistance and reactance over frequency. */
export function Impedance({ points }: { points: Point[] }) {
  const first = points[0]?.frequencyHz ?? 0;
  const last = points.at(-1)?.frequencyHz ?? 1;
  const x = scaleLinear([first, last], [LEFT, WIDTH - RIGHT]);
  const swrTop = Math.min(MOST_SWR, Math.max(2, ...points.map((point) => point.swr)));
  const y = scaleLinear([1, swrTop], [HEIGHT - BOTTOM, TOP]).clamp(true);
  const ohms = points.flatMap((point) => [point.ohm, point.reactanceOhm]);
  const z = scaleLinear([Math.min(0, ...ohms), Math.max(60, ...ohms)], [HEIGHT - BOTTOM, TOP]).nice(4);
  const path = (of: (point: Point) => number) =>
    `M${points.map((point) => `${x(point.frequencyHz).toFixed(1)} ${of(point).toFixed(1)}`).join('L')}`;
  const end = points.at(-1);
  const best = points.reduce((a, b) => (b.swr < a.swr ? b : a), points[0] as Point);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={say('plot.swrOverFrequencyLeastAt', {
        swr: fixed(best.swr, 2),
        mhz: fixed(best.frequencyHz / 1e6, 3),
      })}
      className="figure block w-full max-w-180 text-12"
    >
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(tick)} y2={y(tick)} className="stroke-hair" />
          <text x={LEFT - 6} y={y(tick) + 4} textAnchor="end" className="fill-soft">
            {tick}
          </text>
        </g>
      ))}
      <text x={LEFT} y={TOP - 1} className="fill-soft">
        SWR
      </text>
      {x.ticks(5).map((tick, index) => (
        <text key={tick} x={x(tick)} y={HEIGHT - 6} textAnchor="middle" className="fill-soft">
          {showNumber(tick / 1e6)}
          {index === 0 && ' MHz'}
        </text>
      ))}
      <path d={path((point) => z(point.ohm))} fill="none" className="stroke-soft" strokeWidth="1.5" />
      <path
        d={path((point) => z(point.reactanceOhm))}
        fill="none"
        className="stroke-soft"
        strokeWidth="1.5"
        strokeDasharray="5 4"
      />
      <path d={path((point) => y(point.swr))} fill="none" className="stroke-ink" strokeWidth="3" />
      {end && (
        <>
          <text x={WIDTH - RIGHT + 5} y={z(end.ohm) + 4} className="fill-soft">
            R {fixed(end.ohm, 0)}
          </text>
          <text x={WIDTH - RIGHT + 5} y={z(end.reactanceOhm) + 4} className="fill-soft">
            X {fixed(end.reactanceOhm, 0)}
          </text>
        </>
      )}
      <circle cx={x(best.frequencyHz)} cy={y(best.swr)} r="4" className="fill-sheet stroke-ink" strokeWidth="2" />
      <text x={x(best.frequencyHz)} y={y(best.swr) - 9} textAnchor="middle" className="fill-ink">
        {say('plot.swr', { swr: fixed(best.swr, 2) })}
      </text>
    </svg>
  );
}
