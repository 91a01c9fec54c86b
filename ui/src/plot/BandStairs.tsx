import { scaleLog } from 'd3-scale';
import type { Ref } from 'react';
import { fixed } from '../quantity';
import { say } from '../words';
import { Grid } from './Grid';

export interface BandStair {
  key: string;
  name: string;
  /** Rows in rising order of drive. */
  rows: { driveW: number; outputW: number }[];
  /** Drives and outputs by the law beyond the rows. */
  law: number[][];
  trips: { driveW: number; outputW?: number; says: string }[];
  /** Figures under the stair, one to a line. */
  figures: string[];
}

interface Props {
  bands: BandStair[];
  heads: string[];
  chosen: string | undefined;
  wantedW: number;
  ratedW: number;
  driveLimitW: number;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

export const STAIRS = { height: 300, left: 78, top: 22, foot: 104 } as const;
const LINE = 18;
/** A band's column holds its stair and leaves this much free on either side, as a share. */
const MARGIN = 0.14;

/** Returns the scale of output, from the floor of what was read to a little above the rating. */
export function outputScale(bands: BandStair[], wantedW: number, ratedW: number) {
  const outputs = bands.flatMap((band) => band.rows.map((row) => row.outputW)).filter((one) => one > 0);
  const floor = Math.min(wantedW / 6, ratedW / 12, ...outputs) * 0.8;
  return scaleLog()
    .domain([floor, Math.max(ratedW, wantedW) * 1.3])
    .range([STAIRS.height - STAIRS.foot, STAIRS.top]);
}

/** Drive to output of every band side by side on one scale, trips as heavy ticks, the law beyond the rows dotted. */
export function BandStairs({ bands, heads, chosen, wantedW, ratedW, driveLimitW, width, drawing }: Props) {
  const y = outputScale(bands, wantedW, ratedW);
  const wide = (width - STAIRS.left) / Math.max(1, bands.length);
  const drives = bands.flatMap((band) => band.rows.map((row) => row.driveW)).filter((one) => one > 0);
  const x = scaleLog()
    .domain([Math.min(driveLimitW / 16, ...drives), driveLimitW * 1.1])
    .range([MARGIN * wide, (1 - MARGIN) * wide])
    .clamp(true);
  const ground = STAIRS.height - STAIRS.foot;
  const [floor = 1, top = 1] = y.domain();
  const ticks = [1, 2, 5, 10, 20, 50, 100, 200, 400, 800, 1500].filter(
    (tick) => tick > floor && tick < top && Math.abs(y(tick) - y(wantedW)) > 13,
  );
  return (
    <svg
      ref={drawing}
      width={width}
      height={STAIRS.height}
      viewBox={`0 0 ${width} ${STAIRS.height}`}
      role="img"
      aria-label={say('plot.outputOverDriveOn', {
        bands: bands.map((band) => `${band.name}: ${describe(band)}`).join('; '),
      })}
      className="block text-12"
      data-part="band-stairs"
    >
      {bands.map((band, index) =>
        band.key === chosen ? (
          <rect
            key={band.key}
            x={STAIRS.left + index * wide}
            y={0}
            width={wide}
            height={STAIRS.height}
            className="fill-wash"
          />
        ) : null,
      )}
      <text x={4} y={14} className="fill-soft">
        {say('shared.outputWWithin')}
      </text>
      <Grid at={ticks} y={y} from={STAIRS.left} to={width} />
      <line x1={STAIRS.left} x2={width} y1={y(wantedW)} y2={y(wantedW)} className="stroke-act" strokeWidth="2" />
      {bands.map((band, index) => (
        <g key={band.key} transform={`translate(${STAIRS.left + index * wide} 0)`}>
          <path d={stairPath(band, x, y, ground)} fill="none" className="stroke-ink" strokeWidth="2.5" />
          {band.law.length > 1 && (
            <polyline
              points={band.law.map(([drive = 1, output = 1]) => `${x(drive)},${y(output)}`).join(' ')}
              fill="none"
              className="stroke-twin"
              strokeWidth="2"
              strokeDasharray="2 4"
            />
          )}
          {band.trips.map((trip) => (
            <Trip key={trip.driveW} x={x(trip.driveW)} y={y(Math.min(top, Math.max(floor, trip.outputW ?? wantedW)))} />
          ))}
          <text x={wide / 2} y={ground + 20} textAnchor="middle" className="head fill-ink text-13">
            {band.name.replace(' MHz', '')}
          </text>
          {band.figures.map((figure, line) => (
            <text
              // biome-ignore lint/suspicious/noArrayIndexKey: a figure is its line
              key={line}
              x={wide / 2}
              y={ground + 20 + (line + 1) * LINE}
              textAnchor="middle"
              className="figure fill-ink"
            >
              {figure}
            </text>
          ))}
        </g>
      ))}
      {heads.map((head, line) => (
        <text key={head} x={STAIRS.left - 8} y={ground + 20 + (line + 1) * LINE} textAnchor="end" className="fill-soft">
          {head}
        </text>
      ))}
    </svg>
  );
}

/** A heavy tick where it tripped. */
function Trip({ x, y }: { x: number; y: number }) {
  return <line x1={x} x2={x} y1={y - 14} y2={y + 14} className="stroke-limit" strokeWidth="4" data-part="trip-tick" />;
}

function stairPath(
  band: BandStair,
  x: (drive: number) => number,
  y: (output: number) => number,
  ground: number,
): string {
  return band.rows.reduce((path, row, index) => {
    const next = band.rows[index + 1];
    const end = next ? x(next.driveW) : x(row.driveW * 1.25);
    const from = index === 0 ? `M${x(row.driveW)} ${Math.min(ground, y(row.outputW) + 12)}` : '';
    return `${path}${from}L${x(row.driveW)} ${y(row.outputW)}H${end}`;
  }, '');
}

function describe(band: BandStair): string {
  if (band.rows.length === 0) return say('plot.neverMeasured');
  const rows = band.rows
    .map((row) => say('plot.wAtW', { outputW: Math.round(row.outputW), driveW: fixed(row.driveW, 1) }))
    .join(', ');
  return [rows, ...band.trips.map((trip) => trip.says)].join(', ');
}
