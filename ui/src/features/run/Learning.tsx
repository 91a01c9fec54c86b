import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, client, type LearnedRow, type RunView } from '../../api';
import { Diamond, Sheet, Trouble } from '../../parts';
import { Button, Cell, RowHead, Table } from '../../parts/ui';
import { say } from '../../words';

/** What a run that is over teaches the twin; the operator accepts it or leaves it. */
export function Learning({ view }: { view: RunView }) {
  const queries = useQueryClient();
  const path = { params: { path: { id: view.id } } };
  const learning = useQuery({
    queryKey: ['learning', view.id],
    queryFn: async () => (await ask(client.GET('/api/runs/{id}/learning', path))) ?? null,
  });
  const accept = useMutation({
    mutationFn: () => ask(client.POST('/api/runs/{id}/learning', path)),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['equipment'] }),
  });
  const data = learning.data;
  if (!data) return null;
  if (data.failed) {
    return (
      <Sheet title={say('run.whatThisRunTeachesThe')} part="learning">
        <p className="flex items-baseline gap-2 text-watch">
          <Diamond />
          <span>{data.failed}</span>
        </p>
      </Sheet>
    );
  }
  return (
    <Sheet title={say('run.whatThisRunTeachesThe')} part="learning">
      <Table caption={say('run.whatWouldChangeOfThe')} quiet tight className="text-13">
        <tbody>
          {data.twin.map((row) => (
            <Row key={row.label} row={row} />
          ))}
          <tr>
            <th colSpan={3} scope="colgroup" className="pt-2 text-left font-normal text-soft">
              {say('run.andTheMetersHeldBy')}
            </th>
          </tr>
          {data.meters.map((row) => (
            <Row key={row.label} row={row} />
          ))}
        </tbody>
      </Table>
      {data.leftOver.length > 0 && (
        <div className="mt-2 text-watch">
          <p className="head flex items-center gap-2">
            <Diamond />
            {say('run.noBelievableTwinExplains')}
          </p>
          <ul className="list-disc pl-5">
            {data.leftOver.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        {accept.data ? (
          <span role="status">{say('run.sTwinHasLearnedIt', { amplifier: accept.data.amplifier })}</span>
        ) : (
          <>
            <Button
              kind={data.believable ? 'main' : 'plain'}
              onClick={() => accept.mutate()}
              disabled={accept.isPending}
            >
              {say('run.letTheTwinLearnIt')}
            </Button>
            <span className="text-13 text-soft">
              {data.believable ? say('run.allOfItIsWhat') : say('run.notAllOfItIs')}
            </span>
          </>
        )}
      </div>
      {accept.error && <Trouble error={accept.error} />}
    </Sheet>
  );
}

function Row({ row }: { row: LearnedRow }) {
  return (
    <tr>
      <RowHead>{row.label}</RowHead>
      <Cell figure end>
        {row.by}
      </Cell>
      <Cell className={`pl-3 ${row.believable ? 'text-soft' : 'head text-watch'}`}>{row.says}</Cell>
    </tr>
  );
}
