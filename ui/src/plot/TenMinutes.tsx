import { scaleLinear } from 'd3-scale';
import { type Ref, useState } from 'react';
import { UprightSlider } from '../parts/ui';
import { say } from '../words';
import { apart } from './apart';
import { Grid } from './Grid';

interface Band {
  box: string;
  transmits: boolean;
  currentA: number[];
}

interface Rating {
  key: string;
  ampere: number;
  label: string;
}

interface Props {
  bands: Band[];
  peakA: number;
  peak: string;
  averageA: number;
  average: string;
  ratings: Rating[];
  onRating: (key: string, ampere: number) => void;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const HEIGHT = 250;
const LEFT = 34;
const RIGHT = 176;
const TOP = 12;
const BOTTOM = 24;
const LABEL_GAP = 15;
const SECONDS = 600;

/** Stacked current of all boxes over ten minutes, with average, peak and the supply's ratings; ratings can be dragged. */
export function TenMinutes({ bands, peakA, peak, averageA, average, ratings, onRating, width, drawing }: Props) {
  const fitting = Math.max(peakA, ...ratings.map((one) => one.ampere)) * 1.08;
  // While a line is in hand the scale does not shrink below it.
  const [held, setHeld] = useState<number>();
  const most = Math.max(fitting, held ?? 0);
  const x = scaleLinear([0, SECONDS], [LEFT, width - RIGHT]);
  const y = scaleLinear([0, most], [HEIGHT - BOTTOM, TOP]);
  const order = [...bands].sort((a, b) => Number(a.transmits) - Number(b.transmits));
  const marks = [
    { key: 'peak', ampere: peakA, label: say('plot.peak', { peak }), look: 'fill-ink head' },
    { key: 'average', ampere: averageA, label: say('plot.average', { average }), look: 'fill-ink head' },
    ...ratings.map((one) => ({ ...one, look: 'fill-limit' })),
  ];
  const places = apart(
    marks.map((one) => y(one.ampere) + 4),
    LABEL_GAP,
    TOP + 4,
    HEIGHT - BOTTOM,
  );
  let below = new Array<number>(bands[0]?.currentA.length ?? 0).fill(0);
  const end = width - RIGHT;

  const moved = (ampere: number[]) => {
    const at = ratings.findIndex((one, index) => one.ampere !== ampere[index]);
    const rating = ratings[at];
    if (rating) onRating(rating.key, Math.max(1, Math.round(ampere[at] ?? rating.ampere)));
  };
  return (
    <div className="relative" style={{ height: HEIGHT }}>
      <svg
        ref={drawing}
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-label={say('plot.currentOverTenMinutesPeak', {
          peak,
          average,
          label: ratings.map((one) => one.label).join('. '),
        })}
        className="block text-12"
        data-part="ten-minutes"
      >
        <g>
          <Grid at={y.ticks(5)} y={y} from={LEFT} to={end} />
          {order.map((band) => {
            const from = below;
            const to = from.map((base, second) => base + (band.currentA[second] ?? 0));
            below = to;
            return (
              <path
                key={band.box}
                d={area(from, to, x, y)}
                className={band.transmits ? 'fill-wash stroke-act' : 'fill-rule stroke-sheet'}
                strokeWidth={band.transmits ? 1.2 : 0.6}
                vectorEffect="non-scaling-stroke"
              >
                <title>{band.box}</title>
              </path>
            );
          })}
          {x.ticks(10).map((tick, index) => (
            <text key={tick} x={x(index * 60)} y={HEIGHT - 6} textAnchor="middle" className="figure fill-soft">
              {index <= 10 ? index : ''}
            </text>
          ))}
          <line x1={LEFT} x2={end} y1={y(averageA)} y2={y(averageA)} className="stroke-ink" strokeWidth="3" />
          <line
            x1={LEFT}
            x2={end}
            y1={y(peakA)}
            y2={y(peakA)}
            className="stroke-ink"
            strokeWidth="1.5"
            strokeDasharray="6 4"
          />
          {marks.map((mark, index) => (
            <g key={mark.key}>
              <path
                d={`M${end} ${y(mark.ampere)}L${end + 9} ${(places[index] ?? 0) - 4}`}
                className={mark.look.startsWith('fill-limit') ? 'stroke-limit' : 'stroke-soft'}
                fill="none"
              />
              <text x={end + 12} y={places[index]} className={`${mark.look} text-12`}>
                {mark.label}
              </text>
            </g>
          ))}
          {ratings.map((one) => (
            <g key={one.key}>
              <line x1={LEFT} x2={end} y1={y(one.ampere)} y2={y(one.ampere)} className="stroke-limit" strokeWidth="2" />
              <rect x={end - 22} y={y(one.ampere) - 4} width="14" height="8" rx="1" className="fill-limit" />
            </g>
          ))}
        </g>
      </svg>
      <UprightSlider
        thumbs={ratings.map((one) => ({
          key: one.key,
          value: one.ampere,
          label: say('plot.rating', { label: one.label }),
          says: `${one.ampere} A, ${one.label}`,
        }))}
        least={0}
        most={most}
        step={1}
        onChange={moved}
        onHeld={(on) => setHeld(on ? fitting : undefined)}
        at={{ left: LEFT, top: TOP, width: end - LEFT, height: HEIGHT - TOP - BOTTOM }}
      />
    </div>
  );
}

/** A band between two outlines that hold for a second each. */
function area(from: number[], to: number[], x: (s: number) => number, y: (a: number) => number): string {
  const edge = (values: number[]) => {
    const points: string[] = [];
    values.forEach((value, second) => {
      if (second > 0 && value === values[second - 1]) return;
      if (second > 0) points.push(`${x(second).toFixed(1)} ${y(values[second - 1] as number).toFixed(1)}`);
      points.push(`${x(second).toFixed(1)} ${y(value).toFixed(1)}`);
    });
    points.push(`${x(values.length).toFixed(1)} ${y(values.at(-1) ?? 0).toFixed(1)}`);
    return points;
  };
  return `M${edge(to).join('L')}L${edge(from).reverse().join('L')}Z`;
}
