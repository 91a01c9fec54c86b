import { type ReactNode, type Ref, useRef } from 'react';
import type { RunView, StepView } from '../../api';
import { SaveDrawing, Sized } from '../../plot';
import { LastSteps } from './LastSteps';
import type { Run } from './useRun';

const MARGIN_PX = 32;

interface Props {
  view: RunView;
  run: Run;
  readOnly: boolean;
  /** What the columns of the table are. */
  label: string;
  /** Those that belong to the one in hand. */
  belongs?: (step: StepView) => boolean;
  /** Where all runs of the kind are seen. */
  all: { to: string; says: string };
  /** What a saved picture begins with; absent where there is no drawing. */
  fileName?: string;
  /** What the readings come to, so wide. */
  picture: (width: number, drawing: Ref<SVGSVGElement>) => ReactNode;
}

/** What a run's readings come to, and the last of them; all of them once the run is over. */
export function LastSheet({ view, run, readOnly, label, belongs, all, fileName, picture }: Props) {
  const drawing = useRef<SVGSVGElement>(null);
  const csv = `/api/runs/${view.id}/steps.csv`;
  return (
    <section aria-label={view.title} className="sheet overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2.5 pb-1">
        <h1 className="text-22">{view.title}</h1>
        <p className="text-soft">{view.subtitle}</p>
        {fileName ? (
          <SaveDrawing name={`${fileName}-${view.startedAt.slice(0, 10)}`} csv={csv} drawing={() => drawing.current} />
        ) : (
          <a className="noprint text-13 text-act underline" href={csv}>
            CSV
          </a>
        )}
      </header>
      <Sized>{(width) => <div className="px-4">{picture(width - MARGIN_PX, drawing)}</div>}</Sized>
      <LastSteps view={view} run={run} readOnly={readOnly} label={label} belongs={belongs} all={all} />
    </section>
  );
}
