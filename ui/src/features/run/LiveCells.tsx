import type { Row, StepView } from '../../api';
import { Diamond } from '../../parts';
import { useLiveExpected, useLiveReading } from './useLive';

/** What a meter shows now; what is wrong with its source instead, where something is. */
export function NowCell({ role }: { role: Row['role'] }) {
  const reading = useLiveReading(role);
  if (!reading) return null;
  if (reading.says !== '') {
    return (
      <span className="flex items-center justify-center gap-1 text-12 text-watch" title={reading.says}>
        <Diamond />
        <span className="truncate">{reading.says}</span>
      </span>
    );
  }
  return (
    <span
      className={reading.over ? 'block border-l-4 border-limit font-bold text-limit' : ''}
      title={reading.over ?? reading.withUncertainty}
      data-part={`now-${role}`}
    >
      {reading.shown}
    </span>
  );
}

/** The band in which the twin expects a meter, at the dials as they stand. */
export function TwinCell({ role, draft, live }: { role: Row['role']; draft: StepView; live: boolean }) {
  const moving = useLiveExpected(role);
  const expected = live ? moving : draft.twin.find((one) => one.role === role);
  if (!expected) return null;
  return (
    <span
      className="text-13 whitespace-nowrap text-twin italic"
      title={`expected ${expected.low.toPrecision(3)} to ${expected.high.toPrecision(3)}`}
      data-part={`twin-${role}`}
    >
      {expected.shown}
      <span>{`\u2009±\u2009${band(expected.high - expected.value)}`}</span>
    </span>
  );
}

function band(width: number): string {
  return width >= 9.5 ? width.toFixed(0) : Number(width.toPrecision(1)).toString();
}
