import { useQuery } from '@tanstack/react-query';
import { NavLink, useMatch } from 'react-router';
import { ask, client, type RunView } from '../api';
import { Kbd } from '../parts';
import { KeyedSign } from './KeyedSign';
import { PLACES } from './places';
import { toggleTheme, useTheme } from './theme';

const SOURCES = { TYPED: 'Readings typed', INSTRUMENTS: 'Instruments', BENCH: 'Simulated bench' } as const;

export function TopBar({ onHelp, onCommands }: { onHelp: () => void; onCommands: () => void }) {
  const theme = useTheme();
  const station = useQuery({ queryKey: ['station'], queryFn: () => ask(client.GET('/api/station')) });
  const runId = useMatch('/tune/:runId/*')?.params.runId;
  // What the run's page has read; the bar asks for nothing itself.
  const run = useQuery<RunView>({ queryKey: ['run', runId], enabled: false });
  return (
    <header className="noprint flex min-h-[46px] flex-wrap items-center gap-x-6 border-b border-rule bg-sheet px-5">
      <NavLink to="/tune" className="flex items-center gap-2.5">
        <svg width="24" height="20" viewBox="0 0 24 20" aria-hidden="true">
          <path d="M1 18h5v-5h5V8h5V3h6" fill="none" className="stroke-act" strokeWidth="2.6" />
        </svg>
        <span className="head text-22">Tubrin</span>
      </NavLink>
      <nav aria-label="Places" className="flex gap-5 max-phone:gap-4 self-stretch">
        {PLACES.map((place) => (
          <NavLink
            key={place.path}
            to={place.path}
            className={({ isActive }) =>
              `head flex min-h-[46px] items-center border-b-3 text-14 ${isActive ? 'border-act text-ink' : 'border-transparent text-soft hover:text-ink'}`
            }
          >
            {place.name}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-5 text-13 text-soft">
        <KeyedSign />
        <span>{station.data?.station?.name}</span>
        {run.data && <span className="max-wide:hidden">{SOURCES[run.data.source]}</span>}
        <button type="button" onClick={onCommands} className="flex min-h-[28px] items-center gap-1 max-wide:hidden">
          <Kbd>/</Kbd> commands
        </button>
        <button type="button" onClick={onHelp} className="flex min-h-[28px] items-center gap-1">
          <Kbd>?</Kbd> keys
        </button>
        <button type="button" onClick={toggleTheme} className="min-h-[28px] min-w-[40px]">
          {theme === 'day' ? 'Lamp' : 'Day'}
        </button>
      </div>
    </header>
  );
}
