import type { Flow } from '../api';
import { fixed } from '../quantity';
import { say } from '../words';

interface Props {
  flows: Flow[];
  width: number;
  height: number;
}

const SIDE = 200;
const BAR = 14;
const GAP = 21;
const LEAST_PX = 1.5;

/** Power in on the left, power out on the right; widths are true to scale. */
export function Flows({ flows, width, height }: Props) {
  const into = flows.filter((flow) => flow.in && flow.watt > 0.05);
  const out = flows.filter((flow) => !flow.in && flow.watt > 0.05);
  const whole = Math.max(1e-9, sum(into));
  const scale = (height - GAP * (Math.max(into.length, out.length) - 1) - 24) / whole;
  const middle = width / 2;
  const trunk = (height - whole * scale) / 2;
  const left = stacked(into, scale, height);
  const right = stacked(out, scale, height);
  let inAt = trunk;
  let outAt = trunk;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label={say('plot.powerInPowerOut', { into: said(into), out: said(out) })}
      className="block h-auto max-w-full"
      data-part="flows"
    >
      {left.map(({ flow, y, size }) => {
        const path = ribbon(SIDE, y, middle, inAt, size);
        inAt += size;
        return (
          <g key={flow.code}>
            <path d={path} className="fill-twinwash" />
            <rect x={SIDE - BAR} y={y} width={BAR} height={Math.max(LEAST_PX, size)} className="fill-twin" />
            <Label flow={flow} x={SIDE - BAR - 8} y={y + size / 2} anchor="end" />
          </g>
        );
      })}
      {right.map(({ flow, y, size }) => {
        const path = ribbon(middle, outAt, width - SIDE, y, size);
        outAt += size;
        const main = flow.code === 'OUTPUT';
        return (
          <g key={flow.code}>
            <path d={path} className="fill-twinwash" />
            <rect
              x={width - SIDE}
              y={y}
              width={BAR}
              height={Math.max(LEAST_PX, size)}
              className={main ? 'fill-act' : 'fill-twin'}
            />
            <Label flow={flow} x={width - SIDE + BAR + 8} y={y + size / 2} anchor="start" />
          </g>
        );
      })}
    </svg>
  );
}

function Label({ flow, x, y, anchor }: { flow: Flow; x: number; y: number; anchor: 'start' | 'end' }) {
  return (
    <text x={x} y={y + 5} textAnchor={anchor} className="fill-ink text-14">
      {flow.label}{' '}
      <tspan className="figure fill-twin italic">
        {flow.watt < 9.95 ? fixed(flow.watt, 1) : fixed(flow.watt, 0)}
        {'\u2009'}W
      </tspan>
    </text>
  );
}

function sum(flows: Flow[]): number {
  return flows.reduce((total, flow) => total + flow.watt, 0);
}

function said(flows: Flow[]): string {
  return flows.map((flow) => `${flow.label} ${fixed(flow.watt, 1)} W`).join(', ');
}

/** Returns each flow with its place, one below the other with gaps, centred. */
function stacked(flows: Flow[], scale: number, height: number) {
  const tall = sum(flows) * scale + GAP * (flows.length - 1);
  let y = (height - tall) / 2;
  return flows.map((flow) => {
    const size = flow.watt * scale;
    const place = { flow, y, size };
    y += size + GAP;
    return place;
  });
}

function ribbon(x1: number, y1: number, x2: number, y2: number, size: number): string {
  const bend = (x1 + x2) / 2;
  return `M${x1} ${y1}C${bend} ${y1} ${bend} ${y2} ${x2} ${y2}V${y2 + size}C${bend} ${y2 + size} ${bend} ${y1 + size} ${x1} ${y1 + size}Z`;
}
