import type { Row, StepView } from '../../api';
import { Diamond } from '../../parts';
import { Tooltip } from '../../parts/ui';
import { fixed, showNumber } from '../../quantity';
import { useLiveExpected, useLiveReading } from './useLive';

/** What a meter shows now; what is wrong with its source instead, where something is. */
export function NowCell({ role }: { role: Row['role'] }) {
  const reading = useLiveReading(role);
  if (!reading) return null;
  if (reading.says !== '') {
    return (
      <Tooltip
        says={reading.says}
        className="flex w-full items-center justify-center gap-1 truncate text-12 text-watch"
      >
        <Diamond />
        <span className="truncate">{reading.says}</span>
      </Tooltip>
    );
  }
  const shown = <span data-part={`now-${role}`}>{reading.shown}</span>;
  return reading.over ? (
    <Tooltip says={reading.over} className="block w-full border-l-4 border-limit font-bold text-limit">
      {shown}
    </Tooltip>
  ) : (
    shown
  );
}

/** The band in which the twin expects a meter, at the dials as they stand. */
export function TwinCell({ role, draft, live }: { role: Row['role']; draft: StepView; live: boolean }) {
  const moving = useLiveExpected(role);
  const expected = live ? moving : draft.twin.find((one) => one.role === role);
  if (!expected) return null;
  return (
    <span className="text-13 whitespace-nowrap text-twin italic" data-part={`twin-${role}`}>
      {expected.shown}
      <span>{`\u2009±\u2009${band(expected.high - expected.value)}`}</span>
    </span>
  );
}

function band(width: number): string {
  return width >= 9.5 ? fixed(width, 0) : showNumber(Number(width.toPrecision(1)));
}
