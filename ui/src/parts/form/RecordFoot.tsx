import type { ReactNode } from 'react';
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
          Save
        </Button>
        {record.left && (
          <span role="status" className="flex items-center gap-2 text-soft">
            As you left it, not kept yet.
            <Button kind="quiet" onClick={record.drop}>
              Begin anew
            </Button>
          </span>
        )}
        <ToFix refused={record.refused} />
        {children}
        {known && (
          <Confirm title={`Delete ${known.name}?`} says={known.says} does="Delete" onDo={known.onRemove}>
            <Button kind="quiet" className="ml-auto">
              Delete
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
      {refused === 1 ? 'One field needs fixing.' : `${refused} fields need fixing.`}
    </span>
  );
}
