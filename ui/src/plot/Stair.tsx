import { scaleLog } from 'd3-scale';
import { say } from '../words';

export interface StairColumn {
  key: string;
  /** Output in watts, where read. */
  value?: number;
  low?: number;
  high?: number;
  label?: string;
  /** Output that doubling with the drive would have brought. */
  doubling?: number;
  expect?: { least: number; most: number };
  inHand: boolean;
}

interface Props {
  columns: StairColumn[];
  width: number;
  height: number;
  /** Width of the row heads left of the first column. */
  left: number;
  limit: number;
  limitLabel: string;
}

const TOP = 16;
const BOTTOM = 10;

/** Output per step on a log scale: the stair, with the step in hand lit, the doubling line above it and the limit. */
export function Stair({ columns, width, height, left, limit, limitLabel }: Props) {
  const values = columns.flatMap((column) =>
    [column.value, column.low, column.expect?.least].filter((one): one is number => one !== undefined && one > 0),
  );
  const floor = Math.min(limit / 8, ...values) * 0.55;
  const y = scaleLog()
    .domain([floor, limit * 1.45])
    .range([height - BOTTOM, TOP]);
  const columnWidth = (width - left) / columns.length;
  const x = (index: number) => left + index * columnWidth;
  const inHand = columns.findIndex((column) => column.inHand);
  const ticks = [10, 20, 50, 100, 200, 500, 1000, 2000, 5000].filter(
    (tick) => tick > floor && tick < limit * 1.4 && Math.abs(y(tick) - y(limit)) > 13,
  );
  const doubling = columns.flatMap((column, index) =>
    column.doubling && column.doubling < limit * 1.4 ? [[x(index) + columnWidth / 2, y(column.doubling)] as const] : [],
  );
  const end = doubling.at(-1);

  return (
    <svg width={width} height={height} role="img" aria-label={describe(columns)} className="block" data-part="stair">
      {inHand >= 0 && <rect x={x(inHand)} y={0} width={columnWidth} height={height} className="fill-wash" />}
      <text x={16} y={14} className="fill-soft text-12">
        {say('shared.outputWWithin')}
      </text>
      {ticks.map((tick) => (
        <g key={tick}>
          <line x1={left} x2={width} y1={y(tick)} y2={y(tick)} className="stroke-hair" />
          <text x={left - 8} y={y(tick) + 4} textAnchor="end" className="figure fill-soft text-12">
            {tick}
          </text>
        </g>
      ))}
      <line x1={left} x2={width} y1={y(limit)} y2={y(limit)} className="stroke-limit" strokeWidth="2" />
      <text x={left - 8} y={y(limit) + 4} textAnchor="end" className="figure fill-limit text-12">
        {limit}
      </text>
      <text x={left + 8} y={y(limit) - 5} className="fill-limit text-12">
        {limitLabel}
      </text>
      {doubling.length > 1 && end && (
        <>
          <polyline
            points={doubling.map((point) => point.join(',')).join(' ')}
            fill="none"
            className="stroke-soft"
            strokeWidth="1.5"
            strokeDasharray="2 4"
          />
          <text x={end[0] - 10} y={clear(end[1] - 4, y(limit))} textAnchor="end" className="fill-soft text-12">
            {say('plot.doubling')}
          </text>
        </>
      )}
      {columns.map((column, index) => (
        <StairStep key={column.key} column={column} x={x(index)} width={columnWidth} y={y} />
      ))}
      <path d={outline(columns, x, y)} fill="none" className="stroke-ink" strokeWidth="3" strokeLinejoin="miter" />
    </svg>
  );
}

const LINE_PX = 12;

/** Returns the foot of a word, above a line that would run through it. */
const clear = (foot: number, line: number) => (foot > line - 2 && foot - LINE_PX < line ? line - 5 : foot);

function StairStep(props: { column: StairColumn; x: number; width: number; y: (value: number) => number }) {
  const { column, x, width, y } = props;
  const middle = x + width / 2;
  if (column.value === undefined || column.value <= 0) {
    if (!column.expect) return null;
    const top = y(column.expect.most);
    const bottom = y(column.expect.least);
    return (
      <g>
        <rect
          x={x + 1}
          y={top}
          width={width - 2}
          height={bottom - top}
          className="fill-none stroke-act"
          strokeDasharray="3 3"
        />
        <text x={middle} y={bottom + 16} textAnchor="middle" className="fill-act text-12">
          {say('plot.expectTo', { least: Math.round(column.expect.least), most: Math.round(column.expect.most) })}
        </text>
      </g>
    );
  }
  const low = Math.max(column.low ?? column.value, column.value * 0.3);
  const high = column.high ?? column.value;
  return (
    <g>
      <rect x={x} y={y(high)} width={width} height={y(low) - y(high)} className="fill-ink opacity-10" />
      <text
        x={middle}
        y={Math.max(y(column.value) + 22, y(low) + 15)}
        textAnchor="middle"
        className="head fill-ink text-18"
      >
        {column.label}
      </text>
    </g>
  );
}

function outline(columns: StairColumn[], x: (index: number) => number, y: (value: number) => number): string {
  let path = '';
  columns.forEach((column, index) => {
    if (column.value === undefined || column.value <= 0) return;
    path += `${path === '' ? 'M' : 'L'}${x(index)} ${y(column.value)}H${x(index + 1)}`;
  });
  return path;
}

function describe(columns: StairColumn[]): string {
  const read = columns.filter((column) => column.label !== undefined).map((column) => column.label);
  return read.length === 0 ? say('plot.noOutputReadYet') : say('plot.outputAtEachStepIn', { read: read.join(', ') });
}
