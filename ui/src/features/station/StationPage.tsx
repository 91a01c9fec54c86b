import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { NavLink, Route, Routes } from 'react-router';
import { ask, client, type EquipmentView, type GapView } from '../../api';
import { Answer, Diamond, Sheet } from '../../parts';
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
        <div className="m-5 grid items-start gap-[14px] wide:grid-cols-[270px_minmax(0,1fr)]">
          <EquipmentList equipment={data} />
          <Routes>
            <Route index element={<Overview gaps={gaps.data ?? []} />} />
            <Route path="new/:kind" element={<EquipmentEditor equipment={data} />} />
            <Route path=":id/twin" element={<TwinWizard equipment={data} />} />
            <Route path=":id" element={<EquipmentEditor equipment={data} />} />
          </Routes>
        </div>
      )}
    </Answer>
  );
}

function Overview({ gaps }: { gaps: GapView[] }) {
  return (
    <div className="grid gap-[14px]">
      <StationEditor />
      <Gaps gaps={gaps} />
      <BackupSheet />
    </div>
  );
}

function EquipmentList({ equipment }: { equipment: EquipmentView[] }) {
  const link = ({ isActive }: { isActive: boolean }) =>
    `block border-l-3 px-3 py-1 ${isActive ? 'border-act bg-wash' : 'border-transparent hover:bg-wash'}`;
  return (
    <nav aria-label="Equipment" className="sheet py-3">
      <NavLink to="/station" end className={({ isActive }) => `head ${link({ isActive })}`}>
        The station
      </NavLink>
      <NavLink to="/station/meters" className={link}>
        Meters against each other
      </NavLink>
      {Object.entries(KINDS).map(([kind, { name }]) => (
        <div key={kind} className="mt-2.5">
          <div className="flex items-center justify-between px-3.5">
            <h2 className="text-13 text-soft">{name}</h2>
            <NavLink
              to={`/station/new/${kind}`}
              aria-label={`Add: ${name}`}
              className="min-h-[24px] px-1 text-13 text-act underline"
            >
              add
            </NavLink>
          </div>
          {equipment
            .filter((one) => one.kind === kind)
            .map((one) => (
              <NavLink key={one.id} to={`/station/${one.id}`} className={link}>
                {one.name}
              </NavLink>
            ))}
        </div>
      ))}
    </nav>
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
                  <NavLink className="text-act underline" to={`/station/${gap.equipmentId}`}>
                    {gap.title}
                  </NavLink>
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
