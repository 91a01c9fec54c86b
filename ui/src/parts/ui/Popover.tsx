import { Popover as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';
import { inMain } from './inMain';

interface Props {
  /** What the button says to who cannot see it. */
  label: string;
  /** What stands on the button. */
  shown: ReactNode;
  className?: string;
  /** What it opens to; drawn only while it is open. */
  children: ReactNode;
}

/** A figure or a word that opens to what stands behind it. */
export function Popover({ label, shown, className, children }: Props) {
  return (
    <Primitive.Root>
      <Primitive.Trigger aria-label={label} className={className}>
        {shown}
      </Primitive.Trigger>
      <Primitive.Portal container={inMain()}>
        <Primitive.Content
          aria-label={label}
          sideOffset={4}
          collisionPadding={8}
          className="sheet z-30 w-90 max-w-[92vw] border-soft px-3 py-2 text-13 text-ink"
        >
          {children}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}
