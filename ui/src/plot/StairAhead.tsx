import { scaleLog } from 'd3-scale';
import { watts } from '../quantity';
import { say } from '../words';

export interface RungAhead {
  driveW: number;
  /** What the twin lets expect; absent where there is none. */
  outputW?: number;
}

interface Props {
  rungs: RungAhead[];
  width: number;
  height: number;
  limit: number;
  limitLabel: string;
  /** Whether it is no limit but what is wanted. */
  wanted?: boolean;
}

const LEFT = 56;
const TOP = 22;
const BOTTOM = 30;
const WITHOUT_A_TWIN = 0.16;

/** The climb to come: a dotted stair over the drives; it has no heights where no twin foretells them. */
export function StairAhead({ rungs, width, height, limit, limitLabel, wanted = false }: Props) {
  const foretold = rungs.flatMap((rung) => (rung.outputW ? [rung.outputW] : []));
  const told = foretold.length === rungs.length;
  // Without a twin it rises as the drive does: steps without figures.
  const top = rungs.at(-1)?.driveW ?? 1;
  const heights = rungs.map((rung) => rung.outputW ?? (limit * 0.8 * rung.driveW) / top);
  const floor = Math.min(limit * WITHOUT_A_TWIN, ...heights) * 0.6;
  const y = scaleLog()
    .domain([floor, limit * 1.4])
    .range([height - BOTTOM, TOP]);
  const column = (width - LEFT) / rungs.length;
  const ticks = [10, 20, 50, 100, 200, 500, 1000, 2000].filter(
    (tick) => told && tick > floor && Math.abs(y(tick) - y(limit)) > 13 && tick < limit * 1.3,
  );
  const path = heights.map((value, i) => `${i === 0 ? 'M' : 'L'}${LEFT + i * column} ${y(value)}h${column}`).join('');
  return (
    <svg width={width} height={height} role="img" aria-label={describe(rungs, told)} data-part="stair-ahead">
      {told && (
        <text x={8} y={13} className="fill-soft text-12">
          {say('shared.outputWWithin')}
        </text>
      )}
      {ticks.map((tick) => (
        <g key={tick}>
          <line x1={LEFT} x2={width} y1={y(tick)} y2={y(tick)} className="stroke-hair" />
          <text x={LEFT - 8} y={y(tick) + 4} textAnchor="end" className="figure fill-soft text-12">
            {tick}
          </text>
        </g>
      ))}
      {told && (
        <>
          <line
            x1={LEFT}
            x2={width}
            y1={y(limit)}
            y2={y(limit)}
            className={wanted ? 'stroke-ink' : 'stroke-limit'}
            strokeWidth="2"
          />
          <text x={LEFT + 8} y={y(limit) - 5} className={`text-12 ${wanted ? 'fill-ink' : 'fill-limit'}`}>
            {limitLabel}
          </text>
        </>
      )}
      <path
        d={path}
        fill="none"
        className={told ? 'stroke-twin' : 'stroke-soft'}
        strokeWidth="2.5"
        strokeDasharray="2 4"
      />
      {rungs.map((rung, i) => (
        <g key={rung.driveW}>
          {rung.outputW !== undefined && (
            <text
              x={LEFT + (i + 0.5) * column}
              y={y(rung.outputW) + 16}
              textAnchor="middle"
              className="figure fill-twin text-13 italic"
            >
              {Math.round(rung.outputW)} W
            </text>
          )}
          <text x={LEFT + (i + 0.5) * column} y={height - 8} textAnchor="middle" className="figure fill-ink text-13">
            {watts(rung.driveW)} W
          </text>
        </g>
      ))}
      <text x={8} y={height - 8} className="fill-soft text-12">
        {say('shared.driveWithin')}
      </text>
    </svg>
  );
}

function describe(rungs: RungAhead[], told: boolean): string {
  return told
    ? say('plot.theClimbToCome', {
        drive: rungs
          .map((one) => say('plot.wAtWOfDrive', { outputW: Math.round(one.outputW ?? 0), driveW: one.driveW }))
          .join(', '),
      })
    : say('plot.theClimbToComeIn', { driveW: rungs.map((one) => one.driveW).join(', ') });
}
