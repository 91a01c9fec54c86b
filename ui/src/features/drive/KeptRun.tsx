import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button, RowHead } from '../../parts/ui';
import { utc } from '../../quantity';

interface Props {
  row: { runId: string; at: string };
  shownRunId: string | undefined;
  /** What it is picked by. */
  label: string;
  /** What stands under its day. */
  detail?: string;
  onPick: (runId: string) => void;
  /** The other cells. */
  children: ReactNode;
}

/** A run in a list of what runs brought: picked by its label, and read in the log by its day. */
export function KeptRun({ row, shownRunId, label, detail, onPick, children }: Props) {
  const isShown = row.runId === shownRunId;
  return (
    <tr className={isShown ? 'bg-wash' : ''}>
      <RowHead>
        <Button kind="link" aria-pressed={isShown} onClick={() => onPick(row.runId)}>
          {label}
        </Button>
        <Link className="figure block text-12 whitespace-nowrap underline" to={`/log/${row.runId}`}>
          {utc(row.at).slice(0, 10)}
        </Link>
        {detail && <span className="block text-12 text-soft">{detail}</span>}
      </RowHead>
      {children}
    </tr>
  );
}
