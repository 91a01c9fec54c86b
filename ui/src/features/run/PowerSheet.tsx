import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask, client, type PowerView, type RunView } from '../../api';
import { Answer } from '../../parts';
import { Cell, RowHead, Table } from '../../parts/ui';
import { Flows } from '../../plot';
import { fixed, watts } from '../../quantity';
import { say } from '../../words';
import { Tabs } from './Tabs';
import { useBenchDials } from './useLive';

export default function PowerSheet({ view }: { view: RunView }) {
  const bench = useBenchDials();
  const power = useQuery({
    queryKey: ['power', view.id, view.sequence, bench?.driveW, bench?.plate, bench?.load],
    queryFn: () => ask(client.GET('/api/runs/{id}/power', { params: { path: { id: view.id } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <Answer query={power} what={say('run.theFlowOfPower')}>
      {(data) => (
        <section aria-label={say('run.whereEachWattGoes')} className="sheet px-4 py-2.5">
          <header className="flex flex-wrap items-baseline gap-x-3 pb-1">
            <h1 className="text-22">{say('run.whereEachWattGoes')}</h1>
            <p className="text-soft">
              {say('run.byTheTwinAtW', {
                driveW: watts(data.driveW),
                plate: fixed(data.plate, 2),
                load: fixed(data.load, 2),
              })}
            </p>
            <Tabs view={view} />
          </header>
          <Flows flows={data.flows} width={834} height={380} />
          <Strain rows={data.strain} />
        </section>
      )}
    </Answer>
  );
}

function Strain({ rows }: { rows: PowerView['strain'] }) {
  return (
    <Table caption={say('run.strain')} tight className="mt-2 max-w-140">
      <tbody>
        {rows.map((row) => (
          <tr key={row.label}>
            <RowHead>{row.label}</RowHead>
            <Cell figure end className="text-twin italic">
              {row.shown}
            </Cell>
            <Cell figure end className={`pl-4 ${row.beyond ? 'head text-limit' : 'text-soft'}`}>
              {row.limit &&
                (row.beyond ? say('run.exceeds', { limit: row.limit }) : say('shared.ofLimit', { limit: row.limit }))}
            </Cell>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
