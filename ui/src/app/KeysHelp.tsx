import { Kbd } from '../parts';
import { Button, Dialog, DialogClose } from '../parts/ui';
import { say } from '../words';
import { KEY_HELP } from './places';

export default function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title={say('app.keys')}>
      <dl className="grid grid-cols-key gap-y-1.5">
        {KEY_HELP.map(([key, does]) => (
          <div key={key} className="contents">
            <dt>
              <Kbd>{key}</Kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 mb-3 text-13 text-soft">{say('app.singleKeysWorkWhileNo')}</p>
      <p className="mb-3 text-13 text-soft">{say('app.aReadingMayBe409')}</p>
      <p className="mb-3 text-13 text-soft">{say('app.isHalfOfThe95')}</p>
      <DialogClose asChild>
        <Button>{say('shared.close')}</Button>
      </DialogClose>
    </Dialog>
  );
}
