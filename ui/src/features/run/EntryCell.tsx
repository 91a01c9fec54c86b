import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import type { FieldProblem } from '../../api';
import { say } from '../../words';

interface Props {
  field: string;
  label: string;
  shown: string | undefined;
  /** Where the run stands: a new sequence means that the server has spoken. */
  sequence: number;
  problem?: FieldProblem;
  /** Whether what was entered is on its way to the server. */
  pending?: boolean;
  /** Whether it waits, since the server does not answer: it is not entered yet. */
  waiting?: boolean;
  doubt?: boolean;
  /** Whether it was left out at this step. */
  unread?: boolean;
  /** Whether it belongs to this step, and is not just where the last one left it. */
  settled?: boolean;
  onCommit: (text: string) => void;
}

/** One entry of the step in hand. It keeps the raw text until the server has taken it, also when it is refused. */
export function EntryCell({
  field,
  label,
  shown,
  sequence,
  problem,
  pending = false,
  waiting = false,
  doubt,
  unread = false,
  settled = true,
  onCommit,
}: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [text, setText] = useState<string>();
  /** Set by Escape, so that leaving the field does not send what was given up. */
  const givenUp = useRef(false);
  const refused = problem !== undefined;

  const sentAt = useRef(sequence);

  // The server's word replaces what was typed once the run has moved on with it; not what it refused or has yet to see.
  useEffect(() => {
    if (!refused && !pending && sequence > sentAt.current && document.activeElement !== input.current) {
      setText(undefined);
    }
  }, [sequence, refused, pending]);

  const commit = () => {
    const typed = text?.trim();
    if (typed === undefined || givenUp.current) {
      givenUp.current = false;
      return;
    }
    if (typed === '' || typed === shown) {
      setText(undefined);
    } else {
      sentAt.current = sequence;
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
      givenUp.current = true;
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
      placeholder={unread ? say('shared.notRead') : '·'}
      value={text ?? shown ?? ''}
      onChange={(event) => setText(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={commit}
      onKeyDown={onKeyDown}
      data-waiting={waiting || undefined}
      className={`h-5.5 w-full border-x-2 bg-transparent text-center ${
        waiting
          ? 'text-watch italic underline decoration-dotted underline-offset-4'
          : settled || text !== undefined
            ? 'font-semibold text-act'
            : 'text-soft'
      } ${refused ? 'border-limit' : doubt ? 'border-watch' : 'border-transparent'}`}
    />
  );
}
