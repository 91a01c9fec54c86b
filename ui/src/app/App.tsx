import { lazy, Suspense, useState } from 'react';
import { Navigate, Route, Routes, useNavigate } from 'react-router';
import { Loading, useKeys } from '../parts';
import { KeysHelp } from './KeysHelp';
import { PLACES } from './places';
import { TopBar } from './TopBar';
import { toggleTheme } from './theme';

const StartPage = lazy(() => import('../features/start'));
const RunPage = lazy(() => import('../features/run'));
const SupplyPage = lazy(() => import('../features/supply'));
const CardsPage = lazy(() => import('../features/cards'));
const LogPage = lazy(() => import('../features/log'));
const TrendsPage = lazy(async () => ({ default: (await import('../features/log')).TrendsPage }));
const ComparePage = lazy(async () => ({ default: (await import('../features/log')).ComparePage }));
const MetersPage = lazy(() => import('../features/meters'));
const StationPage = lazy(() => import('../features/station'));
const Commands = lazy(() => import('./Commands'));

/** How long after G a letter still goes to a place. */
const GOTO_MS = 1500;

export function App() {
  const navigate = useNavigate();
  const [helpOpen, setHelpOpen] = useState(false);
  const [commandsOpen, setCommandsOpen] = useState(false);
  const [gotoSince, setGotoSince] = useState(0);

  const afterG = (letter: string, otherwise: () => void) => () => {
    const place = PLACES.find((one) => one.key === letter);
    if (place && Date.now() - gotoSince < GOTO_MS) {
      setGotoSince(0);
      navigate(place.path);
    } else {
      otherwise();
    }
  };
  const nothing = () => undefined;
  useKeys({
    '?': () => setHelpOpen(true),
    '/': () => setCommandsOpen(true),
    'Ctrl+k': () => setCommandsOpen(true),
    g: () => setGotoSince(Date.now()),
    t: afterG('t', toggleTheme),
    u: afterG('u', nothing),
    c: afterG('c', nothing),
    l: afterG('l', nothing),
    s: afterG('s', nothing),
  });

  return (
    <>
      <a href="#main" className="sr-only focus:not-sr-only">
        To the content
      </a>
      <TopBar onHelp={() => setHelpOpen(true)} onCommands={() => setCommandsOpen(true)} />
      <main id="main">
        <Suspense fallback={<Loading what="the view" />}>
          <Routes>
            <Route path="/" element={<Navigate to="/tune" replace />} />
            <Route path="/tune" element={<StartPage />} />
            <Route path="/tune/:runId/:tab?" element={<RunPage />} />
            <Route path="/supply/*" element={<SupplyPage />} />
            <Route path="/cards" element={<CardsPage />} />
            <Route path="/log" element={<LogPage />} />
            <Route path="/log/trends" element={<TrendsPage />} />
            <Route path="/log/compare/:first/:second" element={<ComparePage />} />
            <Route path="/log/:runId/:tab?" element={<RunPage />} />
            <Route path="/station/meters" element={<MetersPage />} />
            <Route path="/station/*" element={<StationPage />} />
            <Route path="*" element={<Nowhere />} />
          </Routes>
        </Suspense>
      </main>
      <KeysHelp open={helpOpen} onClose={() => setHelpOpen(false)} />
      {commandsOpen && (
        <Suspense fallback={null}>
          <Commands onClose={() => setCommandsOpen(false)} onHelp={() => setHelpOpen(true)} />
        </Suspense>
      )}
    </>
  );
}

function Nowhere() {
  return (
    <div className="p-6">
      <h1 className="text-22">Nothing is here</h1>
      <p className="text-soft">Choose a place above.</p>
    </div>
  );
}
