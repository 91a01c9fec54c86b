import { cva } from 'class-variance-authority';
import { Label as Primitive } from 'radix-ui';
import { type ComponentProps, type ReactNode, useId } from 'react';
import { cn } from './cn';

/** How what is typed or chosen into looks. */
export const fieldLook = cva(
  'min-h-8 rounded-3 border border-soft bg-sheet px-2 py-0.75 text-14 text-ink aria-invalid:border-l-4 aria-invalid:border-limit',
);

export function Label({ className, ...rest }: ComponentProps<typeof Primitive.Root>) {
  return <Primitive.Root className={cn('text-soft', className)} {...rest} />;
}

interface InputProps extends ComponentProps<'input'> {
  /** Whether a number is typed: figures, and the keys of a telephone where there are no others. */
  number?: boolean;
}

/** A line of text or a number. */
export function Input({ number, className, ...rest }: InputProps) {
  return (
    <input
      autoComplete="off"
      maxLength={80}
      inputMode={number ? 'decimal' : undefined}
      className={cn(fieldLook(), number && 'figure', className)}
      {...rest}
    />
  );
}

/** A few lines of text; it grows with them. */
export function TextArea({ className, ...rest }: ComponentProps<'textarea'>) {
  return <textarea rows={1} className={cn(fieldLook(), 'field-sizing-content resize-none', className)} {...rest} />;
}

/** A control under its small label; the control is given the id that the label names. */
export function Labelled({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId();
  return (
    <div className="grid min-w-0 grid-cols-one gap-0.5">
      <Label htmlFor={id} className="text-13">
        {label}
      </Label>
      <div>{children(id)}</div>
    </div>
  );
}

interface TextProps extends Omit<ComponentProps<typeof Input>, 'onChange'> {
  label: string;
  value: string;
  onChange: (text: string) => void;
  invalid?: boolean;
}

/** A line of text or a number under its label. */
export function TextField({ label, onChange, invalid, ...rest }: TextProps) {
  return (
    <Labelled label={label}>
      {(id) => (
        <Input id={id} aria-invalid={invalid ?? false} onChange={(event) => onChange(event.target.value)} {...rest} />
      )}
    </Labelled>
  );
}
