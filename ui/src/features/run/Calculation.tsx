import { useQuery } from '@tanstack/react-query';
import { ask, type CalculationView, client, type RoomView, type Row } from '../../api';
import { Refused } from '../../parts';
import { Cell, Heads, RowHead, Table } from '../../parts/ui';
import { say } from '../../words';

interface Props {
  runId: string;
  place: number;
  /** A figure, or a reading as it stands. */
  of: { figure: NonNullable<RoomView['figure']> } | { role: Row['role'] };
  /** Of the run: what is in hand changes with it. */
  sequence: number;
}

/** How a figure of a step was calculated: what went into it, who makes how much of its ±, and what would narrow it. */
export function Calculation({ runId, place, of, sequence }: Props) {
  const query = useQuery({
    queryKey: ['calculation', runId, place, of, sequence],
    queryFn: () =>
      'role' in of
        ? ask(
            client.GET('/api/runs/{id}/steps/{place}/readings/{role}', {
              params: { path: { id: runId, place, role: of.role } },
            }),
          )
        : ask(
            client.GET('/api/runs/{id}/steps/{place}/figures/{figure}', {
              params: { path: { id: runId, place, figure: of.figure } },
            }),
          ),
  });
  if (query.error) return <Refused error={query.error} />;
  return query.data ? (
    <Shown of={query.data} />
  ) : (
    <div role="status" aria-label={say('run.readingHowItWasCalculated')} className="h-30 bg-hair" />
  );
}

function Shown({ of }: { of: CalculationView }) {
  return (
    <div className="grid gap-2" data-part="calculation">
      <p className="flex items-baseline justify-between gap-3">
        <span className="font-semibold">{of.title}</span>
        <span className="figure text-18">{of.shown}</span>
      </p>
      <p>{of.formula}</p>
      <dl className="grid grid-cols-[1fr_auto] gap-x-3">
        {of.used.map((one) => (
          <div key={one.name} className="contents">
            <dt className="text-soft">{one.name}</dt>
            <dd className="figure text-right">{one.shown}</dd>
          </div>
        ))}
      </dl>
      {of.shares.length > 0 && (
        <Table caption={say('run.whoMakesHowMuchOf')} quiet tight className="text-13">
          <Heads of={[say('run.whoMakesThe'), say('run.part')]} />
          <tbody>
            {of.shares.map((share) => (
              <tr key={share.says}>
                <RowHead>{share.says}</RowHead>
                <Cell figure end>
                  {Math.round(share.percent)} %
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      {of.narrower && <p>{of.narrower}</p>}
      <p className="text-12 text-soft">{say('shared.isHalfOfThe95')}</p>
    </div>
  );
}
