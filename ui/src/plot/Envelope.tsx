import { scaleLinear } from 'd3-scale';
import { say } from '../words';

interface Props {
  /** Drive amplitudes relative to the peak, rising. */
  input: number[];
  /** Peak output voltage at each. */
  output: number[];
  /** Whether it comes from what was read, and not from the twin. */
  read?: boolean;
}

const WIDTH = 400;
const HEIGHT = 210;
const PAD = 10;
const BEATS = 2;
const POINTS = 240;

/** Returns the output at a drive amplitude, in a straight line between the samples and to nothing at nothing. */
export function outputAt(input: number[], output: number[], amplitude: number): number {
  const above = input.findIndex((one) => one >= amplitude);
  if (above < 0) return output.at(-1) ?? 0;
  const x0 = above === 0 ? 0 : (input[above - 1] ?? 0);
  const y0 = above === 0 ? 0 : (output[above - 1] ?? 0);
  const x1 = input[above] ?? 1;
  const y1 = output[above] ?? 0;
  return y0 + ((y1 - y0) * (amplitude - x0)) / Math.max(1e-12, x1 - x0);
}

/** Two beats of two equal tones at the output, and dotted what a straight amplifier would make of them. */
export function Envelope({ input, output, read }: Props) {
  const first = (output[0] ?? 0) / Math.max(1e-12, input[0] ?? 1);
  const most = Math.max(first, ...output);
  const x = scaleLinear([0, BEATS], [PAD, WIDTH - PAD]);
  const y = scaleLinear([-most, most], [HEIGHT - PAD, PAD]);
  const edge = (of: (amplitude: number) => number, side: 1 | -1) =>
    Array.from({ length: POINTS + 1 }, (_, i) => {
      const beat = (BEATS * i) / POINTS;
      return `${x(beat).toFixed(1)} ${y(side * of(Math.abs(Math.sin(Math.PI * beat)))).toFixed(1)}`;
    });
  const made = (amplitude: number) => outputAt(input, output, amplitude);
  const straight = (amplitude: number) => first * amplitude;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={say('plot.twoToneEnvelope')}
      className="block w-full"
    >
      <path
        d={`M${edge(made, 1).join('L')}L${edge(made, -1).reverse().join('L')}Z`}
        className={read ? 'fill-hair stroke-ink' : 'fill-twinwash stroke-twin'}
        strokeWidth="2"
      />
      {([1, -1] as const).map((side) => (
        <path
          key={side}
          d={`M${edge(straight, side).join('L')}`}
          fill="none"
          className="stroke-soft"
          strokeDasharray="2 4"
          strokeWidth="1.5"
        />
      ))}
      <line x1={PAD} x2={WIDTH - PAD} y1={y(0)} y2={y(0)} className="stroke-rule" />
    </svg>
  );
}

/** Output against drive, both ways: straight sides are clean. */
export function Trapezoid({ input, output, read }: Props) {
  const first = (output[0] ?? 0) / Math.max(1e-12, input[0] ?? 1);
  const most = Math.max(first, ...output);
  const x = scaleLinear([0, 1], [PAD, WIDTH - PAD]);
  const y = scaleLinear([-most, most], [HEIGHT - PAD, PAD]);
  const side = (sign: 1 | -1) => input.map((one, i) => `${x(one).toFixed(1)} ${y(sign * (output[i] ?? 0)).toFixed(1)}`);
  const centre = `${x(0)} ${y(0)}`;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={say('plot.outputAgainstDrive')}
      className="block w-full"
    >
      <path
        d={`M${centre}L${side(1).join('L')}L${side(-1).reverse().join('L')}Z`}
        className={read ? 'fill-hair stroke-ink' : 'fill-twinwash stroke-twin'}
        strokeWidth="2"
      />
      {([1, -1] as const).map((sign) => (
        <line
          key={sign}
          x1={x(0)}
          y1={y(0)}
          x2={x(1)}
          y2={y(sign * first)}
          className="stroke-soft"
          strokeDasharray="2 4"
          strokeWidth="1.5"
        />
      ))}
    </svg>
  );
}
