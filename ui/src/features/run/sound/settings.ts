import { setting } from '../../../parts';
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

const OFF: Ears = { clock: false, limits: false, readings: false, peak: false, voice: false };

function read(stored: string | null): Ears {
  try {
    const kept = JSON.parse(stored ?? '{}') as Partial<Record<Ear, unknown>>;
    return Object.fromEntries(EARS.map(([ear]) => [ear, kept[ear] === true])) as Record<Ear, boolean>;
  } catch {
    // Not ours: all is off until it is switched on.
    return OFF;
  }
}

const ears = setting<Ears>('tubrin.sound', read, JSON.stringify);

export const useEars = ears.use;

export const switchEar = (ear: Ear, on: boolean): void => ears.set({ ...ears.now(), [ear]: on });
