import { useEffect, useRef } from 'react';
import { Button, Kbd } from '../parts';
import { KEY_HELP } from './places';

export function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (open && !dialog.current?.open) dialog.current?.showModal();
    if (!open) dialog.current?.close();
  }, [open]);
  return (
    <dialog ref={dialog} onClose={onClose} aria-labelledby="keys-title" className="sheet w-[460px] p-5 text-ink">
      <h2 id="keys-title" className="mb-3 text-22">
        Keys
      </h2>
      <dl className="grid grid-cols-[150px_1fr] gap-y-1.5">
        {KEY_HELP.map(([key, does]) => (
          <div key={key} className="contents">
            <dt>
              <Kbd>{key}</Kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 text-13 text-soft">Single keys work while no field has the focus.</p>
      <Button className="mt-3" onClick={onClose}>
        Close
      </Button>
    </dialog>
  );
}
