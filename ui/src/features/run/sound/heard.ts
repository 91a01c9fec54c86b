import type { LiveFrame, RunView } from '../../../api';
import type { Sound } from './tones';

/**
 * Returns what the clock of a key-down sounds between two times, in seconds since key-down: a tick each second, another note
 * at the aim and each second after it, from the stop on the urgent one twice a second.
 */
export function clockSound(fromS: number, toS: number, aimS: number, stopS: number): Sound | undefined {
  if (toS >= stopS) return Math.floor(toS * 2) > Math.floor(fromS * 2) || fromS < stopS ? 'STOP' : undefined;
  if (fromS < aimS && toS >= aimS) return 'AIM';
  if (Math.floor(toS) <= Math.floor(fromS)) return undefined;
  return toS < aimS ? 'TICK' : 'AFTER_AIM';
}

/** What of a run's state the sounds go by. */
export interface Heard {
  steps: number;
  readings: number;
  sentence: string;
  atLimit: number;
}

const LEVELS: Readonly<Record<string, number>> = { WITHIN: 0, MAY_EXCEED: 1, EXCEEDS: 2 };

export function heardOf(view: RunView): Heard {
  return {
    steps: view.steps.length,
    readings: view.draft.cells.filter((cell) => cell.shown).length,
    sentence: view.advice.sentence,
    atLimit: Math.max(0, ...view.room.rooms.map((room) => LEVELS[room.verdict] ?? 0)),
  };
}

/** Returns what is heard of a change of the run; what is graver first, and that alone. */
export function changeSound(before: Heard, now: Heard): Sound | undefined {
  if (now.atLimit > before.atLimit) return now.atLimit === 2 ? 'OVER' : 'NEAR';
  if (now.steps > before.steps || now.readings > before.readings) return 'TAKEN';
  return undefined;
}

/** How often it is heard that a meter is beyond its limit. */
const OVER_EVERY_MS = 1000;

/**
 * Returns what the live meters say of the limits: each time one comes near, and as long as one is beyond.
 *
 * @param saidAgoMs how long ago it was heard that this one is beyond; undefined where it was not yet
 */
export function limitSound(before: LiveFrame, now: LiveFrame, saidAgoMs: number | undefined): Sound | undefined {
  const over = now.readings.some((one) => one.over);
  if (over) return saidAgoMs === undefined || saidAgoMs >= OVER_EVERY_MS ? 'OVER' : undefined;
  const near = (frame: LiveFrame) => frame.readings.filter((one) => one.near).length;
  return near(now) > near(before) ? 'NEAR' : undefined;
}
