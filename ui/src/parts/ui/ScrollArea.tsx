import { ScrollArea as Primitive } from 'radix-ui';
import type { ReactNode, Ref } from 'react';
import { cn } from './cn';
import { NONCE } from './nonce';

interface Props {
  label: string;
  className?: string;
  /** What is seen of the content. */
  viewport?: Ref<HTMLDivElement>;
  children: ReactNode;
}

/** What may be wider than its place, and is then moved sideways. */
export function ScrollArea({ label, className, viewport, children }: Props) {
  return (
    <Primitive.Root
      type="auto"
      className={cn(
        'relative overflow-hidden has-data-[orientation=horizontal]:pb-2.5 print:overflow-visible',
        className,
      )}
    >
      <Primitive.Viewport
        ref={viewport}
        nonce={NONCE ?? ''}
        // The keys of the page belong to dials: what scrolls is reached with Tab.
        tabIndex={0}
        role="region"
        aria-label={label}
        className="w-full rounded-3 print:overflow-visible"
      >
        {children}
      </Primitive.Viewport>
      <Primitive.Scrollbar orientation="horizontal" className="flex h-2 touch-none p-px print:hidden">
        <Primitive.Thumb className="relative flex-1 rounded-3 bg-soft" />
      </Primitive.Scrollbar>
    </Primitive.Root>
  );
}
