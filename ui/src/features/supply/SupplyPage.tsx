import { useEffect } from 'react';
import { Navigate, Route, Routes, useParams } from 'react-router';
import { type PaperView, Refusal } from '../../api';
import { Answer, FirstThing, Trouble } from '../../parts';
import { Menu, MenuLink } from '../../parts/ui';
import { HighVoltagePage } from './HighVoltagePage';
import { NewProfile } from './NewProfile';
import { PlanEditor } from './PlanEditor';
import { PlanPage } from './PlanPage';
import { ProfilePage } from './ProfilePage';
import { usePapers } from './usePapers';

/** Plans of supplies, measured profiles and high-voltage supplies. */
export function SupplyPage() {
  const papers = usePapers();
  useEffect(() => {
    document.title = 'Supply · Tubrin';
  }, []);
  return (
    <Answer query={papers} what="the plans">
      {(list) => (
        <Routes>
          <Route index element={<First papers={list} />} />
          <Route path="plans/new" element={<PlanEditor papers={list} />} />
          <Route path="profiles/new" element={<NewProfile papers={list} />} />
          <Route path="high-voltage/new" element={<HighVoltagePage papers={list} />} />
          <Route path="plans/:id" element={<One papers={list} kind="PLAN" page={PlanPage} />} />
          <Route path="plans/:id/edit" element={<One papers={list} kind="PLAN" page={PlanEditor} />} />
          <Route path="profiles/:id" element={<One papers={list} kind="PROFILE" page={ProfilePage} />} />
          <Route path="high-voltage/:id" element={<One papers={list} kind="HIGH_VOLTAGE" page={HighVoltagePage} />} />
          <Route path="*" element={<Navigate to="/supply" replace />} />
        </Routes>
      )}
    </Answer>
  );
}

/** Where a plan is kept, the last changed one; else what to do first. */
function First({ papers }: { papers: PaperView[] }) {
  const plan = papers.find((one) => one.kind === 'PLAN');
  if (plan) return <Navigate to={`/supply/plans/${plan.id}`} replace />;
  return (
    <>
      <Shelf papers={papers} />
      <FirstThing title="What does the station really draw?" to={['/supply/profiles/new', 'Measure a set']}>
        Measure each set's current at a few outputs, then plan what feeds it: supply, lead, fuse, circuit and battery.
        Not the amperes printed on the box decide, but what is drawn.
      </FirstThing>
    </>
  );
}

type Of<K extends PaperView['kind']> = Extract<PaperView, { kind: K }>;

interface OfProps<K extends PaperView['kind']> {
  papers: PaperView[];
  kind: K;
  page: (props: { papers: PaperView[]; kept: Of<K> }) => React.ReactNode;
}

function One<K extends PaperView['kind']>({ papers, kind, page: Page }: OfProps<K>) {
  const { id } = useParams();
  const kept = papers.find((one): one is Of<K> => one.id === id && one.kind === kind);
  return kept ? (
    <Page key={kept.id} papers={papers} kept={kept} />
  ) : (
    <>
      <Shelf papers={papers} />
      <div className="p-5">
        <Trouble page error={new Refusal(404, 'Not there', 'This record is gone. Choose another above.', [])} />
      </div>
    </>
  );
}

const GROUPS = [
  ['PLAN', 'Plans', 'plans', 'New plan'],
  ['PROFILE', 'Measured sets', 'profiles', 'Measure a set'],
  ['HIGH_VOLTAGE', 'High voltage', 'high-voltage', 'New'],
] as const;

/** All that is kept, in a line. */
export function Shelf({ papers, tools }: { papers: PaperView[]; tools?: React.ReactNode }) {
  return (
    <nav
      aria-label="Plans, sets, high voltage"
      className="noprint mx-5 mt-3 flex flex-wrap items-center gap-x-5 gap-y-1"
    >
      {GROUPS.map(([kind, title, path, add]) => (
        <Menu key={kind} title={title} count={papers.filter((one) => one.kind === kind).length}>
          {papers
            .filter((one) => one.kind === kind)
            .map((one) => (
              <MenuLink key={one.id} to={`/supply/${path}/${one.id}`}>
                {one.name}
              </MenuLink>
            ))}
          <MenuLink to={`/supply/${path}/new`} adds>
            {add}
          </MenuLink>
        </Menu>
      ))}
      <span className="ml-auto flex flex-wrap items-center gap-3">{tools}</span>
    </nav>
  );
}
