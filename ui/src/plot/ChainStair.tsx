import { scaleLinear } from 'd3-scale';
import type { Ref } from 'react';
import { say } from '../words';
import { Grid } from './Grid';

interface Place {
  name: string;
  dbm: number;
  /** Level that may be fed into the part. */
  mostDbm?: number;
  shown: string;
  watt: string;
  change?: string;
  compression?: string;
  heat?: string;
}

interface Props {
  places: Place[];
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const HEIGHT = 300;
const LEFT = 58;
const TOP = 46;
const FOOT = 60;
const LEAST_SPAN_DB = 20;

/** Levels from the generator to the load: down for what a part takes, up for what it gives; a heavy tick where more may not be fed in. */
export function ChainStair({ places, width, drawing }: Props) {
  const levels = places.flatMap((one) => (one.mostDbm === undefined ? [one.dbm] : [one.dbm, one.mostDbm]));
  const low = Math.min(...levels);
  const high = Math.max(...levels, low + LEAST_SPAN_DB);
  const room = (high - low) * 0.08;
  const y = scaleLinear([low - room, high + room], [HEIGHT - FOOT, TOP]).nice(6);
  const wide = (width - LEFT) / Math.max(1, places.length);
  const x = (index: number) => LEFT + index * wide;
  return (
    <svg
      ref={drawing}
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={places.map((one) => say('plot.dBm', { name: one.name, level: one.shown, watt: one.watt })).join('; ')}
      className="block text-12"
      data-part="chain-stair"
    >
      <text x={4} y={14} className="fill-soft">
        {say('plot.levelDBm')}
      </text>
      <Grid at={y.ticks(6)} y={y} from={LEFT} to={width} />
      <path
        d={`M${places.map((one, index) => `${x(index)} ${y(one.dbm)}H${x(index + 1)}`).join('L')}`}
        fill="none"
        className="stroke-ink"
        strokeWidth="3"
      />
      {places.map((one, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: two parts may have one name; their places do not change.
        <g key={index}>
          {one.mostDbm !== undefined && (
            <g data-part="most-input">
              <line
                x1={x(index) - 12}
                x2={x(index) + 12}
                y1={y(one.mostDbm)}
                y2={y(one.mostDbm)}
                className="stroke-limit"
                strokeWidth="4"
              />
            </g>
          )}
          <text x={x(index) + wide / 2} y={y(one.dbm) - 23} textAnchor="middle" className="head fill-ink text-14">
            {one.shown}
          </text>
          <text x={x(index) + wide / 2} y={y(one.dbm) - 8} textAnchor="middle" className="figure fill-soft">
            {one.watt}
          </text>
          <text x={x(index) + wide / 2} y={HEIGHT - 40} textAnchor="middle" className="head fill-ink">
            {one.name}
          </text>
          {(one.heat || one.compression) && (
            <text x={x(index) + wide / 2} y={HEIGHT - 8} textAnchor="middle" className="fill-soft">
              {one.heat
                ? say('plot.heat', { heat: one.heat })
                : say('plot.dBCompressed', { compression: one.compression })}
            </text>
          )}
          {one.change && (
            <text x={x(index) + wide / 2} y={HEIGHT - 24} textAnchor="middle" className="figure fill-soft">
              {say('plot.dB', { change: one.change })}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}
