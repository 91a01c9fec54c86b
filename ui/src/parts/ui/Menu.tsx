import { DropdownMenu as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { Button } from './Button';
import { cn } from './cn';
import { inMain } from './inMain';
import { Chevron } from './Select';

/** Links under one word. */
export function Menu({ title, count, children }: { title: string; count: number; children: ReactNode }) {
  return (
    <Primitive.Root modal={false}>
      <Primitive.Trigger asChild>
        <Button kind="bare" className="min-h-7 gap-1.5 text-soft hover:text-ink data-[state=open]:text-ink">
          {title}
          <span className="figure">{count}</span>
          <Chevron />
        </Button>
      </Primitive.Trigger>
      <Primitive.Portal container={inMain()}>
        <Primitive.Content
          align="start"
          sideOffset={4}
          className="sheet z-10 max-h-(--radix-dropdown-menu-content-available-height) w-67.5 overflow-y-auto border-soft py-2"
        >
          {children}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}

/** A link of a menu; the page in hand is marked. */
export function MenuLink({ to, adds, children }: { to: string; adds?: boolean; children: ReactNode }) {
  return (
    <Primitive.Item asChild>
      <NavLink
        to={to}
        className={cn(
          'block cursor-pointer border-l-3 border-transparent px-3 py-1 outline-none aria-[current=page]:border-act aria-[current=page]:bg-wash data-highlighted:bg-wash',
          adds && 'text-act underline',
        )}
      >
        {children}
      </NavLink>
    </Primitive.Item>
  );
}
