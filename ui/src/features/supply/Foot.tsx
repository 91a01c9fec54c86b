import { useNavigate } from 'react-router';
import type { SupplyRecordView } from '../../api';
import { RecordFoot, type RecordForm } from '../../parts/form';
import { tell, warn } from '../../parts/ui';
import { say } from '../../words';
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
              says: say('supply.itCannotBeBroughtBack'),
              onRemove: () =>
                remove.mutate(kept.id, {
                  onSuccess: () => {
                    navigate('/supply');
                    tell(say('supply.wasDeleted', { kept: kept.name }));
                  },
                  onError: (error) => warn(say('shared.notDeleted'), String(error.message)),
                }),
            },
          }
        : {})}
    />
  );
}
