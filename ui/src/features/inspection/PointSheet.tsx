import type { ReactNode } from 'react';
import type { InspectedView } from '../../api';
import { say } from '../../words';
import { pointWords, type State, stateWord } from './points';

interface Props {
  of: InspectedView['point'];
  state: State | undefined;
  /** Whether something was noted or photographed. */
  seen: boolean;
  knocksOut: boolean;
  children?: ReactNode;
}

/** A point on its sheet: what it is, how one looks at it, how it was found. */
export function PointSheet({ of, state, seen, knocksOut, children }: Props) {
  const { name, look } = pointWords(of);
  return (
    <section aria-label={name} data-point={of} className="sheet px-4 py-3 print:px-0 print:py-1">
      <header className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h2 className="text-18">{name}</h2>
        <span className={state === 'BAD' ? 'head text-limit' : state ? 'head' : 'text-soft'}>
          {state ? stateWord(state) : seen ? say('inspection.notJudged') : say('inspection.notLookedAt')}
        </span>
      </header>
      <p className="text-soft noprint">{look}</p>
      {state === 'BAD' && knocksOut && <p className="head mt-1 text-limit">{say('inspection.leaveIt')}</p>}
      {children}
    </section>
  );
}
