import { Tooltip as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';
import { inMain } from './inMain';

/** Lets notes appear after a short rest of the pointer; once, round the whole page. */
export const Tooltips = ({ children }: { children: ReactNode }) => (
  <Primitive.Provider delayDuration={250}>{children}</Primitive.Provider>
);

interface Props {
  /** What more there is to say. */
  says: string;
  className?: string;
  children: ReactNode;
}

/** Says more of what stands there, under the pointer and with the focus. */
export function Tooltip({ says, className, children }: Props) {
  return (
    <Primitive.Root>
      <Primitive.Trigger className={className}>{children}</Primitive.Trigger>
      <Primitive.Portal container={inMain()}>
        <Primitive.Content sideOffset={4} className="sheet z-30 max-w-80 border-soft px-2 py-1 text-13 text-ink">
          {says}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}
