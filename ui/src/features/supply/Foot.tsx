import { useNavigate } from 'react-router';
import type { SupplyRecordView } from '../../api';
import { RecordFoot, type RecordForm } from '../../parts/form';
import { say, warn } from '../../parts/ui';
import { useRemove } from './useSupplyRecords';

/** The foot of a form: what is saved can be taken away. */
export function Foot({ record, kept }: { record: RecordForm; kept: SupplyRecordView | undefined }) {
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
                    say(`${kept.name} was deleted.`);
                  },
                  onError: (error) => warn('Not deleted.', String(error.message)),
                }),
            },
          }
        : {})}
    />
  );
}
