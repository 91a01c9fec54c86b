import type { ReactNode, RefObject } from 'react';
import { Button } from '../../parts/ui';
import { SaveDrawing } from '../../plot';
import { say } from '../../words';
import { DriveTabs } from './DriveTabs';

/** What runs of a kind brought, which is what is printed; beside it all of them, and how a new one begins. */
export function KeptPage({ shown, children }: { shown: ReactNode; children: ReactNode }) {
  return (
    <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side print:m-0 print:block">
      {shown}
      <div className="noprint grid grid-cols-one gap-3.5">{children}</div>
    </div>
  );
}

interface Shown {
  title: string;
  /** Which run it is; absent where there is none. */
  run: ReactNode | undefined;
  /** What a file of it is called. */
  fileName: string;
  drawing: RefObject<SVGSVGElement | null>;
  children: ReactNode;
}

/** One run with its picture. */
export function Shown({ title, run, fileName, drawing, children }: Shown) {
  return (
    <section aria-label={title} className="sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">{title}</h1>
        {run && (
          <>
            <p className="text-soft">{run}</p>
            <SaveDrawing name={fileName.replaceAll(' ', '-')} drawing={() => drawing.current} />
            <Button kind="link" className="noprint text-13" onClick={() => window.print()}>
              {say('shared.print')}
            </Button>
          </>
        )}
        <DriveTabs />
      </header>
      {children}
    </section>
  );
}
