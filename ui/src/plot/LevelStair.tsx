import { scaleLinear, scaleSqrt } from 'd3-scale';
import type { Ref } from 'react';
import { say } from '../words';
import { Grid } from './Grid';

export interface LevelPoint {
  /** Of the slider, as a share of its way. */
  level: number;
  outputW: number;
  gauge?: number;
  /** Come to from above. */
  down: boolean;
}

interface Props {
  /** Levels at the set power and the middle tone. */
  points: LevelPoint[];
  setPowerW: number;
  gaugeEnd: number | undefined;
  knee: { level: number; halfWidth: number; perLevel: number; shown: string } | undefined;
  window: { low: number; high: number } | undefined;
  /** Where the gauge is right, in its marks. */
  gauge: { low: number; high: number; right: string } | undefined;
  /** From which level on the signal is wider than below. */
  wideFrom: number | undefined;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const LEFT = 62;
const RIGHT = 18;
const TOP = 34;
const OUTPUT_PX = 210;
const GAP = 44;
const GAUGE_PX = 86;
const FOOT = 26;
const KNEE_WORDS_PX = 100;
const STEPS_OF_POWER = [0.05, 0.1, 0.25, 0.5, 1, 2, 5, 10, 20, 50, 100, 200];

/** Level on the line; output over it as a stair on a root scale, the gauge as a second one, where to set it shaded through both. */
export function LevelStair({ points, setPowerW, gaugeEnd, knee, window, gauge, wideFrom, width, drawing }: Props) {
  const up = points.filter((point) => !point.down).sort((a, b) => a.level - b.level);
  const down = points.filter((point) => point.down);
  const top = Math.max(...up.map((point) => point.level), knee?.level ?? 0, 0.4) * 1.06;
  const most = Math.max(setPowerW, ...points.map((point) => point.outputW)) * 1.25;
  const x = scaleLinear()
    .domain([0, Math.min(1.04, top)])
    .range([LEFT, width - RIGHT]);
  const y = scaleSqrt()
    .domain([0, most])
    .range([TOP + OUTPUT_PX, TOP]);
  const gaugeTop = TOP + OUTPUT_PX + GAP;
  const g = scaleLinear()
    .domain([0, gaugeEnd ?? 1])
    .range([gaugeTop + GAUGE_PX, gaugeTop]);
  const height = (gaugeEnd === undefined ? TOP + OUTPUT_PX : gaugeTop + GAUGE_PX) + FOOT;
  const ground = height - FOOT;
  const watts = apart(
    STEPS_OF_POWER.filter((watt) => watt < most * 0.98),
    y,
    y(setPowerW),
  );
  const gauged = up.filter((point) => point.gauge !== undefined);
  const stair = (of: LevelPoint[], at: (point: LevelPoint) => number) =>
    of.map((point, i) => `${i === 0 ? `M${edge(of, i)} ` : `V`}${at(point)}H${edge(of, i + 1)}`).join('');
  /** Each level is a step as wide as half of the ways to its neighbours. */
  const edge = (of: LevelPoint[], i: number) => {
    const before = of[i - 1]?.level;
    const after = of[i]?.level;
    if (before === undefined) return x(Math.max(0, (after ?? 0) * 0.85));
    return x(after === undefined ? Math.min(x.domain()[1] ?? 1, before * 1.04) : (before + after) / 2);
  };
  const lineTo = knee ? Math.min((x.domain()[1] ?? 1) * 1, Math.sqrt(most * 0.97) / knee.perLevel) : 0;
  return (
    <svg
      ref={drawing}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={describe(up, knee, window)}
      className="block text-12"
      data-part="level-stair"
    >
      {window && (
        <rect
          x={x(window.low)}
          y={TOP - 14}
          width={Math.max(3, x(window.high) - x(window.low))}
          height={ground - TOP + 14}
          className="fill-wash"
        />
      )}
      <text x={4} y={14} className="fill-soft">
        {say('plot.outputWAsItsRoot')}
      </text>
      <Grid at={watts} y={y} from={LEFT} to={width - RIGHT} />
      <line
        x1={LEFT}
        x2={width - RIGHT}
        y1={y(setPowerW)}
        y2={y(setPowerW)}
        strokeDasharray="6 4"
        className="stroke-ink"
      />
      <text x={LEFT + 4} y={y(setPowerW) - 5} className="fill-ink">
        {say('plot.setPowerW', { setPowerW })}
      </text>
      {window && (
        <text x={(x(window.low) + x(window.high)) / 2} y={14} textAnchor="middle" className="fill-ink font-semibold">
          {say('plot.setItHere')}
        </text>
      )}
      {knee && (
        <line
          x1={x(0)}
          y1={y(0)}
          x2={x(lineTo)}
          y2={y((knee.perLevel * lineTo) ** 2)}
          strokeDasharray="2 4"
          className="stroke-soft"
        />
      )}
      <path d={stair(up, (point) => y(point.outputW))} className="fill-none stroke-ink stroke-3" />
      {knee && (
        <g className="stroke-watch">
          <line x1={x(knee.level)} x2={x(knee.level)} y1={y(setPowerW) - 12} y2={y(most / 9)} strokeWidth={2} />
          <line
            x1={x(knee.level - knee.halfWidth)}
            x2={x(knee.level + knee.halfWidth)}
            y1={y(most / 9)}
            y2={y(most / 9)}
            strokeWidth={2}
          />
          <rect
            x={x(knee.level) - 4.5}
            y={y(most / 9) - 4.5}
            width={9}
            height={9}
            transform={`rotate(45 ${x(knee.level)} ${y(most / 9)})`}
            className="fill-sheet"
            strokeWidth={2}
          />
        </g>
      )}
      {knee && <KneeWords knee={knee} x={x} y={y(most / 9)} width={width} />}
      {wideFrom !== undefined && (
        <g data-part="wide">
          <line
            x1={x(wideFrom)}
            x2={width - RIGHT}
            y1={TOP + OUTPUT_PX - 5}
            y2={TOP + OUTPUT_PX - 5}
            className="stroke-watch stroke-3"
          />
          <text x={width - RIGHT} y={TOP + OUTPUT_PX - 11} textAnchor="end" className="fill-ink">
            {say('plot.signalWider')}
          </text>
        </g>
      )}
      {gaugeEnd !== undefined && (
        <>
          <text x={4} y={gaugeTop - 12} className="fill-soft">
            {say('plot.gaugeOfTheExciter0', { gaugeEnd })}
          </text>
          <Grid at={[0, gaugeEnd / 2, gaugeEnd]} y={g} from={LEFT} to={width - RIGHT} />
          {gauge && (
            <>
              <rect
                x={LEFT}
                y={g(gauge.high) - 2}
                width={width - LEFT - RIGHT}
                height={Math.max(4, g(gauge.low) - g(gauge.high) + 4)}
                className="fill-wash"
              />
              <text x={width - RIGHT} y={gaugeTop - 12} textAnchor="end" className="fill-ink">
                {say('plot.right', { right: gauge.right })}
              </text>
            </>
          )}
          <path d={stair(gauged, (point) => g(point.gauge ?? 0))} className="fill-none stroke-ink stroke-2" />
          {down.map(
            (point) =>
              point.gauge !== undefined && (
                <circle
                  key={`${point.level} ${point.gauge}`}
                  cx={x(point.level)}
                  cy={g(point.gauge)}
                  r={4}
                  className="fill-sheet stroke-ink"
                >
                  <title>{say('plot.onTheWayDown')}</title>
                </circle>
              ),
          )}
        </>
      )}
      {[0, 0.2, 0.4, 0.6, 0.8, 1]
        .filter((level) => level <= (x.domain()[1] ?? 1))
        .map((level) => (
          <text key={level} x={x(level)} y={height - 8} textAnchor="middle" className="figure fill-soft">
            {level * 100} %
          </text>
        ))}
    </svg>
  );
}

/** Beside the knee where there is room, else below it. */
function KneeWords({
  knee,
  x,
  y,
  width,
}: {
  knee: NonNullable<Props['knee']>;
  x: (level: number) => number;
  y: number;
  width: number;
}) {
  const beside = x(knee.level + knee.halfWidth) + 8;
  const fits = beside + KNEE_WORDS_PX < width - RIGHT;
  return (
    <text
      x={fits ? beside : width - RIGHT}
      y={fits ? y + 4 : y + 22}
      textAnchor={fits ? 'start' : 'end'}
      className="fill-ink font-semibold"
    >
      {say('plot.knee', { knee: knee.shown })}
    </text>
  );
}

/** Leaves out of the figures of a scale those that would touch each other, or a line with words on it. */
function apart(watts: number[], y: (watt: number) => number, taken: number): number[] {
  const kept: number[] = [];
  for (const watt of [...watts].sort((a, b) => b - a)) {
    if ([taken, ...kept.map(y)].every((other) => Math.abs(other - y(watt)) > 14)) kept.push(watt);
  }
  return kept;
}

function describe(up: LevelPoint[], knee: Props['knee'], window: Props['window']): string {
  const read = up.map((point) => `${Math.round(point.level * 100)} %: ${point.outputW} W`).join(', ');
  const bent = knee ? say('plot.kneeAfter', { knee: knee.shown }) : '';
  const set = window
    ? say('plot.setBetweenAnd', { low: Math.round(window.low * 100), high: Math.round(window.high * 100) })
    : '';
  return say('plot.outputOverLevel', { read, bent, set });
}
