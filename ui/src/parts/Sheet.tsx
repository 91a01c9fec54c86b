import type { ReactNode } from 'react';

interface Props {
  title?: string;
  aside?: ReactNode;
  accent?: boolean;
  className?: string;
  part?: string;
  children: ReactNode;
}

/** A sheet of paper on the ground; its title in small soft words. */
export function Sheet({ title, aside, accent, className = '', part, children }: Props) {
  return (
    <section
      data-part={part}
      aria-label={title}
      className={`sheet px-4.5 py-3.5 ${accent ? 'border-l-4 border-l-act pl-4' : ''} ${className}`}
    >
      {title && (
        <header className="mb-2 flex flex-wrap items-baseline justify-between gap-x-3">
          <h2 className="text-14 text-soft">{title}</h2>
          {aside}
        </header>
      )}
      {children}
    </section>
  );
}
