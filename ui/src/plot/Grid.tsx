import { showNumber } from '../quantity';

interface Props {
  /** Values that have a line. */
  at: readonly number[];
  /** Where a value lies. */
  y: (value: number) => number;
  /** Ends of the lines; the values stand before the first. */
  from: number;
  to: number;
  /** How a value is written, where not as it is. */
  shown?: (value: number) => string | number;
}

const GAP = 8;
const BASELINE = 4;

/** Returns a number as it is, with a true minus. */
export const signed = (value: number) => showNumber(value, 12);

/** The horizontal lines of a drawing, with their values. */
export function Grid({ at, y, from, to, shown = signed }: Props) {
  return at.map((value) => (
    <g key={value}>
      <line x1={from} x2={to} y1={y(value)} y2={y(value)} className="stroke-hair" />
      <text x={from - GAP} y={y(value) + BASELINE} textAnchor="end" className="figure fill-soft">
        {shown(value)}
      </text>
    </g>
  ));
}
