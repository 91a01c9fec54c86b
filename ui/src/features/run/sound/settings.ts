import { useSyncExternalStore } from 'react';
import { say } from '../../../words';

/** What may be heard, each for itself, with what it does. */
export const EARS = [
  ['clock', say('run.keyDownClock'), say('run.aTickEachSecondAnother')],
  ['limits', say('run.limits'), say('run.aNoteNearOneTwo')],
  ['readings', say('shared.readings'), say('run.twoRisingNotesWhenOne')],
  ['peak', say('run.peakTone'), say('run.itsPitchFollowsOutputWhile')],
  ['voice', say('shared.nextMove'), say('run.spokenInOneSentence')],
] as const;

export type Ear = (typeof EARS)[number][0];
export type Ears = Readonly<Record<Ear, boolean>>;

const KEY = 'tubrin.sound';
const OFF: Ears = { clock: false, limits: false, readings: false, peak: false, voice: false };
const listeners = new Set<() => void>();
let ears: Ears | undefined;

function stored(): Ears {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Record<Ear, unknown>>;
    return Object.fromEntries(EARS.map(([ear]) => [ear, kept[ear] === true])) as Record<Ear, boolean>;
  } catch {
    // Not ours: all is off until it is switched on.
    return OFF;
  }
}

export function earsNow(): Ears {
  ears ??= stored();
  return ears;
}

export function switchEar(ear: Ear, on: boolean): void {
  ears = { ...earsNow(), [ear]: on };
  localStorage.setItem(KEY, JSON.stringify(ears));
  for (const listener of listeners) listener();
}

export function useEars(): Ears {
  return useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, earsNow);
}
