import { scaleLinear, scalePoint } from 'd3-scale';
import type { Ref } from 'react';
import { fixed } from '../quantity';
import { say } from '../words';
import { Grid, signed } from './Grid';

export interface BiasRung {
  device: number;
  /** What is read without the device. */
  base: number;
  /** What is to be read with it. */
  aim: number;
  tolerance: number;
  /** What is read with it. */
  is?: number;
}

interface Props {
  unit: string;
  rungs: BiasRung[];
  /** How many decimals are worth showing of it. */
  decimals: number;
  /** How far each reading was off its aim, in per cent of a device's current. */
  offPercent: number[];
  tolerancePercent: number;
  /** The device in hand, and what the meter shows now. */
  now?: { device: number; value: number | undefined };
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const LEFT = 62;
const RIGHT = 18;
const TOP = 30;
const STAIR_PX = 210;
const GAP = 44;
const STRIP_PX = 96;
const FOOT = 18;
const STRIP_PERCENT = 8;
const MOST_READINGS = 40;

/** One step a device, from what flows without it to what is to flow with it; below, how far each reading was off its aim. */
export function BiasStair({ unit, decimals, rungs, offPercent, tolerancePercent, now, width, drawing }: Props) {
  const most = Math.max(...rungs.map((rung) => Math.max(rung.aim, rung.is ?? 0)), now?.value ?? 0);
  const y = scaleLinear()
    .domain([0, most * 1.12])
    .range([TOP + STAIR_PX, TOP]);
  const step = (width - LEFT - RIGHT) / rungs.length;
  const x = (index: number) => LEFT + index * step;
  const offs = offPercent.map((percent, index) => ({ percent, index })).slice(-MOST_READINGS);
  const stripTop = TOP + STAIR_PX + GAP;
  const strip = scaleLinear()
    .domain([-STRIP_PERCENT, STRIP_PERCENT])
    .range([stripTop + STRIP_PX, stripTop])
    .clamp(true);
  const along = scalePoint<number>()
    .domain(offs.map((reading) => reading.index))
    .range([LEFT, width - RIGHT])
    .padding(0.5);
  const height = (offs.length > 0 ? stripTop + STRIP_PX : TOP + STAIR_PX) + FOOT;
  return (
    <svg
      ref={drawing}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={describe(unit, decimals, rungs)}
      className="block text-12"
      data-part="bias-stair"
    >
      <text x={4} y={14} className="fill-soft">
        {say('plot.onTheMeter', { unit })}
      </text>
      <Grid at={y.ticks(4).filter((tick) => tick > 0)} y={y} from={LEFT} to={width - RIGHT} />
      <line x1={LEFT} x2={width - RIGHT} y1={y(0)} y2={y(0)} className="stroke-soft" />
      {rungs.map((rung, index) => {
        const left = x(index) + 8;
        const right = x(index + 1) - 8;
        const band = Math.max(5, y(rung.aim - rung.tolerance) - y(rung.aim + rung.tolerance));
        const inHand = now?.device === rung.device;
        return (
          <g key={rung.device}>
            <rect x={left} y={y(rung.aim) - band / 2} width={right - left} height={band} className="fill-wash" />
            <line
              x1={left}
              x2={right}
              y1={y(rung.aim)}
              y2={y(rung.aim)}
              strokeDasharray="6 4"
              className={inHand ? 'stroke-act' : 'stroke-soft'}
            />
            <text x={right} y={y(rung.aim) - band / 2 - 5} textAnchor="end" className="figure fill-soft">
              {say('plot.aim', { aim: fixed(rung.aim, decimals) })}
            </text>
            <line x1={left} x2={left} y1={y(rung.base)} y2={y(rung.is ?? rung.base)} className="stroke-ink stroke-2" />
            <line
              x1={left}
              x2={rung.is === undefined ? left + 18 : right}
              y1={y(rung.is ?? rung.base)}
              y2={y(rung.is ?? rung.base)}
              className="stroke-ink stroke-3"
            />
            {rung.is !== undefined && (
              <text x={left + 6} y={y(rung.is) + 18} className="figure fill-ink font-semibold">
                {fixed(rung.is, decimals)}
              </text>
            )}
            {inHand && now?.value !== undefined && (
              <g className="stroke-act" data-part="bias-now">
                <line x1={left - 6} x2={right + 6} y1={y(now.value)} y2={y(now.value)} strokeWidth={2} />
                <path d={`M${left - 8} ${y(now.value)}l-7 -5v10z`} className="fill-act" stroke="none" />
              </g>
            )}
            <text
              x={(left + right) / 2}
              y={TOP + STAIR_PX + 16}
              textAnchor="middle"
              className={inHand ? 'fill-act font-semibold' : 'fill-soft'}
            >
              {say('shared.device', { device: rung.device })}
            </text>
          </g>
        );
      })}
      {offs.length > 0 && (
        <>
          <text x={4} y={stripTop - 10} className="fill-soft">
            {say('plot.eachReadingOffItsAim')}
          </text>
          <rect
            x={LEFT}
            y={strip(tolerancePercent)}
            width={width - LEFT - RIGHT}
            height={strip(-tolerancePercent) - strip(tolerancePercent)}
            className="fill-wash"
          />
          <Grid
            at={[-5, 0, 5]}
            y={strip}
            from={LEFT}
            to={width - RIGHT}
            shown={(percent) => (percent > 0 ? `+${percent}` : signed(percent))}
          />
          {offs.map(({ percent, index }) => {
            const beyond = Math.abs(percent) > STRIP_PERCENT;
            const at = along(index) ?? LEFT;
            return beyond ? (
              <path
                key={index}
                d={`M${at - 5} ${strip(percent) + (percent > 0 ? 8 : -8)}h10l-5 ${percent > 0 ? -8 : 8}z`}
                className="fill-watch"
              />
            ) : (
              <circle key={index} cx={at} cy={strip(percent)} r={3.5} className="fill-ink" />
            );
          })}
        </>
      )}
    </svg>
  );
}

function describe(unit: string, decimals: number, rungs: BiasRung[]): string {
  return rungs
    .map((rung) =>
      say('plot.deviceAim', {
        device: rung.device,
        aim: fixed(rung.aim, decimals),
        unit,
        reads:
          rung.is === undefined
            ? say('plot.notTurnedYet')
            : say('plot.reads', { reading: fixed(rung.is, decimals), unit }),
      }),
    )
    .join('; ');
}
