import { useLayoutEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { RunView, StepView } from '../../api';
import { ScrollArea } from '../../parts/ui';
import { SaveDrawing, Stair, type StairColumn } from '../../plot';
import { say } from '../../words';
import { StepTable } from './StepTable';
import { Tabs } from './Tabs';
import type { Run } from './useRun';
import { WattmetersLine } from './WattmetersLine';

const HEAD_PX = 150;
const LEAST_COLUMN_PX = 62;
const STAIR_PX = 206;
const NOW_PX = 66;
const TWIN_PX = 108;

/** The stair over the step table: one column per step, the one in hand lit through both. */
export function StepSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  // Measured before it is painted: a sheet that is first too wide would show a bar to scroll it by.
  useLayoutEffect(() => {
    const place = box.current;
    if (!place) return;
    const measure = () => setWidth(place.clientWidth);
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(place);
    return () => observer.disconnect();
  }, []);

  const fileName = `climb-${view.startedAt.slice(0, 10)}-${view.band.replace(' ', '')}`;
  const shown = readOnly ? view.steps : [...view.steps, view.draft];
  const places = readOnly ? shown.length : Math.max(view.drivesW.length + 1, shown.length);
  const beside = readOnly ? 0 : (view.source === 'TYPED' ? 0 : NOW_PX) + (view.twin ? TWIN_PX : 0);
  const tableWidth = Math.max(width, HEAD_PX + places * LEAST_COLUMN_PX + beside);
  const columns: (StepView | undefined)[] = Array.from({ length: places }, (_, i) => shown[i]);
  return (
    <section aria-label={view.title} className="sheet overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2.5 pb-1">
        <h1 className="text-22">{view.title}</h1>
        <p className="text-soft">{view.subtitle}</p>
        <SaveDrawing
          name={fileName}
          csv={`/api/runs/${view.id}/steps.csv`}
          drawing={() => box.current?.querySelector<SVGSVGElement>('svg[data-part=stair]')}
        />
        {readOnly && (
          <Link className="noprint text-13 text-act underline" to="/log">
            {say('shared.log')}
          </Link>
        )}
        <Tabs view={view} />
      </header>
      <ScrollArea label={say('run.stairAndSteps')} viewport={box}>
        <div style={{ width: tableWidth }}>
          <Stair
            columns={columns.map((step, index) => stairColumn(step, index, !readOnly && index === view.steps.length))}
            width={tableWidth - beside}
            height={STAIR_PX}
            left={HEAD_PX}
            limit={view.licenceLimitW}
            limitLabel={say('shared.licenceW', { licence: view.licenceLimitW })}
          />
          <StepTable
            view={view}
            run={run}
            columns={columns}
            headPx={HEAD_PX}
            nowPx={NOW_PX}
            twinPx={TWIN_PX}
            readOnly={readOnly}
          />
        </div>
      </ScrollArea>
      <WattmetersLine view={view} run={run} readOnly={readOnly} />
    </section>
  );
}

function stairColumn(step: StepView | undefined, index: number, inHand: boolean): StairColumn {
  if (!step) return { key: String(index), inHand: false };
  const output = step.output;
  return {
    key: String(index),
    value: output?.value,
    low: output && output.value - output.halfWidth,
    high: output && output.value + output.halfWidth,
    label: output?.shown,
    doubling: step.doublingW,
    expect: step.expected && { least: step.expected.leastW, most: step.expected.mostW },
    inHand,
  };
}
