import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { ask, type CaseActRequest, type CaseView, client, Refusal } from '../../api';
import { Answer, Diamond, Sheet, Trouble, useKeys } from '../../parts';
import { Button, Cell, Confirm, Fold, Head, RowHead, Table } from '../../parts/ui';
import { utc } from '../../quantity';
import { say } from '../../words';

/** One case: what to check next and why, how probable each cause is, and all that was done. */
export function CasePage() {
  const id = useParams().caseId ?? '';
  const found = useQuery({
    queryKey: ['fault', id],
    queryFn: () => ask(client.GET('/api/faults/{id}', { params: { path: { id } } })),
  });
  useEffect(() => {
    document.title = say('faults.faultsTubrin');
  }, []);
  return (
    <Answer query={found} what={say('faults.theCase')}>
      {(view) => <Case view={view} />}
    </Answer>
  );
}

type Suspect = CaseView['suspects'][number];
type Does = Omit<CaseActRequest, 'revision'>;

/** Does things in a case; one that somebody else was faster with is read again. */
function useActs(view: CaseView) {
  const queries = useQueryClient();
  const key = ['fault', view.id];
  return useMutation({
    mutationFn: (does: Does) =>
      ask(
        client.POST('/api/faults/{id}/acts', {
          params: { path: { id: view.id } },
          body: { ...does, revision: view.revision },
        }),
      ),
    onSuccess: async (after) => {
      queries.setQueryData(key, after);
      // What was put right may have closed cards and trends.
      await queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'fault' });
    },
    onError: async (error) => {
      if (error instanceof Refusal && error.status === 409) await queries.invalidateQueries({ queryKey: key });
    },
  });
}

function Case({ view }: { view: CaseView }) {
  const acts = useActs(view);
  const [own, setOwn] = useState<Suspect>();
  const does = (act: Does) => {
    if (acts.isPending) return;
    setOwn(undefined);
    acts.mutate(act);
  };
  const answer = (yes: boolean) => {
    const cause = own?.cause ?? view.fix;
    if (cause) does({ act: 'FIX', cause, yes });
    else if (view.check) does({ act: 'ANSWER', check: view.check, yes });
  };
  const back = () => does({ act: 'BACK' });
  const skip = () => view.check && !own && does({ act: 'SKIP', check: view.check });
  const undo = () => (own ? setOwn(undefined) : view.steps.length > 0 && does({ act: 'UNDO' }));
  useKeys({
    '1': () => answer(true),
    '2': () => (view.verdict === 'CURED' ? back() : answer(false)),
    '3': skip,
    z: undo,
  });
  return (
    <div className="m-5 grid grid-cols-one gap-3.5">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-22">{view.symptoms}</h1>
        <span className="text-soft">
          {view.amplifier} · {say('faults.since', { day: view.openedOn })}
        </span>
        <Link to="/faults" className="ml-auto text-act underline">
          {say('faults.allCases')}
        </Link>
      </header>
      {view.note && <p className="max-w-prose">{view.note}</p>}
      <div className="grid grid-cols-one gap-3.5 wide:grid-cols-[3fr_2fr]">
        <Sheet
          title={view.verdict === 'CURED' ? say('faults.found') : say('faults.nextCheck')}
          accent
          part="next-check"
        >
          {own ? (
            <Asked
              sentence={say('faults.wasPutRight', { cause: own.name })}
              answers={[
                [true, say('faults.gone')],
                [false, say('faults.stays')],
              ]}
              onAnswer={answer}
            />
          ) : (
            <Asked
              sentence={view.sentence}
              why={view.why}
              cautions={view.cautions}
              answers={view.answers.map((one) => [one.yes, one.label, one.means] as const)}
              onAnswer={answer}
            />
          )}
          <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
            {view.check && !own && (
              <Button kind="quiet" hotkey="3" onClick={skip}>
                {say('faults.cannotDoItNow')}
              </Button>
            )}
            {view.verdict === 'CURED' && (
              <Button kind="quiet" hotkey="2" onClick={back}>
                {say('faults.itCameBack')}
              </Button>
            )}
            {(view.steps.length > 0 || own) && (
              <Button kind="quiet" hotkey="Z" onClick={undo}>
                {say('faults.undo')}
              </Button>
            )}
          </div>
          {view.ledger && <p className="mt-3">{view.ledger}</p>}
          {acts.error && <Trouble error={acts.error} />}
          {view.also.map((one) => (
            <p key={one} className="mt-2 flex items-baseline gap-2 text-13">
              <Diamond />
              {one}
            </p>
          ))}
        </Sheet>
        <Suspects view={view} onOwn={setOwn} />
      </div>
      <Others view={view} does={does} />
      <Done view={view} />
      <Removal id={view.id} />
    </div>
  );
}

interface AskedProps {
  sentence: string;
  why?: string | undefined;
  cautions?: string[];
  answers: (readonly [yes: boolean, label: string, means?: string | undefined])[];
  onAnswer: (yes: boolean) => void;
}

/** What is asked, its danger first, with its answers as large as a hand hits them. */
function Asked({ sentence, why, cautions = [], answers, onAnswer }: AskedProps) {
  return (
    <>
      {cautions.map((one) => (
        <p key={one} className="mb-2 flex items-baseline gap-2">
          <Diamond />
          {one}
        </p>
      ))}
      <p className="head text-27 leading-tight" role="status" data-part="sentence">
        {sentence}
      </p>
      {why && <p className="mt-1 text-soft">{why}</p>}
      <div className="mt-4 grid gap-2.5 wide:grid-cols-2">
        {answers.map(([yes, label, means]) => (
          <Button
            key={label}
            className="min-h-16 items-baseline justify-between px-4 py-2.5 text-left"
            hotkey={yes ? '1' : '2'}
            onClick={() => onAnswer(yes)}
          >
            <span>
              <span className="head block text-18">{label}</span>
              {means && <span className="block text-13 text-soft">{means}</span>}
            </span>
          </Button>
        ))}
      </div>
    </>
  );
}

function Suspects({ view, onOwn }: { view: CaseView; onOwn: (suspect: Suspect) => void }) {
  if (view.suspects.length === 0) return null;
  const over = view.verdict === 'CURED';
  return (
    <Sheet title={say('faults.whatItMayBe')} part="suspects">
      <Table caption={say('faults.whatItMayBe')} quiet>
        <tbody>
          {view.suspects.map((one) => (
            <tr key={one.cause}>
              <RowHead className="align-baseline">{one.name}</RowHead>
              <Cell className="align-baseline whitespace-nowrap text-soft">{one.how}</Cell>
              <Cell className="figure text-right align-baseline whitespace-nowrap">{one.percent}&thinsp;%</Cell>
              {!over && (
                <Cell className="text-right align-baseline">
                  <Button
                    kind="link"
                    className="text-13 whitespace-nowrap"
                    aria-label={say('faults.putRightWhich', { cause: one.name })}
                    onClick={() => onOwn(one)}
                  >
                    {say('faults.putRight')}
                  </Button>
                </Cell>
              )}
            </tr>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}

/** Checks that were made already, or that one would rather make. */
function Others({ view, does }: { view: CaseView; does: (act: Does) => void }) {
  if (view.others.length === 0) return null;
  return (
    <section aria-label={say('faults.otherChecks')} className="sheet px-4.5 py-2">
      <Fold title={<span className="text-14 text-soft">{say('faults.otherChecks')}</span>}>
        <ul className="divide-y divide-hair pt-2">
          {view.others.map((one) => (
            <li key={one.check} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5">
              <span className="grow">{one.says}</span>
              {([true, false] as const).map((yes) => (
                <Button
                  key={String(yes)}
                  size="small"
                  aria-label={`${one.says} ${yes ? one.yes : one.no}`}
                  onClick={() => does({ act: 'ANSWER', check: one.check, yes })}
                >
                  {yes ? one.yes : one.no}
                </Button>
              ))}
            </li>
          ))}
        </ul>
      </Fold>
    </section>
  );
}

function Done({ view }: { view: CaseView }) {
  if (view.steps.length === 0) return null;
  return (
    <Sheet title={say('faults.whatWasDone')} part="done">
      <Table caption={say('faults.whatWasDone')} quiet>
        <thead>
          <tr>
            <Head>{say('faults.when')}</Head>
            <Head>{say('faults.whatHead')}</Head>
            <Head>{say('faults.answerHead')}</Head>
          </tr>
        </thead>
        <tbody>
          {view.steps.map((step, place) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a check may stand twice, and steps are never sorted
            <tr key={place}>
              <Cell className="figure align-top text-13 text-soft">{utc(step.at)}</Cell>
              <Cell className="align-top">{step.says}</Cell>
              <Cell className="head align-top">{step.answer}</Cell>
            </tr>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}

function Removal({ id }: { id: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const remove = useMutation({
    mutationFn: () => ask(client.DELETE('/api/faults/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      navigate('/faults');
      await queries.invalidateQueries({ queryKey: ['faults'] });
    },
  });
  return (
    <div className="noprint">
      <Confirm
        title={say('faults.deleteTheCase')}
        says={say('faults.deletedForGood')}
        does={say('shared.delete')}
        onDo={() => remove.mutate()}
      >
        <Button kind="quiet" disabled={remove.isPending}>
          {say('faults.deleteTheCase')}
        </Button>
      </Confirm>
      {remove.error && <Trouble error={remove.error} />}
    </div>
  );
}
