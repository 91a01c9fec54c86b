import type { ReactNode } from 'react';
import { glossary, type TermName } from './glossary';
import { Tooltip } from './ui';

/** A term where it stands, explained under the pointer and with the focus. */
export const Term = ({ of, children }: { of: TermName; children: ReactNode }) => (
  <Tooltip
    says={glossary()[of][1]}
    className="max-w-full cursor-help truncate align-bottom underline decoration-soft decoration-dotted underline-offset-2"
  >
    {children}
  </Tooltip>
);
