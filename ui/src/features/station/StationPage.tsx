import { useQuery } from '@tanstack/react-query';
import { Fragment, useEffect } from 'react';
import { Link, Route, Routes } from 'react-router';
import { ask, client, type EquipmentView, type GapView } from '../../api';
import { Answer, Diamond, Sheet } from '../../parts';
import { Button, Nav, NavHead, NavItem } from '../../parts/ui';
import { say } from '../../words';
import { BackupSheet } from './BackupSheet';
import { Choosing } from './Choosing';
import { EquipmentEditor } from './EquipmentEditor';
import { StationEditor } from './StationEditor';
import { KINDS } from './spec';
import { TwinWizard } from './TwinWizard';

export function StationPage() {
  const equipment = useQuery({ queryKey: ['equipment'], queryFn: () => ask(client.GET('/api/equipment')) });
  const gaps = useQuery({ queryKey: ['gaps'], queryFn: () => ask(client.GET('/api/gaps')) });
  useEffect(() => {
    document.title = say('station.stationTubrin');
  }, []);
  return (
    <Answer query={equipment} what={say('shared.theStation')}>
      {(data) => (
        <div className="m-5 grid items-start gap-3.5 wide:grid-cols-list-main">
          <Routes>
            <Route index element={<Overview gaps={gaps.data ?? []} isEmpty={data.length === 0} />} />
            <Route path="choosing" element={<Choosing />} />
            <Route path="new/:kind" element={<EquipmentEditor equipment={data} />} />
            <Route path=":id/twin" element={<TwinWizard equipment={data} />} />
            <Route path=":id" element={<EquipmentEditor equipment={data} />} />
          </Routes>
          <EquipmentList equipment={data} />
        </div>
      )}
    </Answer>
  );
}

function Overview({ gaps, isEmpty }: { gaps: GapView[]; isEmpty: boolean }) {
  return (
    <div className="grid gap-3.5">
      {isEmpty && (
        <Sheet title={say('station.theFirstStation')}>
          <p className="mb-3">{say('station.aFewQuestionsAreEnough')}</p>
          <Button kind="main" asChild>
            <Link to="/station/first">{say('shared.tellItByQuestions')}</Link>
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
    // Read after the sheet that it leads to, and beside it where there is room.
    <Nav label={say('shared.equipment')} kind="list" className="sheet py-3 wide:order-first">
      <NavItem kind="list" to="/station" end className="head">
        {say('station.theStation')}
      </NavItem>
      <NavItem kind="list" to="/station/meters">
        {say('station.metersAgainstEachOther')}
      </NavItem>
      <NavItem kind="list" to="/station/choosing">
        {say('station.choosing')}
      </NavItem>
      {Object.entries(KINDS).map(([kind, { name }]) => (
        <Fragment key={kind}>
          <NavHead className="mt-2.5 flex items-center justify-between px-3.5">
            <h2 className="text-13 text-soft">{name}</h2>
            <Link
              to={`/station/new/${kind}`}
              aria-label={say('station.add', { name })}
              className="min-h-6 px-1 text-13 text-act underline"
            >
              {say('station.addWithin')}
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
    <Sheet title={say('station.whatIsMissingForWhich')}>
      {gaps.length === 0 ? (
        <p>{say('station.nothingEveryAnswerThatTubrin')}</p>
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
