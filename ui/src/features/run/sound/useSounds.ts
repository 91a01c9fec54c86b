import { useEffect, useMemo, useRef, useState } from 'react';
import type { LiveFrame, RunView } from '../../../api';
import { say } from '../../../words';
import type { Live } from '../useLive';
import { changeSound, clockSound, heardOf, limitSound } from './heard';
import { type Ears, useEars } from './settings';
import { hush, speakAloud } from './spoken';
import { gridHz, PeakTone, peakHz, play, type Sound } from './tones';

/** What is written while something sounds: nothing is said to the ear alone. */
export const CAPTIONS: Record<Sound, string> = {
  TICK: say('run.keyDown'),
  AIM: say('run.aimReached'),
  AFTER_AIM: say('run.pastTheAim'),
  STOP: say('run.keyUpNowWithin'),
  NEAR: say('run.nearALimit'),
  OVER: say('run.beyondALimit'),
  TAKEN: say('run.readingTaken'),
  WRONG_WAY: say('run.outputFallsTurnBack'),
  MOVE: say('run.nextMoveNoVoiceOn'),
};
const CAPTION_MS = 2500;
const CLOCK_MS = 50;

/** The loudspeaker of the page: made when first needed, let go with it. */
class Speaker {
  private context: AudioContext | undefined;

  constructor(private readonly caption: (text: string) => void) {}

  private ready(): AudioContext | undefined {
    // Without Web Audio the captions remain.
    if (typeof AudioContext === 'undefined') return undefined;
    this.context ??= new AudioContext();
    // A browser lets nothing sound before the first key or click; this asks again.
    if (this.context.state === 'suspended') void this.context.resume();
    return this.context;
  }

  sound(which: Sound) {
    this.caption(CAPTIONS[which]);
    const context = this.ready();
    if (context) play(context, context.destination, which, context.currentTime);
  }

  voice(sentence: string) {
    if (speakAloud(sentence)) this.caption(sentence);
    else this.sound('MOVE');
  }

  tone(): PeakTone | undefined {
    const context = this.ready();
    return context && new PeakTone(context, context.destination);
  }

  end() {
    hush();
    void this.context?.close();
    this.context = undefined;
  }
}

export interface Sounds {
  ears: Ears;
  /** What sounds now, in words; empty while nothing does. */
  caption: string;
  /** Says the next move, whether or not the voice is on. */
  repeat: () => void;
}

/** Lets be heard what happens in a run, as far as it is switched on. */
export function useSounds(view: RunView, skewMs: number, live: Live): Sounds {
  const ears = useEars();
  // What is said again stands as long again.
  const [caption, setCaption] = useState({ text: '' });
  const speaker = useMemo(() => new Speaker((text) => setCaption({ text })), []);
  useEffect(() => () => speaker.end(), [speaker]);
  useEffect(() => {
    if (!caption.text) return;
    const timer = setTimeout(() => setCaption({ text: '' }), CAPTION_MS);
    return () => clearTimeout(timer);
  }, [caption]);

  useClockSound(view, skewMs, ears, speaker);
  useMeters(view, live, ears, speaker);

  const heard = heardOf(view);
  const before = useRef(heard);
  useEffect(() => {
    const was = before.current;
    before.current = heard;
    const sound = changeSound(was, heard);
    if (sound && (sound === 'TAKEN' ? ears.readings : ears.limits)) speaker.sound(sound);
    if (was.sentence !== heard.sentence && ears.voice) speaker.voice(heard.sentence);
  });
  useEffect(() => {
    if (!ears.voice) hush();
  }, [ears.voice]);

  return { ears, caption: caption.text, repeat: () => speaker.voice(view.advice.sentence) };
}

function useClockSound(view: RunView, skewMs: number, ears: Ears, speaker: Speaker) {
  const { phase, since, aimS, stopS } = view.clock;
  // A bias current is watched as long as it takes.
  const paced = phase === 'KEY_DOWN' && view.kind !== 'BIAS' && view.kind !== 'RESONANCE';
  useEffect(() => {
    if (!paced || !ears.clock) return;
    const elapsedS = () => (Date.now() + skewMs - Date.parse(since)) / 1000;
    let last = elapsedS();
    const timer = setInterval(() => {
      const now = elapsedS();
      const sound = clockSound(last, now, aimS, stopS);
      last = now;
      if (sound) speaker.sound(sound);
    }, CLOCK_MS);
    return () => clearInterval(timer);
  }, [paced, ears.clock, since, aimS, stopS, skewMs, speaker]);
}

/** Follows the live meters: limits at any time, the peak tone while the key is down. */
function useMeters(view: RunView, live: Live, ears: Ears, speaker: Speaker) {
  const keyed = view.clock.phase === 'KEY_DOWN';
  const peaks = keyed && ears.peak && view.dials.length > 0;
  // Where LOAD is to be heavier output may fall, and that is meant.
  const forOutput = view.advice.move === 'KEY_AND_PEAK' || view.advice.move === 'PEAK_AND_READ';
  useEffect(() => {
    if (!ears.limits && !peaks) return;
    const tone = peaks ? speaker.tone() : undefined;
    let first: number | undefined;
    let before: LiveFrame = live.snapshot();
    let saidAt: number | undefined;
    const listen = () => {
      const now = live.snapshot();
      const value = (role: string) => now.readings.find((one) => one.role === role);
      if (ears.limits) {
        const sound = limitSound(before, now, saidAt === undefined ? undefined : Date.now() - saidAt);
        if (sound) speaker.sound(sound);
        if (sound === 'OVER') saidAt = Date.now();
        else if (!now.readings.some((one) => one.over)) saidAt = undefined;
      }
      const wentPast = now.pastPeak && !before.pastPeak;
      before = now;
      if (!peaks) return;
      const output = value('OUTPUT')?.value ?? 0;
      const grid = value('GRID_CURRENT')?.ofLimit;
      if (output > 0) first ??= output;
      if (wentPast && forOutput) speaker.sound('WRONG_WAY');
      tone?.set(
        output > 0 && first !== undefined ? peakHz(output, first) : undefined,
        output > 0 && grid !== undefined ? gridHz(grid) : undefined,
      );
    };
    const leave = live.subscribe(listen);
    return () => {
      leave();
      tone?.end();
    };
  }, [ears.limits, peaks, forOutput, live, speaker]);
}
