import { scaleLinear } from 'd3-scale';
import type { Ref } from 'react';
import type { ScopeView } from '../api';
import { showNumber } from '../quantity';
import { say } from '../words';
import { Grid } from './Grid';

type Shows = NonNullable<ScopeView['shows']>;

const HEIGHT = 190;
const LEFT = 52;
const PAD = 10;
const SIDE_SHARE = 0.42;
const GAP = 40;
const TICKS = 4;
const MILLI = 1e3;

/** What a scope showed: output over time, and beside it output over drive where both were taken. */
export function TraceShown({ shows, width, drawing }: { shows: Shows; width: number; drawing?: Ref<SVGSVGElement> }) {
  const { trace, name, straightV } = shows;
  const most = Math.max(1e-9, ...trace.highV, ...trace.lowV.map((volt) => -volt));
  const y = scaleLinear([-most, most], [HEIGHT - PAD, PAD]);
  const hasDrive = trace.driveV.length > 0;
  const timeEnd = hasDrive ? width * (1 - SIDE_SHARE) - GAP : width - PAD;
  const x = scaleLinear([0, Math.max(1, trace.highV.length - 1)], [LEFT, timeEnd]);
  const at = (volts: number[]) => volts.map((volt, i) => `${x(i).toFixed(1)} ${y(volt).toFixed(1)}`);
  return (
    <svg
      ref={drawing}
      viewBox={`0 0 ${width} ${HEIGHT + 24}`}
      role="img"
      aria-label={say('plot.trace', { name })}
      className="block w-full text-12"
    >
      <Grid at={y.ticks(TICKS)} y={y} from={LEFT} to={timeEnd} />
      <path
        d={`M${at(trace.highV).join('L')}L${at(trace.lowV).reverse().join('L')}Z`}
        className="fill-hair stroke-ink"
        strokeWidth="1.5"
      />
      <text x={LEFT} y={HEIGHT + 16} className="fill-soft">
        {say('plot.vMsAcross', { span: showNumber(trace.spanS * MILLI, 2) })}
      </text>
      {hasDrive && <OverDrive trace={trace} straightV={straightV} y={y} from={timeEnd + GAP} to={width - PAD} />}
    </svg>
  );
}

interface Side {
  trace: Shows['trace'];
  straightV: number | undefined;
  y: (volt: number) => number;
  from: number;
  to: number;
}

/** Each column's output, up and down, over the drive of its time; straight sides are clean. */
function OverDrive({ trace, straightV, y, from, to }: Side) {
  const mostV = Math.max(1e-9, ...trace.driveV);
  const x = scaleLinear([0, mostV], [from, to]);
  const points = trace.driveV.map((drive, i) => ({ drive, high: trace.highV[i] ?? 0, low: trace.lowV[i] ?? 0 }));
  return (
    <g>
      <line x1={from} x2={to} y1={y(0)} y2={y(0)} className="stroke-rule" />
      {straightV !== undefined &&
        [1, -1].map((side) => (
          <line
            key={side}
            x1={x(0)}
            y1={y(0)}
            x2={x(mostV)}
            y2={y(side * straightV)}
            className="stroke-soft"
            strokeDasharray="2 4"
            strokeWidth="1.5"
          />
        ))}
      {points.map((one, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place in time
        <g key={i} className="fill-ink">
          <circle cx={x(one.drive)} cy={y(one.high)} r="1.4" />
          <circle cx={x(one.drive)} cy={y(one.low)} r="1.4" />
        </g>
      ))}
      <text x={from} y={HEIGHT + 16} className="fill-soft">
        {say('plot.vOverDrive')}
      </text>
    </g>
  );
}
