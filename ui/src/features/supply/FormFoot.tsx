import { useNavigate } from 'react-router';
import type { FieldProblem, PaperView } from '../../api';
import { type Draft, LeftAsItWas, Trouble } from '../../parts';
import type { Body } from '../../parts/form';
import { Button, Confirm } from '../../parts/ui';
import { useRemove } from './usePapers';

interface Props {
  draft: Draft<Body>;
  kept: PaperView | undefined;
  problems: FieldProblem[];
  pending: boolean;
  error: unknown;
}

/** Keep, what was refused, take away. */
export function FormFoot({ draft, kept, problems, pending, error }: Props) {
  const navigate = useNavigate();
  const remove = useRemove();
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-3 border-t border-hair pt-3">
        <Button kind="main" type="submit" disabled={pending}>
          Keep
        </Button>
        <LeftAsItWas draft={draft} />
        {problems.length > 0 && (
          <span role="alert" className="text-limit">
            {problems.length === 1 ? 'One field needs mending.' : `${problems.length} fields need mending.`}
          </span>
        )}
        {kept && (
          <Confirm
            title={`Take ${kept.name} away?`}
            says="It cannot be brought back, unless from a backup."
            does="Take away"
            onDo={() => remove.mutate(kept.id, { onSuccess: () => navigate('/supply') })}
          >
            <Button kind="quiet" className="ml-auto">
              Take away
            </Button>
          </Confirm>
        )}
      </div>
      {Boolean(error) && (
        <div className="mt-3">
          <Trouble error={error} />
        </div>
      )}
    </>
  );
}
