import type { ReactNode } from 'react';
import type { Level } from './contourPath';

/** Heavier lines, so that the eye can count. */
const EACH = 4;

interface Props {
  lines: readonly Level[];
  /** Width of a line, and of a heavier one. */
  thin: number;
  heavy: number;
}

/** Output over both dials as lines of equal height, the ground darker the higher it is. */
export function Contours({ lines, thin, heavy }: Props) {
  return lines.map((line, index) => (
    <path
      key={line.value}
      d={line.path}
      className="fill-twin stroke-twin"
      fillOpacity="0.07"
      strokeWidth={(index + 1) % EACH === 0 ? heavy : thin}
    />
  ));
}

/** The heights of every second line from a height on. */
export function ContourLabels({ lines, from = 0 }: { lines: readonly Level[]; from?: number }) {
  return lines
    .filter((line, index) => index % 2 === 1 && line.label && line.value >= from)
    .map((line) => (
      <Halo key={line.value} at={line.label ?? [0, 0]} className="fill-twin">
        {line.value}
      </Halo>
    ));
}

interface HaloProps {
  at: readonly [number, number];
  anchor?: 'start' | 'middle' | 'end';
  className: string;
  children: ReactNode;
}

/** Words that stand on a drawing and are legible whatever lies under them. */
export function Halo({ at, anchor, className, children }: HaloProps) {
  return (
    <text
      x={at[0]}
      y={at[1] + 4}
      textAnchor={anchor ?? 'middle'}
      className={`head stroke-sheet text-13 ${className}`}
      strokeWidth="4"
      paintOrder="stroke"
      strokeLinejoin="round"
    >
      {children}
    </text>
  );
}
