import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import type { FieldProblem } from '../../api';

interface Props {
  field: string;
  label: string;
  shown: string | undefined;
  /** Where the run stands: a new sequence means that the server has spoken. */
  sequence: number;
  problem?: FieldProblem;
  doubt?: boolean;
  /** Whether it belongs to this step, and is not just where the last one left it. */
  settled?: boolean;
  onCommit: (text: string) => void;
}

/** One entry of the step in hand. It keeps the raw text until the server has taken it, also when it is refused. */
export function EntryCell({ field, label, shown, sequence, problem, doubt, settled = true, onCommit }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [text, setText] = useState<string>();
  const refused = problem !== undefined;

  // biome-ignore lint/correctness/useExhaustiveDependencies: the server's word replaces what was typed, unless it refused it
  useEffect(() => {
    if (!refused && document.activeElement !== input.current) setText(undefined);
  }, [sequence, shown, refused]);

  const commit = () => {
    const typed = text?.trim();
    if (typed === undefined) return;
    if (typed === '' || typed === shown) {
      setText(undefined);
    } else {
      onCommit(typed);
    }
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      const entries = [...document.querySelectorAll<HTMLInputElement>('input[data-entry]')];
      const next = entries[entries.indexOf(event.currentTarget) + 1];
      if (next) next.focus();
      else event.currentTarget.blur();
    } else if (event.key === 'Escape') {
      setText(undefined);
      event.currentTarget.blur();
    }
  };
  return (
    <input
      ref={input}
      data-entry={field}
      aria-label={label}
      aria-invalid={refused}
      aria-describedby={refused || doubt ? `about-${field}` : undefined}
      inputMode="decimal"
      autoComplete="off"
      spellCheck={false}
      maxLength={40}
      placeholder="·"
      value={text ?? shown ?? ''}
      onChange={(event) => setText(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={commit}
      onKeyDown={onKeyDown}
      className={`h-[22px] w-full border-x-2 bg-transparent text-center ${settled || text !== undefined ? 'font-semibold text-act' : 'text-soft'} ${
        refused ? 'border-limit' : doubt ? 'border-watch' : 'border-transparent'
      }`}
    />
  );
}
