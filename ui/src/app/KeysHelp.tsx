import { Kbd } from '../parts';
import { Button, Dialog, DialogClose } from '../parts/ui';
import { KEY_HELP } from './places';

export default function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="Keys">
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
      <p className="mt-3 mb-3 text-13 text-soft">
        Single keys work while no field has the focus. While the key is down Space and Esc let it go from everywhere; in
        a field Esc does.
      </p>
      <p className="mb-3 text-13 text-soft">
        A reading may be 409, 0.41 A, 70-80, &lt; 50 or about 400: what is left open counts in its ±.
      </p>
      <p className="mb-3 text-13 text-soft">
        ± is half of the 95 % interval: in 19 cases of 20 the truth lies within it. A figure of a step opens to how it
        was calculated.
      </p>
      <DialogClose asChild>
        <Button>Close</Button>
      </DialogClose>
    </Dialog>
  );
}
