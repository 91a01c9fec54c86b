import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask, client, type PracticeRequest, type PracticesView } from '../../api';
import { Answer, Sheet, Trouble, useDraft } from '../../parts';
import { Button, Pick, TextField, ToggleGroup } from '../../parts/ui';
import { say } from '../../words';

/** Some of a record's properties. */
type Picked<T, K extends keyof T> = { [P in K]: T[P] };
type Lesson = PracticesView['lessons'][number];
type Chosen = Picked<PracticeRequest, 'panel' | 'scale' | 'shortWarmUp' | 'helped'> & { amplifierId: string };
type Begun = Picked<PracticeRequest, 'lesson'> & Partial<PracticeRequest>;

const USUAL: Chosen = { panel: 'SEVERAL', scale: 'WHOLE_WATTS', shortWarmUp: true, helped: true, amplifierId: '' };
/** How the exercise of the week is played: the same for everybody. */
const WEEKLY = { panel: 'SEVERAL', scale: 'WHOLE_WATTS', shortWarmUp: true, helped: false } as const;

/** The lessons, the exercise of the week, and what was played: the way in. */
export function PracticePage() {
  const practices = useQuery({ queryKey: ['practices'], queryFn: () => ask(client.GET('/api/practices')) });
  useEffect(() => {
    document.title = say('practice.practiceTubrin');
  }, []);
  return (
    <div className="m-5 grid grid-cols-one gap-3.5">
      <div>
        <h1 className="text-22">{say('practice.practice')}</h1>
        <p className="max-w-prose text-soft">{say('practice.what')}</p>
      </div>
      <Answer query={practices} what={say('practice.thePractice')}>
        {(known) => <Known known={known} />}
      </Answer>
    </div>
  );
}

function useBegin() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: (request: PracticeRequest) => ask(client.POST('/api/practices', { body: request })),
    onSuccess: async (play) => {
      queries.setQueryData(['practice', play.id], play);
      navigate(`/practice/${play.id}`);
      await queries.invalidateQueries({ queryKey: ['practices'] });
    },
  });
}

function Known({ known }: { known: PracticesView }) {
  const { value: chosen, change } = useDraft<Chosen>('practice', 1, () => USUAL);
  const begin = useBegin();
  const own = known.amplifiers.some((one) => one.id === chosen.amplifierId) ? chosen.amplifierId : '';
  const start = (begun: Begun) =>
    begin.mutate({
      id: crypto.randomUUID(),
      panel: chosen.panel,
      scale: chosen.scale,
      shortWarmUp: chosen.shortWarmUp,
      helped: chosen.helped,
      ...(own === '' ? {} : { amplifierId: own }),
      ...begun,
    });
  const ofWeek = known.lessons.find((one) => one.code === known.weekLesson);
  return (
    <>
      <Sheet accent part="week">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <div className="grow">
            <h2 className="head text-18">
              {say('practice.exerciseOfTheWeek', { week: known.week, lesson: ofWeek?.name ?? '' })}
            </h2>
            <p className="text-soft">{say('practice.sameForEverybody')}</p>
          </div>
          <Button
            kind="main"
            disabled={begin.isPending}
            onClick={() =>
              begin.mutate({ id: crypto.randomUUID(), lesson: known.weekLesson, seed: known.weekSeed, ...WEEKLY })
            }
          >
            {say('practice.begin')}
          </Button>
        </div>
      </Sheet>
      {begin.error && <Trouble error={begin.error} />}
      <How known={known} chosen={{ ...chosen, amplifierId: own }} change={change} />
      <section aria-label={say('practice.lessons')} className="sheet px-5 py-3">
        <header className="mb-1 flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="text-14 text-soft">{say('practice.lessons')}</h2>
          <span className="text-13 text-soft">{say('practice.measuredOn')}</span>
        </header>
        <ol className="divide-y divide-hair">
          {known.lessons.map((one, place) => (
            <LessonRow
              key={one.code}
              number={place + 1}
              lesson={one}
              disabled={begin.isPending}
              onBegin={() => start({ lesson: one.code })}
            />
          ))}
        </ol>
      </section>
      <ByCode known={known} onBegin={start} />
      <Played known={known} />
    </>
  );
}

interface HowProps {
  known: PracticesView;
  chosen: Chosen;
  change: (chosen: Chosen) => void;
}

/** What is practised on, and how. */
function How({ known, chosen, change }: HowProps) {
  return (
    <section
      aria-label={say('practice.how')}
      className="sheet flex flex-wrap items-end gap-x-5 gap-y-3 px-5 py-3.5 text-13"
    >
      <Pick
        label={say('practice.amplifier')}
        value={chosen.amplifierId}
        onPick={(amplifierId) => change({ ...chosen, amplifierId })}
        options={known.amplifiers.map((one) => [one.id ?? '', one.name] as const)}
      />
      <Few
        label={say('practice.help')}
        value={chosen.helped ? 'yes' : 'no'}
        onPick={(code) => change({ ...chosen, helped: code === 'yes' })}
        options={[
          ['yes', say('practice.nextMoveShown')],
          ['no', say('practice.alone')],
        ]}
      />
      <Few
        label={say('practice.metersOnThePanel')}
        value={chosen.panel}
        onPick={(code) => change({ ...chosen, panel: code as Chosen['panel'] })}
        options={[
          ['SEVERAL', say('practice.severalMeters')],
          ['ONE_WITH_SWITCH', say('practice.oneWithSwitch')],
        ]}
      />
      <Few
        label={say('practice.exciterSetIn')}
        value={chosen.scale}
        onPick={(code) => change({ ...chosen, scale: code as Chosen['scale'] })}
        options={[
          ['TENTHS', say('practice.tenths')],
          ['WHOLE_WATTS', say('practice.wholeWatts')],
          ['PERCENT', say('practice.percent')],
        ]}
      />
      <Few
        label={say('practice.warmUp')}
        value={chosen.shortWarmUp ? 'short' : 'real'}
        onPick={(code) => change({ ...chosen, shortWarmUp: code === 'short' })}
        options={[
          ['short', say('practice.short', { s: known.shortWarmUpS })],
          ['real', say('practice.realTime')],
        ]}
      />
    </section>
  );
}

interface FewProps {
  label: string;
  value: string;
  onPick: (code: string) => void;
  options: readonly (readonly [string, string])[];
}

function Few({ label, ...rest }: FewProps) {
  return (
    <div className="grid gap-0.5">
      <span className="text-soft">{label}</span>
      <ToggleGroup label={label} {...rest} />
    </div>
  );
}

interface LessonProps {
  number: number;
  lesson: Lesson;
  disabled: boolean;
  onBegin: () => void;
}

function LessonRow({ number, lesson, disabled, onBegin }: LessonProps) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
      <span className="figure w-6 text-right text-soft">{number}</span>
      <div className="min-w-72 grow basis-96">
        <h3 className="head text-16">{lesson.name}</h3>
        <p className="text-13 text-soft">{lesson.says}</p>
      </div>
      <span className="figure w-60 text-13 text-soft">
        {say('practice.difficulty', { alone: lesson.alone, helped: lesson.helped })}
        {lesson.best !== undefined && (
          <span className="block text-ink">{say('practice.yourBest', { best: lesson.best })}</span>
        )}
      </span>
      <Button disabled={disabled} aria-label={say('practice.beginLesson', { lesson: lesson.name })} onClick={onBegin}>
        {say('practice.begin')}
      </Button>
    </li>
  );
}

/** An exercise that somebody else told the code of. */
function ByCode({ known, onBegin }: { known: PracticesView; onBegin: (begun: Begun) => void }) {
  const [code, setCode] = useState('');
  const told = /^\s*(\d{1,2})\s*-\s*(\d{1,6})\s*$/.exec(code);
  const lesson = told && known.lessons[Number(told[1]) - 1];
  return (
    <form
      className="sheet flex flex-wrap items-end gap-4 px-5 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (told && lesson) onBegin({ lesson: lesson.code, seed: Number(told[2]) });
      }}
    >
      <TextField label={say('practice.code')} value={code} onChange={setCode} invalid={code !== '' && !lesson} />
      <Button type="submit" disabled={!lesson}>
        {say('practice.playTheCode')}
      </Button>
      <span className="text-13 text-soft">
        {lesson ? lesson.name : say('practice.codeForm', { lessons: known.lessons.length })}
      </span>
    </form>
  );
}

function Played({ known }: { known: PracticesView }) {
  if (known.plays.length === 0) return null;
  return (
    <section aria-label={say('practice.playedBefore')} className="sheet px-5 py-3">
      <h2 className="mb-1 text-14 text-soft">{say('practice.playedBefore')}</h2>
      <ul className="divide-y divide-hair">
        {known.plays.map((one) => (
          <li key={one.id} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1.5">
            <Link
              to={one.ended ? `/practice/${one.id}/debrief` : `/practice/${one.id}`}
              className="head text-act underline"
            >
              {one.lesson}
            </Link>
            <span className="figure text-13 text-soft">{one.code}</span>
            <span className="text-soft">{one.helped ? say('practice.withHelp') : say('practice.alone')}</span>
            <span className="figure">
              {one.points === undefined ? say('practice.goesOn') : say('practice.points', { points: one.points })}
            </span>
            <span className="figure ml-auto text-13 text-soft">{one.startedOn}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
