import { Checkbox as Primitive } from 'radix-ui';
import { type ComponentProps, type ReactNode, useId } from 'react';
import { cn } from './cn';
import { Label } from './Field';

const BOX =
  'inline-flex size-4 shrink-0 align-middle cursor-pointer items-center justify-center border border-soft bg-sheet data-[state=checked]:border-act disabled:cursor-not-allowed disabled:opacity-45';

interface BoxProps extends Omit<ComponentProps<typeof Primitive.Root>, 'checked' | 'onCheckedChange'> {
  checked: boolean;
  onCheck: (on: boolean) => void;
}

/** A box to be ticked. */
export function Checkbox({ onCheck, className, ...rest }: BoxProps) {
  return (
    <Primitive.Root className={cn(BOX, className)} onCheckedChange={(on) => onCheck(on === true)} {...rest}>
      <Primitive.Indicator>
        <Tick />
      </Primitive.Indicator>
    </Primitive.Root>
  );
}

export function Tick() {
  return (
    <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true" className="text-act">
      <path d="M1.5 6.5 4.7 9.6 10.5 2.4" fill="none" stroke="currentColor" strokeWidth="2.2" />
    </svg>
  );
}

/** A box to be ticked, and its words beside it. */
export function Check({ children, className, ...rest }: Omit<BoxProps, 'id'> & { children: ReactNode }) {
  const id = useId();
  return (
    <span className={cn('flex min-h-7 items-center gap-1.5', className)}>
      <Checkbox id={id} {...rest} />
      <Label htmlFor={id} className="cursor-pointer text-ink">
        {children}
      </Label>
    </span>
  );
}
