import { useQuery } from '@tanstack/react-query';
import { Link, useMatch } from 'react-router';
import { ask, client, type RunView } from '../api';
import { Kbd } from '../parts';
import { Button, Menu, MenuChoices, Nav, NavItem, Switch } from '../parts/ui';
import { choose, LANGUAGES, type Language, languageNow, say } from '../words';
import { KeyedSign } from './KeyedSign';
import { PLACES } from './places';
import { toggleTheme, useTheme } from './theme';

const SOURCES = {
  TYPED: say('app.readingsTyped'),
  INSTRUMENTS: say('app.instruments'),
  BENCH: say('shared.simulatedBench'),
} as const;

export function TopBar({ onHelp, onCommands }: { onHelp: () => void; onCommands: () => void }) {
  const theme = useTheme();
  const station = useQuery({ queryKey: ['station'], queryFn: () => ask(client.GET('/api/station')) });
  const runId = useMatch('/tune/:runId/*')?.params.runId;
  // What the run's page has read; the bar asks for nothing itself.
  const source = useQuery({ queryKey: ['run', runId], enabled: false, select: (run: RunView) => run.source }).data;
  return (
    <header className="noprint flex min-h-11.5 flex-wrap items-center gap-x-6 border-b border-rule bg-sheet px-5">
      <Link to="/tune" className="flex items-center gap-2.5">
        <svg width="24" height="20" viewBox="0 0 24 20" aria-hidden="true">
          <path d="M1 18h5v-5h5V8h5V3h6" fill="none" className="stroke-act" strokeWidth="2.6" />
        </svg>
        <span className="head text-22">Tubrin</span>
      </Link>
      <Nav label={say('app.places')} kind="bar" className="self-stretch">
        {PLACES.map((place) => (
          <NavItem key={place.path} kind="bar" to={place.path}>
            {place.name}
          </NavItem>
        ))}
      </Nav>
      <div className="ml-auto flex items-center gap-5 text-13 text-soft">
        <KeyedSign />
        <span>{station.data?.station?.name}</span>
        {source && <span className="max-wide:hidden">{SOURCES[source]}</span>}
        <Button kind="bare" onClick={onCommands} className="min-h-7 gap-1 max-wide:hidden">
          <Kbd>/</Kbd> {say('app.commandsWithin')}
        </Button>
        <Button kind="bare" onClick={onHelp} className="min-h-7 gap-1">
          <Kbd>?</Kbd> {say('app.keysWithin')}
        </Button>
        <Languages />
        <Switch label={say('app.lamp')} on={theme === 'lamp'} onSwitch={toggleTheme} />
      </div>
    </header>
  );
}

const OPTIONS = Object.entries(LANGUAGES) as [Language, string][];

function Languages() {
  const now = languageNow();
  const title = (
    <>
      <span className="sr-only">{say('app.language')} </span>
      <span className="uppercase">{now}</span>
    </>
  );
  return (
    <Menu title={title}>
      <MenuChoices options={OPTIONS} value={now} onPick={choose} />
    </Menu>
  );
}
