import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, Navigate, useParams } from 'react-router';
import { ask, client, type PlayView } from '../../api';
import { Answer, Diamond, Sheet, Trouble, useKeys, useKeyUp } from '../../parts';
import { Button, Confirm, Select } from '../../parts/ui';
import { fixed, seconds } from '../../quantity';
import { say } from '../../words';
import { Desk } from './Desk';
import { PlayDials, useTurns } from './PlayDials';
import { PlayMeters } from './PlayMeters';
import { type Played, usePlay } from './usePlay';

/** How often the next move is asked for anew: it goes by time as well. */
const HELP_MS = 1000;

/** An exercise being played: the panel, its meters, and the next move where it is wanted. */
export function PlayPage() {
  const id = useParams().practiceId ?? '';
  const queries = useQueryClient();
  const found = useQuery({
    queryKey: ['practice', id],
    queryFn: async () => {
      const read = await ask(client.GET('/api/practices/{id}', { params: { path: { id } } }));
      // What was done meanwhile may have been answered first.
      const known = queries.getQueryData<PlayView>(['practice', id]);
      return known && known.sequence > read.sequence ? known : read;
    },
    refetchInterval: (query) => (query.state.data?.help ? HELP_MS : false),
  });
  useEffect(() => {
    document.title = say('practice.practiceTubrin');
  }, []);
  return (
    <Answer query={found} what={say('practice.theExercise')}>
      {(view) => (view.ended ? <Navigate to={`/practice/${view.id}/debrief`} replace /> : <Playing view={view} />)}
    </Answer>
  );
}

function Playing({ view }: { view: PlayView }) {
  const queries = useQueryClient();
  const played = usePlay(view);
  const turns = useTurns(view, played);
  const { panel, keyed, does } = played;
  const key = (on: boolean) => does({ does: 'KEY', on });
  const read = () => does({ does: 'READ' });
  const done = () => does({ does: 'DONE' });
  const nextShown = () => {
    const place = view.positions.findIndex((one) => one.code === panel.shown);
    const next = view.positions[(place + 1) % view.positions.length];
    if (panel.shown && next) does({ does: 'METER', role: next.code as NonNullable<typeof panel.shown> });
  };
  const nextRange = () => {
    const place = view.ranges.findIndex((one) => one.code === panel.range);
    const next = view.ranges[(place + 1) % view.ranges.length];
    if (next) does({ does: 'RANGE', range: next.code });
  };
  useKeys({
    Space: () => key(!keyed),
    ArrowLeft: (event) => turns.turn('PLATE', -1, event.shiftKey),
    ArrowRight: (event) => turns.turn('PLATE', 1, event.shiftKey),
    ArrowDown: (event) => turns.turn('LOAD', -1, event.shiftKey),
    ArrowUp: (event) => turns.turn('LOAD', 1, event.shiftKey),
    d: (event) => turns.drive(event.shiftKey ? -1 : 1, false),
    r: read,
    m: nextShown,
    w: nextRange,
    Enter: done,
  });
  useKeyUp(keyed, true, () => key(false));
  // The list tells of what goes on and what ended.
  useEffect(() => () => void queries.invalidateQueries({ queryKey: ['practices'] }), [queries]);
  return (
    <div className="mx-5 my-3.5 grid grid-cols-one gap-3">
      <header className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-18">{view.lesson}</h1>
        <span className="figure text-13 text-soft">{say('practice.exerciseCode', { code: view.code })}</span>
        <p className="flex flex-wrap gap-x-3 text-13 text-soft">
          {say('practice.limits')}
          {view.limits.map((one) => (
            <span key={one.name} className="whitespace-nowrap">
              {one.name} <span className="figure text-ink">{one.most}</span>
            </span>
          ))}
        </p>
        <Link to="/practice" className="ml-auto text-act underline">
          {say('practice.allExercises')}
        </Link>
      </header>
      <Next view={view} played={played} onKey={key} onRead={read} onDone={done} />
      {played.waiting && (
        <p role="status" className="flex items-center gap-2">
          <Diamond />
          {say('practice.waits')}
        </p>
      )}
      {played.refused && <Trouble error={played.refused} />}
      <div className="grid grid-cols-one gap-3 wide:grid-cols-2">
        <PlayMeters panel={panel} />
        <Desk view={view} played={played} turns={turns} />
      </div>
      <PlayDials view={view} turns={turns} />
      <Found view={view} played={played} />
    </div>
  );
}

interface NextProps {
  view: PlayView;
  played: Played;
  onKey: (down: boolean) => void;
  onRead: () => void;
  onDone: () => void;
}

/** What to do, and the key. */
function Next({ view, played, onKey, onRead, onDone }: NextProps) {
  const { keyed } = played;
  return (
    <Sheet accent part="next">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <div className="min-w-72 grow basis-96">
          {view.help?.cautions.map((one) => (
            <p key={one} className="flex items-baseline gap-2 text-13">
              <Diamond />
              {one}
            </p>
          ))}
          <p className="head text-27 leading-tight" role="status" data-part="sentence">
            {view.help?.sentence ?? view.goal}
          </p>
          {view.help && <p className="text-13 text-soft">{view.help.why}</p>}
          {view.help && view.help.lookAt.length > 0 && <p className="text-13">{view.help.lookAt.join(' · ')}</p>}
        </div>
        <div className="grid justify-items-end gap-1.5">
          <div className="flex flex-wrap gap-2">
            <Button
              kind={keyed ? 'main' : 'plain'}
              hotkey={say('app.space')}
              onClick={(event) => {
                event.currentTarget.blur();
                onKey(!keyed);
              }}
            >
              {keyed ? say('practice.keyUp') : say('practice.keyDown')}
            </Button>
            <Button hotkey="R" onClick={onRead}>
              {say('practice.read')}
            </Button>
            <Button hotkey={say('shared.enter')} onClick={onDone}>
              {view.help ? (view.help.button ?? say('practice.done')) : say('practice.noteStep')}
            </Button>
          </div>
          <Clock view={view} played={played} />
        </div>
      </div>
    </Sheet>
  );
}

function Clock({ view, played: { panel } }: { view: PlayView; played: Played }) {
  const beyond = panel.keyed && panel.keyedS > view.keyDownStopS;
  const words = panel.keyed
    ? say('practice.keyedFor', {
        s: fixed(panel.keyedS, 1),
        aim: fixed(view.keyDownAimS, 0),
        stop: fixed(view.keyDownStopS, 0),
      })
    : panel.warmUpLeftS > 0
      ? say('practice.warmingUp', { left: seconds(panel.warmUpLeftS) })
      : say('practice.keyUpFor', { s: fixed(Math.floor(panel.keyedS), 0) });
  return (
    <p className={`figure text-14 ${beyond ? 'text-limit' : 'text-soft'}`} data-part="clock">
      {panel.snapped && <span className="head mr-3 text-18 text-limit">{say('practice.snap')}</span>}
      {words}
    </p>
  );
}

/** What is said to be wrong, and the end. */
function Found({ view, played }: { view: PlayView; played: Played }) {
  const [cause, setCause] = useState('');
  const name = () => {
    const hidden = cause as NonNullable<Parameters<Played['does']>[0]['hidden']>;
    played.does({ does: 'NAME', hidden });
    setCause('');
  };
  return (
    <section className="sheet flex flex-wrap items-center gap-x-7 gap-y-2 px-4 py-2.5" data-part="found">
      <div className="ml-auto flex flex-wrap items-center gap-2">
        {view.said.map((one) => (
          <span key={`${one.name} ${one.atS}`} className="text-13">
            {one.name}: {one.right ? say('practice.wasSo') : say('practice.wasNotSo')}
          </span>
        ))}
        <Select
          aria-label={say('practice.sayWhatIsWrong')}
          letsKeysGo
          value={cause}
          onPick={setCause}
          options={[
            ['', say('practice.sayWhatIsWrong')] as const,
            ...view.causes.map((one) => [one.code, one.name] as const),
          ]}
        />
        <Button disabled={cause === ''} onClick={name}>
          {say('practice.itIsThis')}
        </Button>
        <Confirm
          title={say('practice.iAmDoneAsk')}
          says={say('practice.iAmDoneSays')}
          does={say('practice.end')}
          onDo={() => played.does({ does: 'END' })}
        >
          <Button>{say('practice.iAmDone')}</Button>
        </Confirm>
      </div>
    </section>
  );
}
