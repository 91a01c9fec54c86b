import { Refused } from '../../parts';
import { Button } from '../../parts/ui';

interface Props {
  /** On the button. */
  label: string;
  start: { isPending: boolean; error: unknown };
  /** What is still missing; absent where nothing is. */
  missing: string | undefined;
  /** What the fields are called on the form. */
  names: Record<string, string>;
}

/** The foot of a form that begins a run: the button, what is still missing, and what was refused. */
export function StartFoot({ label, start, missing, names }: Props) {
  return (
    <>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button type="submit" kind="main" disabled={start.isPending || missing !== undefined}>
          {label}
        </Button>
        {missing && <span className="text-13 text-soft">{missing}</span>}
      </div>
      <Refused error={start.error} named={names} />
    </>
  );
}
