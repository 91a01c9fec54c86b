import type { ReactNode } from 'react';
import { say } from '../../words';
import { Trouble } from '../Messages';
import { Button, Confirm } from '../ui';
import type { RecordForm } from './useRecordForm';

interface Props {
  record: Omit<RecordForm, 'form' | 'submit'>;
  /** What is saved under its name, where it is: it may be taken away. */
  known?: { name: string; says: string; onRemove: () => void };
  children?: ReactNode;
}

/** Save, what was refused, delete. */
export function RecordFoot({ record, known, children }: Props) {
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-3 border-t border-hair pt-3">
        <Button kind="main" type="submit" disabled={record.pending}>
          {say('shared.save')}
        </Button>
        {record.left && (
          <span role="status" className="flex items-center gap-2 text-soft">
            {say('parts.asYouLeftItNot')}
            <Button kind="quiet" onClick={record.drop}>
              {say('parts.beginAnew')}
            </Button>
          </span>
        )}
        <ToFix refused={record.refused} />
        {children}
        {known && (
          <Confirm
            title={say('parts.delete', { known: known.name })}
            says={known.says}
            does={say('shared.delete')}
            onDo={known.onRemove}
          >
            <Button kind="quiet" className="ml-auto">
              {say('shared.delete')}
            </Button>
          </Confirm>
        )}
      </div>
      {Boolean(record.error) && (
        <div className="mt-3">
          <Trouble error={record.error} />
        </div>
      )}
    </>
  );
}

/** How many fields were refused. */
export function ToFix({ refused }: { refused: number }) {
  return refused === 0 ? null : (
    <span role="alert" className="text-limit">
      {refused === 1 ? say('parts.oneFieldNeedsFixing') : say('parts.fieldsNeedFixing', { refused })}
    </span>
  );
}
