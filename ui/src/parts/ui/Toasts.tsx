import { Toast as Primitive } from 'radix-ui';
import { say } from '../../words';
import { LimitBar } from '../marks';
import { Button } from './Button';
import { unsay, useSaid } from './toasts';

const SHOWN_MS = 6000;

/** What was said of things done, in a corner; spoken at once where something went wrong, else when there is time. */
export function Toasts() {
  const said = useSaid();
  return (
    <Primitive.Provider label={say('shared.note')} duration={SHOWN_MS}>
      {said.map((one) => (
        <Primitive.Root
          key={one.id}
          type={one.wrong ? 'foreground' : 'background'}
          duration={one.wrong ? Number.POSITIVE_INFINITY : SHOWN_MS}
          onOpenChange={(open) => !open && unsay(one.id)}
          data-part="toast"
          className={`sheet flex items-baseline gap-3 border-l-4 px-4 py-2.5 ${one.wrong ? 'border-l-limit' : 'border-l-act'}`}
        >
          {one.wrong && <LimitBar />}
          <div className="flex-1">
            <Primitive.Title className="head">{one.words}</Primitive.Title>
            {one.detail && <Primitive.Description className="text-13 text-soft">{one.detail}</Primitive.Description>}
          </div>
          <Primitive.Close asChild>
            <Button kind="link">{say('shared.close')}</Button>
          </Primitive.Close>
        </Primitive.Root>
      ))}
      <Primitive.Viewport className="noprint fixed right-5 bottom-5 z-40 grid w-95 max-w-[90vw] gap-2 outline-none" />
    </Primitive.Provider>
  );
}
