import { DropdownMenu as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { Button } from './Button';
import { cn } from './cn';
import { inMain } from './inMain';
import { Chevron } from './Select';

interface MenuProps {
  title: ReactNode;
  /** Of the records that it lists. */
  count?: number;
  children: ReactNode;
}

/** What is to choose under one word. */
export function Menu({ title, count, children }: MenuProps) {
  return (
    <Primitive.Root modal={false}>
      <Primitive.Trigger asChild>
        <Button kind="bare" className="min-h-7 gap-1.5 text-soft hover:text-ink data-[state=open]:text-ink">
          {title}
          {count !== undefined && <span className="figure">{count}</span>}
          <Chevron />
        </Button>
      </Primitive.Trigger>
      <Primitive.Portal container={inMain()}>
        <Primitive.Content
          align="start"
          sideOffset={4}
          className={cn(
            'sheet z-10 max-h-(--radix-dropdown-menu-content-available-height) overflow-y-auto border-soft py-2',
            count !== undefined && 'w-67.5',
          )}
        >
          {children}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}

const ITEM = 'block cursor-pointer px-3 py-1 outline-none data-highlighted:bg-wash';

/** A file of a menu: behind an address, or made when it is picked. */
export function MenuFile({ from, children }: { from: string | (() => void); children: ReactNode }) {
  return typeof from === 'string' ? (
    <Primitive.Item asChild>
      <a href={from} download className={ITEM}>
        {children}
      </a>
    </Primitive.Item>
  ) : (
    <Primitive.Item className={ITEM} onSelect={from}>
      {children}
    </Primitive.Item>
  );
}

interface ChoicesProps<T extends string> {
  options: readonly (readonly [T, string])[];
  value: T;
  onPick: (code: T) => void;
}

/** One of several, in a menu; the one in force is marked. */
export function MenuChoices<T extends string>({ options, value, onPick }: ChoicesProps<T>) {
  return (
    <Primitive.RadioGroup value={value} onValueChange={(code) => onPick(code as T)}>
      {options.map(([code, name]) => (
        <Primitive.RadioItem
          key={code}
          value={code}
          className={cn(ITEM, 'border-l-3 border-transparent data-[state=checked]:border-act')}
        >
          {name}
        </Primitive.RadioItem>
      ))}
    </Primitive.RadioGroup>
  );
}

/** A link of a menu; the page in hand is marked. */
export function MenuLink({ to, adds, children }: { to: string; adds?: boolean; children: ReactNode }) {
  return (
    <Primitive.Item asChild>
      <NavLink
        to={to}
        className={cn(
          ITEM,
          'border-l-3 border-transparent aria-[current=page]:border-act aria-[current=page]:bg-wash',
          adds && 'text-act underline',
        )}
      >
        {children}
      </NavLink>
    </Primitive.Item>
  );
}
