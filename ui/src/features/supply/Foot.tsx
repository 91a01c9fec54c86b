import { useNavigate } from 'react-router';
import type { PaperView } from '../../api';
import { RecordFoot, type RecordForm } from '../../parts/form';
import { say, warn } from '../../parts/ui';
import { useRemove } from './usePapers';

/** The foot of a form: what is saved can be taken away. */
export function Foot({ record, kept }: { record: RecordForm; kept: PaperView | undefined }) {
  const navigate = useNavigate();
  const remove = useRemove();
  return (
    <RecordFoot
      record={record}
      {...(kept
        ? {
            known: {
              name: kept.name,
              says: 'It cannot be brought back, unless from a backup.',
              onRemove: () =>
                remove.mutate(kept.id, {
                  onSuccess: () => {
                    navigate('/supply');
                    say(`${kept.name} was taken away.`);
                  },
                  onError: (error) => warn('Not taken away.', String(error.message)),
                }),
            },
          }
        : {})}
    />
  );
}
