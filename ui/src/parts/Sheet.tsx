import type { ReactNode } from 'react';
import type { TermName } from './glossary';
import { Term } from './Term';
import { Fold } from './ui/Fold';

interface Props {
  title?: string;
  /** What is explained of the title. */
  term?: TermName;
  aside?: ReactNode;
  accent?: boolean;
  className?: string;
  part?: string;
  children: ReactNode;
}

/** A sheet of paper on the ground; its title in small soft words. */
export function Sheet({ title, term, aside, accent, className = '', part, children }: Props) {
  return (
    <section
      data-part={part}
      aria-label={title}
      className={`sheet px-4.5 py-3.5 ${accent ? 'border-l-4 border-l-act pl-4' : ''} ${className}`}
    >
      {title && (
        <header className="mb-2 flex flex-wrap items-baseline justify-between gap-x-3">
          <h2 className="text-14 text-soft">{term ? <Term of={term}>{title}</Term> : title}</h2>
          {aside}
        </header>
      )}
      {children}
    </section>
  );
}

/** A sheet that shows its title alone until it is opened; paper has all of it. */
export function FoldedSheet({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="sheet px-4.5 py-2">
      <Fold printed title={<span className="text-14 text-soft">{title}</span>}>
        <div className="pt-2 pb-1.5">{children}</div>
      </Fold>
    </section>
  );
}
