import { scaleLinear } from 'd3-scale';
import { showNumber } from '../quantity';

interface Props {
  fullScale: number;
  /** Where the pointer should stand, and between what it may. */
  expected?: { value: number; low: number; high: number };
  /** Where the hand goes back. */
  stop?: number;
  /** Where it stands. */
  position?: number;
}

const WIDTH = 400;
const PAD = 16;

/** The scale of a meter laid straight: where its pointer should stand, and where the hand goes back. */
export function PointerRuler({ fullScale, expected, stop, position }: Props) {
  const x = scaleLinear()
    .domain([0, fullScale])
    .range([PAD, WIDTH - PAD])
    .clamp(true);
  return (
    <svg viewBox={`0 0 ${WIDTH} 46`} className="block w-full" aria-hidden="true">
      <line x1={x(0)} x2={x(fullScale)} y1="18" y2="18" className="stroke-soft" strokeWidth="1.5" />
      {x.ticks(20).map((tick) => (
        <line key={tick} x1={x(tick)} x2={x(tick)} y1="18" y2="22" className="stroke-soft" />
      ))}
      {x.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1="18" y2="27" className="stroke-soft" strokeWidth="1.5" />
          <text x={x(tick)} y="42" textAnchor="middle" className="figure fill-soft text-14">
            {showNumber(tick)}
          </text>
        </g>
      ))}
      {expected && (
        <g data-part="pointer-expected">
          <rect
            x={x(expected.low)}
            y="6"
            width={Math.max(3, x(expected.high) - x(expected.low))}
            height="12"
            className="fill-twinwash"
          />
          <line x1={x(expected.value)} x2={x(expected.value)} y1="2" y2="20" className="stroke-twin" strokeWidth="3" />
        </g>
      )}
      {position !== undefined && (
        <path d={`M${x(position) - 7} 3h14l-7 14z`} className="fill-ink" data-part="pointer" />
      )}
      {stop !== undefined && (
        <line
          x1={x(stop)}
          x2={x(stop)}
          y1="4"
          y2="29"
          className="stroke-limit"
          strokeWidth="4"
          data-part="pointer-stop"
        />
      )}
    </svg>
  );
}
