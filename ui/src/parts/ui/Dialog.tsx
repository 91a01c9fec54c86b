import { Dialog as Primitive } from 'radix-ui';
import { type ReactNode, useRef } from 'react';
import { cn } from './cn';

export const OVERLAY = 'fixed inset-0 z-20 bg-shade';
export const PANEL =
  'sheet fixed top-1/2 left-1/2 z-20 max-h-[92vh] w-115 max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-y-auto p-5 text-ink';

interface Props {
  open: boolean;
  onClose: () => void;
  title: string;
  /** Whether the title is only spoken. */
  quiet?: boolean;
  className?: string;
  children: ReactNode;
}

/** A sheet over the page that holds the focus until it is closed. */
export function Dialog({ open, onClose, title, quiet, className, children }: Props) {
  // It is opened by keys as well: the focus goes back to where it was, not to a button of its own.
  const before = useRef<Element>(null);
  return (
    <Primitive.Root open={open} onOpenChange={(on) => !on && onClose()}>
      <Primitive.Portal>
        <Primitive.Overlay className={OVERLAY} />
        <Primitive.Content
          aria-describedby={undefined}
          className={cn(PANEL, className)}
          onOpenAutoFocus={() => {
            before.current = document.activeElement;
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (before.current instanceof HTMLElement) before.current.focus();
          }}
        >
          <Primitive.Title className={quiet ? 'sr-only' : 'mb-3 text-22'}>{title}</Primitive.Title>
          {children}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}

/** What closes the dialog that it stands in. */
export const DialogClose = Primitive.Close;
