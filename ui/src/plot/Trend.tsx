import { scaleLinear, scaleUtc } from 'd3-scale';
import { showNumber } from '../quantity';
import { say } from '../words';

interface Series {
  label: string;
  unit: string;
  scatter: number;
  runs: number;
  points: { at: string; value: number; line: number }[];
  changes: { after: string; before: string; says: string }[];
}

const WIDTH = 560;
const HEIGHT = 150;
const LEFT = 52;
const RIGHT = 14;
const TOP = 10;
const BOTTOM = 22;

/** A figure over the runs: a dot each, the line that its changes make with twice its scatter as a band, their onsets. */
export function Trend({ series }: { series: Series }) {
  const { points, scatter } = series;
  const values = points.flatMap((one) => [one.value, one.line - 2 * scatter, one.line + 2 * scatter]);
  const moments = points.map((one) => Date.parse(one.at));
  const x = scaleUtc([Math.min(...moments), Math.max(...moments)], [LEFT, WIDTH - RIGHT]);
  const y = scaleLinear([Math.min(...values), Math.max(...values)], [HEIGHT - BOTTOM, TOP]).nice(4);
  const at = (one: { at: string }) => x(Date.parse(one.at)).toFixed(1);
  const edge = (side: 1 | -1) => points.map((one) => `${at(one)} ${y(one.line + side * 2 * scatter).toFixed(1)}`);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={say('plot.overRuns', {
        label: series.label,
        runs: series.runs,
        says: series.changes.map((one) => one.says).join(' '),
      })}
      className="figure mt-1 block w-full text-12"
    >
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(tick)} y2={y(tick)} className="stroke-hair" />
          <text x={LEFT - 6} y={y(tick) + 4} textAnchor="end" className="fill-soft">
            {showNumber(tick, 4)}
            {series.unit === '%' ? ' %' : ''}
          </text>
        </g>
      ))}
      {x.ticks(5).map((tick) => (
        <text key={tick.getTime()} x={x(tick)} y={HEIGHT - 5} textAnchor="middle" className="fill-soft">
          {tick.toISOString().slice(5, 10)}
        </text>
      ))}
      {series.changes.map((change) => (
        <rect
          key={change.says}
          x={x(Date.parse(change.after))}
          width={Math.max(2, x(Date.parse(change.before)) - x(Date.parse(change.after)))}
          y={TOP}
          height={HEIGHT - BOTTOM - TOP}
          className="fill-watch"
          opacity="0.22"
        />
      ))}
      <path d={`M${edge(1).join('L')}L${edge(-1).reverse().join('L')}Z`} className="fill-rule" opacity="0.5" />
      <path
        d={`M${points.map((one) => `${at(one)} ${y(one.line).toFixed(1)}`).join('L')}`}
        fill="none"
        className="stroke-soft"
        strokeWidth="1.5"
      />
      {points.map((one) => (
        <circle key={one.at} cx={at(one)} cy={y(one.value)} r="3.2" className="fill-ink" />
      ))}
    </svg>
  );
}
