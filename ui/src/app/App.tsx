import { lazy, Suspense, useState } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Navigate, Route, Routes, useLocation, useNavigate } from 'react-router';
import { Refusal } from '../api';
import { Trouble, useKeys } from '../parts';
import { Skeleton, Toasts, Tooltips } from '../parts/ui';
import { say, withWords } from '../words';
import { PLACES } from './places';
import { TopBar } from './TopBar';
import { toggleTheme } from './theme';
import { useArrival } from './useArrival';

const log = () => withWords(['log'], () => import('../features/log'));
const station = () => withWords(['station'], () => import('../features/station'));

const StartPage = lazy(() => import('../features/start'));
const RunPage = lazy(() => withWords(['run', 'glossary'], () => import('../features/run')));
const DrivePage = lazy(() => withWords(['drive'], () => import('../features/drive')));
const SupplyPage = lazy(() => withWords(['supply'], () => import('../features/supply')));
const CardsPage = lazy(() => withWords(['cards'], () => import('../features/cards')));
const LogPage = lazy(log);
const TrendsPage = lazy(async () => ({ default: (await log()).TrendsPage }));
const ChangesPage = lazy(async () => ({ default: (await log()).ChangesPage }));
const ComparePage = lazy(async () => ({ default: (await log()).ComparePage }));
const faults = () => withWords(['faults'], () => import('../features/faults'));
const FaultsPage = lazy(faults);
const CasePage = lazy(async () => ({ default: (await faults()).CasePage }));
const practice = () => withWords(['practice'], () => import('../features/practice'));
const PracticePage = lazy(practice);
const PlayPage = lazy(async () => ({ default: (await practice()).PlayPage }));
const DebriefPage = lazy(async () => ({ default: (await practice()).DebriefPage }));
const InspectionPage = lazy(() => withWords(['inspection'], () => import('../features/inspection')));
const MetersPage = lazy(() => withWords(['meters'], () => import('../features/meters')));
const FirstStation = lazy(async () => ({ default: (await station()).FirstStation }));
const StationPage = lazy(station);
const Commands = lazy(() => withWords(['glossary'], () => import('./Commands')));
const KeysHelp = lazy(() => import('./KeysHelp'));

/** How long after G a letter still goes to a place. */
const GOTO_MS = 1500;

export function App() {
  const navigate = useNavigate();
  const place = useLocation().pathname;
  const [helpOpen, setHelpOpen] = useState(false);
  const [commandsOpen, setCommandsOpen] = useState(false);
  const [gotoSince, setGotoSince] = useState(0);

  const afterG = (letter: string, otherwise: () => void) => () => {
    const there = PLACES.find((one) => one.key === letter);
    if (there && Date.now() - gotoSince < GOTO_MS) {
      setGotoSince(0);
      navigate(there.path);
    } else {
      otherwise();
    }
  };
  useArrival();
  const nothing = () => undefined;
  useKeys({
    '?': () => setHelpOpen(true),
    '/': () => setCommandsOpen(true),
    'Ctrl+k': () => setCommandsOpen(true),
    g: () => setGotoSince(Date.now()),
    t: afterG('t', toggleTheme),
    v: afterG('v', nothing),
    b: () => navigate('/drive/guard'),
    u: afterG('u', nothing),
    c: afterG('c', nothing),
    l: afterG('l', nothing),
    s: afterG('s', nothing),
    p: afterG('p', nothing),
    x: afterG('x', nothing),
  });

  return (
    <Tooltips>
      <a href="#main" className="sr-only focus:not-sr-only">
        {say('app.toTheContent')}
      </a>
      <TopBar onHelp={() => setHelpOpen(true)} onCommands={() => setCommandsOpen(true)} />
      <main id="main">
        <ErrorBoundary
          resetKeys={[place]}
          fallbackRender={({ error, resetErrorBoundary }) => <Broken error={error} retry={resetErrorBoundary} />}
        >
          <Suspense fallback={<Skeleton what={say('shared.theView')} />}>
            <Routes>
              <Route path="/" element={<Navigate to="/tune" replace />} />
              <Route path="/tune" element={<StartPage />} />
              <Route path="/tune/:runId/:tab?" element={<RunPage />} />
              <Route path="/drive/:tab?" element={<DrivePage />} />
              <Route path="/supply/*" element={<SupplyPage />} />
              <Route path="/cards" element={<CardsPage />} />
              <Route path="/log" element={<LogPage />} />
              <Route path="/log/trends" element={<TrendsPage />} />
              <Route path="/log/changes" element={<ChangesPage />} />
              <Route path="/log/compare/:first/:second" element={<ComparePage />} />
              <Route path="/log/:runId/:tab?" element={<RunPage />} />
              <Route path="/station/first" element={<FirstStation />} />
              <Route path="/station/meters" element={<MetersPage />} />
              <Route path="/station/:candidateId/inspection" element={<InspectionPage />} />
              <Route path="/station/*" element={<StationPage />} />
              <Route path="/practice" element={<PracticePage />} />
              <Route path="/practice/:practiceId" element={<PlayPage />} />
              <Route path="/practice/:practiceId/debrief" element={<DebriefPage />} />
              <Route path="/faults" element={<FaultsPage />} />
              <Route path="/faults/:caseId" element={<CasePage />} />
              <Route path="*" element={<Nowhere />} />
            </Routes>
          </Suspense>
        </ErrorBoundary>
        <p className="hidden pt-2 text-12 print:block">{say('shared.isHalfOfThe95')}</p>
      </main>
      <Suspense fallback={null}>
        {helpOpen && <KeysHelp open onClose={() => setHelpOpen(false)} />}
        {commandsOpen && <Commands open onClose={() => setCommandsOpen(false)} onHelp={() => setHelpOpen(true)} />}
      </Suspense>
      <Toasts />
    </Tooltips>
  );
}

/** What browsers say of a part of the page that they could not fetch; they do not fetch it again by themselves. */
const NOT_LOADED = /dynamically imported module|Importing a module/;

/** A view that broke: the rest of the page goes on, and what was typed is kept by its own means. */
function Broken({ error, retry }: { error: unknown; retry: () => void }) {
  const words = error instanceof Error ? error.message : String(error);
  return (
    <div className="p-5">
      <Trouble
        page
        retry={NOT_LOADED.test(words) ? () => location.reload() : retry}
        error={new Refusal(0, say('app.thisViewBroke'), say('app.tryItAgainOrGo', { words }), [])}
      />
    </div>
  );
}

function Nowhere() {
  return (
    <div className="p-6">
      <h1 className="text-22">{say('app.nothingIsHere')}</h1>
      <p className="text-soft">{say('app.chooseAPlaceAbove')}</p>
    </div>
  );
}
