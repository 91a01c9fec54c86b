import type { ReactNode } from 'react';
import { FormProvider } from 'react-hook-form';
import { cn } from '../ui';
import type { RecordForm } from './useRecordForm';

interface Props {
  label: string;
  record: Pick<RecordForm, 'form' | 'submit'>;
  className?: string;
  children: ReactNode;
}

/** The sheet on which a record is edited. */
export function RecordSheet({ label, record, className, children }: Props) {
  return (
    <FormProvider {...record.form}>
      <form
        aria-label={label}
        className={cn('sheet px-5 py-4', className)}
        noValidate
        onSubmit={(event) => void record.submit(event)}
      >
        {children}
      </form>
    </FormProvider>
  );
}
