import type { Ref } from 'react';
import type { VoltsView } from '../api';
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
      label: volts.moduleCount > 1 ? `${law.modules} ${law.modules === 1 ? 'module' : 'modules'}` : '',
      points: Array.from({ length: POINTS + 1 }, (_, i) => {
        const at = volts.leastV + (i / POINTS) * (mostV - volts.leastV);
        return { x: at, y: law.wattPerSquareVolt * at * at };
      }),
    };
  });
  return (
    <Course
      drawing={drawing}
      label={`Output over supply volts: ${volts.rows.map((row) => `${row.voltsShown} ${row.output}`).join(', ')}`}
      lines={lines}
      dots={volts.rows.map((row) => ({ x: row.volts, y: row.watt, plusMinus: (row.high - row.low) / 2 }))}
      limit={{ y: volts.mostW, label: `${volts.mostW} W at most` }}
      xUnit="V of the supply"
      yUnit="output, W"
      width={width}
    />
  );
}
