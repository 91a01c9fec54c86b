import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { RunView, StepView } from '../../api';
import { Button, ScrollArea } from '../../parts/ui';
import { LevelStair, Sized, savePng, saveSvg } from '../../plot';
import { StepTable } from './StepTable';
import type { Run } from './useRun';

const HEAD_PX = 150;
const LEAST_COLUMN_PX = 62;
const NOW_PX = 66;
/** So many levels before the one in hand are seen without moving the table. */
const MOST_BEFORE = 7;

/** Output and gauge over the level, and the levels of the set power and tone in hand; every one of them once the run is over. */
export function LevelSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const drawing = useRef<SVGSVGElement>(null);
  const box = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new level is the last column
  useEffect(() => {
    if (box.current) box.current.scrollLeft = readOnly ? 0 : box.current.scrollWidth;
  }, [view.steps.length, readOnly]);
  const levels = view.levels;
  const fileName = `alc-${view.startedAt.slice(0, 10)}-${view.exciter.replaceAll(' ', '-')}`;
  const withDrawing = (act: (svg: SVGSVGElement) => void) => drawing.current && act(drawing.current);
  const hand = view.draft;
  const steps: StepView[] = readOnly
    ? view.steps
    : [...view.steps.filter((step) => step.drive === hand.drive && step.tone === hand.tone).slice(-MOST_BEFORE), hand];
  const beside = !readOnly && view.source !== 'TYPED' ? NOW_PX : 0;
  return (
    <section aria-label={view.title} className="sheet overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2.5 pb-1">
        <h1 className="text-22">{view.title}</h1>
        <p className="text-soft">{view.subtitle}</p>
        <span className="noprint flex gap-2.5 text-13 text-act">
          <Button kind="link" asChild>
            <a href={`/api/runs/${view.id}/steps.csv`} download>
              CSV
            </a>
          </Button>
          <Button kind="link" onClick={() => withDrawing((svg) => saveSvg(svg, fileName))}>
            SVG
          </Button>
          <Button kind="link" onClick={() => withDrawing((svg) => void savePng(svg, fileName))}>
            PNG
          </Button>
        </span>
      </header>
      {levels && (
        <Sized>
          {(width) => (
            <div className="px-4">
              <LevelStair
                drawing={drawing}
                points={levels.series[0]?.points ?? []}
                setPowerW={levels.setPowerW}
                gaugeEnd={levels.gaugeEnd}
                knee={levels.knee}
                window={levels.window}
                gauge={levels.gauge}
                width={width - 32}
              />
            </div>
          )}
        </Sized>
      )}
      <ScrollArea label="Levels" viewport={box}>
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
          <Link className="noprint text-act underline" to="/drive/alc">
            Levels of every exciter
          </Link>
        </p>
      )}
    </section>
  );
}
