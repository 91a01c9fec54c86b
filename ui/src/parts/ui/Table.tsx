import { cva } from 'class-variance-authority';
import type { ComponentProps, ReactNode } from 'react';
import { cn } from './cn';
import { ScrollArea } from './ScrollArea';

interface Props {
  /** What the table shows, above it; only spoken where `quiet`, absent where the sheet says it. */
  caption?: ReactNode;
  quiet?: boolean;
  /** Whether its rows stand close to each other. */
  tight?: boolean;
  /** Whether it may be wider than its place; the region is then named so. */
  wide?: string;
  className?: string;
  part?: string;
  children: ReactNode;
}

/** Rows of figures. */
export function Table({ caption, quiet, tight, wide, className, part, children }: Props) {
  const table = (
    <table
      className={cn('group/table w-full border-collapse', className)}
      data-tight={tight || undefined}
      data-part={part}
    >
      {caption && <caption className={quiet ? 'sr-only' : 'mb-1 text-left text-14 text-soft'}>{caption}</caption>}
      {children}
    </table>
  );
  return wide ? <ScrollArea label={wide}>{table}</ScrollArea> : table;
}

/** The heads of the columns, figures' at the right; an empty one is no head. */
export function Heads({ of, end }: { of: readonly string[]; end?: boolean }) {
  return (
    <thead>
      <tr>
        {of.map((head, place) =>
          head === '' ? (
            // biome-ignore lint/suspicious/noArrayIndexKey: heads stay where they are, and more than one may be empty.
            <td key={place} />
          ) : (
            <Head key={head} className={end ? 'text-right' : ''}>
              {head}
            </Head>
          ),
        )}
      </tr>
    </thead>
  );
}

/** How much room stands round what a row has. */
const ROOM =
  'py-1.25 pr-3 group-data-tight/table:py-0.5 group-data-tight/table:pr-0 group-data-tight/table:not-first:pl-2';

const cell = cva(ROOM, {
  variants: {
    figure: { true: 'figure whitespace-nowrap', false: '' },
    end: { true: 'text-right', false: 'text-left' },
  },
});

/** The head of a column. */
export function Head({ className, ...rest }: ComponentProps<'th'>) {
  return (
    <th
      scope="col"
      className={cn(ROOM, 'text-left text-13 font-normal whitespace-nowrap text-soft', className)}
      {...rest}
    />
  );
}

/** The head of a row. */
export function RowHead({ className, ...rest }: ComponentProps<'th'>) {
  return (
    <th
      scope="row"
      className={cn(
        ROOM,
        'border-t border-hair text-left font-normal text-soft group-data-tight/table:text-ink',
        className,
      )}
      {...rest}
    />
  );
}

interface CellProps extends ComponentProps<'td'> {
  /** Whether it is a figure. */
  figure?: boolean;
  /** Whether it stands at the right. */
  end?: boolean;
}

export function Cell({ figure = false, end = false, className, ...rest }: CellProps) {
  return <td className={cn('border-t border-hair', cell({ figure, end }), className)} {...rest} />;
}
