import { useQuery } from '@tanstack/react-query';
import { Fragment, useEffect } from 'react';
import { Link, Route, Routes } from 'react-router';
import { ask, client, type EquipmentView, type GapView } from '../../api';
import { Answer, Diamond, Sheet } from '../../parts';
import { Button, Nav, NavHead, NavItem } from '../../parts/ui';
import { BackupSheet } from './BackupSheet';
import { EquipmentEditor } from './EquipmentEditor';
import { StationEditor } from './StationEditor';
import { KINDS } from './spec';
import { TwinWizard } from './TwinWizard';

export function StationPage() {
  const equipment = useQuery({ queryKey: ['equipment'], queryFn: () => ask(client.GET('/api/equipment')) });
  const gaps = useQuery({ queryKey: ['gaps'], queryFn: () => ask(client.GET('/api/gaps')) });
  useEffect(() => {
    document.title = 'Station · Tubrin';
  }, []);
  return (
    <Answer query={equipment} what="the station">
      {(data) => (
        <div className="m-5 grid items-start gap-3.5 wide:grid-cols-list-main">
          <EquipmentList equipment={data} />
          <Routes>
            <Route index element={<Overview gaps={gaps.data ?? []} isEmpty={data.length === 0} />} />
            <Route path="new/:kind" element={<EquipmentEditor equipment={data} />} />
            <Route path=":id/twin" element={<TwinWizard equipment={data} />} />
            <Route path=":id" element={<EquipmentEditor equipment={data} />} />
          </Routes>
        </div>
      )}
    </Answer>
  );
}

function Overview({ gaps, isEmpty }: { gaps: GapView[]; isEmpty: boolean }) {
  return (
    <div className="grid gap-3.5">
      {isEmpty && (
        <Sheet title="The first station">
          <p className="mb-3">A few questions are enough for a first climb; what you do not know is stood in for.</p>
          <Button kind="main" asChild>
            <Link to="/station/first">Tell it by questions</Link>
          </Button>
        </Sheet>
      )}
      <StationEditor />
      <Gaps gaps={gaps} />
      <BackupSheet />
    </div>
  );
}

function EquipmentList({ equipment }: { equipment: EquipmentView[] }) {
  return (
    <Nav label="Equipment" kind="list" className="sheet py-3">
      <NavItem kind="list" to="/station" end className="head">
        The station
      </NavItem>
      <NavItem kind="list" to="/station/meters">
        Meters against each other
      </NavItem>
      {Object.entries(KINDS).map(([kind, { name }]) => (
        <Fragment key={kind}>
          <NavHead className="mt-2.5 flex items-center justify-between px-3.5">
            <h2 className="text-13 text-soft">{name}</h2>
            <Link
              to={`/station/new/${kind}`}
              aria-label={`Add: ${name}`}
              className="min-h-6 px-1 text-13 text-act underline"
            >
              add
            </Link>
          </NavHead>
          {equipment
            .filter((one) => one.kind === kind)
            .map((one) => (
              <NavItem key={one.id} kind="list" to={`/station/${one.id}`}>
                {one.name}
              </NavItem>
            ))}
        </Fragment>
      ))}
    </Nav>
  );
}

function Gaps({ gaps }: { gaps: GapView[] }) {
  return (
    <Sheet title="What is missing for which answer">
      {gaps.length === 0 ? (
        <p>Nothing: every answer that Tubrin gives now has what it needs.</p>
      ) : (
        <ul className="grid gap-2">
          {gaps.map((gap) => (
            <li key={gap.code + (gap.equipmentId ?? '')} className="flex items-baseline gap-2">
              <Diamond />
              <span>
                {gap.equipmentId ? (
                  <Link className="text-act underline" to={`/station/${gap.equipmentId}`}>
                    {gap.title}
                  </Link>
                ) : (
                  <b className="font-semibold">{gap.title}</b>
                )}
                <span className="text-soft"> {gap.remedy}</span>
              </span>
            </li>
          ))}
        </ul>
      )}
    </Sheet>
  );
}
