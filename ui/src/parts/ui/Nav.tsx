import { cva, type VariantProps } from 'class-variance-authority';
import { NavigationMenu as Primitive } from 'radix-ui';
import type { MouseEvent, ReactNode } from 'react';
import { NavLink } from 'react-router';
import { cn } from './cn';

const look = cva('', {
  variants: {
    kind: {
      /** The places of the application. */
      bar: 'head flex min-h-11.5 items-center border-b-3 border-transparent text-14 text-soft hover:text-ink aria-[current=page]:border-act aria-[current=page]:text-ink',
      /** Ways to look at one thing. */
      tabs: 'flex min-h-7 items-center border-b-2 border-transparent text-14 text-soft hover:text-ink aria-[current=page]:border-act aria-[current=page]:font-semibold aria-[current=page]:text-ink',
      /** A list down the side. */
      list: 'block border-l-3 border-transparent px-3 py-1 hover:bg-wash aria-[current=page]:border-act aria-[current=page]:bg-wash',
    },
  },
});

type Kind = NonNullable<VariantProps<typeof look>['kind']>;

const LISTS: Record<Kind, string> = {
  bar: 'flex self-stretch gap-5 max-phone:flex-wrap max-phone:gap-x-4 max-phone:gap-y-0',
  tabs: 'flex flex-wrap gap-x-4',
  list: 'grid',
};

interface Props {
  label: string;
  kind: Kind;
  className?: string;
  children: ReactNode;
}

/** Links that lead through the application, the one in hand marked. */
export function Nav({ label, kind, className, children }: Props) {
  return (
    <Primitive.Root aria-label={label} orientation={kind === 'list' ? 'vertical' : 'horizontal'} className={className}>
      <Primitive.List className={LISTS[kind]}>{children}</Primitive.List>
    </Primitive.Root>
  );
}

interface ItemProps {
  kind: Kind;
  to: string;
  /** Whether only the very place counts, not what lies below it. */
  end?: boolean;
  className?: string;
  label?: string;
  children: ReactNode;
}

export function NavItem({ kind, to, end = false, className, label, children }: ItemProps) {
  return (
    <Primitive.Item>
      <Primitive.Link asChild>
        <NavLink
          to={to}
          end={end}
          aria-label={label}
          // After a click the keys belong to the page again: the arrows turn dials.
          onClick={(event: MouseEvent<HTMLElement>) => event.detail > 0 && event.currentTarget.blur()}
          className={cn(look({ kind }), className)}
        >
          {children}
        </NavLink>
      </Primitive.Link>
    </Primitive.Item>
  );
}

/** What stands in the list and leads nowhere. */
export const NavHead = Primitive.Item;
