/** What can be heard beside the voice and the peak tone. */
export type Sound = 'TICK' | 'AIM' | 'AFTER_AIM' | 'STOP' | 'NEAR' | 'OVER' | 'TAKEN' | 'WRONG_WAY' | 'MOVE';

interface Note {
  hz: number;
  /** From the beginning of the sound, in seconds. */
  atS: number;
  forS: number;
  /** Peak of the wave, of 1. */
  level: number;
}

/** Each sound as its notes: what is urgent is higher, louder and repeated; what went well rises, what is to be undone falls. */
export const NOTES: Record<Sound, readonly Note[]> = {
  TICK: [{ hz: 880, atS: 0, forS: 0.03, level: 0.12 }],
  AIM: [
    { hz: 660, atS: 0, forS: 0.12, level: 0.3 },
    { hz: 990, atS: 0.14, forS: 0.2, level: 0.3 },
  ],
  AFTER_AIM: [{ hz: 990, atS: 0, forS: 0.1, level: 0.3 }],
  STOP: [
    { hz: 1480, atS: 0, forS: 0.12, level: 0.6 },
    { hz: 1480, atS: 0.17, forS: 0.12, level: 0.6 },
    { hz: 1480, atS: 0.34, forS: 0.12, level: 0.6 },
  ],
  NEAR: [{ hz: 740, atS: 0, forS: 0.18, level: 0.3 }],
  OVER: [
    { hz: 1175, atS: 0, forS: 0.15, level: 0.6 },
    { hz: 880, atS: 0.17, forS: 0.25, level: 0.6 },
  ],
  TAKEN: [
    { hz: 523, atS: 0, forS: 0.05, level: 0.2 },
    { hz: 784, atS: 0.06, forS: 0.07, level: 0.2 },
  ],
  WRONG_WAY: [
    { hz: 392, atS: 0, forS: 0.1, level: 0.35 },
    { hz: 294, atS: 0.11, forS: 0.16, level: 0.35 },
  ],
  MOVE: [
    { hz: 587, atS: 0, forS: 0.08, level: 0.2 },
    { hz: 587, atS: 0.12, forS: 0.08, level: 0.2 },
  ],
};

/** How long a note takes to rise and to fall, so that it does not click. */
const EDGE_S = 0.008;

/** Plays a sound into a node, from a time of the context on. */
export function play(context: BaseAudioContext, into: AudioNode, sound: Sound, fromS: number): void {
  for (const note of NOTES[sound]) {
    const wave = context.createOscillator();
    const gain = context.createGain();
    const begin = fromS + note.atS;
    const end = begin + note.forS;
    wave.frequency.value = note.hz;
    gain.gain.setValueAtTime(0, begin);
    gain.gain.linearRampToValueAtTime(note.level, begin + EDGE_S);
    gain.gain.setValueAtTime(note.level, end - EDGE_S);
    gain.gain.linearRampToValueAtTime(0, end);
    wave.connect(gain).connect(into);
    wave.start(begin);
    wave.stop(end);
  }
}

const REFERENCE_HZ = 440;
const LOWEST_HZ = 110;
const HIGHEST_HZ = 1760;
/** Three octaves for twice the output: one per cent is half a semitone, which an ear tells. */
const OCTAVES_PER_DOUBLING = 3;

/** Returns the pitch of an output, in hertz: 440 at the first output of the key-down, higher where there is more. */
export function peakHz(output: number, first: number): number {
  const hz = REFERENCE_HZ * (output / first) ** OCTAVES_PER_DOUBLING;
  return Math.min(HIGHEST_HZ, Math.max(LOWEST_HZ, hz));
}

const GRID_LOWEST_HZ = 98;

/** Returns the pitch of grid current, in hertz: 98 at none, two octaves higher at its limit. */
export function gridHz(ofLimit: number): number {
  return GRID_LOWEST_HZ * 4 ** Math.min(1.25, Math.max(0, ofLimit));
}

const PEAK_LEVEL = 0.2;
const GRID_LEVEL = 0.12;
/** How fast the tone follows: a little less than from one live frame to the next, so that it does not step. */
const GLIDE_S = 0.045;

/** A parameter that glides from one value to the next, each taken in at its time. */
class Gliding {
  constructor(
    private readonly parameter: AudioParam,
    private last: number,
  ) {
    parameter.value = last;
  }

  to(value: number, atS: number): void {
    this.parameter.cancelScheduledValues(atS);
    this.parameter.setValueAtTime(this.last, atS);
    this.parameter.linearRampToValueAtTime(value, atS + GLIDE_S);
    this.last = value;
  }
}

/** One wave with its pitch and its loudness. */
class Voice {
  private readonly wave: OscillatorNode;
  private readonly hz: Gliding;
  private readonly gain: Gliding;

  constructor(
    context: BaseAudioContext,
    into: AudioNode,
    type: OscillatorType,
    private readonly level: number,
  ) {
    this.wave = context.createOscillator();
    this.wave.type = type;
    this.hz = new Gliding(this.wave.frequency, REFERENCE_HZ);
    const gain = context.createGain();
    this.gain = new Gliding(gain.gain, 0);
    this.wave.connect(gain).connect(into);
    this.wave.start();
  }

  set(hz: number | undefined, atS: number): void {
    if (hz !== undefined) this.hz.to(hz, atS);
    this.gain.to(hz === undefined ? 0 : this.level, atS);
  }

  end(): void {
    this.wave.stop();
  }
}

/** A tone that follows the output, and a rougher, lower one that follows grid current. */
export class PeakTone {
  private readonly output: Voice;
  private readonly grid: Voice;

  constructor(
    private readonly context: BaseAudioContext,
    into: AudioNode,
  ) {
    this.output = new Voice(context, into, 'sine', PEAK_LEVEL);
    this.grid = new Voice(context, into, 'triangle', GRID_LEVEL);
  }

  /** Follows; a pitch that is not known falls silent. */
  set(outputHz: number | undefined, gridHzNow: number | undefined, atS = this.context.currentTime): void {
    this.output.set(outputHz, atS);
    this.grid.set(gridHzNow, atS);
  }

  end(): void {
    this.output.end();
    this.grid.end();
  }
}
