import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask, client, type FirstStationRequest, type FirstStationView, Refusal } from '../../api';
import { Answer, Sheet, Trouble, useOpening } from '../../parts';
import { Button, Input, Label } from '../../parts/ui';
import { say, within } from '../../words';
import { BackupSheet } from './BackupSheet';

type Answers = FirstStationRequest['answers'];

const KEPT = 'tubrin.first-station';

/** What was answered before a reload. */
function kept(): Answers {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
    return Array.isArray(found) ? (found as Answers) : [];
  } catch {
    return [];
  }
}

/** The first station by conversation: one question at a time, each with what it is for. */
export function FirstStation() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [answers, setAnswers] = useState(kept);
  useEffect(() => {
    document.title = say('station.firstStationTubrin');
  }, []);
  useEffect(() => localStorage.setItem(KEPT, JSON.stringify(answers)), [answers]);
  const asking = (told: Answers) => ({
    queryKey: ['first-station', told],
    queryFn: () => ask(client.POST('/api/first-station/questions', { body: { answers: told } })),
    // A refusal is said at once.
    retry: false,
  });
  const view = useQuery({ ...asking(answers), placeholderData: (before: FirstStationView | undefined) => before });
  // An answer counts once it was taken; one that is refused stays in its field.
  const next = useMutation({
    mutationFn: async (answer: Answers[number]) => {
      const told = [...answers.filter((one) => one.question !== answer.question), answer];
      await queries.fetchQuery(asking(told));
      return told;
    },
    onSuccess: setAnswers,
  });
  const back = () => {
    next.reset();
    setAnswers((known) => known.slice(0, -1));
  };
  const make = useMutation({
    mutationFn: () => ask(client.POST('/api/first-station', { body: { answers } })),
    onSuccess: async () => {
      localStorage.removeItem(KEPT);
      await queries.invalidateQueries();
      navigate('/tune');
    },
  });
  return (
    <Answer query={view} what={say('station.theQuestions')}>
      {(now) => (
        <div className="m-5 grid grid-cols-one gap-3.5">
          <Topics view={now} />
          <div className="grid items-start gap-3.5 wide:grid-cols-main-side">
            {now.next ? (
              <Question
                key={now.next.code}
                view={now}
                question={now.next}
                again={answers.find((one) => one.question === now.next?.code)?.text ?? ''}
                refused={next.error}
                busy={next.isPending}
                onAnswer={(text) => now.next && next.mutate({ question: now.next.code, text })}
                onBack={answers.length > 0 ? back : undefined}
              />
            ) : (
              <Done view={now} making={make.isPending} error={make.error} make={() => make.mutate()} back={back} />
            )}
            <Stairs view={now} />
          </div>
          <Answered view={now} onBroughtIn={() => navigate('/tune')} />
        </div>
      )}
    </Answer>
  );
}

const TOPICS = {
  EXCITER: say('shared.exciter'),
  AMPLIFIER: say('shared.amplifier'),
  METER: say('shared.meters'),
  LOAD: say('station.load'),
  TWIN: say('station.twin'),
} as const;

/** Where the conversation stands, along the way of the power. */
function Topics({ view }: { view: FirstStationView }) {
  const topics = Object.entries(TOPICS);
  const at = topics.findIndex(([topic]) => topic === view.next?.about);
  const place = at < 0 ? topics.length : at;
  return (
    <ol className="grid grid-cols-5" aria-label={say('station.whatIsAskedAbout')}>
      {topics.map(([topic, name], index) => {
        const done = view.answers.filter((one) => one.about === topic && one.known);
        return (
          <li key={topic} aria-current={index === place ? 'step' : undefined} className="text-center">
            <span className="relative block h-4">
              <span
                className={`absolute inset-x-0 top-1/2 border-t-2 ${index <= place ? 'border-ink' : 'border-dotted border-rule'}`}
              />
              <span
                className={`absolute top-0 left-1/2 size-4 -translate-x-1/2 rounded-full border-2 bg-ground ${
                  index === place ? 'border-act' : index < place ? 'border-ink' : 'border-rule'
                }`}
              />
            </span>
            <span className={`head block text-14 ${index > place ? 'text-soft' : ''}`}>{name}</span>
            <span className="block truncate text-13 text-soft max-wide:hidden">
              {done
                .slice(0, 2)
                .map((one) => one.shown)
                .join(', ') || '?'}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

type Keys = Record<string, () => void>;

/** Keys of the sheet itself, before those of the whole page; no unit has their letters, so that they act from within the field too. */
const pressing = (keys: Keys) => (event: KeyboardEvent) => {
  const act = keys[event.key];
  const presses = event.key === 'Enter' && event.target instanceof HTMLButtonElement;
  if (!act || presses || event.ctrlKey || event.metaKey || event.altKey) return;
  event.preventDefault();
  act();
};

interface QuestionProps {
  view: FirstStationView;
  question: NonNullable<FirstStationView['next']>;
  again: string;
  refused: Error | null;
  busy: boolean;
  onAnswer: (text: string) => void;
  onBack: (() => void) | undefined;
}

function Question({ view, question, again, refused, busy, onAnswer, onBack }: QuestionProps) {
  const [text, setText] = useState(again);
  const field = useRef<HTMLInputElement>(null);
  const head = useRef<HTMLHeadingElement>(null);
  const chooses = question.choices.length > 0;
  useEffect(() => (chooses ? head.current : field.current)?.focus(), [chooses]);
  const problem = refused instanceof Refusal ? refused.problems[0] : undefined;
  const answer = (given: string) => !busy && onAnswer(given);
  const unknown = () => answer('');
  const next = () => text.trim() !== '' && answer(text);
  const keys: Keys = {
    Enter: () => !chooses && next(),
    u: unknown,
    b: () => onBack?.(),
    ...Object.fromEntries(chooses ? question.choices.map((one, i) => [String(i + 1), () => answer(one.code)]) : []),
  };
  return (
    <section
      className="sheet border-l-4 border-l-act px-8 py-6"
      aria-labelledby="question"
      data-part="question"
      onKeyDown={pressing(keys)}
    >
      <p className="text-13 text-soft">
        {say('station.questionOfAbout', { number: view.number, of: view.of, about: TOPICS[question.about] })}
      </p>
      <h1 id="question" ref={head} tabIndex={-1} className="mt-1 text-27 leading-head">
        {question.asks}
      </h1>
      <p className="mt-1 max-w-prose text-soft">{question.why}</p>
      {chooses ? (
        <ul className="mt-5 grid max-w-md gap-2">
          {question.choices.map((one, index) => (
            <li key={one.code}>
              <Button
                className={`w-full justify-start text-18 ${one.code === again ? 'border-act' : ''}`}
                hotkey={String(index + 1)}
                disabled={busy}
                onClick={() => answer(one.code)}
              >
                {one.name}
              </Button>
            </li>
          ))}
        </ul>
      ) : (
        <div className="mt-5 flex flex-wrap items-center gap-4">
          <Label htmlFor="answer" className="sr-only">
            {question.asks}
          </Label>
          <Input
            id="answer"
            ref={field}
            number
            className="h-14 w-44 border-2 border-act px-4 text-27"
            maxLength={20}
            value={text}
            aria-invalid={problem !== undefined}
            aria-describedby="about-answer"
            onChange={(event) => setText(event.target.value)}
          />
          <span className="text-18 text-soft">{question.unit}</span>
          {question.usual && <span className="figure text-twin italic">{question.usual}</span>}
        </div>
      )}
      <p id="about-answer" role={problem ? 'alert' : undefined} className="mt-2 min-h-5 text-limit">
        {problem && `${problem.message} ${problem.remedy}`}
      </p>
      {refused && !problem && <Trouble error={refused} />}
      <div className="mt-3 flex flex-wrap gap-2">
        {!chooses && (
          <Button kind="main" hotkey="Enter" disabled={busy || text.trim() === ''} onClick={next}>
            {say('station.next')}
          </Button>
        )}
        <Button hotkey="U" disabled={busy} onClick={unknown}>
          {say('station.dontKnow')}
        </Button>
        {onBack && (
          <Button hotkey="B" onClick={onBack}>
            {say('station.back')}
          </Button>
        )}
      </div>
      <p className="mt-5 border-t border-hair pt-3 text-13 text-soft">{question.unknown}</p>
    </section>
  );
}

interface DoneProps {
  view: FirstStationView;
  making: boolean;
  error: Error | null;
  make: () => void;
  back: () => void;
}

function Done({ view, making, error, make, back }: DoneProps) {
  const head = useOpening<HTMLHeadingElement>();
  const keys: Keys = { Enter: () => !making && make(), b: back };
  const unknown = view.answers.filter((one) => !one.known && one.about !== 'TWIN');
  const twin = view.enough.find((one) => one.what === 'TWIN');
  return (
    <section
      className="sheet border-l-4 border-l-act px-8 py-6"
      aria-labelledby="done"
      data-part="question"
      onKeyDown={pressing(keys)}
    >
      <h1 id="done" ref={head} tabIndex={-1} className="text-27 leading-head">
        {say('station.enoughForAFirstClimb')}
      </h1>
      <p className="mt-2 max-w-prose text-soft">
        {unknown.length === 0
          ? say('station.allOfItIsKnown')
          : say('station.stoodInForOnThe', { label: unknown.map((one) => within(one.label)).join(', ') })}
        {twin && twin.known < twin.needed && say('station.withoutATwinTheClimb')}
      </p>
      <div className="mt-5 flex flex-wrap gap-2">
        <Button kind="main" hotkey="Enter" disabled={making} onClick={make}>
          {say('station.saveTheStationAndGo')}
        </Button>
        <Button hotkey="B" disabled={making} onClick={back}>
          {say('station.back')}
        </Button>
      </div>
      {error && (
        <div className="mt-3">
          <Trouble error={error} />
        </div>
      )}
    </section>
  );
}

/** What the answers are enough for: a stair from the climb to the twin. */
function Stairs({ view }: { view: FirstStationView }) {
  return (
    <Sheet title={say('station.whatYourAnswersAreEnough')}>
      <ol className="flex flex-col-reverse" data-part="enough">
        {view.enough.map((one, index) => {
          const whole = one.known === one.needed;
          return (
            <li
              key={one.what}
              style={{ marginLeft: `${index * 2.5}rem` }}
              className={`border-t-2 border-l-2 pt-1 pb-5 pl-2 ${whole ? 'border-ink' : 'border-rule border-dotted'}`}
            >
              <span className={`head block ${one.what === 'TWIN' ? 'text-twin' : whole ? '' : 'text-soft'}`}>
                {one.name}
              </span>
              <span className="figure text-13 text-soft">
                {say('station.of', { known: one.known, needed: one.needed })}
              </span>
            </li>
          );
        })}
      </ol>
    </Sheet>
  );
}

function Answered({ view, onBroughtIn }: { view: FirstStationView; onBroughtIn: () => void }) {
  if (view.answers.length === 0) {
    return (
      <>
        <BackupSheet onBroughtIn={onBroughtIn} />
        <p className="text-soft">
          {say('station.orByHand')}{' '}
          <Link className="text-act underline" to="/station">
            {say('shared.station')}
          </Link>
          .
        </p>
      </>
    );
  }
  return (
    <Sheet title={say('station.answered')}>
      <dl className="grid grid-cols-2 gap-x-6 gap-y-2 wide:grid-cols-4">
        {view.answers.map((one) => (
          <div key={one.code} className="border-t border-hair pt-1">
            <dt className="text-13 text-soft">{one.label}</dt>
            <dd
              className={`figure ${one.known ? '' : 'text-soft italic underline decoration-dotted underline-offset-4'}`}
            >
              {one.shown}
            </dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
