import { Select as Primitive } from 'radix-ui';
import { type ComponentProps, useRef } from 'react';
import { cn } from './cn';
import { inside, outside } from './codes';
import { fieldLook, Labelled } from './Field';
import { inMain } from './inMain';
import { NONCE } from './nonce';

export type Option = readonly [code: string, name: string];

interface Props extends Omit<ComponentProps<typeof Primitive.Trigger>, 'value'> {
  value: string;
  onPick: (code: string) => void;
  options: readonly Option[];
  /** Whether the keys belong to the page again once something was chosen with the pointer. */
  letsKeysGo?: boolean;
}

/** One of several; a code that is empty chooses nothing. */
export function Select({ value, onPick, options, letsKeysGo, className, ...rest }: Props) {
  const byPointer = useRef(false);
  return (
    <Primitive.Root value={inside(value)} onValueChange={(code) => onPick(outside(code))}>
      <Primitive.Trigger
        onPointerDown={() => {
          byPointer.current = true;
        }}
        onKeyDown={() => {
          byPointer.current = false;
        }}
        className={cn(
          fieldLook(),
          'inline-flex min-w-12 max-w-full cursor-pointer items-center justify-between gap-2 text-left data-[state=open]:bg-wash hover:bg-wash',
          className,
        )}
        {...rest}
      >
        <span className="truncate">
          <Primitive.Value />
        </span>
        <Primitive.Icon asChild>
          <Chevron />
        </Primitive.Icon>
      </Primitive.Trigger>
      <Primitive.Portal container={inMain()}>
        <Primitive.Content
          position="popper"
          sideOffset={3}
          onCloseAutoFocus={(event) => letsKeysGo && byPointer.current && event.preventDefault()}
          className="sheet z-30 max-h-(--radix-select-content-available-height) min-w-(--radix-select-trigger-width) overflow-hidden border-soft text-ink"
        >
          <Primitive.Viewport nonce={NONCE ?? ''} className="py-1">
            {options.map(([code, name]) => (
              <Primitive.Item
                key={code}
                value={inside(code)}
                className="cursor-pointer border-l-3 border-transparent py-1 pr-4 pl-2.5 outline-none data-highlighted:bg-wash data-[state=checked]:border-act data-[state=checked]:font-semibold"
              >
                <Primitive.ItemText>{name}</Primitive.ItemText>
              </Primitive.Item>
            ))}
          </Primitive.Viewport>
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}

/** Points to what opens. */
export function Chevron() {
  return (
    <svg width="9" height="6" viewBox="0 0 9 6" aria-hidden="true" className="shrink-0 text-soft">
      <path d="M0.7 0.7 4.5 4.8 8.3 0.7" fill="none" stroke="currentColor" strokeWidth="1.4" />
    </svg>
  );
}

interface PickProps extends Props {
  label: string;
}

/** One of several, under its label. */
export function Pick({ label, ...rest }: PickProps) {
  return <Labelled label={label}>{(id) => <Select id={id} {...rest} />}</Labelled>;
}
