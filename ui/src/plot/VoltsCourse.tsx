import type { Ref } from 'react';
import type { VoltsView } from '../api';
import { say } from '../words';
import { Course } from './Course';

interface Props {
  volts: VoltsView;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const POINTS = 24;
const ENDS_ABOVE = 1.15;

/** Output over the supply's volts: rows with their intervals on the square law of each number of modules. */
export function VoltsCourse({ volts, width, drawing }: Props) {
  const lines = volts.laws.map((law) => {
    const mostV = Math.min(volts.mostV, Math.sqrt((ENDS_ABOVE * volts.mostW) / law.wattPerSquareVolt));
    return {
      key: `${law.modules}`,
      look: 'thin' as const,
      label: volts.moduleCount > 1 ? say('plot.modules', { count: law.modules }) : '',
      points: Array.from({ length: POINTS + 1 }, (_, i) => {
        const at = volts.leastV + (i / POINTS) * (mostV - volts.leastV);
        return { x: at, y: law.wattPerSquareVolt * at * at };
      }),
    };
  });
  return (
    <Course
      drawing={drawing}
      label={say('plot.outputOverSupplyVolts', {
        output: volts.rows.map((row) => `${row.voltsShown} ${row.output}`).join(', '),
      })}
      lines={lines}
      dots={volts.rows.map((row) => ({ x: row.volts, y: row.watt, plusMinus: (row.high - row.low) / 2 }))}
      limit={{ y: volts.mostW, label: say('plot.wAtMost', { mostW: volts.mostW }) }}
      xUnit={say('plot.vOfTheSupply')}
      yUnit={say('shared.outputWWithin')}
      width={width}
    />
  );
}
