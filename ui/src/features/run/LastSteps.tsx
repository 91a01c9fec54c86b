import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { RunView, StepView } from '../../api';
import { ScrollArea } from '../../parts/ui';
import { StepTable } from './StepTable';
import type { Run } from './useRun';

const HEAD_PX = 150;
const LEAST_COLUMN_PX = 62;
const NOW_PX = 66;
/** So many before the one in hand are seen without moving the table. */
const MOST_BEFORE = 7;

interface Props {
  view: RunView;
  run: Run;
  readOnly: boolean;
  /** What its columns are. */
  label: string;
  /** Those that belong to the one in hand. */
  belongs?: ((step: StepView) => boolean) | undefined;
  /** Where all runs of the kind are seen. */
  all: { to: string; says: string };
}

/** The step in hand with the last before it, newest in sight; every one of them once the run is over. */
export function LastSteps({ view, run, readOnly, label, belongs = () => true, all }: Props) {
  const box = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new step is the last column
  useEffect(() => {
    if (box.current) box.current.scrollLeft = readOnly ? 0 : box.current.scrollWidth;
  }, [view.steps.length, readOnly]);
  const steps = readOnly ? view.steps : [...view.steps.filter(belongs).slice(-MOST_BEFORE), view.draft];
  const beside = !readOnly && view.source !== 'TYPED' ? NOW_PX : 0;
  return (
    <>
      <ScrollArea label={label} viewport={box}>
        <div style={{ minWidth: HEAD_PX + steps.length * LEAST_COLUMN_PX + beside }}>
          <StepTable
            view={view}
            run={run}
            columns={steps}
            headPx={HEAD_PX}
            nowPx={NOW_PX}
            twinPx={0}
            readOnly={readOnly}
          />
        </div>
      </ScrollArea>
      {readOnly && (
        <p className="px-4 py-2 text-13">
          <Link className="noprint text-act underline" to={all.to}>
            {all.says}
          </Link>
        </p>
      )}
    </>
  );
}
