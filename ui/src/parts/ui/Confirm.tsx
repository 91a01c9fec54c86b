import { AlertDialog as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';
import { say } from '../../words';
import { Button } from './Button';
import { OVERLAY, PANEL } from './Dialog';

interface Props {
  /** What opens it: one button. */
  children: ReactNode;
  title: string;
  /** What follows from it. */
  says: string;
  /** The button that does it. */
  does: string;
  onDo: () => void;
}

/** Asks before something is done that cannot be undone. */
export function Confirm({ children, title, says, does, onDo }: Props) {
  return (
    <Primitive.Root>
      <Primitive.Trigger asChild>{children}</Primitive.Trigger>
      <Primitive.Portal>
        <Primitive.Overlay className={OVERLAY} />
        <Primitive.Content className={PANEL}>
          <Primitive.Title className="text-22">{title}</Primitive.Title>
          <Primitive.Description className="mt-1 text-soft">{says}</Primitive.Description>
          <div className="mt-4 flex flex-wrap gap-3">
            <Primitive.Action asChild>
              <Button kind="main" onClick={onDo}>
                {does}
              </Button>
            </Primitive.Action>
            <Primitive.Cancel asChild>
              <Button>{say('parts.cancel')}</Button>
            </Primitive.Cancel>
          </div>
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}
