import { Button } from './ui';
import type { Draft } from './useDraft';

/** Says that a form stands as it was left, and lets one begin anew. */
export function LeftAsItWas({ draft }: { draft: Pick<Draft<never>, 'left' | 'drop'> }) {
  return draft.left ? (
    <span role="status" className="flex items-center gap-2 text-soft">
      As you left it, not kept yet.
      <Button kind="quiet" onClick={draft.drop}>
        Begin anew
      </Button>
    </span>
  ) : null;
}
