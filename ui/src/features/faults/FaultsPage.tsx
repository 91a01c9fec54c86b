import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask, type CaseLine, client, type FaultsView, type RememberedView, type SymptomView } from '../../api';
import { Answer, Trouble, useDraft } from '../../parts';
import { Button, Check, Pick, SomeOf, TextField, ToggleGroup } from '../../parts/ui';
import { say } from '../../words';

/** What is wrong, and all cases: the way in. */
export function FaultsPage() {
  const faults = useQuery({ queryKey: ['faults'], queryFn: () => ask(client.GET('/api/faults')) });
  useEffect(() => {
    document.title = say('faults.faultsTubrin');
  }, []);
  return (
    <div className="m-5 grid grid-cols-one gap-3.5">
      <div>
        <h1 className="text-22">{say('faults.faults')}</h1>
        <p className="max-w-prose text-soft">{say('faults.what')}</p>
      </div>
      <Answer query={faults} what={say('faults.theCases')}>
        {(known) => (
          <>
            <Begin known={known} />
            <Cases title={say('faults.openCases')} cases={known.cases.filter((one) => !one.closed)} />
            <Cases title={say('faults.closedCases')} cases={known.cases.filter((one) => one.closed)} />
          </>
        )}
      </Answer>
    </div>
  );
}

type Symptom = SymptomView['code'];

interface Told {
  id: string;
  amplifier: string;
  symptoms: Symptom[];
  intermittent: boolean;
  note: string;
  /** What is remembered, by its question; what is not remembered is not among it. */
  known: Partial<Record<RememberedView['check'], boolean>>;
}

const ANOTHER = '';

function Begin({ known }: { known: FaultsView }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const fresh = (): Told => ({
    id: crypto.randomUUID(),
    amplifier: known.amplifiers[0]?.name ?? ANOTHER,
    symptoms: [],
    intermittent: false,
    note: '',
    known: {},
  });
  const { value: told, change, drop } = useDraft<Told>('fault', 2, fresh);
  const within = known.amplifiers.find((one) => one.name === told.amplifier)?.within ?? 'ANY';
  const asked = useQuery({
    queryKey: ['faults', 'questions', within, told.symptoms],
    queryFn: () => ask(client.GET('/api/faults/questions', { params: { query: { within, symptoms: told.symptoms } } })),
    enabled: told.symptoms.length > 0,
    placeholderData: keepPreviousData,
  });
  const questions = told.symptoms.length > 0 ? (asked.data ?? []) : [];
  const open = useMutation({
    mutationFn: () =>
      ask(
        client.POST('/api/faults', {
          body: {
            ...told,
            amplifier: told.amplifier || say('faults.another'),
            known: questions.flatMap(({ check }) => {
              const yes = told.known[check];
              return yes === undefined ? [] : [{ check, yes }];
            }),
          },
        }),
      ),
    onSuccess: async (opened) => {
      drop();
      queries.setQueryData(['fault', opened.id], opened);
      await queries.invalidateQueries({ queryKey: ['faults'] });
      navigate(`/faults/${opened.id}`);
    },
  });
  const toggle = (code: string) => {
    const symptom = code as Symptom;
    const has = told.symptoms.includes(symptom);
    change({ ...told, symptoms: has ? told.symptoms.filter((one) => one !== symptom) : [...told.symptoms, symptom] });
  };
  const full = told.symptoms.length >= known.mostSymptoms;
  return (
    <form
      className="sheet grid grid-cols-one gap-4 px-5 py-4"
      aria-label={say('faults.whatIsWrong')}
      onSubmit={(event) => {
        event.preventDefault();
        open.mutate();
      }}
    >
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <Pick
          label={say('shared.amplifier')}
          value={told.amplifier}
          onPick={(amplifier) => change({ ...told, amplifier })}
          options={[
            ...known.amplifiers.map((one) => [one.name, one.name] as const),
            [ANOTHER, say('faults.another')] as const,
          ]}
        />
        <Check checked={told.intermittent} onCheck={(intermittent) => change({ ...told, intermittent })}>
          {say('faults.itComesAndGoes')}
        </Check>
        <div className="w-96 max-w-full">
          <TextField
            label={say('faults.inYourWords')}
            value={told.note}
            onChange={(note) => change({ ...told, note })}
            className="w-full"
          />
        </div>
      </div>
      <SomeOf
        label={say('faults.symptoms')}
        chosen={told.symptoms}
        onPick={toggle}
        options={known.symptoms
          .filter((one) => one.within === 'ANY' || within === 'ANY' || one.within === within)
          .map((one) => ({ ...one, disabled: full && !told.symptoms.includes(one.code) }))}
      />
      {questions.length > 0 && (
        <Questions
          questions={questions}
          known={told.known}
          onTell={(check, yes) => change({ ...told, known: { ...told.known, [check]: yes } })}
        />
      )}
      <div className="flex flex-wrap items-center gap-4">
        <Button kind="main" type="submit" disabled={told.symptoms.length === 0 || open.isPending}>
          {say('faults.findTheCause')}
        </Button>
        <span className="text-13 text-soft">
          {told.symptoms.length === 0
            ? say('faults.chooseWhatYouSee')
            : say('faults.upTo', { most: known.mostSymptoms })}
        </span>
      </div>
      {open.error && <Trouble error={open.error} />}
    </form>
  );
}

interface QuestionsProps {
  questions: RememberedView[];
  known: Told['known'];
  onTell: (check: RememberedView['check'], yes: boolean | undefined) => void;
}

const ANSWERS = { YES: true, NO: false, NOT_KNOWN: undefined };

/** What can be answered from memory, each with a word; left open is not known. */
function Questions({ questions, known, onTell }: QuestionsProps) {
  const chosen = (yes: boolean | undefined) => (yes === undefined ? 'NOT_KNOWN' : yes ? 'YES' : 'NO');
  return (
    <section aria-label={say('faults.whatYouKnow')} data-part="questions" className="max-w-200">
      <h2 className="text-14">{say('faults.whatYouKnow')}</h2>
      <p className="mb-2 text-13 text-soft">{say('faults.savesAWalk')}</p>
      <ul className="divide-y divide-hair">
        {questions.map(({ check, says }) => (
          <li key={check} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-1.5">
            <span className="max-w-prose">{says}</span>
            <ToggleGroup
              label={says}
              value={chosen(known[check])}
              onPick={(code) => onTell(check, ANSWERS[code as keyof typeof ANSWERS])}
              options={[
                ['YES', say('faults.yes')],
                ['NO', say('faults.no')],
                ['NOT_KNOWN', say('faults.notKnown')],
              ]}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Cases({ title, cases }: { title: string; cases: CaseLine[] }) {
  if (cases.length === 0) return null;
  return (
    <section aria-label={title} className="sheet px-5 py-3">
      <h2 className="mb-1 text-14 text-soft">{title}</h2>
      <ul className="divide-y divide-hair">
        {cases.map((one) => (
          <li key={one.id} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1.5">
            <Link to={`/faults/${one.id}`} className="head text-act underline">
              {one.symptoms}
            </Link>
            <span className="text-soft">{one.amplifier}</span>
            <span>{one.says}</span>
            <span className="figure ml-auto text-13 text-soft">{one.openedOn}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
