import { Progress as Primitive } from 'radix-ui';
import { cn } from './cn';

interface Props {
  label: string;
  /** From 0 to 1. */
  share: number;
  className?: string;
}

/** How far something is. */
export function Progress({ label, share, className }: Props) {
  const percent = Math.floor(100 * Math.min(1, Math.max(0, share)));
  return (
    <Primitive.Root
      aria-label={label}
      value={percent}
      className={cn('h-1.5 w-full overflow-hidden bg-rule', className)}
    >
      <Primitive.Indicator className="h-full bg-act" style={{ width: `${percent}%` }} />
    </Primitive.Root>
  );
}
