import { NavLink, useLocation } from 'react-router';
import type { RunView } from '../../api';

const TABS = [
  ['climb', 'Climb', false],
  ['map', 'Map', true],
  ['power', 'Power', true],
  ['signal', 'Signal', false],
] as const;

export type Tab = (typeof TABS)[number][0];

export function tabOf(part: string | undefined): Tab {
  return TABS.find(([tab]) => tab === part)?.[0] ?? 'climb';
}

/** The ways to look at a run; those that need the twin are there where the amplifier has one. */
export function Tabs({ view }: { view: RunView }) {
  const place = useLocation().pathname.startsWith('/log') ? 'log' : 'tune';
  return (
    <nav aria-label="Ways to look" className="noprint ml-auto flex gap-4">
      {TABS.filter(([, , needsTwin]) => view.twin || !needsTwin).map(([tab, name]) => (
        <NavLink
          key={tab}
          end
          to={`/${place}/${view.id}${tab === 'climb' ? '' : `/${tab}`}`}
          className={({ isActive }) =>
            `min-h-[24px] border-b-2 text-14 ${isActive ? 'head border-act text-ink' : 'border-transparent text-soft'}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
