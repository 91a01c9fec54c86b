import { scaleLinear, scaleLog } from 'd3-scale';
import type { Ref } from 'react';
import { showNumber } from '../quantity';
import { Grid } from './Grid';

interface Line {
  key: string;
  points: { x: number; y: number }[];
  look: 'main' | 'thin' | 'predicted';
  label?: string;
}

interface Props {
  label: string;
  lines: Line[];
  dots?: { x: number; y: number; plusMinus: number }[];
  band?: { x: number; low: number; high: number }[];
  limit?: { y: number; label: string };
  xUnit: string;
  yUnit: string;
  log?: boolean;
  width: number;
  height?: number;
  drawing?: Ref<SVGSVGElement>;
}

const LEFT = 46;
const RIGHT = 14;
const TOP = 20;
const BOTTOM = 34;
const LOOKS = { main: 'stroke-ink', thin: 'stroke-soft', predicted: 'stroke-twin' } as const;

/** One thing over another: measured dots with their uncertainty, lines through them, predictions dotted. */
export function Course({
  label,
  lines,
  dots = [],
  band = [],
  limit,
  xUnit,
  yUnit,
  log,
  width,
  height = 280,
  drawing,
}: Props) {
  const all = lines.flatMap((line) => line.points);
  const ys = [...all.map((one) => one.y), ...dots.map((one) => one.y), ...(limit ? [limit.y] : [])];
  const most = Math.max(...ys);
  const least = Math.min(...ys);
  const room = (most - least) * 0.08 || 1;
  const x = scaleLinear(
    [Math.min(...all.map((one) => one.x)), Math.max(...all.map((one) => one.x))],
    [LEFT, width - RIGHT],
  );
  const y = log
    ? scaleLog([least * 0.8, most * 1.2], [height - BOTTOM, TOP])
    : scaleLinear([least >= 0 && least < 0.35 * most ? 0 : least - room, most + room], [height - BOTTOM, TOP]);
  const [floor = 0, ceiling = 1] = y.domain();
  const within = (value: number) => Math.max(floor, Math.min(ceiling, value));
  const path = (points: Line['points']) =>
    `M${points.map((one) => `${x(one.x).toFixed(1)} ${y(one.y).toFixed(1)}`).join('L')}`;
  const ticks = log
    ? [10, 20, 50, 100, 200, 500, 1000, 2000, 5000].filter((one) => one > least && one < most)
    : y.ticks(5);
  return (
    <svg
      ref={drawing}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      className="block h-auto w-full text-12"
    >
      <Grid at={ticks} y={y} from={LEFT} to={width - RIGHT} shown={(tick) => showNumber(tick, 4)} />
      {x.ticks(8).map((tick) => (
        <text key={tick} x={x(tick)} y={height - 17} textAnchor="middle" className="figure fill-soft">
          {showNumber(tick, 4)}
        </text>
      ))}
      <text x={LEFT} y={12} className="fill-soft">
        {yUnit}
      </text>
      <text x={width - RIGHT} y={height - 3} textAnchor="end" className="fill-soft">
        {xUnit}
      </text>
      {band.length > 0 && (
        <path
          d={`${path(band.map((one) => ({ x: one.x, y: within(one.high) })))}L${path(
            [...band].reverse().map((one) => ({ x: one.x, y: within(one.low) })),
          ).slice(1)}Z`}
          className="fill-rule"
          opacity="0.5"
        />
      )}
      {limit && (
        <>
          <line x1={LEFT} x2={width - RIGHT} y1={y(limit.y)} y2={y(limit.y)} className="stroke-limit" strokeWidth="2" />
          <text x={LEFT + 6} y={y(limit.y) - 5} className="fill-limit">
            {limit.label}
          </text>
        </>
      )}
      {lines.map((line) => {
        const end = line.points.at(-1);
        return (
          <g key={line.key}>
            <path
              d={path(line.points)}
              fill="none"
              className={LOOKS[line.look]}
              strokeWidth={line.look === 'main' ? 3 : 1.8}
              strokeDasharray={line.look === 'predicted' ? '2 4' : undefined}
            />
            {line.label && end && (
              <text x={x(end.x) - 4} y={y(end.y) - 7} textAnchor="end" className="fill-soft">
                {line.label}
              </text>
            )}
          </g>
        );
      })}
      {dots.map((one) => (
        <g key={`${one.x} ${one.y}`} className="stroke-ink">
          <line x1={x(one.x)} x2={x(one.x)} y1={y(one.y - one.plusMinus)} y2={y(one.y + one.plusMinus)} />
          <circle cx={x(one.x)} cy={y(one.y)} r="3.6" className="fill-ink" />
        </g>
      ))}
    </svg>
  );
}
