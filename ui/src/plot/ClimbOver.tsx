import { scaleLinear, scaleLog } from 'd3-scale';
import type { Ref } from 'react';
import { showNumber } from '../quantity';
import { say } from '../words';
import { Grid } from './Grid';

interface Place {
  driveW: number;
  outputW: number;
}

interface Props {
  own: readonly Place[];
  best: readonly Place[];
  licenceW: number;
  /** Where one looks. */
  now?: Place;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const HEIGHT = 270;
const LEFT = 52;
const RIGHT = 16;
const TOP = 30;
const FOOT = 34;
const TICKS = [1, 2, 5, 10, 20, 50, 100, 200, 500];

/** Output over drive: the key-downs that were made in ink, the climb of somebody who knows the station dotted. */
export function ClimbOver({ own, best, licenceW, now, width, drawing }: Props) {
  const drives = [...own, ...best].map((one) => one.driveW).filter((drive) => drive > 0);
  const least = Math.min(...drives, 4);
  const most = Math.max(...drives, 10);
  const x = scaleLog([least / 1.3, most * 1.3], [LEFT, width - RIGHT]).clamp(true);
  const y = scaleLinear(
    [0, Math.max(...[...own, ...best].map((one) => one.outputW), 100) * 1.08],
    [HEIGHT - FOOT, TOP],
  ).nice();
  const [low = 0, high = 0] = x.domain();
  const top = y.domain()[1] ?? 0;
  const told = (all: readonly Place[]) =>
    all.map((one) => `${showNumber(one.driveW, 2)} W → ${showNumber(one.outputW, 3)} W`).join('; ') || '–';
  return (
    <svg
      ref={drawing}
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={say('plot.yourClimbBest', { own: told(own), best: told(best) })}
      className="block text-12"
      data-part="climb-over"
    >
      <text x={4} y={14} className="fill-soft">
        W
      </text>
      <Grid at={y.ticks(5)} y={y} from={LEFT} to={width - RIGHT} />
      {TICKS.filter((tick) => tick >= low && tick <= high).map((tick) => (
        <text key={tick} x={x(tick)} y={HEIGHT - 14} textAnchor="middle" className="figure fill-soft">
          {tick}&thinsp;W
        </text>
      ))}
      {licenceW <= top && (
        <g>
          <line
            x1={LEFT}
            x2={width - RIGHT}
            y1={y(licenceW)}
            y2={y(licenceW)}
            className="stroke-limit"
            strokeWidth="2"
          />
          <text x={LEFT + 6} y={y(licenceW) - 6} className="fill-limit">
            {say('plot.licenceWithin')}
          </text>
        </g>
      )}
      <path d={path(best, x, y)} fill="none" className="stroke-twin" strokeWidth="2" strokeDasharray="2 4" />
      {best.map((one) => (
        <circle
          key={one.driveW}
          cx={x(one.driveW)}
          cy={y(one.outputW)}
          r="4"
          fill="none"
          className="stroke-twin"
          strokeWidth="1.5"
        />
      ))}
      <path d={path(own, x, y)} fill="none" className="stroke-ink" strokeWidth="2.5" />
      {own.map((one, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: key-downs are never sorted, and two may be alike
        <circle key={place} cx={x(Math.max(one.driveW, least))} cy={y(one.outputW)} r="4" className="fill-ink" />
      ))}
      {now && now.driveW > 0 && (
        <circle
          cx={x(now.driveW)}
          cy={y(now.outputW)}
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

const path = (all: readonly Place[], x: (drive: number) => number, y: (output: number) => number) =>
  all
    .filter((one) => one.driveW > 0)
    .map((one, place) => `${place === 0 ? 'M' : 'L'}${x(one.driveW).toFixed(1)} ${y(one.outputW).toFixed(1)}`)
    .join('');
