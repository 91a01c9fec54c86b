import type { ButtonHTMLAttributes } from 'react';
import { Kbd } from './Kbd';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  kind?: 'main' | 'plain' | 'quiet';
  hotkey?: string;
}

const LOOKS = {
  main: 'bg-act text-sheet border-act font-semibold hover:opacity-90',
  plain: 'bg-sheet border-soft hover:bg-wash',
  quiet: 'border-transparent text-act underline underline-offset-2 hover:bg-wash',
};

export function Button({ kind = 'plain', hotkey, className = '', children, ...rest }: Props) {
  return (
    <button
      type="button"
      className={`inline-flex min-h-[32px] items-center gap-2 rounded-3 border px-3 py-1 text-14 disabled:opacity-45 ${LOOKS[kind]} ${className}`}
      {...rest}
    >
      {children}
      {hotkey && <Kbd>{hotkey}</Kbd>}
    </button>
  );
}
