import { scaleLinear } from 'd3-scale';
import type { Ref } from 'react';
import { fixed } from '../quantity';
import { say } from '../words';
import { Grid, signed } from './Grid';

interface Place {
  plate: number;
  load: number;
}

interface Props {
  own: readonly Place[];
  best: readonly Place[];
  end: Place;
  ridge: readonly Place[];
  loadLeast: number;
  loadMost: number;
  now?: Place;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const HEIGHT = 270;
const LEFT = 42;
const RIGHT = 16;
const TOP = 30;
const FOOT = 34;
/** How far beside what is shown the scale of PLATE goes on, of its span. */
const BESIDE = 0.12;

/** Both dials as a map: the ridge of resonance dotted, the way that was gone in ink, the best end as a ring. */
export function DialWay({ own, best, end, ridge, loadLeast, loadMost, now, width, drawing }: Props) {
  const plates = [...own, ...best, end].map((one) => one.plate);
  const span = Math.max(0.4, Math.max(...plates) - Math.min(...plates));
  const x = scaleLinear(
    [Math.min(...plates) - BESIDE * span, Math.max(...plates) + BESIDE * span],
    [LEFT, width - RIGHT],
  ).nice(6);
  const y = scaleLinear([loadLeast, loadMost], [HEIGHT - FOOT, TOP]);
  const [low = 0, high = 0] = x.domain();
  const inside = (one: Place) => one.plate >= low && one.plate <= high;
  const line = (all: readonly Place[]) =>
    all.map((one, place) => `${place === 0 ? 'M' : 'L'}${x(one.plate).toFixed(1)} ${y(one.load).toFixed(1)}`).join('');
  const last = own.at(-1);
  const told = (one: Place | undefined) => (one ? `${fixed(one.plate, 2)} / ${fixed(one.load, 2)}` : '–');
  return (
    <svg
      ref={drawing}
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={say('plot.dialsWay', { own: told(last), best: told(end) })}
      className="block text-12"
      data-part="dial-way"
    >
      <text x={4} y={12} className="fill-soft">
        LOAD
      </text>
      <Grid at={y.ticks(5)} y={y} from={LEFT} to={width - RIGHT} />
      {x.ticks(6).map((tick) => (
        <text key={tick} x={x(tick)} y={HEIGHT - 16} textAnchor="middle" className="figure fill-soft">
          {signed(tick)}
        </text>
      ))}
      <text x={width - RIGHT} y={HEIGHT - 2} textAnchor="end" className="fill-soft">
        PLATE
      </text>
      <path d={line(ridge.filter(inside))} fill="none" className="stroke-twin" strokeWidth="2" strokeDasharray="2 4" />
      <circle cx={x(end.plate)} cy={y(end.load)} r="7" fill="none" className="stroke-twin" strokeWidth="2.5" />
      <path d={line(own)} fill="none" className="stroke-ink" strokeWidth="2" />
      {last && <circle cx={x(last.plate)} cy={y(last.load)} r="4.5" className="fill-ink" />}
      {now && (
        <circle
          cx={x(now.plate)}
          cy={y(now.load)}
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
