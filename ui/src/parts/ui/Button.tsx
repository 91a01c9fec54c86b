import { cva, type VariantProps } from 'class-variance-authority';
import { Slot } from 'radix-ui';
import type { ComponentProps } from 'react';
import { Kbd } from '../Kbd';
import { cn } from './cn';

const look = cva(
  'inline-flex cursor-pointer items-center gap-2 rounded-3 disabled:cursor-default disabled:opacity-45',
  {
    variants: {
      kind: {
        main: 'border border-act bg-act font-semibold text-sheet hover:opacity-90',
        plain: 'border border-soft bg-sheet hover:bg-wash',
        quiet: 'border border-transparent text-act underline underline-offset-2 hover:bg-wash',
        /** In a line of words. */
        link: 'text-act underline underline-offset-2',
        /** Carries what it holds, no more. */
        bare: '',
      },
      size: { normal: 'min-h-8 px-3 py-1 text-14', small: 'min-h-6.5 px-2', word: 'min-h-6' },
    },
    defaultVariants: { kind: 'plain', size: 'normal' },
  },
);

interface Props extends ComponentProps<'button'>, VariantProps<typeof look> {
  hotkey?: string;
  /** Whether the one child, a link as a rule, is given the look instead. */
  asChild?: boolean;
}

export function Button({ kind, size, hotkey, asChild, className, children, ...rest }: Props) {
  const inLine = kind === 'link' || kind === 'bare';
  const classes = cn(look({ kind, size: size ?? (inLine ? 'word' : 'normal') }), className);
  return asChild ? (
    <Slot.Root className={classes} {...rest}>
      {children}
    </Slot.Root>
  ) : (
    <button type="button" className={classes} {...rest}>
      {children}
      {hotkey && <Kbd>{hotkey}</Kbd>}
    </button>
  );
}
