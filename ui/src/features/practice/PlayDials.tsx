import { useEffect, useRef, useState } from 'react';
import type { PanelDialView, PanelView, PlayView } from '../../api';
import { DialButton } from '../../parts';
import { DialRuler } from '../../plot';
import { fixed } from '../../quantity';
import { say } from '../../words';
import type { Played } from './usePlay';

export type Turned = 'PLATE' | 'LOAD' | 'DRIVE';
/** How long the hand's own place is shown before the panel's is. */
const SETTLE_MS = 700;
const COARSE = 0.1;
const FINE = 0.02;

/** Turns dials and drive: the pointer moves at once, and what is sent is the latest place alone. */
export function useTurns(view: PlayView, played: Played) {
  const [turning, setTurning] = useState<Partial<Record<Turned, number>>>({});
  const timers = useRef<Partial<Record<Turned, ReturnType<typeof setTimeout>>>>({});
  useEffect(
    () => () => {
      for (const timer of Object.values(timers.current)) clearTimeout(timer);
    },
    [],
  );
  const panel = played.panel;
  const at = (name: Turned) => turning[name] ?? standing(panel, name);
  const to = (name: Turned, place: number) => {
    setTurning((known) => ({ ...known, [name]: place }));
    clearTimeout(timers.current[name]);
    timers.current[name] = setTimeout(() => setTurning((known) => ({ ...known, [name]: undefined })), SETTLE_MS);
    played.does({ does: 'TURN', control: name, to: place });
  };
  const turn = (name: 'PLATE' | 'LOAD', way: 1 | -1, fine: boolean) => {
    const dial = name === 'PLATE' ? view.plateDial : view.loadDial;
    const step = dial.markStep * (fine ? FINE : COARSE);
    to(name, within(at(name) + way * step, dial.least, dial.most));
  };
  /** One step of the exciter, or twice and half. */
  const drive = (way: 1 | -1, fine: boolean) => {
    const from = at('DRIVE');
    const far = way > 0 ? 2 * from : from / 2;
    const step = from + way * view.exciterStep;
    const wanted = fine ? step : way > 0 ? Math.max(far, step) : Math.min(far, step);
    to('DRIVE', within(Math.round(wanted / view.exciterStep) * view.exciterStep, view.exciterLeast, view.exciterMost));
  };
  return { at, turn, drive };
}

export type Turns = ReturnType<typeof useTurns>;

const standing = (panel: PanelView, name: Turned) =>
  name === 'PLATE' ? panel.plate : name === 'LOAD' ? panel.load : panel.exciter;

const within = (value: number, least: number, most: number) =>
  Math.round(Math.min(most, Math.max(least, value)) * 1000) / 1000;

const KEYS = { PLATE: ['←', '→'], LOAD: ['↓', '↑'] } as const;

export function PlayDials({ view, turns }: { view: PlayView; turns: Turns }) {
  return (
    <section
      aria-label={say('practice.theDials')}
      className="sheet grid grid-cols-2 gap-x-9 gap-y-3 px-4 py-2.5 max-phone:grid-cols-1"
    >
      <Dial name="PLATE" dial={view.plateDial} turns={turns} />
      <Dial name="LOAD" dial={view.loadDial} turns={turns} hint={view.loadSense} />
    </section>
  );
}

interface DialProps {
  name: 'PLATE' | 'LOAD';
  dial: PanelDialView;
  turns: Turns;
  hint?: string;
}

function Dial({ name, dial, turns, hint }: DialProps) {
  const [down, up] = KEYS[name];
  return (
    <div data-part={`dial-${name}`}>
      <div className="mb-1 flex items-baseline gap-2">
        <h2 className="head text-18">{name}</h2>
        <output className="figure text-22">{fixed(turns.at(name), 2)}</output>
        <span className="text-13 text-soft">
          {[hint, dial.card ? say('practice.card', { mark: dial.card }) : say('practice.noCard')]
            .filter(Boolean)
            .join(' · ')}
        </span>
        <span className="ml-auto flex gap-1">
          <DialButton
            label={say('practice.less', { what: name })}
            sign={down}
            onClick={() => turns.turn(name, -1, false)}
          />
          <DialButton
            label={say('practice.more', { what: name })}
            sign={up}
            onClick={() => turns.turn(name, 1, false)}
          />
        </span>
      </div>
      <DialRuler {...dial} position={turns.at(name)} />
    </div>
  );
}
