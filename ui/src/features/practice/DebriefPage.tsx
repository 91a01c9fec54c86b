import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { ask, client, type DebriefView } from '../../api';
import { Answer, Sheet, Trouble } from '../../parts';
import { Button, Cell, Confirm, Head, RowHead, Table } from '../../parts/ui';
import { ClimbOver, DialWay, Sized } from '../../plot';
import { fixed } from '../../quantity';
import { say } from '../../words';
import { moment, Replay } from './Replay';

/** What an exercise came to: points, what was hidden, the climb over the best one, what cost something. */
export function DebriefPage() {
  const id = useParams().practiceId ?? '';
  const found = useQuery({
    queryKey: ['debrief', id],
    queryFn: () => ask(client.GET('/api/practices/{id}/debrief', { params: { path: { id } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
  useEffect(() => {
    document.title = say('practice.practiceTubrin');
  }, []);
  return (
    <Answer query={found} what={say('practice.debrief')}>
      {(view) => <Debrief view={view} />}
    </Answer>
  );
}

function Debrief({ view }: { view: DebriefView }) {
  const [at, setAt] = useState(() => Math.max(0, view.samples.length - 1));
  const now = view.samples[at];
  /** The sample at a moment, or the first after it. */
  const lookAt = (s: number) =>
    setAt(
      Math.max(
        0,
        view.samples.findIndex((one) => one.atS >= s - 1e-6),
      ),
    );
  return (
    <div className="m-5 grid grid-cols-one gap-3.5">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-22">{view.lesson}</h1>
        <span className="figure text-soft">{say('practice.exerciseCode', { code: view.code })}</span>
        <span className="text-soft">
          {view.amplifier} · {view.helped ? say('practice.withHelp') : say('practice.alone')}
        </span>
        <span className="head text-27" data-part="points">
          {say('practice.pointsInAll', { points: view.points })}
        </span>
        <Link to="/practice" className="ml-auto text-act underline">
          {say('practice.allExercises')}
        </Link>
      </header>
      <div className="grid grid-cols-one gap-3.5 wide:grid-cols-2">
        <Marks view={view} />
        <Hidden view={view} />
      </div>
      <div className="grid grid-cols-one gap-3.5 wide:grid-cols-2">
        <Sheet title={say('practice.yourClimb')} part="climb">
          <Sized>
            {(width) => (
              <ClimbOver
                width={width}
                own={view.own}
                best={[...view.best, view.bestEnd]}
                licenceW={view.licenceW}
                {...(now ? { now } : {})}
              />
            )}
          </Sized>
          <p className="text-13 text-soft">{say('practice.climbSays')}</p>
        </Sheet>
        <Sheet title={say('practice.theDials')} part="dials">
          <Sized>
            {(width) => (
              <DialWay
                width={width}
                own={view.samples}
                end={view.bestEnd}
                ridge={view.ridge}
                terrain={view.terrain}
                {...(now ? { now } : {})}
              />
            )}
          </Sized>
          <p className="text-13 text-soft">{say('practice.dialsSays', { driveW: fixed(view.terrain.driveW, 0) })}</p>
        </Sheet>
      </div>
      <Replay view={view} at={at} onAt={setAt} />
      <Moments view={view} onLook={lookAt} />
      <Foot view={view} />
    </div>
  );
}

function Marks({ view }: { view: DebriefView }) {
  return (
    <Sheet title={say('practice.marks')} part="marks">
      <Table caption={say('practice.marks')} quiet>
        <thead>
          <tr>
            <Head>{say('practice.subject')}</Head>
            <Head>{say('practice.figure')}</Head>
            <Head className="text-right">{say('practice.pointsHead')}</Head>
          </tr>
        </thead>
        <tbody>
          {view.marks.map((one) => (
            <tr key={one.subject}>
              <RowHead className="align-top">{one.name}</RowHead>
              <Cell className="align-top">
                <span className="figure mr-2">{one.figure}</span>
                <span className="text-13 text-soft">{one.says}</span>
              </Cell>
              <Cell className="figure text-right align-top whitespace-nowrap">
                {one.points}&thinsp;/&thinsp;{one.most}
              </Cell>
            </tr>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}

function Hidden({ view }: { view: DebriefView }) {
  return (
    <Sheet title={say('practice.hiddenThings')} part="hidden">
      {view.found.length === 0 && <p>{say('practice.nothingHidden')}</p>}
      <ul className="grid gap-3">
        {view.found.map((one) => (
          <li key={one.code}>
            <p className="flex flex-wrap items-baseline gap-x-3">
              <span className="head text-16">{one.name}</span>
              <span className={one.atS === undefined ? 'text-watch' : 'text-soft'}>
                {one.atS === undefined ? say('practice.neverFound') : say('practice.foundAt', { at: moment(one.atS) })}
              </span>
            </p>
            <p className="text-13 text-soft">{one.tells}</p>
          </li>
        ))}
      </ul>
      {view.said.some((one) => !one.right) && (
        <ul className="mt-3 text-13">
          {view.said
            .filter((one) => !one.right)
            .map((one) => (
              <li key={`${one.name} ${one.atS}`}>
                <span className="figure text-soft">{moment(one.atS)}</span> {one.name}: {say('practice.wasNotSo')}
              </li>
            ))}
        </ul>
      )}
    </Sheet>
  );
}

function Moments({ view, onLook }: { view: DebriefView; onLook: (s: number) => void }) {
  return (
    <Sheet title={say('practice.moments')} part="moments">
      {view.moments.length === 0 ? (
        <p>{say('practice.nothingCost')}</p>
      ) : (
        <Table caption={say('practice.moments')} quiet>
          <thead>
            <tr>
              <Head>{say('practice.when')}</Head>
              <Head>{say('practice.whatHappened')}</Head>
              <Head>{say('practice.signsThen')}</Head>
            </tr>
          </thead>
          <tbody>
            {view.moments.map((one) => (
              <tr key={`${one.fromS} ${one.says}`}>
                <Cell className="align-top">
                  <Button kind="link" className="figure" onClick={() => onLook(one.fromS)}>
                    {moment(one.fromS)}
                  </Button>
                </Cell>
                <Cell className="align-top">{one.says}</Cell>
                <Cell className="align-top text-soft">{one.signs ?? say('practice.noSign')}</Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </Sheet>
  );
}

function Foot({ view }: { view: DebriefView }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const remove = useMutation({
    mutationFn: () => ask(client.DELETE('/api/practices/{id}', { params: { path: { id: view.id } } })),
    onSuccess: async () => {
      navigate('/practice');
      await queries.invalidateQueries({ queryKey: ['practices'] });
    },
  });
  return (
    <div className="noprint">
      <Confirm
        title={say('practice.delete')}
        says={say('practice.deletedForGood')}
        does={say('shared.delete')}
        onDo={() => remove.mutate()}
      >
        <Button kind="quiet" disabled={remove.isPending}>
          {say('practice.delete')}
        </Button>
      </Confirm>
      {remove.error && <Trouble error={remove.error} />}
    </div>
  );
}
