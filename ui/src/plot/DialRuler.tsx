import { showNumber } from '../quantity';

interface Props {
  least: number;
  most: number;
  markStep: number;
  position?: number;
  adviseTo?: number;
  twinAt?: number;
}

const WIDTH = 400;
const PAD = 12;

/** A dial's scale laid straight: where it stands as a pointer, where it should go as an arrow. */
export function DialRuler({ least, most, markStep, position, adviseTo, twinAt }: Props) {
  const x = (mark: number) => PAD + ((mark - least) / (most - least)) * (WIDTH - 2 * PAD);
  const marks = Math.round((most - least) / markStep);
  const numbered = Array.from({ length: marks + 1 }, (_, i) => least + i * markStep);
  const fine = Array.from({ length: marks * 5 + 1 }, (_, i) => least + (i * markStep) / 5);
  return (
    <svg viewBox={`0 0 ${WIDTH} 48`} className="block w-full" aria-hidden="true">
      <line x1={x(least)} x2={x(most)} y1="16" y2="16" className="stroke-soft" strokeWidth="1.5" />
      {fine.map((mark) => (
        <line key={mark} x1={x(mark)} x2={x(mark)} y1="16" y2="21" className="stroke-soft" />
      ))}
      {numbered.map((mark) => (
        <g key={mark}>
          <line x1={x(mark)} x2={x(mark)} y1="16" y2="26" className="stroke-soft" strokeWidth="1.5" />
          <text x={x(mark)} y="41" textAnchor="middle" className="figure fill-soft text-13">
            {showNumber(mark, 4)}
          </text>
        </g>
      ))}
      {twinAt !== undefined && (
        <path
          d={`M${x(twinAt)} 1V30`}
          className="stroke-twin"
          strokeWidth="2"
          strokeDasharray="2 3"
          data-part="dial-twin"
        />
      )}
      {position !== undefined && (
        <path d={`M${x(position) - 7} 2h14l-7 13z`} className="fill-ink" data-part="dial-pointer" />
      )}
      {adviseTo !== undefined && position !== undefined && Math.abs(x(adviseTo) - x(position)) > 12 && (
        <Arrow from={x(position) + (adviseTo > position ? 9 : -9)} to={x(adviseTo)} />
      )}
      {adviseTo !== undefined && (
        <line x1={x(adviseTo)} x2={x(adviseTo)} y1="0" y2="16" className="stroke-act" strokeWidth="2" />
      )}
    </svg>
  );
}

function Arrow({ from, to }: { from: number; to: number }) {
  const back = to > from ? -6 : 6;
  return (
    <path
      d={`M${from} 8H${to} M${to + back} 4L${to} 8L${to + back} 12`}
      fill="none"
      className="stroke-act"
      strokeWidth="2"
    />
  );
}
