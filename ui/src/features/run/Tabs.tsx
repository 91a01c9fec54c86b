import { useLocation } from 'react-router';
import type { RunView } from '../../api';
import { Nav, NavItem } from '../../parts/ui';
import { say } from '../../words';

const TABS = [
  ['climb', say('run.climb'), false],
  ['map', say('run.map'), true],
  ['power', say('shared.power'), true],
  ['signal', say('run.signal'), false],
] as const;

export type Tab = (typeof TABS)[number][0];

export function tabOf(part: string | undefined): Tab {
  return TABS.find(([tab]) => tab === part)?.[0] ?? 'climb';
}

/** The ways to look at a run; those that need the twin are there where the amplifier has one. */
export function Tabs({ view }: { view: RunView }) {
  const place = useLocation().pathname.startsWith('/log') ? 'log' : 'tune';
  return (
    <Nav label={say('run.waysToLook')} kind="tabs" className="noprint ml-auto">
      {TABS.filter(([, , needsTwin]) => view.twin || !needsTwin).map(([tab, name]) => (
        <NavItem key={tab} kind="tabs" end to={`/${place}/${view.id}${tab === 'climb' ? '' : `/${tab}`}`}>
          {name}
        </NavItem>
      ))}
    </Nav>
  );
}
