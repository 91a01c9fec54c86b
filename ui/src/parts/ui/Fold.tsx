import { Collapsible as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';
import { cn } from './cn';
import { Chevron } from './Select';

interface Props {
  title: ReactNode;
  className?: string;
  /** Whether paper shows what the screen has folded. */
  printed?: boolean;
  children: ReactNode;
}

/** What opens under its title. */
export function Fold({ title, className, printed, children }: Props) {
  return (
    <Primitive.Root>
      <Primitive.Trigger
        className={cn('group flex w-full cursor-pointer items-center gap-2 text-left hover:bg-wash', className)}
      >
        <span className="-rotate-90 group-data-[state=open]:rotate-0 print:hidden">
          <Chevron />
        </span>
        <span className="flex-1">{title}</span>
      </Primitive.Trigger>
      <Primitive.Content
        {...(printed ? { forceMount: true as const } : {})}
        className={cn('pl-4', printed && 'print:pl-0 not-print:data-[state=closed]:hidden')}
      >
        {children}
      </Primitive.Content>
    </Primitive.Root>
  );
}
