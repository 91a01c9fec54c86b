import { useEffect } from 'react';
import { Navigate, Route, Routes, useParams } from 'react-router';
import { Refusal, type SupplyRecordView } from '../../api';
import { Answer, FirstThing, Trouble } from '../../parts';
import { Menu, MenuLink } from '../../parts/ui';
import { say } from '../../words';
import { HighVoltagePage } from './HighVoltagePage';
import { NewProfile } from './NewProfile';
import { PlanEditor } from './PlanEditor';
import { PlanPage } from './PlanPage';
import { ProfilePage } from './ProfilePage';
import { useSupplyRecords } from './useSupplyRecords';

/** Plans of supplies, measured profiles and high-voltage supplies. */
export function SupplyPage() {
  const records = useSupplyRecords();
  useEffect(() => {
    document.title = say('supply.supplyTubrin');
  }, []);
  return (
    <Answer query={records} what={say('supply.thePlans')}>
      {(list) => (
        <Routes>
          <Route index element={<First records={list} />} />
          <Route path="plans/new" element={<PlanEditor records={list} />} />
          <Route path="profiles/new" element={<NewProfile records={list} />} />
          <Route path="high-voltage/new" element={<HighVoltagePage records={list} />} />
          <Route path="plans/:id" element={<One records={list} kind="PLAN" page={PlanPage} />} />
          <Route path="plans/:id/edit" element={<One records={list} kind="PLAN" page={PlanEditor} />} />
          <Route path="profiles/:id" element={<One records={list} kind="PROFILE" page={ProfilePage} />} />
          <Route path="high-voltage/:id" element={<One records={list} kind="HIGH_VOLTAGE" page={HighVoltagePage} />} />
          <Route path="*" element={<Navigate to="/supply" replace />} />
        </Routes>
      )}
    </Answer>
  );
}

/** Where a plan is kept, the last changed one; else what to do first. */
function First({ records }: { records: SupplyRecordView[] }) {
  const plan = records.find((one) => one.kind === 'PLAN');
  if (plan) return <Navigate to={`/supply/plans/${plan.id}`} replace />;
  return (
    <>
      <Shelf records={records} />
      <FirstThing
        title={say('supply.whatDoesTheStationReally')}
        to={['/supply/profiles/new', say('supply.measureASet')]}
      >
        {say('supply.measureEachSetsCurrentAt')}
      </FirstThing>
    </>
  );
}

type Of<K extends SupplyRecordView['kind']> = Extract<SupplyRecordView, { kind: K }>;

interface OfProps<K extends SupplyRecordView['kind']> {
  records: SupplyRecordView[];
  kind: K;
  page: (props: { records: SupplyRecordView[]; kept: Of<K> }) => React.ReactNode;
}

function One<K extends SupplyRecordView['kind']>({ records, kind, page: Page }: OfProps<K>) {
  const { id } = useParams();
  const kept = records.find((one): one is Of<K> => one.id === id && one.kind === kind);
  return kept ? (
    <Page key={kept.id} records={records} kept={kept} />
  ) : (
    <>
      <Shelf records={records} />
      <div className="p-5">
        <Trouble page error={new Refusal(404, say('shared.notThere'), say('supply.thisRecordIsGoneChoose'), [])} />
      </div>
    </>
  );
}

const GROUPS = [
  ['PLAN', say('supply.plans'), 'plans', say('supply.newPlan')],
  ['PROFILE', say('supply.measuredSets'), 'profiles', say('supply.measureASet')],
  ['HIGH_VOLTAGE', say('supply.highVoltage'), 'high-voltage', say('supply.new')],
] as const;

/** All that is kept, in a line. */
export function Shelf({ records, tools }: { records: SupplyRecordView[]; tools?: React.ReactNode }) {
  return (
    <nav
      aria-label={say('supply.plansSetsHighVoltage')}
      className="noprint mx-5 mt-3 flex flex-wrap items-center gap-x-5 gap-y-1"
    >
      {GROUPS.map(([kind, title, path, add]) => (
        <Menu key={kind} title={title} count={records.filter((one) => one.kind === kind).length}>
          {records
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
