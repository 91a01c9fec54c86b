import { scaleLinear } from 'd3-scale';
import type { Ref } from 'react';
import { showNumber } from '../quantity';
import { Grid } from './Grid';

interface Tread {
  cause: string;
  volts: number;
  shown: string;
}

interface Props {
  treads: Tread[];
  /** Another plan's, drawn dotted. */
  beside?: Tread[];
  leastV: number;
  leastLabel: string;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const HEIGHT = 236;
const LEFT = 48;
const TOP = 26;
const BOTTOM = 28;

/** Voltage from the terminals down to the set: a stair down, with what the set needs as a line. */
export function VoltageStair({ treads, beside = [], leastV, leastLabel, width, drawing }: Props) {
  const values = [...treads, ...beside].map((one) => one.volts);
  const low = Math.min(leastV, ...values);
  const high = Math.max(leastV, ...values);
  const room = Math.max(0.02, (high - low) * 0.12);
  const y = scaleLinear([low - room, high + room], [HEIGHT - BOTTOM, TOP]);
  const wide = (width - LEFT) / Math.max(1, treads.length);
  const x = (index: number) => LEFT + index * wide;
  const path = (list: Tread[]) =>
    `M${list.map((one, index) => `${x(index)} ${y(one.volts)}L${x(index + 1)} ${y(one.volts)}`).join('L')}`;
  // A figure stands above its tread, or below it where the line of what the set needs would run through it.
  const besideTread = (volts: number) => {
    const above = y(leastV) - y(volts);
    return above > -20 && above < 2 ? 18 : -8;
  };
  const under = y(leastV) > HEIGHT - BOTTOM - 16;
  return (
    <svg
      ref={drawing}
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={`${treads.map((one) => `${one.cause} ${one.shown} V`).join(', ')}. ${leastLabel}`}
      className="block h-auto w-full text-12"
      data-part="voltage-stair"
    >
      <Grid at={y.ticks(5)} y={y} from={LEFT} to={width} shown={(volts) => showNumber(volts)} />
      <line x1={LEFT} x2={width} y1={y(leastV)} y2={y(leastV)} className="stroke-limit" strokeWidth="2" />
      <text x={LEFT + 8} y={y(leastV) + (under ? -6 : 15)} className="fill-limit">
        {leastLabel}
      </text>
      {beside.length > 0 && (
        <path d={path(beside)} fill="none" className="stroke-soft" strokeWidth="2" strokeDasharray="2 4" />
      )}
      <path d={path(treads)} fill="none" className="stroke-ink" strokeWidth="3" />
      {treads.map((one, index) => (
        <g key={one.cause}>
          <text
            x={x(index) + wide / 2}
            y={y(one.volts) + besideTread(one.volts)}
            textAnchor="middle"
            className="head fill-ink text-14"
          >
            {one.shown}
          </text>
          <text x={x(index) + wide / 2} y={HEIGHT - 8} textAnchor="middle" className="fill-soft">
            {one.cause}
          </text>
        </g>
      ))}
    </svg>
  );
}
