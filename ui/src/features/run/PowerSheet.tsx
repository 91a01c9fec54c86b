import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask, client, type PowerView, type RunView } from '../../api';
import { Answer } from '../../parts';
import { Flows } from '../../plot';
import { watts } from '../../quantity';
import { Tabs } from './Tabs';
import { useBench } from './useLive';

export default function PowerSheet({ view }: { view: RunView }) {
  const bench = useBench();
  const power = useQuery({
    queryKey: ['power', view.id, view.sequence, bench?.driveW, bench?.plate, bench?.load],
    queryFn: () => ask(client.GET('/api/runs/{id}/power', { params: { path: { id: view.id } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <Answer query={power} what="the flow of power">
      {(data) => (
        <section aria-label="Where each watt goes" className="sheet px-4 py-2.5">
          <header className="flex flex-wrap items-baseline gap-x-3 pb-1">
            <h1 className="text-22">Where each watt goes</h1>
            <p className="text-soft">
              by the twin, at {watts(data.driveW)} W of drive, PLATE {data.plate.toFixed(2)}, LOAD{' '}
              {data.load.toFixed(2)}
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
    <table className="mt-2 w-full max-w-[560px] border-collapse">
      <caption className="mb-1 text-left text-14 text-soft">Strain</caption>
      <tbody>
        {rows.map((row) => (
          <tr key={row.label} className="border-t border-hair">
            <th scope="row" className="py-0.5 text-left font-normal">
              {row.label}
            </th>
            <td className="figure text-right text-twin italic">{row.shown}</td>
            <td className={`figure pl-4 text-right ${row.beyond ? 'head text-limit' : 'text-soft'}`}>
              {row.limit && (row.beyond ? `exceeds ${row.limit}` : `of ${row.limit}`)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
